import { dueNow } from './due'
import { plannedPort, type RunningPort } from './running'

const UPTAKE = { from: 600, to: 1200 }
const MINUTE = 60_000
const port = (state: Partial<RunningPort>) => ({
  ...plannedPort(1, { bearing: 10, product: 9e-6 }),
  drilledAt: 0,
  ...state,
  id: 'p',
})

test('a port is due when its shortest time is over, and once more beyond its longest', () => {
  const at = (minutes: number) => dueNow([port({ startedAt: 0 })], UPTAKE, minutes * MINUTE)
  expect(at(9.9)).toEqual([])
  expect(at(10).map((d) => d.stands)).toEqual(['look now'])
  expect(at(20.1).map((d) => d.stands)).toEqual(['stalled'])
  expect(at(10)[0]!.key).not.toBe(at(20.1)[0]!.key)
})

test('what was never set, is stopped or out rings nobody', () => {
  for (const state of [{}, { startedAt: 0, stoppedAt: 5 * MINUTE }, { startedAt: 0, stoppedAt: 5, outAt: 6 }])
    expect(dueNow([port(state)], UPTAKE, 60 * MINUTE)).toEqual([])
})

test('a clock that was taken back and started again is told again', () => {
  const key = (startedAt: number) => dueNow([port({ startedAt })], UPTAKE, 60 * MINUTE)[0]!.key
  expect(key(0)).not.toBe(key(1000))
})
