import type { Cause, Frequency, Seen } from './almanac'
import type { Knowledge } from './weighing'
import type { Weighed } from './weigh'

/** What a cause was weighed by: how common it was taken to be, and how often it shows what was looked at. */
export interface CauseBasis {
  common: number
  often: Readonly<Record<string, Frequency>>
}

/** What a signature rests on, of every cause that counted. */
export type Basis = Readonly<Record<string, CauseBasis>>

/** Below this a cause did not count in what was signed. */
const COUNTED = 0.01

const basisOfCause = (cause: Cause, seen: Seen, district: Knowledge['district']): CauseBasis => ({
  common: cause.prior * (district[cause.id] ?? 1),
  often: Object.fromEntries(
    Object.keys(seen).flatMap((f) => (cause.findings[f] === undefined ? [] : [[f, cause.findings[f]]])),
  ),
})

/** What is kept of the almanac with a signature: of each cause that counted, what bore on what was looked at. */
export function basisOf(weighed: readonly Weighed[], seen: Seen, { causes, district }: Knowledge): Basis {
  const counted = new Set(weighed.filter((w) => w.probability >= COUNTED).map((w) => w.cause))
  return Object.fromEntries(
    causes.filter((c) => counted.has(c.id)).map((c) => [c.id, basisOfCause(c, seen, district)]),
  )
}

/** One thing that is otherwise in the almanac than it was when a cause was signed. */
export type Change =
  | { cause: string; about: 'gone' | 'new' }
  | { cause: string; about: 'common'; was: number; now: number }
  | { cause: string; about: 'often'; finding: string; was: Frequency | null; now: Frequency | null }

/**
 * What has changed in the almanac since a cause was signed, of what the signature rests on: causes that are no longer known, how
 * common they are taken to be, how often they show what was looked at; and causes of the kind that were not known then (`known`:
 * the ids that were weighed) and count now. Source: what a person saw is what is kept.
 *
 * @example changedSince(basis, seen, almanac, weighed, known) // [{ cause: 'aphids', about: 'often', finding: 'leaf-sticky', was: 'usual', now: 'always' }]
 */
export function changedSince(
  basis: Basis,
  seen: Seen,
  { causes, district }: Pick<Knowledge, 'causes' | 'district'>,
  weighed: readonly Pick<Weighed, 'cause' | 'probability'>[],
  known: readonly string[],
): Change[] {
  const changes: Change[] = []
  for (const [id, was] of Object.entries(basis)) {
    const cause = causes.find((c) => c.id === id)
    if (!cause) {
      changes.push({ cause: id, about: 'gone' })
      continue
    }
    const now = basisOfCause(cause, seen, district)
    if (now.common !== was.common)
      changes.push({ cause: id, about: 'common', was: was.common, now: now.common })
    for (const finding of new Set([...Object.keys(was.often), ...Object.keys(now.often)])) {
      const [before, after] = [was.often[finding] ?? null, now.often[finding] ?? null]
      if (before !== after) changes.push({ cause: id, about: 'often', finding, was: before, now: after })
    }
  }
  for (const w of weighed)
    if (w.probability >= COUNTED && !known.includes(w.cause) && causes.some((c) => c.id === w.cause))
      changes.push({ cause: w.cause, about: 'new' })
  return changes
}
