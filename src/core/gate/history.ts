import { capital } from '../capital'
import {
  apartProblem,
  atWork,
  countProblem,
  helpersProblem,
  intervalProblem,
  rotationProblem,
  woundProblem,
  type Candidate,
} from '../history/pairs'
import { isSpray, isSystemicWay } from '../methods/systemic'
import { spokenDate } from '../time/calendar'
import { closed, type Found, type Question, type Rule } from './question'

const candidate = (q: Question): Candidate & { kind: string | null } => ({
  on: q.on,
  code: q.product?.code ?? null,
  actives: q.product?.actives ?? [],
  keeps: q.keeps,
  kind: q.product?.kind ?? null,
})

const nextFrom = (day: string) => `Next from ${spokenDate(day)}.`

/** For how many days a use works on the cause, where it moves through the tree; 0 for what works only while it is put on. */
export function lastsDays({
  method,
  product,
  again,
}: Pick<Question, 'method' | 'product' | 'again'>): number {
  return isSystemicWay(method) && product && !product.feeds ? (again ?? 0) : 0
}

/** How often a year. Source: label. */
export const count: Rule = {
  name: 'count',
  words: 'A product goes on as often a year as its card says, and no more.',
  look: (q) => {
    const most = q.card?.timesPerYear
    const inYear = countProblem(q.history, candidate(q), most)
    if (!inYear) return []
    const next = `${Number(q.on.slice(0, 4)) + 1}-01-01`
    return [
      closed(
        'count',
        `${capital(q.product!.name)} goes on at most ${most === 1 ? 'once' : `${most} times`} a year: ${inYear.map((e) => `${e.from}, ${spokenDate(e.on)}`).join('; ')}.`,
        nextFrom(next),
        { until: next },
      ),
    ]
  },
}

/** Days between uses of a product or an active, and what is at work. Source: label; handbook, one history. */
export const interval: Rule = {
  name: 'interval',
  words: 'Uses of a product or an active keep their days; what is at work is let work.',
  look: (q) => {
    const found: Found[] = []
    const near = intervalProblem(q.history, candidate(q))
    if (near)
      found.push(
        closed(
          'interval',
          `${near.days} days lie between two of ${q.product!.name}; ${near.use.state === 'done' ? 'the last was' : 'another is to go on'} ${spokenDate(near.use.on)} (${near.use.from}).`,
          nextFrom(near.until),
          { until: near.until },
        ),
      )
    const working = atWork(q.history, { ...candidate(q), cause: q.cause.id, lastsDays: lastsDays(q) })
    if (working && working.use !== near?.use) {
      const { use, until } = working
      const same = use.cause === q.cause.id ? ' against the same cause' : ' with the same active'
      found.push(
        closed(
          'interval',
          use.state === 'done'
            ? `${capital(use.name)} is at work in this tree${same} since ${spokenDate(use.on)} (${use.from}).`
            : `${capital(use.name)} is to go on${same} on ${spokenDate(use.on)} (${use.from}), and one of them would still be at work.`,
          `Again from ${spokenDate(until)}, or when a check finds that it does not work.`,
          { until },
        ),
      )
    }
    return [...found, ...wounded(q)]
  },
}

function wounded(q: Question): Found[] {
  const near = woundProblem(q.history, q)
  return near
    ? [
        closed(
          'interval',
          `${near.days} days lie between opening a trunk and work at its roots: ${near.use.name}, ${spokenDate(near.use.on)} (${near.use.from}).`,
          nextFrom(near.until),
          { until: near.until },
        ),
      ]
    : []
}

/** Two actives that harm a tree together, and sprays beside helpers. Source: label; handbook, one history and biological. */
export const apart: Rule = {
  name: 'apart',
  words: 'Actives that harm together keep their days apart, as do sprays and helpers that are set free.',
  look: (q) => [...twoActives(q), ...helpers(q)],
}

function twoActives(q: Question): Found[] {
  const near = apartProblem(q.history, candidate(q))
  return near
    ? [
        closed(
          'apart',
          `${near.days} days lie between it and ${near.other}, which ${near.use.state === 'done' ? 'went' : 'is to go'} on ${spokenDate(near.use.on)} (${near.use.from}).`,
          nextFrom(near.until),
          { until: near.until },
        ),
      ]
    : []
}

function helpers(q: Question): Found[] {
  const near = helpersProblem(q.history, { on: q.on, keeps: q.keeps, sprayed: isSpray(q.method) })
  if (!near) return []
  const { use, days, until } = near
  return [
    closed(
      'apart',
      use.sprayed
        ? `${use.name} ${use.state === 'done' ? 'was' : 'is to be'} sprayed on ${spokenDate(use.on)} (${use.from}); what is released dies of it for ${days} days.`
        : `${use.name}: helpers ${use.state === 'done' ? 'were' : 'are to be'} set free on ${spokenDate(use.on)} (${use.from}); they die of a spray for ${days} days.`,
      nextFrom(until),
      { until },
    ),
  ]
}

/** Groups that a pest grows used to take turns. Source: handbook, one history. */
export const rotation: Rule = {
  name: 'rotation',
  words: 'Not more than two in a row of one group that a pest grows used to.',
  look: (q) => {
    const long = rotationProblem(q.history, candidate(q))
    return long
      ? [
          closed(
            'rotation',
            `Not more than two in a row of group ${long.group} against the same kind of organism: ${long.row.map((u) => `${u.name}, ${spokenDate(u.on)}`).join('; ')}.`,
            'Choose a card of another group between.',
          ),
        ]
      : []
  },
}
