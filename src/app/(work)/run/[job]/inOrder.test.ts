import { inOrder, type Placed } from './inOrder'

/** Two works of a job: a row from west to east as its tags count, and one tree by itself. */
const TREES: Placed[] = [
  ['a', 'spray', 0, 0],
  ['b', 'spray', 30, 0],
  ['c', 'spray', 10, 0],
  ['d', 'spray', 20, 0],
  ['e', 'drench', 5, 5],
]
const listed = (of: 'walk' | 'tag' | 'sun') => {
  const places = inOrder(TREES, of)
  return [...places].sort((x, y) => x[1].at - y[1].at).map(([id, { half }]) => (half ? `${id} ${half}` : id))
}

test('as the tags count, by a short walk, and by halves of the sun, each work by itself', () => {
  expect(listed('tag')).toEqual(['a', 'b', 'c', 'd', 'e'])
  expect(listed('walk')).toEqual(['a', 'c', 'd', 'b', 'e'])
  expect(listed('sun')).toEqual(['b east', 'd east', 'a west', 'c west', 'e'])
})
