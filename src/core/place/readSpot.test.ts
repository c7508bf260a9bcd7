import { readSpot } from './readSpot'

test.each([
  ['42.3121, -75.2179', 42.3121, -75.2179],
  ['42.3121 −75.2179', 42.3121, -75.2179],
  ['42.3121° N, 75.2179° W', 42.3121, -75.2179],
  ['33.9S 18.4E', -33.9, 18.4],
  ['-33.9;18.4', -33.9, 18.4],
  [' 0,0 ', 0, 0],
])('%s', (text, latitude, longitude) => {
  expect(readSpot(text)).toEqual({ ok: true, value: { latitude, longitude } })
})

test.each(['', '42.3', '91, 0', '0, 181', '75W, 42N', 'here', '42.3, -75.2, 9', '1e1, 2', '42,31, 75,2'])(
  '%s is asked for as it should be',
  (text) => expect(readSpot(text)).toMatchObject({ problem: { code: 'bad-quantity', field: 'coordinates' } }),
)
