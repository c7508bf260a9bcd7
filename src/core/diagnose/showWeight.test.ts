import { showWeight, timesLess } from './showWeight'

test.each([
  [0.01, 'hardly less likely by it'],
  [0.2, 'hardly less likely by it'],
  [1, '2 times less likely by it'],
  [-2, '4 times less likely by it'],
  [1.5, '2.8 times less likely by it'],
  [5, '32 times less likely by it'],
])('%d bits are %s', (bits, words) => {
  expect(timesLess(bits)).toBe(words)
})

test('a weight never reads as certain or as nothing', () => {
  for (const p of [0, 1e-9, 0.004, 0.005, 0.5, 0.994, 0.995, 0.99999, 1]) {
    expect(showWeight(p)).not.toMatch(/^(1(\.0+)?|0(\.0+)?)$/)
  }
})
