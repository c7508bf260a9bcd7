import { readStock, showStock } from './stockAmount'

test('a volume and a weight are told apart by their units, and a bare number is neither', () => {
  expect(readStock('2 gal', 'amount', null)).toMatchObject({ ok: true, value: { measure: 'volume' } })
  expect(readStock('5 lb', 'amount', null)).toMatchObject({ ok: true, value: { measure: 'mass' } })
  expect(readStock('5', 'amount', null)).toMatchObject({ ok: false, problem: { field: 'amount' } })
  expect(readStock('some', 'amount', null)).toMatchObject({ ok: false })
  expect(readStock('-1 gal', 'amount', null)).toMatchObject({ ok: false })
})

test('a lot is measured as it was before', () => {
  expect(readStock('5 lb', 'amount', 'volume')).toMatchObject({ problem: { code: 'conflict' } })
  expect(readStock('1 L', 'amount', 'mass')).toMatchObject({ problem: { code: 'conflict' } })
  expect(readStock('1 kg', 'amount', 'mass')).toMatchObject({ ok: true })
})

test('it is shown in the units of the reader, small amounts in small ones', () => {
  const gallon = { amount: 0.003785411784, measure: 'volume' as const }
  expect(showStock(gallon, 'us')).toBe('128 fl oz')
  expect(showStock({ ...gallon, amount: 3 * gallon.amount }, 'us')).toBe('3 gal')
  expect(showStock({ amount: 0.2, measure: 'mass' }, 'us')).toMatch(/oz$/)
  expect(showStock({ amount: 2, measure: 'mass' }, 'metric')).toMatch(/kg$/)
})
