import { paces, sayPace, type WatchedWork } from './pace'

const took = (minutes: number[], more: Partial<WatchedWork> = {}): WatchedWork[] =>
  minutes.map((m) => ({ method: 'prune', planned: 60, took: m, ...more }))

test('the middle of what watched works took, by method, once there are five', () => {
  expect(paces(took([60, 75, 90, 75])).size).toBe(0)
  expect(paces(took([60, 75, 90, 75, 70])).get('prune')).toEqual({ factor: 75 / 60, works: 5 })
  expect(paces(took([60, 70, 80, 90, 30, 100])).get('prune')).toEqual({ factor: 75 / 60, works: 6 })
  const two = paces([...took([30, 30, 30, 30, 30]), ...took([66, 66, 66, 66, 66], { method: 'collar' })])
  expect([two.get('prune')!.factor, two.get('collar')!.factor]).toEqual([0.5, 1.1])
})

test('one long day moves it little, and no pace is less than half or more than double', () => {
  expect(paces(took([60, 60, 60, 60, 480])).get('prune')!.factor).toBe(1)
  expect(paces(took([500, 500, 500, 500, 500])).get('prune')!.factor).toBe(2)
  expect(paces(took([1, 1, 1, 1, 1])).get('prune')!.factor).toBe(0.5)
  expect(paces(took([60, 60, 60, 60, 60], { planned: 0 })).size).toBe(0)
})

test('a pace is said with what it rests on', () => {
  expect(sayPace({ factor: 1.25, works: 6 })).toBe('25 % longer than planned, by 6 works that were watched')
  expect(sayPace({ factor: 0.8, works: 5 })).toBe('20 % shorter than planned, by 5 works that were watched')
  expect(sayPace({ factor: 1.001, works: 9 })).toBe('as planned, by 9 works that were watched')
})
