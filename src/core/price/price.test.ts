import fc from 'fast-check'
import { toSI } from '../quantity/units'
import { centsWithin, compare, readDecimal, sayMoney, simplest, toCent, whole } from './exact'
import { priceOf, type PriceLine, type PriceRules } from './price'

const priced = (rules: PriceRules, lines: PriceLine[]) => {
  const r = priceOf(rules, lines)
  if (!r.ok) throw new Error(`${r.problem.field}: ${r.problem.message}`)
  return r.value
}
const refusedAt = (rules: PriceRules, lines: PriceLine[]) => {
  const r = priceOf(rules, lines)
  return r.ok ? null : `${r.problem.code} ${r.problem.field}`
}
const inches = (n: number) => toSI(n, 'in')

describe('exact amounts', () => {
  test('a decimal loses nothing, and what is none is refused', () => {
    const read = readDecimal('0.1', 'x', 'X')
    expect(read).toEqual({ ok: true, value: { over: 1n, under: 10n } })
    const code = (text: string) => {
      const r = readDecimal(text, 'x', 'X')
      return r.ok ? 'read' : r.problem.code
    }
    expect(['', '-1', '1e3', '1,5', ' 2.50 ', '.5', '5.', '9999999999999', 'x'].map(code)).toEqual([
      'missing',
      'out-of-range',
      'bad-quantity',
      'bad-quantity',
      'read',
      'bad-quantity',
      'bad-quantity',
      'out-of-range',
      'bad-quantity',
    ])
  })
  test('half a cent goes up, and a ceiling is never passed by rounding', () => {
    expect(sayMoney(toCent({ over: 10_005n, under: 1000n }))).toBe('10.01')
    expect(sayMoney(toCent({ over: 10_004_999n, under: 1_000_000n }))).toBe('10.00')
    expect(sayMoney(centsWithin({ over: 119_999n, under: 1000n }))).toBe('119.99')
  })
  test('a fraction of inches is the one that was typed, whatever unit it went through', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 2000 }), fc.integer({ min: 1, max: 64 }), (over, under) => {
        const there = simplest(toSI(over / under, 'in') / 0.0254)
        expect(compare(there, { over: BigInt(over), under: BigInt(under) })).toBe(0)
      }),
    )
    expect(compare(simplest(toSI(37, 'cm') / 0.0254), { over: 1850n, under: 127n })).toBe(0)
  })
})

describe('a line', () => {
  const classes = { perInch: [{ upTo: inches(12), price: '9.50' }, { price: '11.25' }] }
  test('takes the class it falls in for its whole diameter, the end of a class included', () => {
    const { lines } = priced(classes, [
      { id: 'at', diameter: inches(12) },
      { id: 'above', diameter: inches(12.125) },
    ])
    expect(lines).toEqual([
      { id: 'at', price: '114.00' },
      { id: 'above', price: '136.41' },
    ])
  })
  test('of a third of an inch is not a cent off', () => {
    // 14 1/3 in × 0.015 is exactly 0.215: half a cent.
    expect(priced({ perInch: [{ price: '0.015' }] }, [{ id: 'a', diameter: inches(43 / 3) }]).sum).toBe(
      '0.22',
    )
  })
  test('is paid for each visit, and one without anything costs nothing', () => {
    const r = priced({ perTree: '15', perHour: '80' }, [
      { id: 'a', hours: '0.25', visits: 3 },
      { id: 'b', hours: '0' },
    ])
    expect(r.lines.map((l) => l.price)).toEqual(['105.00', '15.00'])
    expect(priced({}, [{ id: 'a' }]).total).toBe('0.00')
  })
  test('that may not come is not counted: neither in the sum nor for the discount nor for the way', () => {
    const rules: PriceRules = {
      perTree: '100',
      discount: [{ fromLines: 2, percent: '10' }],
      travel: { perMile: '1', miles: '30', free: '10' },
      least: '500',
    }
    const r = priced(rules, [{ id: 'a' }, { id: 'b', visits: 4, onlyIf: { ceiling: '250.555' } }])
    expect(r).toMatchObject({ sum: '100.00', discount: '0.00', travel: '20.00', lift: '380.00' })
    expect(r.contingent).toEqual([{ id: 'b', price: '250.55' }])
    // 350.55 − 35.06 + 80
    expect(r).toMatchObject({ total: '500.00', mostTotal: '500.00' })
  })
  test('none counted: nobody drives, and there is no least', () => {
    const r = priced({ perTree: '9', least: '100', travel: { perMile: '2', miles: '9' }, taxPercent: '5' }, [
      { id: 'a', onlyIf: { ceiling: '40' } },
    ])
    expect(r).toMatchObject({ travel: '0.00', lift: '0.00', tax: '0.00', total: '0.00', mostTotal: '105.00' })
    expect(priced({ least: '100' }, []).total).toBe('0.00')
  })
})

test('the greatest discount that is reached, whatever order they stand in; miles below the free ones cost nothing', () => {
  const discount = [
    { fromLines: 2, percent: '8' },
    { fromLines: 3, percent: '5' },
    { fromLines: 9, percent: '50' },
  ]
  const lines = ['a', 'b', 'c'].map((id) => ({ id }))
  expect(priced({ perTree: '10', discount }, lines).discount).toBe('2.40')
  expect(priced({ perTree: '10', travel: { perMile: '2', miles: '5', free: '10' } }, lines).travel).toBe(
    '0.00',
  )
})

test('what comes out adds up to the cent, for any rules', () => {
  const money = fc
    .integer({ min: 0, max: 999_999 })
    .map((n) => `${Math.floor(n / 1000)}.${String(n % 1000).padStart(3, '0')}`)
  fc.assert(
    fc.property(
      money,
      money,
      money,
      fc.array(fc.record({ hours: money, visits: fc.integer({ min: 1, max: 9 }) }), { maxLength: 12 }),
      (perTree, perHour, least, rows) => {
        const r = priced(
          { perTree, perHour, least, taxPercent: '8.25', discount: [{ fromLines: 3, percent: '7.5' }] },
          rows.map((row, i) => ({ id: String(i), ...row })),
        )
        const cents = (text: string) => Math.round(Number(text) * 100)
        expect(r.lines.reduce((sum, l) => sum + cents(l.price), 0)).toBe(cents(r.sum))
        expect(cents(r.sum) - cents(r.discount) + cents(r.travel) + cents(r.lift) + cents(r.tax)).toBe(
          cents(r.total),
        )
        expect(r.mostTotal).toBe(r.total)
      },
    ),
  )
})

test.each<[string, PriceRules, PriceLine[]]>([
  ['out-of-range lines[0].visits', {}, [{ id: 'a', visits: 0 }]],
  ['out-of-range lines[0].visits', {}, [{ id: 'a', visits: 1.5 }]],
  ['out-of-range lines[0].diameter', {}, [{ id: 'a', diameter: inches(0) }]],
  [
    'out-of-range lines[0].diameter',
    { perInch: [{ upTo: inches(9), price: '1' }] },
    [{ id: 'a', diameter: inches(10) }],
  ],
  ['out-of-range rules.perInch[1].upTo', { perInch: [{ price: '1' }, { price: '2' }] }, []],
  [
    'out-of-range rules.perInch[1].upTo',
    {
      perInch: [
        { upTo: inches(9), price: '1' },
        { upTo: inches(9), price: '2' },
      ],
    },
    [],
  ],
  ['out-of-range rules.taxPercent', { taxPercent: '100.5' }, []],
  ['out-of-range rules.discount[0].fromLines', { discount: [{ fromLines: 0, percent: '1' }] }, []],
  ['out-of-range rules.perHour', { perHour: '-3' }, []],
  ['bad-quantity lines[0].onlyIf.ceiling', {}, [{ id: 'a', onlyIf: { ceiling: 'much' } }]],
  ['bad-quantity rules.travel.miles', { travel: { perMile: '1', miles: 'far' } }, []],
])('%s', (refusal, rules, lines) => {
  expect(refusedAt(rules, lines)).toBe(refusal)
})

test('a whole amount is written with its cents', () => expect(sayMoney(whole(12))).toBe('12.00'))
