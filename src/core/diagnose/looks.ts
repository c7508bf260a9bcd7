import type { Cause, Finding, Place } from './almanac'
import { stateOf } from './almanac'
import { DECISIONS, type DecisionId } from './decision'
import { chanceIn, isRaised, signOf, type Explained } from './explain'
import { needsProof, type Reporting } from './reporting'
import { canBeSeen, decisionOf, made, PROVE_FROM, written } from './weigh'

/** Below this a look is not worth asking for. */
const WORTH_ASKING = 0.03
/** A cause is neither likely nor unlikely enough while it stands between this and what is left of one. */
const UNDECIDED = 0.8
/** A minute of work costs this much of it. */
const A_MINUTE = 0.02
/** What a bit over the decisions is worth. */
const A_BIT = 0.25
/** Sets that hold this share of the chance are reckoned with, and no more than so many. */
const ENOUGH = 0.97
const MOST_SETS = 250

/** A look or a test that could change what will be done. */
export interface NextLook {
  finding: string
  /** Harm it is expected to save, with what it tells, less its minutes. */
  worth: number
  minutes: number
  /** Chance that the answer is yes. */
  chanceThere: number
  /** What would be done after each answer. */
  ifThere: DecisionId[]
  ifNot: DecisionId[]
  /** True for a test that comes before the work. */
  proof: boolean
}

interface Groups {
  decisions: readonly DecisionId[]
  /** By set: the places of the decisions it calls for, and the same as one key. */
  calls: readonly { weight: number; on: readonly number[]; decisions: readonly number[]; key: number }[]
}

/** Causes raised above where they began; where nothing was looked at yet all are in play, and the walk asks. */
export function inPlay(explained: Explained): Cause[] {
  const walkOn = explained.looks.length === 0
  return explained.switches.flatMap((s, i) =>
    s.cause && (walkOn || isRaised(explained, i)) ? [s.cause] : [],
  )
}

function grouped(explained: Explained, play: readonly Cause[]): Groups {
  const ids = new Set(play.map((c) => c.id))
  const decisions = [...new Set(play.map(decisionOf))]
  const of = explained.switches.map((s) =>
    s.cause && ids.has(s.id) ? decisions.indexOf(decisionOf(s.cause)) : -1,
  )
  const calls: Groups['calls'][number][] = []
  let held = 0
  for (const s of explained.sets) {
    if (held >= ENOUGH || calls.length === MOST_SETS) break
    const wanted = [...new Set(s.on.map((i) => of[i]!).filter((d) => d >= 0))]
    calls.push({ on: s.on, weight: s.weight, decisions: wanted, key: wanted.reduce((k, d) => k + 2 ** d, 0) })
    held += s.weight
  }
  return { decisions, calls }
}

/** Chances of the decisions and of their combinations, under one answer. */
class Mix {
  sum = 0
  readonly needed: Float64Array
  private readonly together = new Map<number, number>()
  constructor(private readonly decisions: readonly DecisionId[]) {
    this.needed = new Float64Array(decisions.length)
  }
  add(call: Groups['calls'][number], weight: number): void {
    this.sum += weight
    for (const d of call.decisions) this.needed[d]! += weight
    this.together.set(call.key, (this.together.get(call.key) ?? 0) + weight)
  }
  /** Least harm that can be expected when each decision is taken or left by its chance, 0 and up. */
  harm(): number {
    return this.decisions.reduce((harm, d, i) => {
      const p = this.needed[i]! / this.sum
      return harm + Math.min(p * DECISIONS[d].missed, (1 - p) * DECISIONS[d].needless)
    }, 0)
  }
  bits(): number {
    let h = 0
    for (const w of this.together.values()) if (w > 0) h -= (w / this.sum) * Math.log2(w / this.sum)
    return h
  }
  /** The decisions that would be taken, the surest first. */
  taken(): DecisionId[] {
    return this.decisions
      .map((d, i) => ({ d, p: this.needed[i]! / this.sum }))
      .filter(({ d, p }) => p >= 0.3 && p * DECISIONS[d].missed >= (1 - p) * DECISIONS[d].needless)
      .sort((a, b) => b.p - a.p)
      .map((x) => x.d)
  }
}

/**
 * The looks and tests that could change what will be done, the worthiest first: the harm of needless and of missed work
 * they save, a quarter of the bits over the decisions, less two hundredths a minute. Nothing below three hundredths is
 * asked for. A cause that needs proof and stands at three in ten has its test first until it is answered.
 *
 * @example nextLooks(explain({ host: 'oak-red-group', month: 7, seen: { 'leaf-bronze-green-drop': 'there' }, … }))[0].finding
 * // 'lab-oak-wilt'
 */
export function nextLooks(explained: Explained, reporting: Reporting, most = 5): NextLook[] {
  const { input, foliage } = explained
  const play = inPlay(explained)
  const groups = grouped(explained, play)
  const now = new Mix(groups.decisions)
  for (const c of groups.calls) now.add(c, c.weight)
  const harm = now.harm()
  const bits = now.bits()
  const look = (finding: Finding, proof: boolean): NextLook => {
    const sign = signOf(finding, explained)
    const there = new Mix(groups.decisions)
    const not = new Mix(groups.decisions)
    for (const c of groups.calls) {
      const p = written(finding, chanceIn(sign, c.on))
      there.add(c, c.weight * p)
      not.add(c, c.weight * (1 - p))
    }
    const yes = there.sum / now.sum
    const saved = harm - yes * there.harm() - (1 - yes) * not.harm()
    const told = bits - yes * there.bits() - (1 - yes) * not.bits()
    return {
      finding: finding.id,
      worth: saved + A_BIT * told - A_MINUTE * finding.minutes,
      minutes: finding.minutes,
      chanceThere: yes,
      ifThere: there.taken(),
      ifNot: not.taken(),
      proof,
    }
  }
  const open = (finding: Finding) =>
    !finding.retired &&
    stateOf(input.seen, finding.id) === 'not-looked' &&
    canBeSeen(finding, input.host, input.month, foliage)
  const first = proofsFirst(explained, reporting, open).map((f) => look(f, true))
  const asked = new Set(first.map((l) => l.finding))
  const candidates = [...input.findings.values()].filter(
    (f) =>
      f.how !== 'refer' && !asked.has(f.id) && open(f) && play.some((c) => (made(c, f, input.host) ?? 1) > 0),
  )
  const chanceOf = new Map(explained.switches.map((s, i) => [s.id, explained.chances[i]!]))
  // What a firm does about a cause of its own stands in its words, not in a decision; its own test parts it from the others.
  const parts = (f: Finding) =>
    f.own && f.settles?.some((id) => Math.abs((chanceOf.get(id) ?? 0) - 0.5) <= UNDECIDED - 0.5)
  const rest = candidates
    .map((f) => {
      const l = look(f, false)
      return parts(f) ? { ...l, worth: Math.max(l.worth, WORTH_ASKING) } : l
    })
    .filter((l) => l.worth >= WORTH_ASKING)
    .sort((a, b) => b.worth - a.worth || (a.finding < b.finding ? -1 : 1))
  return [...first.map((l) => ({ ...l, worth: Math.max(l.worth, WORTH_ASKING) })), ...rest].slice(0, most)
}

/**
 * Tests that come before the work: an assessor's where a sign of danger is there, then of the likeliest cause first the one
 * that proves it, until one that settles it is answered.
 */
function proofsFirst(explained: Explained, reporting: Reporting, open: (f: Finding) => boolean): Finding[] {
  const { input } = explained
  const all = [...input.findings.values()]
  const answered = (f: Finding) => ['there', 'not-there'].includes(stateOf(input.seen, f.id))
  const unproved = explained.switches
    .map((s, i) => ({ cause: s.cause, now: explained.chances[i]! }))
    .filter(({ now }) => now >= PROVE_FROM)
    .sort((a, b) => b.now - a.now)
  const tests = unproved.flatMap(({ cause }) => {
    const early = cause?.proof === 'before a product'
    if (!cause || !(early || needsProof(cause, reporting))) return []
    const settling = all.filter((f) => f.settles?.includes(cause.id))
    if (settling.some(answered)) return []
    // Before a product the quickest will do; a wilt is proved by the laboratory.
    if (early) return settling.filter(open).sort((a, b) => (a.days ?? 0) - (b.days ?? 0))[0] ?? []
    return settling.find((f) => f.how === 'sample' && open(f)) ?? settling.find(open) ?? []
  })
  return [
    ...new Set([
      ...assessors(
        explained,
        all.filter(open),
        all.some((f) => f.how === 'refer' && answered(f)),
      ),
      ...tests,
    ]),
  ]
}

/** The assessor's test for the signs of danger that are there: the one that settles most of what makes them. */
function assessors(explained: Explained, open: readonly Finding[], answered: boolean): Finding[] {
  const { input, switches, chances } = explained
  const danger = [...input.findings.values()].filter((f) => f.unsafe && input.seen[f.id] === 'there')
  if (danger.length === 0 || answered) return []
  const settled = (f: Finding) =>
    switches.reduce((sum, s, i) => {
      const makes = s.cause && danger.some((d) => (made(s.cause!, d, input.host) ?? 0) > 0)
      return makes && f.settles?.includes(s.id) ? sum + chances[i]! : sum
    }, 0)
  const best = open.filter((f) => f.how === 'refer').sort((a, b) => settled(b) - settled(a))[0]
  return best ? [best] : []
}

/** So many looks stand at the top of a place. */
const FIRST = 3

/**
 * By place of the walk, the looks that would matter most now, the worthiest first; tests are left to Weigh.
 * @example lookFirst(explain({ host: 'ash', month: 6, seen: {}, … })).get('trunk') // ['exit-hole-d', 'woodpecker-blond']
 */
export function lookFirst(explained: Explained): Map<Place, string[]> {
  const byPlace = new Map<Place, string[]>()
  for (const look of nextLooks(explained, { rule: () => null, isNew: () => false }, 200)) {
    const { place } = explained.input.findings.get(look.finding)!
    const here = byPlace.get(place) ?? []
    if (place !== 'lab' && here.length < FIRST) byPlace.set(place, [...here, look.finding])
  }
  return byPlace
}

/**
 * Looks for what drips, where a consequence stands and nothing it lives on does: its film is never the whole story.
 */
export function feedersToFind(explained: Explained): Finding[] {
  const { input, foliage, switches, chances } = explained
  const at = new Map(switches.map((s, i) => [s.id, i]))
  return switches.flatMap((s, i) => {
    if (!s.cause?.livesOn || chances[i]! < 0.5) return []
    const feeders = s.cause.livesOn.flatMap((id) => {
      const k = at.get(id)
      return k === undefined ? [] : [{ cause: switches[k]!.cause!, chance: chances[k]! }]
    })
    if (feeders.some((f) => f.chance >= 0.6)) return []
    return feeders
      .sort((a, b) => b.chance - a.chance)
      .flatMap((f) => (f.cause.defining ?? []).flatMap((id) => input.findings.get(id) ?? []))
      .filter(
        (f) => stateOf(input.seen, f.id) === 'not-looked' && canBeSeen(f, input.host, input.month, foliage),
      )
  })
}
