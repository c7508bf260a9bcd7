import { toSI } from '../quantity/units'
import { loadOut, type LoadoutInput } from './loadout'

const mL = (n: number) => toSI(n, 'mL')
const EMPTY: LoadoutInput = { day: '2026-06-12', needs: [], lots: [], measures: [] }
const loaded = (input: Partial<LoadoutInput>) => {
  const r = loadOut({ ...EMPTY, ...input })
  if (!r.ok) throw new Error(`${r.problem.field}: ${r.problem.message}`)
  return r.value
}
const inMl = (v: number) => Math.round(v * 1e6 * 1000) / 1000

describe('lots', () => {
  const lot = (name: string, left: number, expires: string, opened = false) => ({
    lot: name,
    product: 'P',
    left: mL(left),
    expires,
    opened,
  })
  const taken = (need: number, lots: ReturnType<typeof lot>[]) => {
    const [p] = loaded({ needs: [{ id: 'a', product: 'P', amount: mL(need) }], lots }).products
    return {
      lots: p!.lots.map((l) => [l.lot, inMl(l.take)]),
      short: inMl(p!.short),
      expired: p!.expired,
    }
  }
  test('opened ones go first, then those that end sooner, then by name', () => {
    const lots = [
      lot('D', 100, '2026-09-01'),
      lot('C', 100, '2026-08-01'),
      lot('B', 100, '2026-08-01'),
      lot('A', 100, '2028-01-01', true),
    ]
    expect(taken(350, lots)).toEqual({
      lots: [
        ['A', 100],
        ['B', 100],
        ['C', 100],
        ['D', 50],
      ],
      short: 0,
      expired: [],
    })
  })
  test('one that ends on the day still counts, one of the day before does not', () => {
    expect(taken(30, [lot('A', 10, '2026-06-12'), lot('B', 90, '2026-06-11')])).toEqual({
      lots: [['A', 10]],
      short: 20,
      expired: ['B'],
    })
  })
  test('an empty one is not named', () => {
    expect(taken(5, [lot('A', 0, '2027-01-01'), lot('B', 9, '2027-02-01')]).lots).toEqual([['B', 5]])
  })
})

test('products stand in the order of their names and take their spare; doses stand as they were asked', () => {
  const r = loaded({
    spare: 0.25,
    needs: [
      { id: '2', product: 'b', amount: mL(8) },
      { id: '1', product: 'a', amount: mL(4) },
      { id: '3', product: 'b', amount: mL(4) },
    ],
  })
  expect(r.products.map((p) => [p.product, inMl(p.need), inMl(p.take), inMl(p.short)])).toEqual([
    ['a', 4, 5, 5],
    ['b', 12, 15, 15],
  ])
  expect(r.doses.map((d) => d.id)).toEqual(['2', '1', '3'])
})

describe('measures', () => {
  const measure = (name: string, smallest: number, step: number, largest: number) => ({
    name,
    smallest: mL(smallest),
    step: mL(step),
    largest: mL(largest),
  })
  const poured = (amount: number, measures: ReturnType<typeof measure>[], mostErrorPercent?: number) => {
    const [d] = loaded({
      needs: [{ id: 'a', product: 'P', amount: mL(amount) }],
      measures,
      ...(mostErrorPercent !== undefined && { mostErrorPercent }),
    }).doses
    return [d!.measure, d!.fills, d!.reading === null ? null : inMl(d!.reading)]
  }
  test('half a graduation goes up', () => {
    expect(poured(12.5, [measure('m', 5, 5, 50)], 30)).toEqual(['m', 1, 15])
  })
  test('the fewest fills, then the smaller, then by name', () => {
    const [small, large, twin] = [measure('s', 1, 1, 50), measure('l', 1, 1, 250), measure('k', 1, 1, 250)]
    expect(poured(60, [small, large, twin])).toEqual(['k', 1, 60])
    expect(poured(50, [large, small])).toEqual(['s', 1, 50])
    expect(poured(500, [small, large])).toEqual(['l', 2, 500])
  })
  test('none below what it shows, none that is too far off; the very bound counts', () => {
    expect(poured(4, [measure('m', 5, 1, 50)])).toEqual([null, 0, null])
    expect(poured(5, [measure('m', 5, 1, 50)])).toEqual(['m', 1, 5])
    expect(poured(40, [measure('m', 5, 41, 50)], 2.5)).toEqual(['m', 1, 41])
    expect(poured(40, [measure('m', 5, 41.01, 50)], 2.5)).toEqual([null, 0, null])
  })
})

test.each<[string, Partial<LoadoutInput>]>([
  ['bad-quantity day', { day: '2026-02-30' }],
  ['out-of-range spare', { spare: -0.1 }],
  ['out-of-range mostErrorPercent', { mostErrorPercent: 101 }],
  ['out-of-range needs[0].amount', { needs: [{ id: 'a', product: 'P', amount: 0 }] }],
  ['bad-quantity lots[0].expires', { lots: [{ lot: 'A', product: 'P', left: 0, expires: 'soon' }] }],
  [
    'out-of-range lots[1].lot',
    { lots: [1, 2].map(() => ({ lot: 'A', product: 'P', left: 0, expires: '2027-01-01' })) },
  ],
  ['out-of-range measures[0].step', { measures: [{ name: 'm', smallest: mL(1), step: 0, largest: mL(9) }] }],
  [
    'out-of-range measures[0].smallest',
    { measures: [{ name: 'm', smallest: mL(10), step: mL(1), largest: mL(9) }] },
  ],
])('%s', (refusal, change) => {
  const r = loadOut({ ...EMPTY, ...change })
  expect(r.ok ? null : `${r.problem.code} ${r.problem.field}`).toBe(refusal)
})
