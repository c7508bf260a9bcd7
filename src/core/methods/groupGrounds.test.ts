import { CARDS, useOf } from '../../../demo/cards'
import type { Method } from '../card/card'
import { goesOver, leftOf } from '../limits/ground'
import type { GroupRow } from './group'
import { firstWay, groundsOf, type GroupWay } from './groupGrounds'
import type { UseOf } from './plan'

const card = (code: string) => CARDS.find((c) => c.card.code === code)!.card
const drenchUse = useOf(card('SD2'), 'soil-drench') as UseOf<Method>
const way = (id: string, active: string | null, limit: number | null, use = drenchUse): GroupWay => ({
  id,
  use,
  limit,
  product: { actives: active === null ? [] : [{ name: active, strength: '2 lb/gal' }] },
})
const row = (useId: string | null, active: number | null, ...besides: [string, number][]) =>
  ({
    useId,
    plan: active === null ? null : { active },
    besides: besides.map(([id, a]) => ({ useId: id, plan: { active: a }, working: [] })),
  }) as unknown as GroupRow

const WAYS = [
  way('drench', 'imidacloprid', 0.3),
  way('pellets', 'imidacloprid', 0.2),
  way('bark', 'dinotefuran', 0.5),
  way('oil', 'oil', null),
]

test('an active is held against the tightest limit of the cards that hold it, beside what is on the ground', () => {
  const used = [{ active: 'imidacloprid', applied: 0.05, others: 0.02, planned: 0.03 }]
  const [imidacloprid, dinotefuran, ...rest] = groundsOf(
    [row('drench', 0.04), row('pellets', 0.05), row('bark', 0.1), row('oil', 9), row(null, null)],
    WAYS,
    used,
  )
  expect(rest).toEqual([])
  expect(imidacloprid).toMatchObject({
    active: 'imidacloprid',
    limit: 0.2,
    useIds: ['drench', 'pellets'],
    over: false,
  })
  expect(imidacloprid!.left).toBeCloseTo(0.1, 12)
  expect(imidacloprid!.wanted).toBeCloseTo(0.09, 12)
  // Nothing is known to be on the ground.
  expect(dinotefuran).toMatchObject({ applied: 0, others: 0, planned: 0, left: 0.5, wanted: 0.1 })
})

test('what comes out of the same tank counts too, and to its own active', () => {
  const [imidacloprid, dinotefuran] = groundsOf([row('oil', 3, ['drench', 0.06], ['bark', 0.2])], WAYS, [])
  expect(imidacloprid!.wanted).toBeCloseTo(0.06, 12)
  expect(dinotefuran!.wanted).toBeCloseTo(0.2, 12)
})

test('the last gram fits; a gram more does not; a limit that is passed leaves nothing', () => {
  const at = (wanted: number, applied: number) =>
    groundsOf(
      [row('pellets', wanted)],
      [WAYS[1]!],
      [{ active: 'imidacloprid', applied, others: 0, planned: 0 }],
    )[0]!
  expect(at(0.1, 0.1).over).toBe(false)
  expect(at(0.101, 0.1).over).toBe(true)
  expect(at(0, 0.3)).toMatchObject({ over: true, left: expect.closeTo(-0.1, 12) as number })
  expect(leftOf(0.2, { applied: 0.1, others: 0.04, planned: 0.03 })).toBeCloseTo(0.03, 12)
  // Sums of many trees may differ in the last digit.
  expect(goesOver(0.1 + 0.2, { allowed: 0.3, left: 0.3 })).toBe(false)
})

test('a way without a limit, or of a card without an active, holds no ground', () => {
  expect(groundsOf([row('oil', 1)], [WAYS[3]!, way('wash', null, 0.1)], [])).toEqual([])
})

test('a table begins with the first that may go on half of the trees as they are measured', () => {
  const tree = (...closed: string[]) => ({
    closed: Object.fromEntries(closed.map((id) => [id, ['Closed.']])),
  })
  const oil = { ...way('oil', 'oil', null), use: card('HO1').uses[0]! as UseOf<Method> }
  const [a, b] = [way('a', 'x', 1), way('b', 'y', 1)]
  expect(firstWay([a, b], [tree(), tree()])).toBe('a')
  expect(firstWay([a, b], [tree('a'), tree('a'), tree()])).toBe('b')
  expect(firstWay([a, b], [tree('a'), tree()])).toBe('a')
  // What asks for a crown nobody measured comes after what asks for nothing.
  expect(firstWay([oil, b], [tree(), tree()])).toBe('b')
  expect(firstWay([oil, b], [tree('b'), tree('b')])).toBe('oil')
  expect(firstWay([a, b], [tree('a', 'b')])).toBe('a')
  expect(firstWay([], [tree()])).toBeNull()
})
