import { toSI } from '../quantity/units'
import { doubtPortGirth } from '../methods/trunk-injection/terms'
import { DIAMETER_LIMITS, doubtReading, isPortGirth, isTrunk } from './trunk'

const inch = (n: number) => toSI(n, 'in')
const codes = (now: number, before: number | null, years = 1) =>
  doubtReading(inch(now), before === null ? null : { diameter: inch(before), years }).map((d) => d.code)

describe('a reading against the one before', () => {
  test.each([
    // [now, before, years, what is asked]
    [14, 14, 1, []],
    [15.4, 14, 1, []],
    [15.6, 14, 1, ['grew-fast']],
    [16.9, 14, 2, []],
    [17.2, 14, 2, ['grew-fast']],
    [13.95, 14, 1, []],
    [13.9, 14, 1, ['shrank']],
    [14.24, 14, 0.01, []],
    [14.27, 14, 0.01, ['grew-fast']],
    [44, 14, 1, ['girth-as-diameter']],
    [4.46, 14, 1, ['diameter-as-girth']],
    [35.6, 14, 1, ['cm-as-in']],
    [14, 44, 1, ['diameter-as-girth']],
    [25, 14, 1, ['grew-fast']],
  ] as [number, number, number, string[]][])(
    '%d in after %d in, %d years on: %j',
    (now, before, years, expected) => {
      expect(codes(now, before, years)).toEqual(expected)
    },
  )
  test('a first one is asked about only where no trunk is so thick', () => {
    expect(codes(60, null)).toEqual([])
    expect(codes(60.1, null)).toEqual(['absurd'])
  })
  test.each([
    [0.05, /in less than a month/],
    [0.5, /in 6 months/],
    [0.96, /in 1 years/],
    [2, /in 2 years/],
    [2.4, /in 2.4 years/],
  ])('after %d years the time is said in words a person uses', (years, words) => {
    const [doubt] = doubtReading(inch(22), { diameter: inch(14), years })
    expect(doubt?.message).toMatch(words)
  })
  test('each says what it would be, in the person’s units', () => {
    expect(doubtReading(inch(44), { diameter: inch(14), years: 1 })[0]!.message).toMatch(
      /trunk is 14 in through/,
    )
    expect(doubtReading(inch(44), { diameter: inch(14), years: 1 }, 'metric')[0]!.message).toMatch(
      /trunk is 35\.6 cm through/,
    )
    expect(doubtReading(inch(35.6), { diameter: inch(14), years: 1 })[0]!.message).toMatch(
      /^35\.6 in is about 2\.54 times .* Then the trunk is 14 in through/,
    )
  })
})

describe('what can be a trunk at all', () => {
  const { least, most } = DIAMETER_LIMITS
  test('to its edges, and no further', () => {
    expect([isTrunk(least), isTrunk(most), isTrunk(least * 0.999), isTrunk(most * 1.001)]).toEqual([
      true,
      true,
      false,
      false,
    ])
    const [small, large] = [least * Math.PI * 0.5, most * Math.PI * 2]
    expect([isPortGirth(small), isPortGirth(large)]).toEqual([true, true])
    expect([isPortGirth(small * 0.999), isPortGirth(large * 1.001), isPortGirth(NaN)]).toEqual([
      false,
      false,
      false,
    ])
  })
  test('a girth at the ports is asked about below 0.8 and above 2.2 of that at breast height', () => {
    const at = (share: number) => doubtPortGirth(share * 1.3, 1.3)
    expect([at(0.8), at(1), at(2.2)]).toEqual([null, null, null])
    expect(at(0.799)).toMatch(/well below/)
    expect(at(2.201)).toMatch(/more than twice/)
  })
})
