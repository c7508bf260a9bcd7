import { byKind } from '../kind/kind'
import type { Cause, Finding, Foliage, Seen } from './almanac'
import { stateOf } from './almanac'
import {
  chanceIn,
  explain,
  explanationsOf,
  healthyChance,
  signOf,
  type Explained,
  type Explanation,
} from './explain'
import { judge, type Judgement } from './judge'
import type { Reporting } from './reporting'
import { feedersToFind, nextLooks, type NextLook } from './looks'
import { HEALTHY, made, written, type Evidence, type Weighed, type WeighInput } from './weigh'

/** What is weighed with: causes, findings, how many times its common odds a cause of the district begins with, and what kinds carry. */
export interface Knowledge {
  causes: readonly Cause[]
  findings: ReadonlyMap<string, Finding>
  district: Readonly<Record<string, number>>
  foliage: Readonly<Record<string, Foliage>>
}

export interface Weighing {
  /** Every cause the kind can have with its chance of being at work, something else and healthy among them, greatest first. */
  weighed: Weighed[]
  /** What is at work together, likeliest first. */
  explanations: Explanation[]
  /** What could change the work most, first; none when asking should stop. */
  looks: NextLook[]
  judgement: Judgement
}

/** Where no jurisdiction is known, what a cause itself says of being reported. */
const asTheyStand = (causes: readonly Cause[]): Reporting => ({
  rule: (id) =>
    causes.find((c) => c.id === id)?.reportable
      ? 'Rules differ; the authority says what is asked here.'
      : null,
  isNew: () => false,
})

/**
 * Weighs what was seen on a tree of a kind in a month, with the next looks and what follows. Only causes of that kind
 * count, so that nothing changes when no others are given.
 * @example weighing('ash', 6, { 'exit-hole-d': 'there' }, almanac).weighed[0].cause // 'emerald-ash-borer'
 */
export function weighing(
  host: string,
  month: number,
  seen: Seen,
  knowledge: Knowledge,
  reporting: Reporting = asTheyStand(knowledge.causes),
): Weighing {
  const explained = explain({ host, month, seen, ...knowledge })
  const toFind = feedersToFind(explained)
  const looks = withFeeders(nextLooks(explained, reporting), toFind, explained)
  return {
    weighed: weighedOf(explained),
    explanations: explanationsOf(explained),
    looks,
    judgement: judge(explained, looks, toFind, reporting),
  }
}

/** A film is never the whole story: while what drips is not found, looks for it are asked, whatever else is worth asking. */
function withFeeders(looks: NextLook[], toFind: readonly Finding[], explained: Explained): NextLook[] {
  const proofs = looks.filter((l) => l.proof)
  const asked = new Set(looks.map((l) => l.finding))
  const extra = [...new Set(toFind)]
    .filter((f) => !asked.has(f.id))
    .map((f): NextLook => {
      const sign = signOf(f, explained)
      const yes = explained.sets.reduce((s, x) => s + x.weight * written(f, chanceIn(sign, x.on)), 0)
      return {
        finding: f.id,
        worth: 0.03 + 0.1 * yes,
        minutes: f.minutes,
        chanceThere: yes,
        ifThere: ['sap-feeder-care'],
        ifNot: ['follow'],
        proof: false,
      }
    })
  const rest = [...looks.filter((l) => !l.proof), ...extra].sort((a, b) => b.worth - a.worth)
  return [...proofs, ...rest].slice(0, 5)
}

/** Below this many bits a finding is not told as evidence. */
const TELLING = 0.15
/** Evidence is reckoned over the likeliest sets alone. */
const MOST_SETS = 500

/** Every cause with its chance and with what speaks for and against it: bits against the causes it is not in. */
export function weighedOf(explained: Explained): Weighed[] {
  const { input, switches, chances, looks } = explained
  const sets = explained.sets.slice(0, MOST_SETS)
  // By look: the chance of what was written under each set, so that a look can be taken out again.
  const likely = looks.map((l) => {
    const sign = signOf(l.finding, explained)
    const there = sets.map((s) => written(l.finding, chanceIn(sign, s.on)))
    return l.state === 'not-there' ? there.map((p) => 1 - p) : there
  })
  const withIt = likely.map(() => new Float64Array(switches.length))
  const weights = likely.map(() => new Float64Array(switches.length))
  const total = likely.map(() => [0, 0] as [number, number])
  for (const [o, chancesOfLook] of likely.entries())
    for (const [k, s] of sets.entries()) {
      const without = s.weight / Math.max(chancesOfLook[k]!, 1e-9)
      total[o]![0] += s.weight
      total[o]![1] += without
      for (const i of s.on) {
        withIt[o]![i]! += s.weight
        weights[o]![i]! += without
      }
    }
  const evidence = (i: number): Evidence[] =>
    looks.map((l, o) => {
      const inside = withIt[o]![i]! / (weights[o]![i]! || 1)
      const outside = (total[o]![0] - withIt[o]![i]!) / (total[o]![1] - weights[o]![i]! || 1)
      const bits = inside > 0 && outside > 0 ? Math.log2(inside / outside) : 0
      return { finding: l.finding.id, state: l.state, bits }
    })
  // What a cause is silent about may be likelier beside it than beside its rivals; that speaks against them, not for it.
  const speaks = (cause: Cause | null, e: Evidence) =>
    cause === null || made(cause, input.findings.get(e.finding)!, input.host) !== 0
  const strongest = (a: Evidence, b: Evidence) => b.bits - a.bits
  const rows = switches.map((s, i): Weighed => {
    const all = evidence(i)
    return {
      cause: s.id,
      probability: chances[i]!,
      for: all.filter((e) => e.bits > TELLING && speaks(s.cause, e)).sort(strongest),
      against: all
        .filter((e) => e.bits < -TELLING)
        .map((e) => ({ ...e, bits: -e.bits }))
        .sort(strongest),
      notLooked: s.cause ? expectedUnseen(s.cause, input) : [],
      outOfSeason: s.outOfSeason,
    }
  })
  const healthy: Weighed = {
    cause: HEALTHY,
    probability: healthyChance(explained),
    for: [],
    against: looks
      .filter((l) => l.state === 'there' && l.finding.background <= 0.1)
      .map((l) => ({ finding: l.finding.id, state: l.state, bits: -Math.log2(l.finding.background) })),
    notLooked: [],
    outOfSeason: false,
  }
  return [...rows, healthy].sort((a, b) => b.probability - a.probability || (a.cause < b.cause ? -1 : 1))
}

function expectedUnseen(cause: Cause, input: WeighInput): string[] {
  return Object.entries({ ...cause.findings, ...byKind(cause.on, input.host) })
    .filter(
      ([id, often]) => (often === 'always' || often === 'usual') && stateOf(input.seen, id) === 'not-looked',
    )
    .map(([id]) => id)
}
