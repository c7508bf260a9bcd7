import { activeKey, groupKey } from '../actives/actives'
import { grouped } from '../grouped'
import { ok, refuse, type Result } from '../problem'
import { daysBetween, isDate, spokenDate, type PlainDate } from '../time/calendar'
import type { Working } from '../working/working'

export interface Application {
  date: PlainDate
  product: string
  active: string
  /** Resistance group; those beginning with `M` work on many sites. */
  group: string
  kind: string
}

export interface IntervalRules {
  /** Fewest days between two applications of a product. */
  minDays?: ReadonlyMap<string, number>
  /** Most applications of a product in a calendar year. */
  maxApplications?: ReadonlyMap<string, number>
  /** Pairs of actives that must keep days apart. */
  apart?: readonly { actives: readonly [string, string]; days: number }[]
  /** Most applications of one group running, for the kinds in `rotate`. */
  maxRunOfGroup?: number
  rotate?: readonly string[]
  harvest?: PlainDate
  harvestDays?: ReadonlyMap<string, number>
  bloom?: { from: PlainDate; to: PlainDate }
  notInBloom?: readonly string[]
}

export type IntervalRule = 'apart' | 'bloom' | 'harvest' | 'same-group' | 'too-many' | 'too-soon'

export interface Conflict {
  date: PlainDate
  product: string
  rule: IntervalRule
  /** The other application, where there is one. */
  with: { date: PlainDate; product: string } | null
}

/** More conflicts than this nobody reads; two thousand applications of one product on a day would make millions. */
const MOST_CONFLICTS = 20_000

interface Placed extends Application {
  planned: boolean
  /** Place in the common order of history and plan. */
  at: number
  /** Days from some day on. */
  day: number
}

/**
 * What stands against a plan of applications: intervals, counts, mixtures that must keep apart, resistance groups,
 * harvest and bloom. Near-linear in the applications, and in the conflicts there are; more than 20,000 conflicts are
 * `out-of-range`.
 *
 * Actives and groups go by their keys, however they are written. History and plan are taken together in date order (same date: history first, then as given). Only planned
 * applications are in conflict; between two planned ones, the later. Conflicts come sorted by date, product, rule and
 * the other's date. Problems: `bad-quantity` for dates that are none, `out-of-range` for rules that cannot be.
 * Source: handbook, repeats and intervals.
 * @example planConflicts({ plan, history, rules: { minDays: new Map([['K', 7]]) } })
 */
export function planConflicts(input: {
  plan: readonly Application[]
  history: readonly Application[]
  rules: IntervalRules
}): Result<{ conflicts: Conflict[]; working: Working }> {
  const wrong = check(input)
  if (wrong) return wrong
  const { rules } = input
  const notInBloom = new Set(rules.notInBloom ?? [])
  const all = [
    ...input.history.map((a) => ({ ...a, planned: false })),
    ...input.plan.map((a) => ({ ...a, planned: true })),
  ]
    .map((a, given) => ({ ...a, active: activeKey(a.active), group: groupKey(a.group), given }))
    .sort((a, b) => compare(a.date, b.date) || a.given - b.given)
    .map((a, at): Placed => ({ ...a, at, day: daysBetween('2000-01-01', a.date) }))
  const conflicts: Conflict[] = []
  const add: Add = (a, rule, other) => {
    // What cannot be read any more need not be written out; the count is what is told.
    conflicts.push({
      date: a.date,
      product: a.product,
      rule,
      with: other && { date: other.date, product: other.product },
    })
    return conflicts.length <= MOST_CONFLICTS
  }
  for (const rule of [tooSoon, tooMany, keptApart, sameGroup]) {
    rule(all, rules, add)
    if (conflicts.length > MOST_CONFLICTS)
      return refuse(
        'out-of-range',
        'plan',
        `More than ${MOST_CONFLICTS.toLocaleString('en-US')} conflicts stand against this plan; ask about fewer applications at a time.`,
      )
  }
  for (const a of all.filter((x) => x.planned)) {
    const days = rules.harvestDays?.get(a.product)
    if (
      rules.harvest &&
      days !== undefined &&
      a.date <= rules.harvest &&
      daysBetween(a.date, rules.harvest) < days
    )
      add(a, 'harvest', null)
    if (rules.bloom && notInBloom.has(a.product) && a.date >= rules.bloom.from && a.date <= rules.bloom.to)
      add(a, 'bloom', null)
  }
  conflicts.sort(
    (a, b) =>
      compare(a.date, b.date) ||
      compare(a.product, b.product) ||
      compare(a.rule, b.rule) ||
      compare(a.with?.date ?? '', b.with?.date ?? ''),
  )
  return ok({ conflicts, working: workingOf(input, conflicts) })
}

/** Notes a conflict; false when there are more than are told. */
type Add = (a: Placed, rule: IntervalRule, other: Placed | null) => boolean

function compare(a: string, b: string): number {
  return a < b ? -1 : a > b ? 1 : 0
}

const distance = (a: Placed, b: Placed) => Math.abs(a.day - b.day)

function tooSoon(all: Placed[], rules: IntervalRules, add: Add) {
  if (!rules.minDays?.size) return
  for (const [product, own] of grouped(all, (a) => a.product)) {
    const days = rules.minDays.get(product)
    if (days === undefined) continue
    // A planned one keeps its distance from all past ones, and from planned ones before it. Of equally near ones the
    // first in order counts.
    const nextPast = new Array<Placed | null>(own.length).fill(null)
    for (let i = own.length - 2; i >= 0; i--)
      nextPast[i] = own[i + 1]!.planned ? nextPast[i + 1]! : own[i + 1]!
    const firstOfDate = new Map<string, Placed>()
    for (const [i, a] of own.entries()) {
      if (a.planned) {
        const before = i > 0 ? firstOfDate.get(own[i - 1]!.date)! : null
        const after = nextPast[i] ?? null
        const nearest =
          before && (!after || distance(a, before) <= distance(a, after)) ? before : (after ?? before)
        if (nearest && distance(a, nearest) < days) add(a, 'too-soon', nearest)
      }
      if (!firstOfDate.has(a.date)) firstOfDate.set(a.date, a)
    }
  }
}

function tooMany(all: Placed[], rules: IntervalRules, add: Add) {
  const counts = new Map<string, number>()
  for (const a of all) {
    const key = `${a.date.slice(0, 4)} ${a.product}`
    const count = (counts.get(key) ?? 0) + 1
    counts.set(key, count)
    const most = rules.maxApplications?.get(a.product)
    if (a.planned && most !== undefined && count > most) add(a, 'too-many', null)
  }
}

function keptApart(all: Placed[], rules: IntervalRules, add: Add) {
  // For each active, what it must keep from and how many days; the longest where several rules name a pair.
  const keeps = new Map<string, Map<string, number>>()
  const keep = (from: string, to: string, days: number) => {
    const own = keeps.get(from) ?? new Map<string, number>()
    own.set(to, Math.max(own.get(to) ?? 0, days))
    keeps.set(from, own)
  }
  for (const { actives, days } of rules.apart ?? []) {
    const [one, other] = [activeKey(actives[0]), activeKey(actives[1])]
    keep(one, other, days)
    keep(other, one, days)
  }
  if (keeps.size === 0) return
  const byActive = grouped(all, (a) => a.active)
  for (const a of all) {
    if (!a.planned) continue
    const hits: Placed[] = []
    for (const [active, days] of keeps.get(a.active) ?? []) {
      const others = byActive.get(active) ?? []
      for (let i = firstWithin(others, a, days); i < others.length; i++) {
        const b = others[i]!
        if (b.day - a.day >= days) break
        if (b.at !== a.at && (!b.planned || b.at < a.at) && distance(a, b) < days) hits.push(b)
      }
    }
    hits.sort((x, y) => x.at - y.at)
    for (const b of hits) if (!add(a, 'apart', b)) return
  }
}

/** The first of a list in date order that lies fewer days before an application than given. */
function firstWithin(own: readonly Placed[], a: Placed, days: number): number {
  let [low, high] = [0, own.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if (a.day - own[middle]!.day >= days) low = middle + 1
    else high = middle
  }
  return low
}

function sameGroup(all: Placed[], rules: IntervalRules, add: Add) {
  if (rules.maxRunOfGroup === undefined) return
  const byKind = grouped(all, (a) => a.kind)
  for (const kind of new Set(rules.rotate ?? [])) {
    let before: Placed | null = null
    let run = 0
    for (const a of byKind.get(kind) ?? []) {
      const manySites = a.group.startsWith('M')
      run = manySites ? 0 : before && before.group === a.group ? run + 1 : 1
      if (a.planned && before && run > rules.maxRunOfGroup) add(a, 'same-group', before)
      before = a
    }
  }
}

function check({ plan, history, rules }: Parameters<typeof planConflicts>[0]) {
  for (const [name, list] of [
    ['plan', plan],
    ['history', history],
  ] as const)
    for (const [i, a] of list.entries())
      if (!isDate(a.date))
        return refuse('bad-quantity', `${name}[${i}].date`, 'A date is written as 2026-05-01; check it.')
  const dates = [
    ['rules.harvest', rules.harvest],
    ['rules.bloom.from', rules.bloom?.from],
    ['rules.bloom.to', rules.bloom?.to],
  ] as const
  for (const [field, date] of dates)
    if (date !== undefined && !isDate(date))
      return refuse('bad-quantity', field, 'A date is written as 2026-05-01; check it.')
  if (rules.bloom && rules.bloom.to < rules.bloom.from)
    return refuse('out-of-range', 'rules.bloom.to', 'Bloom ends before it begins; change the dates over.')
  if (
    rules.maxRunOfGroup !== undefined &&
    !(Number.isInteger(rules.maxRunOfGroup) && rules.maxRunOfGroup >= 1)
  )
    return refuse(
      'out-of-range',
      'rules.maxRunOfGroup',
      'The longest run of one group is a whole number from 1.',
    )
  for (const [name, least] of [
    ['minDays', 0],
    ['maxApplications', 0],
    ['harvestDays', 0],
  ] as const)
    for (const [product, value] of rules[name] ?? [])
      if (!(
        Number.isFinite(value) &&
        value >= least &&
        (name !== 'maxApplications' || Number.isInteger(value))
      ))
        return refuse('out-of-range', `rules.${name}.${product}`, 'This must be a number from 0; check it.')
  for (const [i, { days }] of (rules.apart ?? []).entries())
    if (!(Number.isFinite(days) && days >= 0))
      return refuse('out-of-range', `rules.apart[${i}].days`, 'The days apart must be from 0.')
  return null
}

const SAID: Record<IntervalRule, string> = {
  apart: 'kept apart from',
  bloom: 'not in bloom',
  harvest: 'too near the harvest',
  'same-group': 'same group after',
  'too-many': 'more than the year allows',
  'too-soon': 'too soon beside',
}

function workingOf({ plan, history }: Parameters<typeof planConflicts>[0], conflicts: Conflict[]): Working {
  return [
    {
      label: 'Looked at',
      expression: `${plan.length} planned with ${history.length} past, in date order`,
      result: conflicts.length === 0 ? 'no conflict' : `${conflicts.length} in conflict`,
      source: 'record',
    },
    ...conflicts.slice(0, 40).map((c) => ({
      label: `${c.product}, ${spokenDate(c.date)}`,
      expression: c.with ? `${SAID[c.rule]} ${c.with.product}` : SAID[c.rule],
      result: c.with ? `${Math.abs(daysBetween(c.date, c.with.date))} days` : c.rule,
      source: 'label' as const,
    })),
  ]
}
