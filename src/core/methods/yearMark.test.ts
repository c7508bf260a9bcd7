import { isMarked, whyNotMarked, YEAR_COLOURS, yearColour } from './yearMark'

test('five years have five colours, and the sixth the first again', () => {
  const colours = [2026, 2027, 2028, 2029, 2030].map((y) => yearColour(`${y}-01-01`))
  expect(new Set(colours)).toEqual(new Set(YEAR_COLOURS))
  expect(yearColour('2031-12-31')).toBe(yearColour('2026-01-01'))
})

test('what goes into the trunk is marked, and its record says how', () => {
  const asked = (mark: string | null, treated = true) =>
    whyNotMarked('trunk-injection', { mark, treated, on: '2026-06-12' })
  expect(isMarked('trunk-injection')).toBe(true)
  expect(asked(null)).toMatchObject({ code: 'missing', field: 'mark' })
  expect(asked(null)?.message).toContain(yearColour('2026-06-12'))
  expect(asked('blue')).toBeNull()
  expect(asked('not marked')).toBeNull()
  expect(asked(null, false)).toBeNull()
})

test('what is sprayed, or done by hand, is not', () => {
  for (const method of ['crown-spray', 'prune'] as const)
    expect(whyNotMarked(method, { mark: null, treated: true, on: '2026-06-12' })).toBeNull()
})
