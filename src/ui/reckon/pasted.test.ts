import { readPasted } from './pasted'
import { isRows, questionOf, startOf, withUnits } from './sheet'
import { SHEETS, sheetNamed } from './sheets'

const days = sheetNamed('degree-days').lines.find((l) => isRows(l))!
if (!isRows(days)) throw new Error('no rows of days')
const read = (text: string) => {
  const r = readPasted(text, days)
  return r.ok ? r.value : r.problem.message
}

test.each([
  ['2026-05-01\t38\t61\n2026-05-02\t45 F\t70 F'],
  ['2026-05-01, 38, 61\n\n2026-05-02, 45 F, 70 F\n'],
  ['"2026-05-01";"38";"61"\n"2026-05-02";"45 F";"70 F"'],
  ['max,date,mean,min\n61,2026-05-01,50,38\n70 F,2026-05-02,58,45 F'],
  ['Day\tTmin\tTmax\n2026-05-01\t38\t61\n2026-05-02\t45 F\t70 F'],
])('rows between %j', (text) => {
  expect(read(text)).toEqual([
    { date: '2026-05-01', min: '38', max: '61' },
    { date: '2026-05-02', min: '45 F', max: '70 F' },
  ])
})
test('rows between spaces', () => {
  expect(read('2026-05-01  38 61')).toEqual([{ date: '2026-05-01', min: '38', max: '61' }])
})
test('what is off is named with its line', () => {
  expect(read('')).toMatch(/^Nothing is pasted/)
  expect(read('2026-05-01, 38, 61\n2026-05-02, 45')).toMatch(/^Line 2 has 2 columns; the form takes date/)
  expect(read('date,min,max\n5/1/2026,38,61')).toMatch(/^Line 2: "5\/1\/2026" is not a calendar date/)
  expect(read('date,min\n2026-05-01,38')).toMatch(/names no column for Highest/)
  expect(read('"2026-05-01,38,61')).toMatch(/quote is opened/)
  expect(read(Array.from({ length: 401 }, () => '2026-05-01,38,61').join('\n'))).toMatch(/^401 rows/)
})

describe('a bare number', () => {
  const trunk = sheetNamed('trunk')
  const injection = sheetNamed('injection')
  test('takes the unit of the person, before it is reckoned, kept or sent', () => {
    const typed = { 'stems[0].girth': '44', 'stems[1].diameter': '9 1/2', rootZoneFeetPerInch: '1' }
    expect(withUnits(trunk, typed, 'us')).toEqual({
      'stems[0].girth': '44 in',
      'stems[1].diameter': '9 1/2 in',
      rootZoneFeetPerInch: '1',
    })
    expect(withUnits(trunk, typed, 'metric')['stems[0].girth']).toBe('44 cm')
    expect(questionOf(trunk, withUnits(trunk, { 'stems[0].girth': '44' }, 'us'))).toEqual({
      stems: [{ girth: '44 in' }],
    })
  })
  test('with a unit, or what is no number, stays as it is', () => {
    const typed = { 'stems[0].girth': '44 cm', 'stems[1].girth': 'abc' }
    expect(withUnits(trunk, typed, 'us')).toEqual(typed)
  })
  test('has a unit in every quantity of every sheet, in both systems', () => {
    for (const sheet of SHEETS) {
      const start = startOf(sheet)
      const lines = sheet.lines.flatMap((l) =>
        isRows(l)
          ? l.lines.map((x) => [x, `${l.rows}[0]${x.path && `.${x.path}`}`] as const)
          : [[l, l.path] as const],
      )
      for (const [, path] of lines.filter(([l]) => l.kind === 'quantity'))
        for (const units of ['us', 'metric'] as const)
          expect([sheet.name, path, withUnits(sheet, { ...start, [path]: '3' }, units)[path]]).toEqual([
            sheet.name,
            path,
            expect.stringMatching(/^3 [a-zA-Z%].*$/),
          ])
    }
    expect(withUnits(injection, { portGirth: '52' }, 'us')['portGirth']).toBe('52 in')
  })
})
