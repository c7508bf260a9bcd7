import { ask } from '@/calc/calculators'
import { figureText, quantityText } from './figureText'
import { isRows, questionOf, rowPath, startOf, withUnits } from './sheet'
import { isPathOf, sheetNamed, SHEETS } from './sheets'

describe.each(SHEETS.map((s) => [s.name, s] as const))('the sheet %s', (name, sheet) => {
  const typed = startOf(sheet)
  const answered = (units: 'us' | 'si') => {
    const answer = ask(name, { ...questionOf(sheet, typed), units })
    if (!answer.ok) throw new Error(`${answer.problem.field}: ${answer.problem.message}`)
    return answer.value
  }

  test('answers as it opens, in both systems, with a working', () => {
    for (const units of ['us', 'si'] as const) expect(answered(units).working.length).toBeGreaterThan(0)
  })
  test('says its figures in words a person reads', () => {
    for (const units of ['us', 'si'] as const)
      for (const figure of sheet.figures) {
        const text = figureText(figure, answered(units), units)
        if (text === null) continue
        expect(text).not.toMatch(/undefined|NaN|\[object|null|\d{4}-\d{2}-\d{2}/)
        expect(text.length).toBeGreaterThan(0)
      }
    expect(sheet.figures.some((f) => figureText(f, answered('us'), 'us') !== null)).toBe(true)
  })
  test('asks what stands on it with units, so that a link says the same to anybody', () => {
    expect(withUnits(sheet, typed, 'us')).toEqual(typed)
    expect(withUnits(sheet, typed, 'metric')).toEqual(typed)
  })
  test('takes every path of its own from an address, and no other', () => {
    for (const line of sheet.lines) {
      const paths = isRows(line) ? line.lines.map((l) => rowPath(line.rows, 3, l.path)) : [line.path]
      for (const path of paths) expect(isPathOf(sheet, path)).toBe(true)
    }
    for (const path of [
      '__proto__',
      'constructor',
      'toString',
      '',
      'stems[0].__proto__',
      'x[0]',
      'stems[99999].girth',
    ])
      expect(isPathOf(sheet, path)).toBe(false)
  })
  test('cleared of everything it asks for the first thing, in a sentence', () => {
    const empty = Object.fromEntries(Object.keys(typed).map((path) => [path, '']))
    const answer = ask(name, questionOf(sheet, empty))
    if (!answer.ok) expect(answer.problem.message).toMatch(/[a-z].*[.?]$/i)
  })
})

test('an unknown sheet opens the first', () => {
  expect(sheetNamed('nonsense')).toBe(SHEETS[0])
  expect(sheetNamed(null)).toBe(SHEETS[0])
  expect(new Set(SHEETS.map((s) => s.name)).size).toBe(SHEETS.length)
})

test.each([
  [{ value: 14, unit: 'in' }, '14 in'],
  [{ value: 14.25, unit: 'in' }, '14 1/4 in'],
  [{ value: 14.3, unit: 'in' }, '14.3 in'],
  [{ value: 0.5, unit: 'in' }, '0.5 in'],
  [{ value: 35.5678, unit: 'cm' }, '35.57 cm'],
  [{ value: 123.456, unit: 'ft2' }, '123.5 ft²'],
  [{ value: 3.6, unit: 'fl oz' }, '3.6 fl oz'],
])('%j reads %s', (quantity, text) => {
  expect(quantityText(quantity)).toBe(text)
})

describe('figures that are put together', () => {
  const said = (name: string, path: string, change: Record<string, string> = {}) => {
    const sheet = sheetNamed(name)
    const answer = ask(name, questionOf(sheet, { ...startOf(sheet), ...change }))
    if (!answer.ok) throw new Error(answer.problem.message)
    return figureText({ label: '', path }, answer.value, 'us')
  }
  test('a conflict is said with both days written out', () => {
    expect(said('intervals', 'conflictList')).toMatch(
      / on 6 May 2026: too soon beside .* on 1 May 2026|nothing/,
    )
  })
  test('the best run with its day and hour', () => {
    expect(said('spray-hours', 'best.from')).toMatch(/^12 Jun 2026, \d\d:00$/)
  })
  test('the trees that are treated and those that wait', () => {
    const treat = said('cap', 'treat')!.split(', ')
    const wait = said('cap', 'wait')!.split(', ')
    expect([...treat, ...wait].filter((t) => t !== 'none').sort()).toEqual(['A', 'B', 'C', 'D'])
  })
  test('degree days carry their unit in either system', () => {
    expect(said('degree-days', 'total')).toMatch(/ °F·d$/)
  })
})
