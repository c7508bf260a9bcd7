import { doubtPlace, readPlace, showPlace, spreadOf, together } from './place'

const garden = { west: 0, south: 0, east: 60, north: 40 }

describe('a place is held against what the plan shows', () => {
  test('a digit too many is asked about, by side and distance, in the person’s units', () => {
    expect(doubtPlace({ eastM: 500, northM: 20 }, garden, 'metric')).toMatch(/^This is 440 m east of/)
    expect(doubtPlace({ eastM: 10, northM: -100 }, garden, 'us')).toMatch(/^This is 328 ft south of/)
    expect(doubtPlace({ eastM: -80, northM: 20 }, garden, 'metric')).toMatch(/80 m west/)
    expect(doubtPlace({ eastM: 30, northM: 75 }, garden, 'metric')).toMatch(/35 m north/)
  })

  test('a tree at the edge is not; on a large site the edge is wider', () => {
    expect(doubtPlace({ eastM: 90, northM: 20 }, garden)).toBeNull()
    expect(doubtPlace({ eastM: 91, northM: 20 }, garden)).not.toBeNull()
    const park = { west: 0, south: 0, east: 1000, north: 200 }
    expect(doubtPlace({ eastM: 1500, northM: 20 }, park)).toBeNull()
    expect(doubtPlace({ eastM: 1501, northM: 20 }, park)).not.toBeNull()
  })

  test('an empty plan has nothing to hold it against', () =>
    expect(doubtPlace({ eastM: 4999, northM: 0 }, null)).toBeNull())
})

test('spreads of points and of spreads', () => {
  expect(spreadOf([])).toBeNull()
  const a = spreadOf([
    { eastM: 1, northM: 9 },
    { eastM: 4, northM: 2 },
  ])
  expect(a).toEqual({ west: 1, south: 2, east: 4, north: 9 })
  expect(together(a, null)).toEqual(a)
  expect(together(a, { west: 0, south: 3, east: 2, north: 12 })).toEqual({
    west: 0,
    south: 2,
    east: 4,
    north: 12,
  })
})

describe('a place is typed in the person’s units', () => {
  test('bare numbers are feet or metres, and a unit counts where it is typed', () => {
    const us = readPlace({ east: '30', north: '12 m' }, 'us')
    expect(us.ok && us.value.eastM).toBeCloseTo(9.144, 9)
    expect(us.ok && us.value.northM).toBe(12)
    const metric = readPlace({ east: '-3.5', north: '10 ft' }, 'metric')
    expect(metric.ok && metric.value).toEqual({ eastM: -3.5, northM: expect.closeTo(3.048, 9) })
  })

  test('what is empty or no distance is told by its field', () => {
    expect(readPlace({ east: '', north: '1' }, 'us')).toMatchObject({ problem: { field: 'eastM' } })
    expect(readPlace({ east: '1', north: 'far' }, 'us')).toMatchObject({ problem: { field: 'northM' } })
  })

  test('what is shown reads back as the same place', () => {
    for (const units of ['us', 'metric'] as const) {
      const back = readPlace(showPlace({ eastM: 1234.56, northM: -7.25 }, units), units)
      expect(back.ok && Math.abs(back.value.eastM - 1234.56)).toBeLessThan(0.06)
      expect(back.ok && Math.abs(back.value.northM + 7.25)).toBeLessThan(0.06)
    }
  })
})
