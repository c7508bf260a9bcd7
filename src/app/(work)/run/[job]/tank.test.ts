import fc from 'fast-check'
import { readProduct } from '@/core/methods/readProduct'
import type { Act, JobItem, JobTree } from './job'
import { asMeasured } from './measured'
import { besides, matesOf, tankOf, withBesides, worksOf } from './tank'

const ML = 1e-6
const item = (id: string, tank: string | null, block: string | null = null) =>
  ({ id, tank, block, product: { name: id } }) as unknown as JobItem

/** A tree under one item: mixed, sprayed, or neither yet. */
function tree(
  treeId: string,
  itemId: string,
  product: number,
  { kind = 'liquid', done = 0, givenUp = null as string | null, status = 'open', spray = 0.01 } = {},
): JobTree {
  const what = { kind: 'task' as const, task: 'spray', product, times: 1 }
  return {
    id: `${treeId} ${itemId}`,
    treeId,
    itemId,
    status,
    plan: { method: 'crown-spray', kind, product, shape: { spray } },
    steps: [
      {
        id: `spray ${treeId} ${itemId}`,
        n: 1,
        what,
        events: [],
        state: {
          ...what,
          done,
          startedAt: done > 0 ? 1 : null,
          endedAt: null,
          amount: null,
          noted: null,
          left: 0,
          givenUp,
        },
      },
    ],
  } as unknown as JobTree
}
const press = (t: JobTree, command: Parameters<Act>[0][number]['command']) => ({
  tree: t,
  step: t.steps[0]!,
  command,
})

describe('what comes out of one tank', () => {
  const captan = item('captan', 'tank 1')
  const oil = item('oil', 'tank 1')
  const elsewhere = item('oil of Bank B', 'tank 1', 'Bank B')
  const alone = item('mulch', null)
  const all = [captan, oil, elsewhere, alone, item('straw', null)]

  test('is of the same tank and the same block; what has no tank is by itself', () => {
    expect(matesOf(all, captan)).toEqual([oil])
    expect(matesOf(all, oil)).toEqual([captan])
    expect(matesOf(all, elsewhere)).toEqual([])
    expect(matesOf(all, alone)).toEqual([])
  })

  test('is worked as one, under the first of it', () => {
    expect(worksOf(all).map((i) => i.id)).toEqual(['captan', 'oil of Bank B', 'mulch', 'straw'])
  })

  test('is the same tree under the others, as far as it is', () => {
    const trees = [
      tree('a', 'captan', 30 * ML),
      tree('a', 'oil', 60 * ML),
      tree('b', 'oil', 60 * ML),
      tree('a', 'mulch', 0),
      tree('a', 'oil', 60 * ML, { status: 'recorded' }),
    ]
    expect(besides(trees, [oil], trees[0]!)).toEqual([trees[1]])
  })

  test('goes into the tank by what all its trees get, dry things first', () => {
    const trees = [
      tree('a', 'captan', 30 * ML, { spray: 0.01 }),
      tree('b', 'captan', 40 * ML, { spray: 0.02 }),
      tree('a', 'sulfur', 0.2, { kind: 'weight' }),
      tree('b', 'sulfur', 0.3, { kind: 'weight' }),
      tree('a', 'something else', 1),
    ]
    const tank = tankOf(trees, [captan, item('sulfur', 'tank 1'), item('nothing of it', 'tank 1')])
    expect(tank.spray).toBeCloseTo(0.03, 12)
    expect(tank.products.map((p) => [p.name, Number(p.product.toFixed(9))])).toEqual([
      ['sulfur', 0.5],
      ['captan', 0.00007],
    ])
  })
})

describe('a press at a tree', () => {
  const own = tree('a', 'captan', 30 * ML)

  test('is one at all that comes out of its tank, but not where it is over already', () => {
    const [open, over] = [tree('a', 'oil', 60 * ML), tree('a', 'sticker', 5 * ML, { done: 1 })]
    const both = withBesides([press(own, { kind: 'do' })], () => [open, over])
    expect(both.map((p) => p.step.id)).toEqual(['spray a captan', 'spray a oil'])
  })

  test('is taken back where something stands, done or given up', () => {
    const others = [
      tree('a', 'oil', 60 * ML, { done: 1 }),
      tree('a', 'sticker', 5 * ML, { givenUp: 'rain' }),
      tree('a', 'dye', 1 * ML),
    ]
    const both = withBesides([press(own, { kind: 'undo' })], () => others)
    expect(both.map((p) => p.step.id)).toEqual(['spray a captan', 'spray a oil', 'spray a sticker'])
  })

  test('leaves the same share of each product, whatever it is measured in', () => {
    const share = fc.double({ min: 0, max: 1, noNaN: true })
    const amount = fc.double({ min: 1 * ML, max: 0.02, noNaN: true })
    fc.assert(
      fc.property(share, amount, amount, fc.constantFrom('liquid', 'weight'), (part, mine, theirs, kind) => {
        const [here, other] = [tree('a', 'captan', mine), tree('a', 'oil', theirs, { kind })]
        const left = `${mine * part * 1e6} mL`
        const [, said] = withBesides([press(here, { kind: 'give-up', reason: 'rain', left })], () => [other])
        const read = readProduct(said!.command.left!, other.plan, 'left', 'What is left')
        expect(read.ok).toBe(true)
        // To a millionth of a millilitre or gram, as it is written.
        if (read.ok)
          expect(Math.abs(read.value.si - theirs * part)).toBeLessThan(kind === 'liquid' ? 1e-11 : 1e-8)
      }),
    )
  })

  test('whose left cannot be read goes on as it was typed, to be refused with its reason', () => {
    const [, said] = withBesides([press(own, { kind: 'give-up', reason: 'rain', left: 'some' })], () => [
      tree('a', 'oil', 60 * ML),
    ])
    expect(said!.command.left).toBe('some')
  })

  test('at a port is at that port alone', () => {
    const port = { ...own, steps: [{ ...own.steps[0]!, what: { kind: 'port', bearing: 10, product: 1 } }] }
    const at = port as unknown as JobTree
    expect(withBesides([press(at, { kind: 'do' })], () => [tree('a', 'oil', 1)])).toHaveLength(1)
  })
})

describe('what is poured out of a stock bottle', () => {
  const bottle = { pours: new Map([['a drench', { product: 12.5 * ML }]]) } as never
  const poured = tree('a', 'drench', 12 * ML)

  test('is said as the measure shows it', () => {
    const [said] = asMeasured([press(poured, { kind: 'do' })], bottle)
    expect(said!.command).toEqual({ kind: 'do', amount: '12.500000 mL' })
  })

  test.each([
    ['without a bottle', poured, { kind: 'do' as const }, null],
    ['at a tree that gets nothing out of it', tree('b', 'drench', 12 * ML), { kind: 'do' as const }, bottle],
    ['where nothing is done', poured, { kind: 'give-up' as const, reason: 'rain', left: '0 mL' }, bottle],
    ['at a step that puts nothing on', tree('a', 'drench', 0), { kind: 'do' as const }, bottle],
  ])('is left as it was pressed %s', (_, at, command, from) => {
    expect(asMeasured([press(at, command)], from)[0]!.command).toEqual(command)
  })
})
