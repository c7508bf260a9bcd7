import { toSI } from '../quantity/units'
import { ripeSpores, scabSpells, wetHoursToInfect } from './scab'

test.each([
  [33.9, null],
  [34, 41],
  [35, 41],
  [36, 35],
  [38, 30],
  [40, 28],
  [50, 11],
  [51, 11],
  [53, 9],
  [55, 8],
  [56.5, 8],
  [58, 7],
  [60, 7],
  [61, 6],
  [75, 6],
  [76, 8],
  [78, 11],
  [79, 11],
  [79.5, null],
])('at %p °F it takes %p wet hours', (f, hours) => {
  expect(wetHoursToInfect(toSI(f, 'F'))).toBe(hours)
})

test('half the spores are ripe by 490 °F·d, nine tenths by 800', () => {
  expect(ripeSpores(490 / 1.8)).toBeCloseTo(0.5, 9)
  expect(ripeSpores(800 / 1.8)).toBeCloseTo(0.9, 9)
  expect(ripeSpores(0)).toBeLessThan(0.05)
})

test('a long wet spell infects, a short one does not, and a cover of more than half holds it off', () => {
  const spell = (hours: number, mean: number | null = toSI(50, 'F')) => ({
    from: 0,
    to: hours - 1,
    hours,
    mean,
  })
  const judged = (cover: number | null, ...spells: ReturnType<typeof spell>[]) =>
    scabSpells(spells, { ripeSum: () => 300, coverAt: () => cover }).map((s) => s.verdict)
  expect(judged(null, spell(11), spell(10), spell(60, toSI(30, 'F')), spell(60, null))).toEqual([
    'infection',
    'none',
    'none',
    'none',
  ])
  expect(judged(51, spell(11))).toEqual(['infection under cover'])
  expect(judged(50, spell(11))).toEqual(['infection'])
  const [one] = scabSpells([spell(11)], { ripeSum: () => 490 / 1.8, coverAt: () => 34, units: 'us' })
  expect(one!.working.map((w) => w.result)).toEqual(['11 h', '11 h', '11 h', '34 %', '50 %'])
  expect(one!.working[0]!.expression).toBe('at a mean of 50 °F')
})
