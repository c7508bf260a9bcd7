import { CARDS, useOf } from '../../../demo/cards'
import { toSI } from '../quantity/units'
import { sayWallClock } from '../time/wallClock'
import type { ForecastHour } from './hourReasons'
import { hourAt, hoursOutside, notDried, outsideHour, outsideNow, weatherDeviations } from './outside'
import type { SubjectPlan } from './plan'
import type { RunningStep } from './running'
import { plannedTask } from './task'
import { plannedPort } from './trunk-injection/running'

const card = (code: string) => CARDS.find((c) => c.card.code === code)!.card
const captan = useOf(card('CP4'), 'crown-spray')
const at = (wind: number, degrees: number) => ({ wind: toSI(wind, 'mph'), temperature: toSI(degrees, 'F') })

test('what the card allows is no deviation, to its very ends', () => {
  for (const [wind, degrees] of [
    [6, 66],
    [2, 45],
    [10, 85],
  ] as const)
    expect(weatherDeviations(captan, at(wind, degrees), 'us')).toEqual([])
  expect(weatherDeviations(useOf(card('SD2'), 'soil-drench'), at(40, 110), 'us')).toEqual([])
})

test('what lies outside is written with both figures', () => {
  expect(weatherDeviations(captan, at(15, 66), 'us')).toEqual(['Wind 15 mph, of at most 10 mph on the card.'])
  expect(weatherDeviations(captan, at(1, 91), 'us')).toEqual([
    'Wind 1 mph, of at least 2 mph on the card.',
    expect.stringMatching(/^Air 91 °F, of at most 85 °F/),
  ])
  expect(weatherDeviations(useOf(card('EB4'), 'trunk-injection'), at(30, 40), 'us')).toEqual([
    expect.stringMatching(/^Air 40 °F, of at least 45 °F/),
  ])
})

const hoursFrom = (n: number, hour: Partial<ForecastHour> = {}): ForecastHour[] =>
  Array.from({ length: n }, (_, i) => ({
    time: sayWallClock(Date.UTC(2026, 5, 12, 6 + i)),
    ...at(6, 66),
    gust: toSI(8, 'mph'),
    rain: 0,
    sun: 0.1,
    soil: 'moist' as const,
    ...hour,
  }))
const NEW_YORK = 'America/New_York'
/** Half past some hour of 12 June in New York. */
const half = (hour: number) => Date.UTC(2026, 5, 12, hour + 4, 30)

test('an hour is held against its card, with the figure of that hour, and only that hour', () => {
  const hours = hoursFrom(12)
  hours[4] = { ...hours[4]!, wind: toSI(15, 'mph'), gust: toSI(15, 'mph') }
  const say = (h: number) =>
    outsideHour(captan, [{ name: 'captan' }], hours, hourAt(NEW_YORK, half(h)), 'us').map((o) => o.say)
  expect(say(9)).toEqual([])
  expect(say(10)).toEqual(['wind 15 mph, of at most 10 mph on the card'])
  expect(say(11)).toEqual([])
  // Of an hour nobody knows, nothing is said.
  expect(say(23)).toEqual([])
  expect(
    hoursOutside(captan, [{ name: 'captan' }], [half(11), half(10), half(9)], hours, NEW_YORK, 'us'),
  ).toEqual(['At 10:30: wind 15 mph, of at most 10 mph on the card.'])
})

test('what lasted is said from its first to its last press', () => {
  const hours = hoursFrom(12, { soil: 'saturated' })
  const drench = useOf(card('SD2'), 'soil-drench')
  expect(hoursOutside(drench, [], [half(8), half(10), half(9)], hours, NEW_YORK, 'us')).toEqual([
    'From 08:30 to 10:30: soil full of water.',
  ])
})

const task = (over: Partial<Extract<RunningStep, { kind: 'task' }>>) =>
  ({
    kind: 'task',
    ...plannedTask({ task: 'x', product: 0, times: 1 }),
    ...over,
  }) as Extract<RunningStep, { kind: 'task' }>

test('a collar dries before roots are cut; where none are cut nothing waits', () => {
  const opened = task({ task: 'open', done: 1, startedAt: 0, endedAt: 0 })
  const cut = (ms: number, noted = '10') =>
    notDried(
      [opened],
      task({ task: 'roots', done: 1, startedAt: ms, noted, waits: { after: 'open', days: 2 } }),
    )
  expect(cut(60_000)).toBe('it dried for 1 min, of at least 2 days')
  expect(cut(60_000, '0')).toBeNull()
  expect(cut(1.4 * 86_400_000)).toBe('it dried for 33 h 36 min, of at least 2 days')
  expect(cut(1.6 * 86_400_000)).toBeNull()
  // What was never opened dries nothing.
  expect(
    notDried([task({ task: 'open', givenUp: 'rain', endedAt: 0 })], task({ task: 'roots', startedAt: 1 })),
  ).toBeNull()
})

test('what closes is never held up, what opens is', () => {
  const hours = hoursFrom(12, { wind: toSI(15, 'mph') })
  const steps = [task({ task: 'inside', product: 1 })]
  const ask = (kind: string) =>
    outsideNow({
      use: captan,
      actives: [{ name: 'captan' }],
      plan: { method: 'crown-spray' } as SubjectPlan,
      hours,
      timeZone: NEW_YORK,
      units: 'us',
      steps,
      step: steps[0]!,
      press: { kind },
      at: half(10),
      seenBefore: null,
    }).map((o) => o.what)
  expect(ask('do')).toContain('wind')
  expect(ask('undo')).toEqual([])
  expect(ask('give-up')).toEqual([])
})

test('looks of an earlier day are asked about where something is opened, and not at a step that waits for days', () => {
  const ask = (kind: string, more: Partial<Extract<RunningStep, { kind: 'task' }>> = {}) => {
    const step = task({ task: 'inside', product: 1, ...more })
    return outsideNow({
      use: captan,
      actives: [],
      plan: { method: 'crown-spray' } as SubjectPlan,
      hours: [],
      timeZone: NEW_YORK,
      units: 'us',
      steps: [step],
      step,
      press: { kind },
      at: half(10),
      seenBefore: 'bark dry was seen on Mon 8 Jun and not looked at since',
    }).map((o) => o.what)
  }
  expect(ask('do')).toEqual(['seen before'])
  expect(ask('undo')).toEqual([])
  expect(ask('do', { waits: { after: 'open', days: 2 } })).toEqual([])
})

test('a port that is empty sooner than a trunk drinks is asked about', () => {
  const port = {
    kind: 'port' as const,
    ...plannedPort(1, { bearing: 0, product: 1e-5 }),
    drilledAt: half(9),
    startedAt: half(9),
  }
  const ask = (minutes: number) =>
    outsideNow({
      use: useOf(card('EB4'), 'trunk-injection'),
      actives: [],
      plan: {
        method: 'trunk-injection',
        shape: { uptake: { from: 1200, to: 3000 } },
      } as unknown as SubjectPlan,
      hours: [],
      timeZone: NEW_YORK,
      units: 'us',
      steps: [port],
      step: port,
      press: { kind: 'stop' },
      at: half(9) + minutes * 60_000,
      seenBefore: null,
    }).map((o) => o.what)
  expect(ask(1)).toEqual(['too quick'])
  expect(ask(4)).toEqual([])
  expect(ask(30)).toEqual([])
})
