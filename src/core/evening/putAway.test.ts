import { whyNotPutAway } from './putAway'

const still = [
  { id: 'a', tag: 'Ash 14', ports: 2 },
  { id: 'b', tag: 'Ash 15', ports: 1 },
]

test('nothing in a tree, or a word for every tree, lets the day go', () => {
  expect(whyNotPutAway([], new Map())).toBeNull()
  expect(
    whyNotPutAway(
      still,
      new Map([
        ['a', 'at seven'],
        ['b', 'at eight'],
      ]),
    ),
  ).toBeNull()
})

test('the first tree without a word is named with its field, and how many more there are', () => {
  expect(whyNotPutAway(still, new Map())).toMatchObject({
    field: 'left[0].words',
    message: expect.stringMatching(/^2 ports are still in Ash 14, and more in 1 other tree\./) as string,
  })
  expect(whyNotPutAway(still, new Map([['a', 'at seven']]))).toMatchObject({
    field: 'left[1].words',
    message: expect.stringMatching(/^1 port is still in Ash 15\. /) as string,
  })
  expect(whyNotPutAway(still, new Map([['a', '  ']]))?.field).toBe('left[0].words')
})
