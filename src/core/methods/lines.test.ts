import fc from 'fast-check'
import { BARE, readLines, sayValue, withUnit, type Line } from './lines'

const OUT: Line = { name: 'out', label: 'Open out to', kind: 'length', hint: '18 in' }
const REACH: Line = { name: 'reach', label: 'Reach', kind: 'reach' }
const POURED: Line = { name: 'poured', label: 'Poured', kind: 'volume' }
const CUTS: Line = { name: 'cuts', label: 'Cuts', kind: 'count', least: 1, most: 9 }
const TOOL: Line = { name: 'tool', label: 'Tool', kind: 'choice', options: ['air', 'hand'] }
const SEEN: Line = { name: 'seen', label: 'Seen', kind: 'words', optional: true }
const all = [OUT, REACH, POURED, CUTS, TOOL, SEEN]
const written = {
  out: '18 in',
  reach: '6 ft',
  poured: '10 gal',
  cuts: 3,
  tool: 'air',
  seen: ' a girdling root ',
}

test('each kind of line is read into SI, in its own words', () => {
  const read = readLines(all, written, 'us')
  if (!read.ok) throw new Error(read.problem.message)
  expect(read.value).toMatchObject({ cuts: 3, tool: 'air', seen: 'a girdling root' })
  expect(read.value['out']).toBeCloseTo(0.4572, 12)
  expect(read.value['reach']).toBeCloseTo(1.8288, 12)
  expect(read.value['poured']).toBeCloseTo(0.03785411784, 9)
})

test('a bare number is of what the person measures in', () => {
  const si = (units: 'us' | 'metric') =>
    [OUT, REACH, POURED].map((line) => {
      const read = readLines([line], { [line.name]: '2' }, units)
      return read.ok ? Number(read.value[line.name]) : NaN
    })
  expect(si('metric')).toEqual([0.02, 2, 0.002])
  expect(si('us').map((v) => v.toFixed(6))).toEqual(['0.050800', '0.609600', '0.007571'])
  expect(BARE.reach).toEqual({ us: 'ft', metric: 'm' })
})

test.each<[Line, unknown, string, RegExp]>([
  [OUT, '', 'missing', /Open out to is empty; measure it, such as 18 in\./],
  [OUT, null, 'missing', /empty/],
  [OUT, { in: 18 }, 'missing', /empty/],
  [OUT, '-2 in', 'out-of-range', /below zero/],
  [OUT, '5 gal', 'bad-quantity', /./],
  [CUTS, '0', 'out-of-range', /whole number from 1 to 9/],
  [CUTS, '10', 'out-of-range', /whole number from 1 to 9/],
  [CUTS, '2.5', 'out-of-range', /whole number/],
  [CUTS, 'three', 'out-of-range', /whole number/],
  [CUTS, '', 'missing', /count them/],
  [TOOL, 'spoon', 'unknown', /one of air, hand/],
  [TOOL, '', 'missing', /choose one/],
  [SEEN, 'x'.repeat(301), 'out-of-range', /at most 300 letters/],
  [{ ...SEEN, optional: false }, '  ', 'missing', /write it/],
])('%j written as %j is refused by its name', (line, value, code, says) => {
  const read = readLines([line], { [line.name]: value }, 'us', 'items[0].')
  if (read.ok) throw new Error('it was read')
  expect(read.problem).toMatchObject({ code, field: `items[0].${line.name}` })
  expect(read.problem.message).toMatch(says)
})

test('what may stay empty is left out, and what nobody asked for is not taken', () => {
  const read = readLines([SEEN, CUTS], { cuts: '4', seen: '', other: 'x' }, 'us')
  expect(read).toEqual({ ok: true, value: { cuts: 4 } })
})

test('the first line that is wrong is the one that is told', () => {
  const read = readLines(all, { ...written, reach: 'far', cuts: 0 }, 'us')
  expect(!read.ok && read.problem.field).toBe('reach')
})

test('what is said of a line is read back as what it was, as near as it is said', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(OUT, REACH, POURED),
      fc.integer({ min: 1, max: 400 }),
      fc.constantFrom('us' as const, 'metric' as const),
      (line, quarter, units) => {
        const bare = readLines([line], { [line.name]: String(quarter / 4) }, units)
        if (!bare.ok) throw new Error(bare.problem.message)
        const value = Number(bare.value[line.name])
        const again = readLines([line], { [line.name]: sayValue(line, value, units) }, units)
        if (!again.ok) throw new Error(again.problem.message)
        expect(Math.abs(Number(again.value[line.name]) - value)).toBeLessThan(Math.max(0.03, value * 0.06))
      },
    ),
  )
})

test('a bare number is kept with its unit: who reads it later may measure in others', () => {
  const depth: Line = { name: 'cut', label: 'Depth', kind: 'length' }
  expect(withUnit(depth, ' 60 ', 'us')).toBe('60 in')
  expect(withUnit(depth, '150', 'metric')).toBe('150 cm')
  expect(withUnit({ ...depth, kind: 'reach' }, '4 1/2', 'us')).toBe('4 1/2 ft')
  expect(withUnit(depth, '5 ft', 'metric')).toBe('5 ft')
  expect(withUnit({ ...depth, kind: 'count' }, '60', 'us')).toBe('60')
})
