import fc from 'fast-check'
import { toSI } from '../quantity/units'
import { addDays } from '../time/calendar'
import { soilStore, SOIL_HOLDS, waterUse, type SoilDay } from './soilStore'

const LATITUDE = 42
const days = (n: number, part: Partial<SoilDay> = {}, from = '2026-06-01'): SoilDay[] =>
  Array.from({ length: n }, (_, i) => ({ date: addDays(from, i), min: 14, max: 28, rain: 0, ...part }))
const soil = (list: SoilDay[], more = {}) => soilStore(list, { latitude: LATITUDE, ...more })

test('a summer day uses about a fifth of an inch, a winter day next to nothing', () => {
  expect(waterUse(LATITUDE, { date: '2026-06-15', min: 14, max: 28 }) / 0.0254).toBeCloseTo(0.2, 1)
  expect(waterUse(LATITUDE, { date: '2026-12-15', min: -4, max: 3 }) / 0.0254).toBeLessThan(0.04)
})

test('without rain it dries in about a week, sand sooner than clay, and in the open sooner than under a crown', () => {
  const dryAfter = (more = {}) => soil(days(30), more).findIndex((d) => d.soil === 'dry')
  expect(dryAfter()).toBeGreaterThan(3)
  expect(dryAfter()).toBeLessThan(10)
  expect(dryAfter({ texture: 'sand' })).toBeLessThan(dryAfter())
  expect(dryAfter({ texture: 'clay' })).toBeGreaterThan(dryAfter())
  expect(dryAfter({ underCrown: false })).toBeLessThan(dryAfter())
})

test('a soaking rain saturates it that day and the next, and what it cannot hold runs through', () => {
  const list = [...days(3), ...days(1, { rain: toSI(2, 'in') }, '2026-06-04'), ...days(4, {}, '2026-06-05')]
  const read = soil(list)
  expect(read.map((d) => d.soil)).toEqual([
    'moist',
    'moist',
    'moist',
    'saturated',
    'saturated',
    'moist',
    'moist',
    'moist',
  ])
  expect(read[3]!.share).toBeLessThanOrEqual(1)
  // Three quarters of an inch fills it as well, and soaks nothing.
  expect(soil(days(1, { rain: toSI(0.75, 'in') }))[0]!.soil).toBe('moist')
})

test('five days at or below freezing freeze it', () => {
  const cold = soil(days(7, { min: -6, max: 2 }, '2026-01-01')).map((d) => d.soil)
  expect(cold).toEqual(['moist', 'moist', 'moist', 'moist', 'frozen', 'frozen', 'frozen'])
})

test('a probe sets it', () => {
  const read = soil(days(4), { probes: [{ date: '2026-06-02', share: 0.2 }] })
  expect(read[1]!.soil).toBe('dry')
  expect(read[1]!.share).toBeCloseTo(0.2, 12)
  expect(read[2]!.share).toBeLessThan(0.2)
})

test('it never holds less than nothing nor more than it can', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.record({
          rain: fc.double({ min: 0, max: 0.1, noNaN: true }),
          max: fc.integer({ min: -20, max: 40 }),
        }),
        {
          minLength: 1,
          maxLength: 60,
        },
      ),
      fc.constantFrom('sand' as const, 'loam' as const, 'clay' as const),
      (list, texture) => {
        const read = soil(
          list.map((d, i) => ({ date: addDays('2026-01-01', i), min: d.max - 9, ...d })),
          { texture },
        )
        for (const d of read) {
          expect(d.share).toBeGreaterThanOrEqual(0)
          expect(d.share * SOIL_HOLDS[texture]).toBeLessThanOrEqual(SOIL_HOLDS[texture] + 1e-12)
        }
      },
    ),
  )
})
