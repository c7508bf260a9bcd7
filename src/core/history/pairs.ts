import { groupKey, sameActive } from '../actives/actives'
import type { Method } from '../card/card'
import { opens, type Opens } from '../methods/goes'
import { isSystemicWay } from '../methods/systemic'
import { addDays, daysBetween, type PlainDate } from '../time/calendar'
import type { Keeps, Use, UsedActive } from './use'

/** What is asked to go on a tree on a day. */
export interface Candidate {
  on: PlainDate
  code: string | null
  actives: readonly UsedActive[]
  keeps: Keeps
}

/** Something that stands too near, by how many days the two keep apart, and from when nothing of the kind does any more. */
export interface TooNear {
  use: Use
  days: number
  until: PlainDate
}

const shares = (one: readonly UsedActive[], other: readonly UsedActive[]) =>
  one.some((x) => other.some((y) => x.key === y.key))

/** True for uses of one product, or of one active whatever the product. */
export function sameWork(c: Pick<Candidate, 'code' | 'actives'>, use: Use): boolean {
  return (c.code !== null && c.code === use.code) || shares(c.actives, use.actives)
}

/**
 * How many days lie between a use and a day. What is promised may go on on any of its days: the one that keeps the most distance counts.
 * @example daysApart({ on: '2026-06-20', to: '2026-07-04' }, '2026-06-22') // 12
 */
export function daysApart(use: Pick<Use, 'on' | 'to'>, day: PlainDate): number {
  return Math.max(Math.abs(daysBetween(use.on, day)), use.to ? Math.abs(daysBetween(use.to, day)) : 0)
}

/**
 * The first day from `on` that keeps the distance to every use of a list: what lies before and what lies after it.
 * @example firstFree('2026-06-15', [{ use: on('2026-06-12'), days: 7 }, { use: on('2026-06-24'), days: 7 }]) // '2026-07-01'
 */
export function firstFree(
  on: PlainDate,
  near: readonly { use: Pick<Use, 'on' | 'to'>; days: number }[],
): PlainDate {
  let day = on
  for (let moved = true; moved;) {
    moved = false
    for (const { use, days } of near)
      if (daysApart(use, day) < days) {
        day = addDays(use.on, days)
        moved = true
      }
  }
  return day
}

/** The nearest of what stands too near, with the day from which all of it keeps its distance; null where nothing does. */
function nearest(on: PlainDate, held: readonly { use: Use; days: number }[]): TooNear | null {
  const gap = ({ use }: { use: Use }) => daysApart(use, on)
  const close = held.filter((h) => gap(h) < h.days).sort((x, y) => gap(x) - gap(y))[0]
  return close ? { ...close, until: firstFree(on, held) } : null
}

/**
 * The use of the same product or active to which the days between are not kept: every use is looked at, before and after, and
 * the longer of what both cards ask holds. Null where none is too near. Source: handbook, one history.
 *
 * @example intervalProblem([on('2026-05-01'), on('2026-05-31')], { on: '2026-05-04', keeps: { leastDays: 7 }, … })?.use.on // '2026-05-01'
 */
export function intervalProblem(history: readonly Use[], c: Candidate): TooNear | null {
  return nearest(
    c.on,
    history.flatMap((use) => {
      if (!sameWork(c, use)) return []
      // Another product keeps its own days only where it is of the same active.
      const days = Math.max(c.keeps.leastDays ?? 0, use.keeps.leastDays ?? 0)
      return days > 0 ? [{ use, days }] : []
    }),
  )
}

/**
 * The uses of the same product or active in the calendar year of a day, where one more would be beyond the most; null where it
 * would not.
 */
export function countProblem(history: readonly Use[], c: Candidate, most: number | undefined): Use[] | null {
  if (most === undefined) return null
  const year = c.on.slice(0, 4)
  // What is promised counts in the year in which all of its days lie.
  const inYear = history.filter(
    (use) => use.on.startsWith(year) && (use.to ?? use.on).startsWith(year) && sameWork(c, use),
  )
  return inYear.length >= most ? inYear : null
}

/** Actives that harm a tree together whatever the card says, and for how many days they keep apart. Source: handbook, one history. */
const KEPT_APART: readonly { actives: readonly [string, string]; days: number }[] = [
  { actives: ['horticultural oil', 'sulfur'], days: 14 },
  { actives: ['horticultural oil', 'captan'], days: 14 },
  { actives: ['copper', 'lime sulfur'], days: 14 },
]

/** The use of another active that is kept days apart, by either card or by what harms in any case; null where none is near. */
export function apartProblem(
  history: readonly Use[],
  c: Candidate,
): (TooNear & { one: string; other: string }) | null {
  const held = history.flatMap((use) =>
    c.actives.flatMap((mine) =>
      use.actives.flatMap((theirs) => {
        if (mine.key === theirs.key) return []
        const own = (keeps: Keeps, active: string) =>
          (keeps.apart ?? []).filter((k) => sameActive(k.active, active)).map((k) => k.days)
        const always = KEPT_APART.filter(
          ({ actives: [x, y] }) =>
            (sameActive(x, mine.key) && sameActive(y, theirs.key)) ||
            (sameActive(y, mine.key) && sameActive(x, theirs.key)),
        ).map((k) => k.days)
        const days = Math.max(0, ...own(c.keeps, theirs.key), ...own(use.keeps, mine.key), ...always)
        return days > 0 ? [{ use, days, one: mine.name, other: theirs.name }] : []
      }),
    ),
  )
  const near = nearest(c.on, held)
  if (!near) return null
  const names = held.find((h) => h.use === near.use && h.days === near.days)!
  return { ...near, one: names.one, other: names.other }
}

/**
 * The spray too near to helpers that are set free, or the helpers too near to a spray: whichever comes first. `sprayed`: what is asked
 * is one. Null where none is near.
 */
export function helpersProblem(
  history: readonly Use[],
  c: Pick<Candidate, 'on' | 'keeps'> & { sprayed: boolean },
): TooNear | null {
  return nearest(
    c.on,
    history.flatMap((use) => {
      const days = Math.max(
        use.sprayed ? (c.keeps.sprayDays ?? 0) : 0,
        c.sprayed ? (use.keeps.sprayDays ?? 0) : 0,
      )
      return days > 0 ? [{ use, days }] : []
    }),
  )
}

/** Root work waits so many days after the trunk was opened, and the other way round. House figure for “some weeks”. */
const ROOTS_AFTER_WOUND = 28
const OTHER: Partial<Record<Opens, Opens>> = { trunk: 'soil', soil: 'trunk' }

/** Work that wounds trunk or roots, too near to the other of the two; null where none is. Source: handbook, root work. */
export function woundProblem(
  history: readonly Use[],
  c: Pick<Candidate, 'on'> & { method: Method },
): TooNear | null {
  const own = opens(c.method)
  const other = own && OTHER[own]
  if (!other) return null
  return nearest(
    c.on,
    history.filter((use) => opens(use.method) === other).map((use) => ({ use, days: ROOTS_AFTER_WOUND })),
  )
}

/** Not more than so many in a row of one group against the same kind of organism. Source: handbook, one history. */
const MOST_IN_A_ROW = 2
/** A pause as long as this ends a row: another season, other broods. House figure. */
const ROW_ENDS_AFTER = 270

/** True for a group that a pest grows used to: those that work on one site. Multi-site, unknown and physical ones end a row. */
function growsUsedTo(group: string): boolean {
  return /^\d/.test(group)
}

/** The row of one group that work on a day would make, itself among it, where it is longer than may be; null where it is not. */
export function rotationProblem(
  history: readonly Use[],
  c: Candidate & { kind: string | null },
  most = MOST_IN_A_ROW,
): { group: string; row: Use[] } | null {
  const group = c.actives.map((x) => groupKey(x.group)).find(growsUsedTo)
  if (group === undefined || c.kind === null) return null
  const of = (use: Use) => use.actives.some((x) => groupKey(x.group) === group)
  const kin = history.filter((use) => use.kind === c.kind).sort((x, y) => (x.on < y.on ? -1 : 1))
  const row: Use[] = []
  const walk = (uses: readonly Use[]) => {
    let from = c.on
    for (const use of uses) {
      if (!of(use) || Math.abs(daysBetween(from, use.on)) > ROW_ENDS_AFTER) return
      row.push(use)
      from = use.on
    }
  }
  walk(kin.filter((use) => use.on <= c.on).reverse())
  walk(kin.filter((use) => use.on > c.on))
  return row.length + 1 > most ? { group, row: row.sort((x, y) => (x.on < y.on ? -1 : 1)) } : null
}

/** A visit may come a tenth of the time early, at most a quarter of a year, and still count as the next one. House figures. */
export function dueAfter(lastsDays: number): number {
  return lastsDays - Math.min(91, Math.round(lastsDays / 10))
}

/**
 * The systemic treatment that is at work against the same cause, or with the same active, on a day, or that is to go on while this one works; null where
 * none is. What got too little, was found not to work, or only feeds, is in nobody’s way. `lastsDays`: of the one that is asked.
 *
 * @example atWork(history, { on: '2026-06-12', cause: 'emerald-ash-borer', lastsDays: 365 })?.until
 */
export function atWork(
  history: readonly Use[],
  c: Pick<Candidate, 'on' | 'actives'> & { cause: string; lastsDays: number },
): { use: Use; until: PlainDate } | null {
  if (c.lastsDays <= 0) return null
  const held = history
    .filter(
      (use) =>
        (use.cause === c.cause || shares(c.actives, use.actives)) &&
        use.lastsDays > 0 &&
        use.treated &&
        !use.failed &&
        !use.feeds &&
        isSystemicWay(use.method),
    )
    .map((use) => {
      const works = use.on <= c.on ? use.lastsDays : c.lastsDays
      // What went in against something else is only the same active again while both would still be at work.
      return { use, days: dueAfter(use.cause === c.cause ? works : Math.min(use.lastsDays, c.lastsDays)) }
    })
  const near = held.find(({ use, days }) => daysApart(use, c.on) < days)
  return near ? { use: near.use, until: firstFree(c.on, held) } : null
}
