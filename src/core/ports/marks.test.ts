import { toSI } from '../quantity/units'
import { eachHole, roundOf } from './marks'

const days = [
  { drilledOn: '2025-06-12', bearings: [20, 80] },
  { drilledOn: '2026-06-10', bearings: [140] },
]

test('holes of several days are each one hole, with its day', () => {
  expect(eachHole(days)).toEqual([
    { bearing: 20, drilledOn: '2025-06-12' },
    { bearing: 80, drilledOn: '2025-06-12' },
    { bearing: 140, drilledOn: '2026-06-10' },
  ])
  expect(eachHole([])).toEqual([])
})

test('a hole of last June is a year old three days either way, one of this week is not', () => {
  const ages = (today: string) =>
    roundOf([], eachHole(days), toSI(52, 'in'), today).earlierHoles!.map((h) => h.years)
  expect(ages('2026-06-10')[0]).toBe(1)
  expect(ages('2026-06-14')[0]).toBe(1)
  expect(ages('2026-06-20')[0]).toBeGreaterThan(1)
  expect(ages('2026-06-14')[2]).toBeLessThan(0.02)
})
