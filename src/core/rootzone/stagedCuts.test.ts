import fc from 'fast-check'
import { readShares, stagedCuts } from './stagedCuts'

test.each([
  ['what fits one year is cut in it', [6, 4], 10, 0, [[6, 4]]],
  ['the hardest first, then what still fits', [6, 10, 4], 10, 0, [[6, 4], [10]]],
  ['what was cut within the year counts', [6, 4], 10, 5, [[4], [6]]],
  ['nothing this year, all of it in the next', [6], 10, 10, [[], [6]]],
  ['more than the most was cut: none this year', [1], 10, 30, [[], [1]]],
  ['none to cut, no year', [], 10, 0, []],
])('%s', (_, shares, most, cut, years) => {
  expect(stagedCuts(shares, most, cut)).toEqual({ ok: true, value: { years } })
})

test.each([
  [[12], 'more than the 10 %'],
  [[0], 'above 0'],
  [[-4], 'above 0'],
  [[NaN], 'above 0'],
  [Array<number>(11).fill(10), 'whole root zone'],
  [Array<number>(21).fill(1), 'At most 20'],
])('%j is refused', (shares, says) => {
  const r = stagedCuts(shares, 10, 0)
  expect(r.ok ? '' : r.problem.message).toContain(says)
})

test('every root once, no year above the most, none sooner than it must wait', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 1, max: 10 }), { maxLength: 10 }),
      fc.integer({ min: 0, max: 15 }),
      (shares, cut) => {
        const r = stagedCuts(shares, 10, cut)
        if (!r.ok) throw new Error(r.problem.message)
        const { years } = r.value
        expect(years.flat().sort()).toEqual([...shares].sort())
        const sum = (of: readonly number[]) => of.reduce((a, b) => a + b, 0)
        expect(years.every((y, i) => sum(y) <= (i === 0 ? Math.max(0, 10 - cut) : 10))).toBe(true)
        // No year is left empty but the first, where its room was taken already.
        expect(years.slice(1).every((y) => y.length > 0)).toBe(true)
      },
    ),
  )
})

test.each([
  ['6, 10, 4', [6, 10, 4]],
  ['6 % and 10 %', [6, 10]],
  ['6 10', [6, 10]],
  ['7.5', [7.5]],
  ['', []],
])('%j is read', (written, shares) => {
  expect(readShares(written)).toEqual({ ok: true, value: shares })
})

test('what is no number is said', () => {
  expect(readShares('two thick ones').ok).toBe(false)
})
