import { farUnder, watchedMinutes } from './stretch'
import { plannedTask } from './task'
import { plannedPort } from './trunk-injection/running'

const MIN = 60_000
const done = (from: number, to: number) => ({
  kind: 'task' as const,
  ...plannedTask({ task: 'pour', product: 1, times: 1 }),
  done: 1,
  startedAt: from * MIN,
  endedAt: to * MIN,
})

test('a stretch far under its plan is told, with both figures', () => {
  expect(farUnder([done(1, 2)], 0, 95)?.words).toBe('pressed within 2 min, 1 h 35 min were planned')
  expect(farUnder([done(1, 24)], 0, 95)).toBeNull()
  expect(farUnder([done(1, 23)], 0, 95)).not.toBeNull()
})

test('it begins when the tree was begun, not with the first tick', () => {
  expect(farUnder([done(60, 61)], 0, 95)).toBeNull()
  expect(farUnder([done(60, 61)], 59 * MIN, 95)).toMatchObject({ from: 59 * MIN, to: 61 * MIN })
})

test('little work, and work that was not done, are not asked about', () => {
  expect(farUnder([done(0, 0)], 0, 9)).toBeNull()
  expect(farUnder([{ kind: 'task', ...plannedTask({ task: 'x', product: 0, times: 1 }) }], 0, 95)).toBeNull()
})

test('a port counts until it is out', () => {
  const port = {
    kind: 'port' as const,
    ...plannedPort(1, { bearing: 0, product: 1 }),
    drilledAt: 0,
    startedAt: MIN,
    stoppedAt: 2 * MIN,
  }
  expect(farUnder([port], 0, 60)).not.toBeNull()
  expect(farUnder([{ ...port, outAt: 40 * MIN }], 0, 60)).toBeNull()
})

test('what was watched says how long it took; a ticked row, a press too near and a night between say nothing', () => {
  expect(watchedMinutes([done(1, 60)], 0, 50)).toBe(60)
  expect(watchedMinutes([done(10, 60)], null, 50)).toBe(50)
  expect(watchedMinutes([done(1, 2)], 0, 95)).toBeNull()
  expect(watchedMinutes([{ ...done(1, 60), row: 12 }], 0, 50)).toBeNull()
  expect(watchedMinutes([done(1, 900)], 0, 50)).toBeNull()
  expect(watchedMinutes([], 0, 50)).toBeNull()
  expect(watchedMinutes([done(1, 60)], 0, 0)).toBeNull()
})
