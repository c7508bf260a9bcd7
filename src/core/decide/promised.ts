import { ok, refuse, type Result } from '../problem'
import type { Expectation, Told } from '../respond/compare'
import { daysBetween, spokenDate } from '../time/calendar'
import type { Action } from './propose'

/** A decision that opens no bench: what comes of it is a date on which somebody looks or answers. */
export type PlainAction = Exclude<Action, 'treat'>

interface Follows {
  /** House figure: after so many days, if nothing else is known. */
  days: number
  /** What the day is called where it is asked. */
  day: string
  /** What stands in the calendar. */
  what: string
  kind: Told['kind']
  question: string
  /** What holds until then. */
  meanwhile: string
}

/** What follows each decision. The days are house figures. */
export const FOLLOWS: Record<PlainAction, Follows> = {
  care: {
    days: 28,
    day: 'Look whether it is done and helps, on',
    what: 'Whether the care is done and helps',
    kind: 'care',
    question: 'Is the care done, and does it help?',
    meanwhile: 'water, roots, soil and hand work go on.',
  },
  watch: {
    days: 14,
    day: 'Look again on',
    what: 'Look again',
    kind: 'look',
    question: 'How does it stand, beside what was signed?',
    meanwhile: 'nothing is put on.',
  },
  sample: {
    days: 10,
    day: 'The laboratory’s answer is due on',
    what: 'The laboratory’s answer',
    kind: 'laboratory',
    question: 'What does the laboratory say?',
    meanwhile: 'nothing is bought and nothing is put on.',
  },
  refer: {
    days: 7,
    day: 'The assessor’s answer is due on',
    what: 'The risk assessor’s answer',
    kind: 'assessor',
    question: 'What does the risk assessor say?',
    meanwhile: 'people and targets are kept away; no drilling and no climbing.',
  },
  remove: {
    days: 30,
    day: 'It is to be down by',
    what: 'The removal',
    kind: 'removal',
    question: 'Is the tree down?',
    meanwhile: 'people are kept from under it, and where the wood goes is settled before it is cut.',
  },
  healthy: {
    days: 365,
    day: 'Look again on',
    what: 'Look again at a healthy tree',
    kind: 'look',
    question: 'How does it stand, beside what was signed?',
    meanwhile: 'nothing is needed.',
  },
}

/** What carries a wilt to its neighbours is felled promptly: within two to three weeks in the growing season. Source: handbook, wilts in root grafts. */
const WILT_DOWN_DAYS = 14

/**
 * After how many days what a decision waits for is looked at, if nothing else is known. `carries`: the cause goes on to neighbours while the tree stands.
 * @example daysUntil('remove', { carries: true }) // 14
 */
export function daysUntil(action: PlainAction, { carries }: { carries: boolean }): number {
  return action === 'remove' && carries ? WILT_DOWN_DAYS : FOLLOWS[action].days
}

/** As far ahead as a look may be promised, days. */
const FARTHEST = 3 * 366

/** What somebody watches a tree by: a count, and how many are too many. */
export interface WatchBy {
  count: string
  threshold: number
  /** What happens above it; null where it is decided anew. */
  above?: string | null
}

/** How something is counted, to begin with: on a sample that is the same each time. */
export const WATCH_SAMPLES: readonly { name: string; count: string }[] = [
  { name: 'ten leaves', count: 'live ones on ten leaves from different parts of the crown' },
  { name: 'a band of tape', count: 'crawlers on the tape, one turn round a twig' },
  { name: 'a trap', count: 'caught in the trap since the last look' },
  { name: 'a hundred fruit', count: 'fruit of a hundred that show it' },
  { name: 'a tray', count: 'fallen on a white tray at three beats' },
  { name: 'leaf area', count: 'per cent of the leaf area that is marked, on twenty leaves' },
]

/** Whose answer a referral waits for. */
export const REFER_TO = [
  'risk assessor',
  'authority',
  'utility',
  'wildlife control',
  'other specialist',
] as const
export type ReferTo = (typeof REFER_TO)[number]

/** What keeps people and the tree safe until each has answered. */
export const UNTIL_ANSWER: Record<ReferTo, string> = {
  'risk assessor': 'people and targets are kept away; no drilling and no climbing.',
  authority: 'nothing is cut or moved; wood, leaves and soil stay where they are.',
  utility: 'nobody works within reach of the line, with a tool or without.',
  'wildlife control': 'nests, dens and hives are left alone; people keep off.',
  'other specialist': 'nothing is put on and nothing is cut.',
}

/** What a decision promises and for when. */
export interface Promised {
  dueOn: string
  what: string
  expectation: Expectation
}

/**
 * What is promised by a decision that is not to treat: a dated look, or an answer that is waited for; of a watch with a
 * threshold, a count. Problems at `due`: none named, in the past, further than three years.
 *
 * @example promisedBy('watch', { today: '2026-06-12', due: '2026-06-26' }).value.expectation.kind // 'look'
 */
export function promisedBy(
  action: PlainAction,
  q: {
    today: string
    due: string | null
    whom?: string | null
    watch?: WatchBy | null
    referTo?: ReferTo
  },
): Result<Promised> {
  const { days, day, what, kind, question } = FOLLOWS[action]
  if (q.due === null)
    return refuse('missing', 'due', `${day}: choose a day, or nobody will be reminded of this tree.`)
  const ahead = daysBetween(q.today, q.due)
  if (ahead < 0) return refuse('out-of-range', 'due', 'The day lies in the past; choose today or later.')
  if (ahead > FARTHEST)
    return refuse(
      'out-of-range',
      'due',
      `The day lies more than three years ahead (${spokenDate(q.due)}); choose a nearer one and look again from there.`,
    )
  const againDays = Math.max(1, ahead || days)
  if (q.watch)
    return ok({
      dueOn: q.due,
      what: `Count: ${q.watch.count}${q.watch.above ? `. Above ${q.watch.threshold}: ${q.watch.above}` : ''}`,
      expectation: {
        kind: 'count',
        question: `How many: ${q.watch.count}?`,
        unit: 'counted',
        sense: 'at-most',
        expected: q.watch.threshold,
        tolerated: q.watch.threshold,
        least: 0,
        most: 100_000,
        watch: { againDays },
      },
    })
  if (action === 'refer' && q.referTo && q.referTo !== 'risk assessor')
    return ok({
      dueOn: q.due,
      what: `The answer of the ${q.referTo}${q.whom ? ` (${q.whom})` : ''}`,
      expectation: { kind: 'referred', question: `What does the ${q.referTo} say?`, againDays },
    })
  return ok({
    dueOn: q.due,
    what: q.whom ? `${what} (${q.whom})` : what,
    expectation: { kind, question, againDays },
  })
}
