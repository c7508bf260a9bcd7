import { METHOD_NAME } from '../methods/names'
import { partsRoots } from '../methods/barrier/partsRoots'
import type { Use } from '../history/use'
import { daysBetween, spokenDate } from '../time/calendar'
import { closed, asked, type Found, type Question, type Rule } from './question'
import { waysHere } from './ways'

/** Roots of trees of one kind join this far at most. House figure: 50 ft. */
export const ROOTS_JOIN = 15.24

/**
 * So many days after the first the next is done, unless the hand says otherwise: felling is prompt, wood goes the same day, what is watered is
 * dosed the day after, what is fed or opened has four weeks. House figures.
 */
const FOLLOWS: Partial<Record<Use['method'], number>> = {
  barrier: 7,
  fell: 0,
  water: 1,
  collar: 1,
  hands: 1,
  sample: 14,
}
const FOUR_WEEKS = 28
const after = (method: Use['method']) => ({ method, days: FOLLOWS[method] ?? FOUR_WEEKS })

/** What a work waits for by the almanac, and how many days after that it is done; null where it waits for nothing. */
export function waitsFor(
  q: Pick<Question, 'method' | 'product'> & { cause: Pick<Question['cause'], 'ways'> },
): { method: Use['method']; days: number } | null {
  const first = waysHere(q).find((w) => w.time?.after !== undefined)?.time?.after
  return first === undefined ? null : after(first)
}

/** Work of the year before a day still counts as done first. */
const STILL_DONE = 366

/**
 * The works that a way asks for first and that neither were done within the year nor are planned, in their order: they are offered as
 * steps before it and held by nothing else. `comesFirst({ cause, method: 'trunk-injection', … })` is `[{ method: 'water', days: 1 }]` on a birch with borers.
 */
export function comesFirst(
  q: Pick<Question, 'method' | 'product' | 'history' | 'on'> & { cause: Pick<Question['cause'], 'ways'> },
): { method: Use['method']; days: number }[] {
  const leads = waysHere(q).find((w) => w.leads !== undefined)?.leads ?? []
  return leads
    .filter(
      (method) =>
        !q.history.some((u) => u.method === method && u.treated && daysBetween(u.on, q.on) <= STILL_DONE),
    )
    .map(after)
}

/**
 * Works that wait for one another go on in their order: the line between joined roots, then the axe, then the wood. Source: handbook, wilts in root
 * grafts.
 */
export const order: Rule = {
  name: 'order',
  words: 'Works that wait for one another go on in their order.',
  look: (q) =>
    waysHere(q).flatMap(({ time }) => [
      ...(time?.after === undefined ? [] : notYet(q, time.after)),
      ...(time?.before === undefined ? [] : tooLate(q, time.before)),
    ]),
}

/** It counts as done by a day: recorded, or, while it is only planned, standing on that day or before. */
const isDoneBy = (use: Use, { on, begins }: Question) =>
  use.treated && use.state !== 'promised' && use.on <= on && (!begins || use.state === 'done')

function notYet(q: Question, first: Use['method']): Found[] {
  const steps = q.history.filter((use) => use.method === first && use.treated)
  if (steps.some((use) => isDoneBy(use, q))) return []
  // A line is only cut where roots of another may be joined to it.
  if (partsRoots({ method: first }) && q.facts.joined === false) return []
  if (partsRoots({ method: first }) && q.facts.joined === undefined)
    return [
      asked('joined', 'Does a tree of the same kind stand within 50 ft, whose roots may be joined to it?'),
    ]
  const name = METHOD_NAME[first]
  const next = steps.filter((use) => use.state === 'on a day').map((use) => use.on)
  const until = next.length === 0 ? null : next.reduce((x, y) => (x < y ? x : y))
  if (until === null)
    return [
      closed(
        'order',
        q.history.some((use) => use.method === first)
          ? `${name} comes first; what was done of it was not finished, or did not reach its depth.`
          : `${name} comes first, and stands nowhere at this tree.`,
        'Sign it for the same day or an earlier one, as a step before this.',
        { after: first },
      ),
    ]
  return [
    closed(
      'order',
      q.begins && until <= q.on
        ? `${name} comes first, and is not recorded yet.`
        : `${name} comes first; it stands on ${spokenDate(until)}.`,
      q.begins && until <= q.on ? 'Finish and sign it, then begin this.' : `Again from ${spokenDate(until)}.`,
      { field: 'onDate', until: until > q.on ? until : null },
    ),
  ]
}

/** The other direction: what waits for this stands before it. */
function tooLate(q: Question, then: Use['method']): Found[] {
  const early = q.history.find((use) => use.method === then && use.state === 'on a day' && use.on < q.on)
  return early
    ? [
        closed(
          'order',
          `${METHOD_NAME[then]} stands on ${spokenDate(early.on)} (${early.from}), and this comes before it.`,
          'Choose that day or an earlier one, or move the other first.',
          { field: 'onDate' },
        ),
      ]
    : []
}
