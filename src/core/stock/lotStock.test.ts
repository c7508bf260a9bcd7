import fc from 'fast-check'
import { countAsked, lotStock, type StockMove } from './lotStock'

const move = (kind: StockMove['kind'], amount: number | null, at: number): StockMove => ({ kind, amount, at })

test('of a lot nobody entered nothing is known, whatever was used of it', () => {
  expect(lotStock([], [{ amount: 1, at: 5 }])).toBeNull()
})

test('bought, less what was used, spilled and given back', () => {
  const moves = [
    move('bought', 10, 1),
    move('opened', null, 2),
    move('spilled', 1, 3),
    move('given back', 2, 4),
  ]
  expect(lotStock(moves, [{ amount: 3, at: 3 }])).toEqual({
    left: 4,
    since: { at: 1, counted: null },
    bought: 10,
    used: 3,
    spilled: 1,
    givenBack: 2,
    opened: true,
  })
})

test('a count stands above all before it; work that ended before it is in it, however late it was signed', () => {
  const moves = [move('bought', 10, 1), move('counted', 4, 10), move('bought', 5, 12)]
  const uses = [
    { amount: 3, at: 9 },
    { amount: 2, at: 11 },
  ]
  expect(lotStock(moves, uses)).toMatchObject({ left: 7, used: 2, bought: 5, since: { at: 10, counted: 4 } })
})

test('the order in which it is entered plays no part', () => {
  const kinds = fc.constantFrom('bought', 'spilled', 'given back', 'counted' as const)
  const moves = fc.uniqueArray(
    fc.record({ kind: kinds, amount: fc.integer({ min: 0, max: 50 }), at: fc.integer({ min: 1, max: 500 }) }),
    { selector: (m) => m.at, minLength: 1, maxLength: 12 },
  ) as fc.Arbitrary<StockMove[]>
  fc.assert(
    fc.property(
      moves,
      fc.array(fc.record({ amount: fc.nat(9), at: fc.nat(500) }), { maxLength: 8 }),
      (m, u) => {
        expect(lotStock([...m].reverse(), [...u].reverse())).toEqual(lotStock(m, u))
      },
    ),
  )
})

const say = (n: number) => `${n} mL`
const asked = (counted: number, more = {}) =>
  countAsked({ counted, expected: 100, words: null, accepted: false, say, ...more })

test('a count that the records do not leave is asked about, in both directions, and answered with its reason', () => {
  expect(asked(98)).toBeNull()
  expect(asked(80)).toMatchObject({ code: 'doubt', field: 'differs' })
  expect(asked(80)?.message).toMatch(/^By the records 100 mL should be left; you counted 80 mL, 20 mL less\./)
  expect(asked(130)?.message).toMatch(/30 mL more/)
  expect(asked(80, { accepted: true })).toMatchObject({ code: 'missing', field: 'words' })
  expect(asked(80, { accepted: true, words: 'the can leaks' })).toBeNull()
  expect(asked(80, { expected: null })).toBeNull()
  expect(asked(0, { expected: 0 })).toBeNull()
})
