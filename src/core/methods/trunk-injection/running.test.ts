import fc from 'fast-check'
import {
  foldPort,
  isInTree,
  plannedPort,
  productIn,
  stageOf,
  stepPort,
  volumeApplied,
  whyNotFinished,
  type PortEvent,
  type PortStep,
  type RunningPort,
} from './running'

const fresh: RunningPort = {
  number: 1,
  bearing: 5,
  volume: 9e-6,
  drilledAt: null,
  startedAt: null,
  stoppedAt: null,
  outAt: null,
  left: 0,
  givenUp: null,
}
const after = (...kinds: ('drill' | 'start' | 'stop' | 'out' | 'undo')[]) =>
  kinds.reduce((port, kind, i) => {
    const r = stepPort(port, { kind, at: i })
    if (!r.ok) throw new Error(r.problem.message)
    return r.value
  }, fresh)

test('a port goes from planned to done', () => {
  expect(stageOf(fresh)).toBe('planned')
  expect(stageOf(after('drill'))).toBe('drilled')
  expect(stageOf(after('drill', 'start'))).toBe('taking up')
  expect(stageOf(after('drill', 'start', 'stop'))).toBe('empty')
  expect(stageOf(after('drill', 'start', 'stop', 'out'))).toBe('done')
})

test('it is in the tree from the clock’s start until it is counted', () => {
  expect(
    [
      after('drill'),
      after('drill', 'start'),
      after('drill', 'start', 'stop'),
      after('drill', 'start', 'stop', 'out'),
    ].map(isInTree),
  ).toEqual([false, true, true, false])
})

test.each<[RunningPort, PortStep, RegExp]>([
  [fresh, { kind: 'start', at: 1 }, /not drilled yet/],
  [fresh, { kind: 'stop', at: 1 }, /not been started/],
  [fresh, { kind: 'out', at: 1 }, /Nothing was set/],
  [fresh, { kind: 'undo', at: 1 }, /Nothing has been done/],
  [after('drill'), { kind: 'drill', at: 1 }, /drilled already/],
  [after('drill', 'start'), { kind: 'start', at: 1 }, /runs already/],
  [after('drill', 'start'), { kind: 'out', at: 1 }, /still taking up; stop its clock first/],
  [after('drill', 'start', 'stop', 'out'), { kind: 'out', at: 1 }, /counted in already/],
  [after('drill', 'start'), { kind: 'give-up', at: 1, reason: ' ', left: 0 }, /Say why/],
  [
    after('drill', 'start'),
    { kind: 'give-up', at: 1, reason: 'leaks', left: 1e-3 },
    /charged with 9 mL: what is left in it is from 0 to that/,
  ],
])('steps out of order are refused with what to do', (port, step, why) => {
  expect(stepPort(port, step)).toMatchObject({ ok: false, problem: { message: expect.stringMatching(why) } })
})

test('undo takes one step back each time', () => {
  expect(stageOf(after('drill', 'start', 'stop', 'out', 'undo'))).toBe('empty')
  expect(stageOf(after('drill', 'start', 'undo', 'undo'))).toBe('planned')
})

test('a given-up port counts what went in, and is still in the tree until pulled', () => {
  const r = stepPort(after('drill', 'start'), { kind: 'give-up', at: 9, reason: 'leaks', left: 4e-6 })
  if (!r.ok) throw new Error(r.problem.message)
  expect(isInTree(r.value)).toBe(true)
  expect(volumeApplied([r.value, after('drill', 'start', 'stop', 'out'), after('drill')])).toBeCloseTo(
    14e-6,
    15,
  )
  expect(whyNotFinished([r.value])).toMatch(/1 still in the tree: port 1/)
  const out = stepPort(r.value, { kind: 'out', at: 10 })
  expect(out.ok && whyNotFinished([out.value])).toBeNull()
})

test('nothing may be left open', () => {
  expect(whyNotFinished([after('drill', 'start', 'stop', 'out'), { ...fresh, number: 2 }])).toMatch(
    /Nothing was set in port 2/,
  )
  expect(whyNotFinished([after('drill', 'start', 'stop', 'out')])).toBeNull()
})

describe('a port from its events', () => {
  const KINDS = ['drill', 'start', 'stop', 'out', 'undo'] as const
  const event = fc.record({
    kind: fc.constantFrom<(typeof KINDS)[number] | 'give-up' | 'move'>(...KINDS, 'give-up', 'move'),
    left: fc.double({ min: 0, max: 9e-6, noNaN: true }),
    bearing: fc.integer({ min: 0, max: 359 }),
  })
  /** As many of the events as the rules let happen, a minute apart. */
  const happened = (wanted: { kind: string; left: number; bearing: number }[]): PortEvent[] => {
    const kept: PortEvent[] = []
    for (const [i, w] of wanted.entries()) {
      const next = {
        ...w,
        id: `e${String(i).padStart(3, '0')}`,
        at: i * 60_000,
        reason: 'why',
      } as unknown as PortEvent
      if (foldPort(fresh, [...kept, next]).idle.length === 0) kept.push(next)
    }
    return kept
  }
  const folded = (events: PortEvent[]) => {
    const { state, idle } = foldPort(fresh, events)
    expect(idle).toEqual([])
    return state
  }

  test('the order in which they arrive changes nothing, nor does a repeat', () => {
    fc.assert(
      fc.property(fc.array(event, { maxLength: 14 }), fc.infiniteStream(fc.nat()), (wanted, numbers) => {
        const events = happened(wanted)
        const shuffled = events
          .map((e) => ({ e, n: numbers.next().value as number }))
          .sort((a, b) => a.n - b.n)
          .map((x) => x.e)
        expect(folded(shuffled)).toEqual(folded(events))
        expect(folded([...shuffled, ...events])).toEqual(folded(events))
      }),
    )
  })

  test('what went in and what is left are what it was charged with', () => {
    fc.assert(
      fc.property(fc.array(event, { maxLength: 14 }), (wanted) => {
        const port = folded(happened(wanted))
        if (port.startedAt !== null) expect(volumeApplied([port]) + port.left).toBeCloseTo(port.volume, 15)
        else expect(volumeApplied([port])).toBe(0)
        expect(port.left).toBeGreaterThanOrEqual(0)
        expect(volumeApplied([port])).toBeGreaterThanOrEqual(-1e-18)
      }),
    )
  })

  test('taken back to the beginning, it is as planned, but for where it was moved to', () => {
    const undone = folded([
      ...happened([
        { kind: 'move', left: 0, bearing: 9 },
        { kind: 'drill', left: 0, bearing: 0 },
        { kind: 'start', left: 0, bearing: 0 },
        { kind: 'undo', left: 0, bearing: 0 },
        { kind: 'undo', left: 0, bearing: 0 },
      ]),
    ])
    expect(undone).toEqual({ ...fresh, bearing: 9 })
  })

  test('an event that cannot be in its place changes nothing, and says what to do first', () => {
    expect(
      foldPort(fresh, [
        { kind: 'start', id: 'b', at: 1 },
        { kind: 'drill', id: 'a', at: 2 },
      ]),
    ).toMatchObject({
      state: { drilledAt: 2, startedAt: null },
      idle: [{ id: 'b', problem: { message: expect.stringMatching(/not drilled yet/) as string } }],
    })
  })
})

test('of a mix with water only its share of product counts as put in', () => {
  const port = plannedPort(1, { bearing: 40, product: 24e-6, mix: 984e-6 })
  expect(port.volume).toBe(984e-6)
  const empty = { ...port, drilledAt: 1, startedAt: 2, stoppedAt: 3, outAt: 4 }
  expect(productIn(empty)).toBeCloseTo(24e-6, 12)
  expect(productIn({ ...empty, left: 492e-6 })).toBeCloseTo(12e-6, 12)
  expect(volumeApplied([empty, { ...empty, startedAt: null }])).toBeCloseTo(24e-6, 12)
})
