import { kindCalled } from '@/almanac/kindCalled'
import { toSI } from '../quantity/units'
import { guessHeader, TREE_FIELDS, type TreeField } from './fields'
import { guessColumns, mendedList, readList, type List, type ListOptions } from './readList'

const list = (headers: string[], ...rows: string[][]): List => ({
  headers,
  rows: rows.map((cells, i) => ({ line: i + 2, cells })),
  decimalComma: false,
})
const OPTIONS: ListOptions = { units: 'us', columns: {}, kindCalled: (w) => kindCalled(w) }
const read = (l: List, options: Partial<ListOptions> = {}) => readList(l, { ...OPTIONS, ...options })
const one = (headers: string[], cells: string[], options: Partial<ListOptions> = {}) => {
  const r = read(list(headers, cells), options)
  return r.trees[0] ?? r.refused[0]!
}
const inches = (n: number) => expect.closeTo(toSI(n, 'in'), 9) as number

describe('a header', () => {
  test.each<[string, TreeField, string | null]>([
    ['DBH_IN', 'diameter', 'in'],
    ['circ (cm)', 'girth', 'cm'],
    ['Crown Spread (ft)', 'spread', 'ft'],
    ['TREE_ID', 'tag', null],
    ['FACILITYID', 'tag', null],
    ['SPP_BOT', 'kind', null],
    ['Common Name', 'kind', null],
    ['HEIGHT (M)', 'height', 'm'],
    ['treeHeight', 'height', null],
    ['LAT_DD', 'latitude', null],
    ['LONG_DD', 'longitude', null],
    ['easting m', 'east', 'm'],
    ['Live crown %', 'crown', null],
    ['No. of stems', 'stems', null],
    ['Planting Year', 'planted', null],
    ['REMARKS', 'note', null],
    ['DBH"', 'diameter', 'in'],
  ])('%s is %s', (header, field, unit) => {
    expect(guessHeader(header)).toMatchObject({ field, unit })
  })
  test('that says nothing is nothing, and every field has a word of its own', () => {
    expect(guessHeader('Inspector').field).toBeNull()
    for (const field of TREE_FIELDS) expect([field, guessHeader(field).field]).toEqual([field, field])
  })
})

describe('columns', () => {
  const fields = (l: List, columns: ListOptions['columns'] = {}) =>
    guessColumns(l, { ...OPTIONS, columns }).map((c) => c.field)
  test('of two the surer is it; of two names the one that says more', () => {
    expect(fields(list(['OBJECTID', 'TREE_ID'], ['1', 'A']))).toEqual([null, 'tag'])
    expect(
      fields(list(['id', 'Common', 'Botanical'], ['1', 'Red maple', 'odd'], ['2', 'White ash', 'odder'])),
    ).toEqual(['tag', 'kind', null])
  })
  test('without a word for them are known by what stands in them', () => {
    expect(
      fields(list(['A', 'B'], ['x1', 'Acer rubrum'], ['x2', 'Fraxinus americana'], ['x3', 'Tilia cordata'])),
    ).toEqual(['tag', 'kind'])
  })
  test('x and y are degrees or lie on the plan, as their figures say', () => {
    expect(fields(list(['id', 'x', 'y'], ['1', '-75.2101', '42.3101']))).toEqual([
      'tag',
      'longitude',
      'latitude',
    ])
    expect(fields(list(['id', 'x', 'y'], ['1', '12', '40']))).toEqual(['tag', 'east', 'north'])
  })
  test('are what whoever sends them says', () => {
    expect(fields(list(['id', 'w', 'Notes'], ['1', '12', 'x']), { w: 'girth', Notes: null })).toEqual([
      'tag',
      'girth',
      null,
    ])
  })
  test('show the unit a bare number has, and some of what they hold', () => {
    expect(
      guessColumns(list(['id', 'dbh'], ['1', '13'], ['2', '41.7 cm'], ['3', '12 1/2']), OPTIONS)[1],
    ).toEqual({
      header: 'dbh',
      field: 'diameter',
      unit: 'in',
      sample: '13 · 41.7 cm · 12 1/2',
    })
    expect(guessColumns(list(['id', 'dbh'], ['1', '13']), { ...OPTIONS, units: 'metric' })[1]!.unit).toBe(
      'cm',
    )
  })
})

describe('a row', () => {
  test('is a tree with its trunk as it is measured', () => {
    expect(one(['tag', 'dbh'], ['A', '12 1/2'])).toMatchObject({
      tag: 'A',
      stemsM: [inches(12.5)],
      typed: '12 1/2 in',
    })
    expect(one(['tag', 'dbh_cm'], ['A', '31.8'])).toMatchObject({
      stemsM: [expect.closeTo(0.318, 9)],
      typed: '31.8 cm',
    })
    expect(one(['tag', 'dbh'], ['A', '41.7 cm'])).toMatchObject({
      stemsM: [expect.closeTo(0.417, 9)],
      typed: '41.7 cm',
    })
    expect(one(['tag', 'girth'], ['A', '44'])).toMatchObject({
      tape: 'girth',
      stemsM: [inches(44 / Math.PI)],
    })
  })
  test('may have several stems, parted or in a column of their own', () => {
    expect(one(['tag', 'dbh'], ['A', '10 + 8'])).toMatchObject({
      stemsM: [inches(10), inches(8)],
      typed: '10 in + 8 in',
    })
    expect(one(['tag', 'stems'], ['A', '10, 8, 6'])).toMatchObject({
      stemsM: [inches(10), inches(8), inches(6)],
    })
    expect(one(['tag', 'dbh', 'stems'], ['A', '10', '3'])).toMatchObject({ stemsM: [inches(10)] })
  })
  test('that says nothing of the trunk is a tree that is not measured', () => {
    expect(one(['tag', 'dbh'], ['A', ''])).toMatchObject({ tag: 'A', stemsM: null, typed: null })
  })
  test('with commas for points is read so where the list is parted otherwise', () => {
    const semi = {
      ...list(['tag', 'dbh', 'lat', 'lon'], ['A', '14,5', '42,31', '-75,2']),
      decimalComma: true,
    }
    expect(read(semi).trees[0]).toMatchObject({ stemsM: [inches(14.5)], latitude: 42.31, longitude: -75.2 })
  })
  test('keeps a note as it is, without the mark that held a spreadsheet off', () => {
    expect(one(['tag', 'notes'], ['A', "'=SUM(A1)"])).toMatchObject({ note: '=SUM(A1)' })
    expect(one(['tag', 'notes'], ['A', "'twas felled"])).toMatchObject({ note: "'twas felled" })
    expect(one(['tag', 'notes'], ['A', 'a\u202eb\u0000'])).toMatchObject({ note: 'ab' })
  })
  test('has a kind by either name, or as it is written', () => {
    expect(one(['tag', 'species'], ['A', 'Acer rubrum'])).toMatchObject({
      kind: 'maple.red',
      written: 'Acer rubrum',
    })
    expect(one(['tag', 'species'], ['A', 'Phellodendron amurense'])).toMatchObject({
      kind: null,
      written: 'Phellodendron amurense',
    })
  })
  test.each<[string, string[], string[], string, string | null]>([
    ['missing', ['tag', 'dbh'], ['', '12'], 'tag', 'tag'],
    ['bad-quantity', ['tag', 'dbh'], ['A', 'tall'], 'diameter', 'dbh'],
    ['out-of-range', ['tag', 'dbh'], ['A', '900'], 'diameter', 'dbh'],
    ['out-of-range', ['tag', 'dbh'], ['A', '0'], 'diameter', 'dbh'],
    ['out-of-range', ['tag', 'dbh'], ['A', '-4'], 'diameter', 'dbh'],
    ['bad-quantity', ['tag', 'dbh'], ['A', '0x46'], 'diameter', 'dbh'],
    ['bad-quantity', ['tag', 'dbh'], ['A', '12 lb'], 'diameter', 'dbh'],
    ['out-of-range', ['tag', 'height'], ['A', '900'], 'height', 'height'],
    ['out-of-range', ['tag', 'crown %'], ['A', '130'], 'crown', 'crown %'],
    ['bad-quantity', ['tag', 'crown'], ['A', 'Good'], 'crown', 'crown'],
    ['missing', ['tag', 'lat', 'lon'], ['A', '42', ''], 'longitude', 'lon'],
    ['out-of-range', ['tag', 'lat', 'lon'], ['A', '92', '1'], 'latitude', 'lat'],
    ['bad-quantity', ['tag', 'lat', 'lon'], ['A', 'x', '1'], 'latitude', 'lat'],
    ['out-of-range', ['tag', 'dbh'], ['A'.repeat(41), '12'], 'tag', 'tag'],
    ['bad-quantity', ['tag', 'stems'], ['A', 'many'], 'stems', 'stems'],
  ])('is refused, %s, for %j with %j', (code, headers, cells, _field, column) => {
    expect(one(headers, cells)).toMatchObject({ line: 2, code, column })
  })
})

describe('a list', () => {
  test('counts the same row once, and refuses both of a tag that stands twice with other figures', () => {
    const r = read(
      list(
        ['tag', 'dbh'],
        ['A', '12'],
        ['A', '12'],
        ['B', '14.2'],
        ['B', '41.7'],
        ['C', '9'],
        ['C', '9 in'],
        ['', ''],
      ),
    )
    expect(r.trees.map((t) => t.tag)).toEqual(['A', 'C'])
    expect(r.refused.map((x) => [x.line, x.code])).toEqual([
      [4, 'out-of-range'],
      [5, 'out-of-range'],
    ])
    expect(r.rows).toBe(r.trees.length + r.refused.length)
  })
  test('says which kinds nobody knows, the commonest first', () => {
    const r = read(
      list(['tag', 'kind'], ['1', 'Odd'], ['2', 'Odder'], ['3', 'Odder'], ['4', 'ash'], ['5', '']),
    )
    expect(r.kindsUnknown).toEqual([
      { written: 'Odder', rows: 2 },
      { written: 'Odd', rows: 1 },
    ])
  })
  test('is mended by its lines', () => {
    const l = list(['tag', 'dbh'], ['A', 'tall'], ['B', '900'])
    const r = read(mendedList(l, { 2: { column: 'dbh', text: '12' }, 3: { out: true } }))
    expect(r.trees.map((t) => t.stemsM)).toEqual([[inches(12)]])
    expect(r.refused).toEqual([])
  })
})
