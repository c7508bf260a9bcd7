import { clockOf, inTrees } from './clock'
import type { RunningPort } from './running'

const port = (more: Partial<RunningPort>): RunningPort => ({
  number: 1,
  bearing: 0,
  volume: 9e-6,
  drilledAt: 0,
  startedAt: 0,
  stoppedAt: null,
  outAt: null,
  left: 0,
  givenUp: null,
  ...more,
})
const MIN = 60_000
const UPTAKE = { from: 16 * 60, to: 32 * 60 }

test.each([
  [0, 'taking up', 0],
  [15.99, 'taking up', 0.5],
  [16, 'look now', 0.5],
  [32, 'look now', 1],
  [32.01, 'stalled', 1],
])('%d minutes after it was set it is %s', (minutes, stands, share) => {
  const clock = clockOf(port({}), UPTAKE, minutes * MIN)
  expect(clock.stands).toBe(stands)
  expect(clock.share).toBeCloseTo(share, 2)
  expect(clock.minutes).toBeCloseTo(minutes, 9)
})
test('an empty one waits to be pulled, its clock stopped', () => {
  expect(clockOf(port({ stoppedAt: 20 * MIN }), UPTAKE, 90 * MIN)).toMatchObject({
    stands: 'pull it',
    minutes: 20,
  })
  expect(clockOf(port({ givenUp: 'rain', stoppedAt: 2 * MIN }), UPTAKE, 90 * MIN).stands).toBe('pull it')
})
test('a device that runs behind the server reads nothing, not less than nothing', () => {
  expect(clockOf(port({ startedAt: 1000 }), UPTAKE, 0).minutes).toBe(0)
})
test('what is in trees, the longest first; what is out or never went in is not', () => {
  const trees = [
    { tag: 'A', ports: [port({ number: 1, startedAt: 30 }), port({ number: 2, startedAt: null })] },
    { tag: 'B', ports: [port({ number: 1, startedAt: 10 }), port({ number: 2, startedAt: 5, outAt: 9 })] },
  ]
  expect(inTrees(trees).map(({ tree, port: p }) => `${tree.tag}${p.number}`)).toEqual(['B1', 'A1'])
})
