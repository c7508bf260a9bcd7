import fc from 'fast-check'
import { isBareNumber, readQuantity, readRate } from './parse'
import { fromSI, toSI, UNITS, unit, type Dimension } from './units'

const si = (typed: string, dimension: Dimension, bareUnit?: string) => {
  const r = readQuantity(typed, dimension, 'field', { bareUnit })
  if (!r.ok) throw new Error(`${typed}: ${r.problem.message}`)
  return r.value.si
}
const problem = (typed: string, dimension: Dimension, bareUnit?: string) => {
  const r = readQuantity(typed, dimension, 'field', { bareUnit, name: 'Girth' })
  return r.ok ? null : r.problem
}

describe('what people type', () => {
  test.each([
    ['14 1/2 in', 'length', 0.3683],
    ['14-1/2 in', 'length', 0.3683],
    ['14½"', 'length', 0.3683],
    ['44"', 'length', 1.1176],
    ['5\' 3"', 'length', 1.6002],
    ['5′ 3 1/2″', 'length', 1.6129],
    ['5 ft 3 in', 'length', 1.6002],
    ['5ft3in', 'length', 1.6002],
    ['37 cm', 'length', 0.37],
    ['37cm', 'length', 0.37],
    ['1,000 ft2', 'area', 92.90304],
    ['0.75 acre', 'area', 3035.1423168],
    ['1/3 fl oz', 'volume', 9.857843187500001e-6],
    ['2 gal', 'volume', 7.570823568e-3],
    ['3 Tbsp', 'volume', 4.436029434375e-5],
    ['3 oz', 'volume', 8.87205886875e-5],
    ['3 oz', 'mass', 0.08504856937500001],
    ['1 lb 4 oz', 'mass', 0.5669904625],
    ['-40 F', 'temperature', -40],
    ['212°F', 'temperature', 100],
    ['20 C', 'temperature', 20],
    ['5 mph', 'speed', 2.2352],
    ['2 %', 'share', 0.02],
    ['1e-3 m', 'length', 0.001],
  ] as [string, Dimension, number][])('%s as %s', (typed, dimension, expected) => {
    expect(si(typed, dimension)).toBeCloseTo(expected, 12)
  })

  test('a lesser part that is one of the greater is asked about, with what it would be', () => {
    expect(problem('5\'13"', 'length')?.message).toBe(
      'Girth: 13 in is 1 ft or more, so "5\'13"" may be a slip; type 73 in if it is meant, or put it right.',
    )
    expect(problem('1 lb 16 oz', 'mass')?.code).toBe('bad-quantity')
    expect(problem('1 min 60 s', 'time')?.code).toBe('bad-quantity')
    expect(si('5\' 11 15/16"', 'length')).toBeCloseTo(1.8272125, 9)
  })

  test.each([
    ['44', true],
    [' 14 1/2', true],
    ['½', true],
    ['1,200.5', true],
    ['-4', true],
    ['44 in', false],
    ['44"', false],
    ['4/', false],
    ['', false],
    ['abc', false],
  ])('"%s" is a bare number: %s', (typed, bare) => {
    expect(isBareNumber(typed)).toBe(bare)
  })

  test('a bare number takes the unit of its field and says so', () => {
    expect(readQuantity('44', 'length', 'g', { bareUnit: 'in' })).toEqual({
      ok: true,
      value: { si: expect.closeTo(1.1176, 12), unit: 'in', bare: true },
    })
    expect(problem('44', 'length')).toMatchObject({
      code: 'bad-quantity',
      message: expect.stringContaining('needs a unit'),
    })
  })

  test.each([
    ['', 'missing'],
    ['   ', 'missing'],
    ['about 4 in', 'bad-quantity'],
    ['4 in wide', 'bad-quantity'],
    ['4 gal', 'bad-quantity'],
    ['1/0 in', 'bad-quantity'],
    ['1e309 in', 'bad-quantity'],
    ['NaN in', 'bad-quantity'],
    ['Infinity in', 'bad-quantity'],
    ['٤٤ in', 'bad-quantity'],
    ['4.5.6 in', 'bad-quantity'],
    ['4,5 in', 'bad-quantity'],
    ['3 in 5 ft', 'bad-quantity'],
    ['--4 in', 'bad-quantity'],
    ['🌳', 'bad-quantity'],
    ['<script>alert(1)</script>', 'bad-quantity'],
    ['9'.repeat(10_000), 'bad-quantity'],
  ])('%s is refused as %s with a sentence', (typed, code) => {
    const p = problem(typed, 'length')
    expect(p?.code).toBe(code)
    expect(p?.message).toMatch(/^Girth .*[.]$/)
    expect(p!.message.length).toBeLessThan(200)
  })

  test('a negative length is read, so that its range can be refused by name', () => {
    expect(si('-4 in', 'length')).toBeCloseTo(-0.1016, 12)
  })
})

describe('properties', () => {
  const number = fc.double({ min: 0.001, max: 1e6, noNaN: true })
  test('every unit round-trips through SI', () => {
    fc.assert(
      fc.property(number, fc.constantFrom(...UNITS), (n, u) => {
        expect(fromSI(toSI(n, u.symbol), u.symbol)).toBeCloseTo(n, 6)
      }),
    )
  })
  test('every spelling of every unit is read as that unit', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 99_999 }), fc.constantFrom(...UNITS), (n, u) => {
        for (const spelling of u.spellings)
          expect(si(`${n} ${spelling}`, u.dimension)).toBeCloseTo(toSI(n, u.symbol), 9)
      }),
    )
  })
  test('mixed numbers are their decimal', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 200 }), fc.integer({ min: 1, max: 15 }), (whole, sixteenths) => {
        expect(si(`${whole} ${sixteenths}/16 in`, 'length')).toBeCloseTo(
          toSI(whole + sixteenths / 16, 'in'),
          12,
        )
      }),
    )
  })
  test('whatever is typed, the answer is a finite number or a problem', () => {
    fc.assert(
      fc.property(
        fc.string({ maxLength: 60 }),
        fc.constantFrom<Dimension>('length', 'volume', 'temperature'),
        (typed, d) => {
          const r = readQuantity(typed, d, 'f', { bareUnit: d === 'length' ? 'in' : undefined })
          expect(r.ok ? Number.isFinite(r.value.si) : r.problem.message.length > 10).toBe(true)
        },
      ),
      { numRuns: 500 },
    )
  })
})

describe('rates', () => {
  const rate = (typed: string, above: Dimension, below: Dimension) => {
    const r = readRate(typed, above, below, 'rate')
    if (!r.ok) throw new Error(r.problem.message)
    return r.value.si
  }
  test('one quantity per another', () => {
    expect(rate('0.4 lb/acre', 'mass', 'area')).toBeCloseTo((0.4 * 0.45359237) / 4046.8564224, 15)
    expect(rate('2 lb per gal', 'mass', 'volume')).toBeCloseTo(239.652853, 5)
    expect(rate('15 mL/2 L', 'volume', 'volume')).toBeCloseTo(0.0075, 12)
    expect(rate('1/3 fl oz/gal', 'volume', 'volume')).toBeCloseTo(1 / 384, 12)
    expect(rate('0.8 gal/1000 ft3', 'volume', 'volume')).toBeCloseTo(
      (0.8 * unit('gal').factor) / (1000 * unit('ft3').factor),
      12,
    )
  })
  test.each(['', '2 lb', '2 lb/0 gal', 'lb/gal', '2 lb/gal/gal', '2 gal/lb'])('%s is no rate', (typed) => {
    expect(readRate(typed, 'mass', 'volume', 'strength').ok).toBe(false)
  })
})
