import fc from 'fast-check'
import type { StepEvent } from '@/core/methods/running'
import {
  lastStanding,
  shownState,
  stepNow,
  stillAhead,
  type Batch,
  type Press,
  type WorkStep,
} from './presses'

const port = (events: StepEvent[] = []): WorkStep => ({
  id: 'p',
  n: 1,
  what: { kind: 'port', bearing: 20, product: 9e-6 },
  events,
})
let n = 0
const batch = (at: number, ...kinds: Press['kind'][]): Batch => ({
  id: `b${++n}`,
  at,
  presses: kinds.map((kind) => ({ eventId: `e${++n}`, stepId: 'p', kind })),
})
/** What the server keeps of batches it has taken. */
const kept = (batches: readonly Batch[]): StepEvent[] =>
  batches.flatMap((b) =>
    b.presses.map(({ eventId, kind, of }, i) => ({ id: eventId, kind, at: b.at + i, ...(of && { of }) })),
  )

test('what was pressed here stands on what the server knew', () => {
  const step = port([{ id: 'a', at: 5, kind: 'drill' }])
  expect(shownState(step, [batch(9, 'start')])).toMatchObject({ drilledAt: 5, startedAt: 9 })
})

test('the presses of one device count in the order of the hand, though its clock went back between them', () => {
  const now = stepNow(port(), [batch(1000, 'drill'), batch(400, 'start'), batch(300, 'stop')])
  if (!now.ok) throw new Error(now.problem.message)
  expect(now.value).toMatchObject({ drilledAt: 1000, startedAt: 1001, stoppedAt: 1002 })
})

test('a press at another step is none of this one', () => {
  const other: Batch = { id: 'b', at: 9, presses: [{ eventId: 'e', stepId: 'q', kind: 'drill' }] }
  expect(shownState(port(), [other])).toMatchObject({ drilledAt: null })
})

test('where what was pressed cannot be, what the server knew is shown, and why is told', () => {
  const step = port([{ id: 'a', at: 5, kind: 'drill' }])
  const odd = [batch(9, 'out')]
  expect(stepNow(step, odd)).toMatchObject({
    ok: false,
    problem: { message: expect.stringMatching(/\.$/) as string },
  })
  expect(shownState(step, odd)).toEqual(shownState(step, []))
})

const WAY = ['drill', 'start', 'stop', 'out'] as const

test('whichever part of the presses the server has taken, the step stands the same', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: WAY.length }),
      fc.nat(WAY.length),
      fc.array(fc.integer({ min: 1, max: 5000 }), { minLength: 4, maxLength: 4 }),
      (presses, taken, gaps) => {
        let at = 1000
        const batches = WAY.slice(0, presses).map((kind, i) => batch((at += gaps[i]!), kind))
        const whole = shownState(port(), batches)
        const known = port(kept(batches.slice(0, taken)))
        // Those the server has are still on the device until it has heard of it.
        expect(shownState(known, batches)).toEqual(whole)
        const ahead = stillAhead(batches, [known])
        expect(ahead).toEqual(batches.slice(taken))
        expect(shownState(known, ahead)).toEqual(whole)
      },
    ),
  )
})

test('a batch is ahead until every one of its presses is known', () => {
  const both = batch(5, 'drill', 'start')
  const half = port(kept([{ ...both, presses: both.presses.slice(0, 1) }]))
  expect(stillAhead([both], [half])).toEqual([both])
  expect(stillAhead([both], [port(kept([both]))])).toEqual([])
})

describe('what taking back means', () => {
  test('the newest that stands, of the server’s and of this device’s', () => {
    const step = port([
      { id: 'b', at: 6, kind: 'start' },
      { id: 'a', at: 5, kind: 'drill' },
    ])
    expect(lastStanding(step, [])).toBe('b')
    const own = batch(9, 'stop')
    expect(lastStanding(step, [own])).toBe(own.presses[0]!.eventId)
    expect(lastStanding(port(), [])).toBeNull()
  })

  test('what was taken back by its name is gone, whatever came after it', () => {
    const step = port([
      { id: 'a', at: 5, kind: 'drill' },
      { id: 'b', at: 6, kind: 'start' },
      { id: 'u', at: 7, kind: 'undo', of: 'b' },
    ])
    expect(lastStanding(step, [])).toBe('a')
    const again: Batch = { id: 'x', at: 9, presses: [{ eventId: 'y', stepId: 'p', kind: 'undo', of: 'a' }] }
    expect(lastStanding(step, [again])).toBeNull()
  })

  test('one that says no name takes back the last', () => {
    const step = port([
      { id: 'a', at: 5, kind: 'drill' },
      { id: 'b', at: 6, kind: 'start' },
      { id: 'u', at: 7, kind: 'undo' },
    ])
    expect(lastStanding(step, [])).toBe('a')
  })

  test('a press that the server has already is not counted twice', () => {
    const own = batch(9, 'drill')
    const step = port(kept([own]))
    const back: Batch = {
      id: 'x',
      at: 10,
      presses: [{ eventId: 'y', stepId: 'p', kind: 'undo', of: own.presses[0]!.eventId }],
    }
    expect(lastStanding(step, [own, back])).toBeNull()
  })
})
