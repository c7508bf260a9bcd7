import { toSI } from '../quantity/units'
import { CARDS, useOf } from '../../../demo/cards'
import type { Method } from '../card/card'
import { readGiven } from './given'
import type { Given, Question, UseOf } from './plan'
import { planSubject } from './registry'
import { pressStep, productOn, whyNotOver, type StepEvent } from './running'
import { deviations } from './deviations'
import { sayPlan, sayTask } from './say'

const card = (code: string) => CARDS.find((c) => c.card.code === code)!.card
const SOURCES = { reading: 'tape reading, 1 Jun 2026', label: 'card X v1', weather: 'fair' }
const inch = (n: number) => toSI(n, 'in')

function question<M extends Method>(
  use: UseOf<M>,
  stems: number[],
  choice: number,
  given: Given = {},
  host = 'ash',
): Question<Method> {
  return {
    use: use as UseOf<Method>,
    tree: {
      host,
      wood: 'ring-porous',
      stems: stems.map((d) => ({ diameter: inch(d) })),
      diameter: Math.hypot(...stems.map(inch)),
      marks: [],
      holes: [],
    },
    day: { on: '2026-06-12', soil: 'moist', temperature: 21 },
    choice,
    given,
    units: 'us',
    sources: SOURCES,
  }
}
function planned(q: Question<Method>) {
  const r = planSubject(q)
  if (!r.ok) throw new Error(r.problem.message)
  return r.value
}

test('a drench: product, water, active and their least and most by the card', () => {
  const { plan, working } = planned(question(useOf(card('SD2'), 'soil-drench'), [12], 1))
  expect(plan.product).toBeCloseTo(toSI(2.4, 'fl oz'), 12)
  expect(plan.least).toBeCloseTo(toSI(1.2, 'fl oz'), 12)
  expect(plan.most).toBeCloseTo(toSI(2.4, 'fl oz'), 12)
  expect(plan.water).toBeCloseTo(toSI(1, 'gal'), 12)
  expect(plan.active).toBeCloseTo(toSI((2.4 / 128) * 2, 'lb'), 12)
  expect(plan.steps.map((s) => s.kind === 'task' && s.task)).toEqual(['basin', 'pour', 'cover'])
  expect(sayPlan(plan as never, useOf(card('SD2'), 'soil-drench') as never, 'us')).toBe(
    '2.4 fl oz in 1 gal of water',
  )
  expect(working.find((s) => s.label === 'Product')!.from).toBe('card X v1')
})

test('a ready-to-pour product counts the inch of girth', () => {
  const { plan } = planned(question(useOf(card('RP1'), 'soil-drench'), [10], 0))
  expect(plan.product).toBeCloseTo(toSI(10 * Math.PI, 'fl oz'), 9)
})

test('a soil injection on rings counts its holes, each with the same mix', () => {
  const { plan } = planned(question(useOf(card('SD2'), 'soil-injection'), [14], 1))
  expect(plan.product).toBeCloseTo(toSI(2.8, 'fl oz'), 12)
  expect(plan.shape).toMatchObject({ holes: plan.steps[0]!.kind === 'task' ? plan.steps[0]!.times : -1 })
  expect(plan.product + plan.water!).toBeCloseTo(
    (plan.shape as { holes: number }).holes * toSI(8, 'fl oz'),
    12,
  )
})

test('a bark spray doses each stem of a clump on its own', () => {
  const { plan } = planned(question(useOf(card('DN7'), 'bark-spray'), [4, 5, 6], 0))
  expect(plan.product).toBeCloseTo(toSI(15, 'fl oz'), 12)
  expect(plan.steps).toMatchObject([{ task: 'clear' }, { task: 'wet', times: 3 }])
})

test('a crown spray asks for the crown first, then goes from within', () => {
  const oil = card('HO1').uses[0]! as UseOf<'crown-spray'>
  const host = oil.hosts === 'any' ? 'apple' : oil.hosts[0]!
  expect(planSubject(question(oil, [9], 0, {}, host))).toMatchObject({
    ok: false,
    problem: { code: 'missing', field: 'crown' },
  })
  const given = readGiven({ crownHeight: '16', crownWidth: '12' }, 'us')
  if (!given.ok) throw new Error(given.problem.message)
  const { plan } = planned(question(oil, [9], 0, given.value, host))
  expect(plan.shape).toMatchObject({ spray: expect.closeTo(toSI(0.965, 'gal'), 5) as number })
  expect(plan.steps.map((s) => s.kind === 'task' && s.task)).toEqual(['inside', 'outside'])
  expect(plan.steps.reduce((n, s) => n + s.product, 0)).toBeCloseTo(plan.product, 15)
})

test('a feed asks how far out, and says the nitrogen it brings', () => {
  const feed = useOf(card('FS18'), 'feed')
  expect(planSubject(question(feed, [12], 0))).toMatchObject({ ok: false, problem: { field: 'reach' } })
  const { plan } = planned(question(feed, [12], 0, { reach: toSI(16, 'ft') }))
  expect(plan).toMatchObject({ kind: 'weight', active: null })
  const area = Math.PI * (16 ** 2 - 1.5 ** 2)
  expect(plan.product).toBeCloseTo(toSI((2 * area) / 1000 / 0.18, 'lb'), 9)
})

test('a trunk injection asks for the girth at the ports', () => {
  const use = useOf(card('EB4'), 'trunk-injection')
  expect(planSubject(question(use, [16], 0))).toMatchObject({ ok: false, problem: { field: 'portGirth' } })
  const { plan } = planned(question(use, [16], 0, { portGirth: inch(54) }))
  expect(plan.steps).toHaveLength(9)
  expect(plan.active).toBeNull()
})

test.each([-0.1, 1.1, NaN])('a rate of %d is outside the label’s', (choice) => {
  expect(planSubject(question(useOf(card('SD2'), 'soil-drench'), [12], choice))).toMatchObject({
    ok: false,
    problem: { code: 'out-of-range', field: 'choice' },
  })
})
test('a card that does not name the kind plans nothing', () => {
  expect(planSubject(question(useOf(card('SD2'), 'soil-drench'), [12], 0, {}, 'linden'))).toMatchObject({
    ok: false,
    problem: { code: 'not-allowed', field: 'label' },
  })
})

test('every task of every method is said with its numbers', () => {
  const cases = [
    question(useOf(card('SD2'), 'soil-drench'), [12], 1),
    question(useOf(card('SD2'), 'soil-injection'), [12], 1),
    question(useOf(card('DN7'), 'bark-spray'), [12], 1),
    question(useOf(card('FS18'), 'feed'), [12], 1, { reach: 5 }),
  ]
  for (const q of cases) {
    const { plan } = planned(q)
    for (const units of ['us', 'metric'] as const)
      for (const s of plan.steps) {
        const said = sayTask(s.kind === 'task' ? s.task : '', plan as never, q.use, units)
        expect(said.text.length).toBeGreaterThan(10)
        expect(said.text).not.toMatch(/NaN|undefined/)
        if (s.product > 0) expect(said.text).toMatch(/\d/)
      }
  }
})

describe('a drench as it is worked', () => {
  const use = useOf(card('SD2'), 'soil-drench')
  const { plan } = planned(question(use, [12], 1))
  const worked = (...events: StepEvent[][]) =>
    plan.steps.map((s, i) => {
      const r = pressStep(i + 1, s, [], events[i] ?? [])
      if (!r.ok) throw new Error(r.problem.message)
      return r.value
    })
  const all: StepEvent[][] = [
    [{ id: 'a', at: 1, kind: 'do' }],
    [{ id: 'b', at: 2, kind: 'do' }],
    [{ id: 'c', at: 3, kind: 'do' }],
  ]
  const say = (task: string) => sayTask(task, plan as never, use, 'us').name

  test('done as planned: all of it went on, nothing to be said', () => {
    const steps = worked(...all)
    expect(productOn(steps)).toBeCloseTo(plan.product, 15)
    expect(whyNotOver(steps, say)).toBeNull()
    expect(deviations(plan as never, use, steps, 'us')).toEqual([])
  })
  test('what is left to be done is said before it can be signed', () => {
    expect(whyNotOver(worked(all[0]!), say)).toMatch(/^Pour is still to be done/)
  })
  test('poured in part for rain is said with what went on', () => {
    const steps = worked(
      all[0]!,
      [{ id: 'b', at: 2, kind: 'give-up', reason: 'rain came', left: toSI(1.8, 'fl oz') }],
      all[2]!,
    )
    expect(deviations(plan as never, use, steps, 'us')).toEqual([
      'Pour was given up with 1.8 fl oz of 2.4 fl oz left: rain came.',
      '0.6 fl oz went on of 2.4 fl oz prescribed, 25 %.',
    ])
  })
  test('a port’s step is none of a pour', () => {
    expect(pressStep(1, plan.steps[0]!, [], [{ id: 'a', at: 1, kind: 'drill' }])).toMatchObject({ ok: false })
    expect(
      pressStep(1, { kind: 'port', bearing: 0, product: 1 }, [], [{ id: 'a', at: 1, kind: 'do' }]),
    ).toMatchObject({ ok: false })
  })
})

test.each([
  [{ portGirth: '54 gal' }, 'portGirth'],
  [{ crownHeight: '16' }, 'crownWidth'],
  [{ reach: 'far' }, 'reach'],
  [{ hardscape: '100' }, 'hardscape'],
  [{ hardscape: 'most' }, 'hardscape'],
])('%j is refused at %s', (typed, field) => {
  expect(readGiven(typed, 'us')).toMatchObject({ ok: false, problem: { field } })
})
