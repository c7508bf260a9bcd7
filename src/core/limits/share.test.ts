import { toSI } from '../quantity/units'
import { share, type ShareInput, type ShareTree } from './share'

const lb = (n: number) => toSI(n, 'lb')
const drench = (active: number, minutes = 12) => ({ way: 'drench', active: lb(active), minutes, worth: 1 })
const inject = (minutes: number) => ({ way: 'inject', active: 0, minutes, worth: 1 })
const tree = (id: string, priority: number, ...ways: ShareTree['ways']): ShareTree => ({ id, priority, ways })
const base: ShareInput = {
  limit: lb(0.1),
  applied: [lb(0.02)],
  trees: [
    tree('A', 5, drench(0.05), inject(45)),
    tree('B', 4, drench(0.03), inject(40)),
    tree('C', 2, drench(0.02, 10)),
  ],
}
const value = (input: Partial<ShareInput>) => {
  const r = share({ ...base, ...input })
  if (!r.ok) throw new Error(r.problem.message)
  return r.value
}
const ways = (input: Partial<ShareInput>) => value(input).choice.map((c) => c.way)

test('with hours enough every tree gets something, in the fewest minutes', () => {
  expect(ways({})).toEqual(['drench', 'inject', 'drench'])
  expect(value({}).minutes).toBe(62)
})

test('with few hours the trees that matter most', () => {
  expect(ways({ minutes: 24 })).toEqual(['drench', 'drench', null])
  expect(ways({ minutes: 11 })).toEqual([null, null, 'drench'])
  expect(ways({ minutes: 0 })).toEqual([null, null, null])
})

test('a limit that is passed leaves the ways without active', () => {
  const passed = value({ applied: [lb(0.11)] })
  expect(passed.choice.map((c) => c.way)).toEqual(['inject', 'inject', null])
  expect(passed.remaining).toBeCloseTo(-lb(0.01), 12)
})

test('what fills the limit to the last fits, typed in tenths as in fractions', () => {
  const tenths = [0.1, 0.2, 0.3].map((m, i) => tree(`T${i}`, 1, drench(m)))
  expect(ways({ limit: lb(0.6), applied: [], trees: tenths })).toEqual(['drench', 'drench', 'drench'])
  const odd = [1 / 3, 1 / 7, 11 / 21].map((m, i) => tree(`T${i}`, 1, drench(m)))
  expect(ways({ limit: lb(1), applied: [], trees: odd })).toEqual(['drench', 'drench', 'drench'])
  expect(ways({ limit: lb(0.999999), applied: [], trees: odd })).toContain(null)
})

test('worth counts with priority', () => {
  const less = { ...inject(1), worth: 0.5 }
  expect(ways({ trees: [tree('A', 5, less, drench(0.08)), tree('B', 4, less, drench(0.08))] })).toEqual([
    'drench',
    'inject',
  ])
})

test.each([
  [{ limit: -1 }, 'limit'],
  [{ applied: [-1] }, 'applied[0]'],
  [{ minutes: -1 }, 'minutes'],
  [{ minutes: Infinity }, 'minutes'],
  [{ trees: [] }, 'trees'],
  [{ trees: Array.from({ length: 2001 }, (_, i) => tree(`${i}`, 1)) }, 'trees'],
  [{ trees: [tree('', 1)] }, 'trees[0].id'],
  [{ trees: [tree('A', 1), tree('A', 1)] }, 'trees[1].id'],
  [{ trees: [tree('A', -1)] }, 'trees[0].priority'],
  [{ trees: [tree('A', 1, inject(1), inject(2))] }, 'trees[0].ways[1].way'],
  [{ trees: [tree('A', 1, drench(-1))] }, 'trees[0].ways[0].active'],
  [{ trees: [tree('A', 1, inject(-1))] }, 'trees[0].ways[0].minutes'],
  [{ trees: [tree('A', 1, { ...inject(1), worth: -1 })] }, 'trees[0].ways[0].worth'],
  [
    { trees: [tree('A', 1, ...Array.from({ length: 21 }, (_, i) => ({ ...inject(1), way: `${i}` })))] },
    'trees[0].ways',
  ],
] as [Partial<ShareInput>, string][])('%#: what cannot be is refused by its field', (input, field) => {
  expect(share({ ...base, ...input })).toMatchObject({ ok: false, problem: { field } })
})
