import { calibrate, type Calibration, type Outcome } from '@/core/diagnose/calibration'
import { explain, explanationsOf, healthyChance, type Explanation } from '@/core/diagnose/explain'
import { DECISIONS, type DecisionId } from '@/core/diagnose/decision'
import { WALK, type Cause, type FindingState, type Seen } from '@/core/diagnose/almanac'
import { drawTree, examined, type SimulatedTree } from '@/core/diagnose/simulate'
import { askedOf, decisionOf, HEALTHY, made, SOMETHING_ELSE, type Weighed } from '@/core/diagnose/weigh'
import { cause as causeOf } from './causes'
import { HOSTS } from './hosts'
import { COMMON, weighTree } from './weighing'

/** An engine that is rehearsed: causes by their weight, and what it would have done. */
export interface Engine {
  weigh(host: string, month: number, seen: Seen): Ruling
}

export interface Ruling {
  /** Causes with their chance, greatest first. */
  weighed: readonly Pick<Weighed, 'cause' | 'probability'>[]
  works: readonly DecisionId[]
}

/** Decisions that are no work: leaving them out costs nothing. */
export const NO_WORK: readonly DecisionId[] = ['none', 'wait', 'follow']

/** What would be done: every decision whose expected harm left out is greater than that of doing it needlessly. */
function worksOf(sets: readonly Explanation[]): DecisionId[] {
  const needed = new Map<DecisionId, number>()
  for (const set of sets)
    for (const d of new Set(set.causes.flatMap((id) => causeOf(id) ?? []).map(decisionOf)))
      needed.set(d, (needed.get(d) ?? 0) + set.probability)
  return [...needed]
    .filter(([d, p]) => p * DECISIONS[d].missed >= (1 - p) * DECISIONS[d].needless)
    .map(([d]) => d)
    .filter((d) => !NO_WORK.includes(d))
}

/** The engine of the product, without what it asks next. */
export const PRODUCT: Engine = {
  weigh(host, month, seen) {
    const explained = explain({ host, month, seen, ...COMMON })
    const weighed = [
      ...explained.switches.map((s, i) => ({ cause: s.id, probability: explained.chances[i]! })),
      { cause: HEALTHY, probability: healthyChance(explained) },
    ].sort((a, b) => b.probability - a.probability)
    return { weighed, works: worksOf(explanationsOf(explained, 50)) }
  },
}

export interface Rehearsal extends Calibration {
  /** Share of the trees with causes whose main one leads. */
  leads: number
  /** Share of them whose causes are all among the first three. */
  allInThree: number
  /** Share of the healthy trees that are called healthy. */
  healthy: number
  /** Works done needlessly and left out, per hundred trees. */
  needless: number
  missed: number
  perHost: ReadonlyMap<string, { trees: number; leads: number }>
}

interface How {
  looked: number
  wrong: number
  unsure: number
}

function trees(cases: number, random: () => number): SimulatedTree[] {
  return Array.from({ length: cases }, () => {
    const host = HOSTS[Math.floor(random() * HOSTS.length)]!.id
    return drawTree(host, 1 + Math.floor(random() * 12), COMMON, random)
  })
}

const primaryOf = (one: SimulatedTree): Cause[] =>
  one.causes.flatMap((id) => causeOf(id) ?? []).filter((c) => !c.livesOn)

/**
 * Weighs made-up trees of every host and month with none, one, two or three causes, examined with mistakes and gaps, by
 * each engine on the same trees: how often the main cause leads, all that are there are among the first three, healthy
 * trees are called so, how well chances are kept, and what would have been done needlessly or left out.
 * "Main" is any primary cause that is there: which of two is worse, the frequencies do not say.
 */
export function rehearse(
  cases: number,
  how: How,
  random: () => number,
  engines: Readonly<Record<string, Engine>>,
): Record<string, Rehearsal> {
  const drawn = trees(cases, random).map((one) => ({
    one,
    seen: examined(one, COMMON.findings, random, how),
  }))
  return Object.fromEntries(
    Object.entries(engines).map(([name, engine]) => [
      name,
      summed(drawn.map(({ one, seen }) => ({ one, ruling: engine.weigh(one.host, one.month, seen) }))),
    ]),
  )
}

function summed(ruled: readonly { one: SimulatedTree; ruling: Ruling }[]): Rehearsal {
  const outcomes: Outcome[] = []
  const perHost = new Map<string, { trees: number; leads: number }>()
  let [sick, leads, allInThree, well, healthy, needless, missed] = [0, 0, 0, 0, 0, 0, 0]
  for (const { one, ruling } of ruled) {
    const there = primaryOf(one)
    const order = ruling.weighed.map((w) => w.cause)
    const first = order.find((id) => !causeOf(id)?.livesOn)
    const lead = ruling.weighed.find((w) => w.cause === first)!
    if (there.length === 0) {
      well++
      if (first === HEALTHY) healthy++
      outcomes.push({ probability: lead.probability, rank: first === HEALTHY ? 1 : 2 })
    } else {
      sick++
      const right = there.some((c) => c.id === first)
      if (right) leads++
      const named = order.filter((id) => id !== HEALTHY && id !== SOMETHING_ELSE && !causeOf(id)?.livesOn)
      if (there.every((c) => named.slice(0, 3).includes(c.id))) allInThree++
      outcomes.push({ probability: lead.probability, rank: right ? 1 : 2 })
      const host = perHost.get(one.host) ?? { trees: 0, leads: 0 }
      perHost.set(one.host, { trees: host.trees + 1, leads: host.leads + Number(right) })
    }
    const called = new Set(there.map(decisionOf).filter((d) => !NO_WORK.includes(d)))
    needless += ruling.works.filter((d) => !called.has(d)).length
    missed += [...called].filter((d) => !ruling.works.includes(d)).length
  }
  const hundred = ruled.length / 100
  return {
    ...calibrate(outcomes),
    leads: leads / (sick || 1),
    allInThree: allInThree / (sick || 1),
    healthy: healthy / (well || 1),
    needless: needless / hundred,
    missed: missed / hundred,
    perHost,
  }
}

/**
 * Looks until the engine stops asking, from one sign that is there: asking what it asks, in random order, and in the order
 * of the walk. Means over trees with a cause, and how often the leader was right in the end.
 */
export function looksNeeded(cases: number, random: () => number) {
  let [asked, shuffled, walked, right, n] = [0, 0, 0, 0, 0]
  for (const one of trees(cases, random)) {
    const ids = askedOf({ host: one.host, month: one.month, ...COMMON })
      .filter((f) => one.truth.has(f.id))
      .sort((a, b) => WALK.indexOf(a.place) - WALK.indexOf(b.place))
      .map((f) => f.id)
    // A client calls about what ails the tree, not about what any tree shows.
    const signs = ids.filter(
      (id) => one.truth.get(id) && primaryOf(one).some((c) => made(c, COMMON.findings.get(id)!, one.host)),
    )
    const first = signs[Math.floor(random() * signs.length)]
    if (!first || primaryOf(one).length === 0) continue
    n++
    const answer = (id: string): FindingState => (one.truth.get(id) ? 'there' : 'not-there')
    const atTree = (seen: Seen) =>
      weighTree(one.host, one.month, seen).looks.filter((l) => one.truth.has(l.finding))
    let seen: Seen = { [first]: 'there' }
    for (let next = atTree(seen)[0]; next; next = atTree(seen)[0]) {
      seen = { ...seen, [next.finding]: answer(next.finding) }
      asked++
    }
    const lead = weighTree(one.host, one.month, seen).weighed.find((w) => !causeOf(w.cause)?.livesOn)
    if (primaryOf(one).some((c) => c.id === lead?.cause)) right++
    const order = ids.filter((id) => id !== first)
    const mixed = order.map((id) => [random(), id] as const).sort((a, b) => a[0] - b[0])
    shuffled += until(
      mixed.map(([, id]) => id),
      first,
      answer,
      atTree,
    )
    walked += until(order, first, answer, atTree)
  }
  return { asked: asked / n, shuffled: shuffled / n, walked: walked / n, right: right / n, trees: n }
}

function until(
  order: readonly string[],
  first: string,
  answer: (id: string) => FindingState,
  left: (seen: Seen) => unknown[],
): number {
  let seen: Seen = { [first]: 'there' }
  let n = 0
  for (const id of order) {
    if (left(seen).length === 0) break
    seen = { ...seen, [id]: answer(id) }
    n++
  }
  return n
}
