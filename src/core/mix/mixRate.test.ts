import { readMixRate } from './mixRate'

const liquid = (typed: string) => {
  const r = readMixRate(typed, 'mix')
  if (!r.ok) throw new Error(r.problem.message)
  expect(r.value.kind).toBe('liquid')
  return r.value.perVolume
}

test('parts of product to parts of water', () => {
  expect(liquid('1:100')).toBeCloseTo(1 / 101, 12)
  expect(liquid(' 1 : 50 ')).toBeCloseTo(1 / 51, 12)
  expect(liquid('2.5:97.5')).toBeCloseTo(0.025, 12)
})
test.each(['0:100', '1:', ':100', '1:100:2', '1:-5', '1:100 in'])('%s is no mix', (typed) => {
  expect(readMixRate(typed, 'mix').ok).toBe(false)
})
test('parts are never more than the share of the same figures', () => {
  expect(liquid('1:100')).toBeLessThanOrEqual(liquid('1 %'))
})
