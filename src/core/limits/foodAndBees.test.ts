import { HOSTS, host } from '@/almanac/hosts'
import { refusedForBees } from './bees'
import { refusedOnFood, type FoodQuestion } from './food'

const ask = (id: string, part: Partial<FoodQuestion> = {}) => {
  const h = host(id)!
  return refusedOnFood({
    host: id,
    edible: h.edible,
    askFood: h.askFood,
    eaten: null,
    forbiddenOnFood: true,
    ...part,
  })
}

test('no systemic on any tree that bears food without a label that names the crop', () => {
  const edible = HOSTS.filter((h) => h.edible)
  expect(edible.length).toBeGreaterThan(8)
  for (const h of edible) {
    expect([h.id, ask(h.id)]).toMatchObject([h.id, { problem: { code: 'not-allowed', field: 'useId' } }])
    expect([h.id, ask(h.id, { forbiddenOnFood: false })]).toMatchObject([
      h.id,
      { problem: { code: 'not-allowed' } },
    ])
    expect([h.id, ask(h.id, { forbiddenOnFood: false, foodCrops: ['another'] })]).toMatchObject([
      h.id,
      { ok: false },
    ])
    expect([h.id, ask(h.id, { forbiddenOnFood: false, foodCrops: [h.id] })]).toEqual([h.id, null])
    // A label that forbids food outright is not opened by a list beside it.
    expect([h.id, ask(h.id, { foodCrops: [h.id] })]).toMatchObject([h.id, { ok: false }])
  }
})

test('where some people eat of it, it is asked first', () => {
  for (const id of ['linden', 'crabapple', 'oak-white-group']) {
    expect([id, ask(id)]).toMatchObject([id, { problem: { code: 'missing', field: 'eaten' } }])
    expect([id, ask(id, { eaten: false })]).toEqual([id, null])
    expect([id, ask(id, { eaten: true })]).toMatchObject([id, { problem: { code: 'not-allowed' } }])
  }
  expect(ask('ash')).toBeNull()
})

test('neonicotinoids never on linden, other actives and other trees by their label', () => {
  const rule = host('linden')!.noNeonicotinoid
  expect(refusedForBees(rule, [{ name: 'imidacloprid', group: '4A' }])).toMatchObject({
    problem: { code: 'not-allowed', message: expect.stringMatching(/No imidacloprid .* any season/) },
  })
  expect(refusedForBees(rule, [{ name: 'emamectin benzoate', group: '6' }])).toBeNull()
  expect(refusedForBees(host('ash')!.noNeonicotinoid, [{ name: 'imidacloprid', group: '4A' }])).toBeNull()
})
