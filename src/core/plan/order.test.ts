import { inOrder, orderKey } from './order'

const tree = (tag: string, diameterM: number | null, liveCrownPercent: number | null) => ({
  id: tag,
  tag,
  diameterM,
  liveCrownPercent,
})
const trees = [tree('B', 0.4, 90), tree('A', null, 40), tree('D', 0.9, null), tree('C', 0.4, 40)]
const tags = (order: 'tag' | 'girth' | 'crown') => [...trees].sort(inOrder(order)).map((t) => t.tag)

test('by tag, thickest first, least live crown first; what was not taken comes last', () => {
  expect(tags('tag')).toEqual(['A', 'B', 'C', 'D'])
  expect(tags('girth')).toEqual(['D', 'B', 'C', 'A'])
  expect(tags('crown')).toEqual(['A', 'C', 'B', 'D'])
})
test('the key of an unmeasured tree is behind every measured one', () => {
  expect(orderKey('girth', tree('x', null, null))).toBeGreaterThan(orderKey('girth', tree('x', 0.01, null)))
  expect(orderKey('crown', tree('x', null, null))).toBeGreaterThan(orderKey('crown', tree('x', 1, 100)))
})
