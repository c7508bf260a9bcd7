import { isHand } from './names'
import type { DayFacts, TreeFacts } from './facts'
import type { Method } from '../card/card'
import type { ShareInput } from '../limits/share'
import type { UnitSystem } from '../quantity/format'
import type { Mass, Volume } from '../quantity/units'
import type { Working } from '../working/working'
import { readGiven, type TypedGiven } from './given'
import type { SubjectPlan, UseOf } from './plan'
import { planTogether } from './together'

/** A use that is on the table for a group of trees. */
export interface GroupUse {
  id: string
  use: UseOf<Method>
  /** How a working names its card. */
  source: string
}

/** A tree of a group, with what stands against each use for it. */
export interface GroupTree {
  id: string
  tag: string
  facts: TreeFacts
  /** How a working names its reading. */
  reading: string
  /** By the id of a use; none where it may be chosen. */
  closed: Readonly<Record<string, readonly string[]>>
}

/** What was chosen for a tree: a use, or none this year, and what was typed of it. */
export interface Chosen {
  useId: string | null
  given: TypedGiven
}

/** A tree's line in the table. */
export interface GroupRow {
  tree: GroupTree
  useId: string | null
  plan: SubjectPlan | null
  working: Working
  /** What comes out of the same tank, by use. */
  besides: readonly { useId: string; plan: SubjectPlan; working: Working }[]
  /** `asks` while something is still to be measured; `closed` and `refused` say why. */
  stands: 'planned' | 'left out' | 'asks' | 'closed' | 'refused'
  why: string | null
}

/** What a group is planned with beside its trees. */
export interface GroupQuestion {
  uses: readonly GroupUse[]
  /** The rate of each use, 0 low to 1 high. */
  choices: Readonly<Record<string, number>>
  /** What shares the tank of one use, by id. */
  tank?: { of: string; with: readonly string[] } | null
  day: DayFacts & { source: string }
  units: UnitSystem
}

/** One tree by one use: the same dose a prescription of it alone would have. */
export function planRow(tree: GroupTree, chosen: Chosen, q: GroupQuestion): GroupRow {
  const row = (part: Pick<GroupRow, 'stands' | 'why'> & Partial<GroupRow>): GroupRow => ({
    tree,
    useId: chosen.useId,
    plan: null,
    working: [],
    besides: [],
    ...part,
  })
  const use = q.uses.find((u) => u.id === chosen.useId)
  if (!use) return row({ stands: 'left out', why: null })
  const mates = q.tank?.of === use.id ? q.uses.filter((u) => q.tank!.with.includes(u.id)) : []
  const closed = [use, ...mates].flatMap((u) => tree.closed[u.id] ?? [])
  if (closed.length > 0) return row({ stands: 'closed', why: closed.join(' ') })
  const given = readGiven(chosen.given, q.units)
  if (!given.ok) return row({ stands: 'refused', why: given.problem.message })
  const planned = planTogether(
    {
      use: use.use,
      tree: tree.facts,
      day: q.day,
      choice: q.choices[use.id] ?? 0,
      given: given.value,
      units: q.units,
      sources: { reading: tree.reading, label: use.source, weather: q.day.source },
    },
    mates.map((m) => ({ use: m.use, choice: q.choices[m.id] ?? 0, source: m.source })),
  )
  if (!planned.ok)
    return row({
      stands: planned.problem.code === 'missing' ? 'asks' : 'refused',
      why: planned.problem.message,
    })
  const [own, ...besides] = planned.value
  return row({
    stands: 'planned',
    why: null,
    plan: own!.plan as SubjectPlan,
    working: own!.working,
    besides: besides.map((p, i) => ({
      useId: mates[i]!.id,
      plan: p.plan as SubjectPlan,
      working: p.working,
    })),
  })
}

/** What a whole table comes to. */
export interface GroupTotals {
  planned: number
  minutes: number
  water: Volume
  /** By use: trees, product (m³ or kg) and active on the ground. */
  byUse: Readonly<Record<string, { trees: number; product: number; active: Mass }>>
}

/** Adds up the planned rows. */
export function totalsOf(rows: readonly GroupRow[]): GroupTotals {
  const byUse: Record<string, { trees: number; product: number; active: Mass }> = {}
  let [planned, minutes, water] = [0, 0, 0]
  for (const { plan, useId, besides } of rows) {
    if (!plan || useId === null) continue
    planned++
    minutes += plan.minutes
    water += plan.water ?? 0
    for (const put of [{ useId, plan }, ...besides]) {
      const u = (byUse[put.useId] ??= { trees: 0, product: 0, active: 0 })
      u.trees++
      u.product += put.plan.product
      u.active += put.plan.active ?? 0
    }
  }
  return { planned, minutes, water, byUse }
}

/**
 * Whether a use takes part when a limit is shared out: only what puts something on treats a tree; one that is watered or looked at instead
 * still waits. `isSharedOut({ method: 'water' }) === false`
 */
export function isSharedOut({ method }: { method: Method }): boolean {
  return !isHand(method)
}

/**
 * The question of which tree is worked by which of several uses, within what the limit of one active on the ground and the
 * hours leave: every tree counts the same, so the most trees are worked; of equally many the fewer minutes win. Only `limited`
 * uses count toward the limit; those that a limit of another active binds do not belong among `useIds`. `limit` and `applied`
 * in kg.
 *
 * @example share(shareQuestion(trees, ['drench', 'inject'], chosen, q, { limit: 0.27, applied: 0.16, limited: ['drench'] }))
 */
export function shareQuestion(
  trees: readonly GroupTree[],
  useIds: readonly string[],
  chosen: (tree: GroupTree) => Chosen,
  q: GroupQuestion,
  bounds: { limit: Mass; applied: Mass; limited: readonly string[]; minutes?: number },
): ShareInput {
  return {
    limit: bounds.limit,
    applied: [bounds.applied],
    minutes: bounds.minutes,
    units: q.units,
    trees: trees.map((tree) => ({
      id: tree.id,
      priority: 1,
      ways: useIds.flatMap((useId) => {
        const { plan } = planRow(tree, { ...chosen(tree), useId }, q)
        return plan
          ? [
              {
                way: useId,
                active: bounds.limited.includes(useId) ? (plan.active ?? 0) : 0,
                minutes: plan.minutes,
                worth: 1,
              },
            ]
          : []
      }),
    })),
  }
}

/** How many trees fit under what is left when all go by one use: the least active first. */
export function howManyFit(rows: readonly GroupRow[], left: Mass): number {
  const active = rows.flatMap((r) => (r.plan ? [r.plan.active ?? 0] : [])).sort((a, b) => a - b)
  let [sum, n] = [0, 0]
  for (const kg of active) {
    sum += kg
    if (sum > left * (1 + 1e-9)) break
    n++
  }
  return n
}
