import {
  isInTree,
  stageOf,
  stepPort,
  volumeApplied,
  whyNotFinished,
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
  [after('drill', 'start'), { kind: 'give-up', at: 1, reason: 'leaks', left: 1e-3 }, /must lie from zero/],
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
