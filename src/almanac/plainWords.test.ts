import { FINDINGS } from './findings'
import { inPlainWords } from './plainWords'

const first = (said: string, most = 6) =>
  inPlainWords(FINDINGS, said)
    .slice(0, most)
    .map((f) => f.id)

test.each([
  ['holes', 'exit-hole-d'],
  ['round holes', 'exit-hole-round'],
  ['sticky', 'leaf-sticky'],
  ['black twigs', 'shoot-black-inside'],
  ['web', 'silk-nests'],
  ['white wool', 'bark-wax-specks'],
  ['mushrooms', 'mushrooms-base'],
  ['sawdust', 'sawdust-toothpicks'],
  ['bark is peeling', 'bark-flakes-natural'],
  ['yellow leaves', 'leaf-yellow-even'],
  ['ants', 'ants-trail'],
  ['the leaves are eaten', 'leaf-chewed'],
  ['shelf fungus', 'conk-base'],
])('%s finds %s among the first', (said, id) => {
  expect(first(said, 9)).toContain(id)
})

test('a word in the name comes before one in the question', () => {
  const [one] = inPlainWords(FINDINGS, 'pinholes')
  expect(one!.id).toBe('exit-hole-pin')
})

test('nothing typed, or words nobody uses of a tree, find nothing; what is retired is never found', () => {
  expect(first('')).toEqual([])
  expect(first('the of a')).toEqual([])
  expect(first('carburettor')).toEqual([])
  expect(first('wilt fungus', 20)).not.toContain('lab-wilt-fungus')
})
