import { CHANCE, type Cause, type Finding, type FindingState, type Foliage } from './almanac'
import {
  canBeSeen,
  causesOf,
  commonOn,
  foliageOf,
  hasIt,
  made,
  madeByElse,
  SOMETHING_ELSE,
  written,
  type WeighInput,
} from './weigh'

/** House guess: causes at work on a tree that is walked, on average. */
const AT_WORK = 0.9
/** Kinds with few causes of their own are not given all of it: relative commonness sums to at least this. */
const LEAST_COMMONNESS = 20
/** Out of its months a cause keeps this share of its odds. */
const OUT_OF_SEASON = 0.2
/** A stress raises the odds of what it opens the door for. */
export const OPENED = 2.5
/** A consequence is this likely with what it lives on, and without. */
export const WITH_FEEDER = 0.6
const WITHOUT_FEEDER = 0.004
/** `unsure` counts this share of `there`. */
const UNSURE = 0.15
/** Sets lighter than this share of the heaviest are left out; each cause by itself stays, so that what speaks against it can be told. */
const LIGHT = 6e-4
/** A cause that explains nothing makes every set lighter alike; beside it only sets above this share are grown. */
const IDLE = 2.5e-3
/** No cause passes this without one of its defining signs. */
const UNTOLD = 0.6
/** What lives on others is never the whole story: it does not pass this, so that what feeds it can lead. */
const FOLLOWER = 0.9
/** Largest number of primary causes in one explanation. */
const MOST = 3
/** So many causes that explain something are put together in every way; where nonsense makes more, the most promising ones. */
const PUT_TOGETHER = 24

/** A set of causes that would explain the findings together, primary ones first, with its chance. */
export interface Explanation {
  /** Cause ids; none for a healthy tree. */
  causes: string[]
  probability: number
  /** Signs that are there and that nothing in it makes more often than chance does. */
  leaves: string[]
}

/** One switch: a cause of the host, or something the almanac does not hold. */
export interface Switch {
  id: string
  cause: Cause | null
  odds: number
  outOfSeason: boolean
}

/** A set with its chance, by the places of its switches. */
export interface WeightedSet {
  on: readonly number[]
  weight: number
}

/** Everything that follows from what was seen, before it is told. */
export interface Explained {
  input: WeighInput
  foliage: Foliage
  switches: readonly Switch[]
  /** Observations that count. */
  looks: readonly Look[]
  /** Sets with their chances, summing to 1, likeliest first. */
  sets: readonly WeightedSet[]
  /** Chance of each switch, by place. */
  chances: readonly number[]
  /** Chance of each before anything was seen. */
  before: readonly number[]
  /**
   * The sets with what nothing speaks for left out of them and alike ones put together, likeliest first: a borer, and a borer
   * beside some drought that nobody saw a sign of, are one explanation.
   */
  told: readonly WeightedSet[]
}

/** A sign with the chance that each switch leaves it away, by place; -1 where it excludes it. */
export interface Sign {
  finding: Finding
  away: readonly number[]
}

/** What is reckoned of an almanac on a kind stays with that almanac: the same signs are asked for again and again. */
const kept = new WeakMap<readonly Cause[], Map<string, Sign>>()

/** What each switch does to a sign on this tree. */
export function signOf(finding: Finding, { switches, input }: Pick<Explained, 'switches' | 'input'>): Sign {
  const signs = kept.get(input.causes) ?? new Map<string, Sign>()
  kept.set(input.causes, signs)
  const key = `${input.host} ${finding.id}`
  const known = signs.get(key)
  if (known?.finding === finding) return known
  const own = switches.flatMap((s) => s.cause ?? [])
  const sign: Sign = {
    finding,
    away: switches.map((s) => {
      const by = s.cause ? made(s.cause, finding, input.host) : madeByElse(finding, own)
      return by === null ? -1 : 1 - by
    }),
  }
  signs.set(key, sign)
  return sign
}

/** Chance that a sign is there under a set: noisy "or" over its causes and the background. */
export function chanceIn(sign: Sign, set: readonly number[]): number {
  let away = 1 - sign.finding.background
  for (const i of set) {
    const a = sign.away[i]!
    if (a < 0) return CHANCE.never
    away *= a
  }
  return 1 - away
}

export interface Look {
  finding: Finding
  state: FindingState
}

/**
 * Observations that count: known findings that were looked at and could be seen. A sign of danger that no cause of this
 * kind makes is no evidence of anything else either: it goes to the risk assessor, not into the weights.
 */
function lookedAt(input: WeighInput, own: readonly Cause[], foliage: Foliage): Look[] {
  // In an order of their own: what was seen first changes nothing, not even in the last digit.
  const inOrder = Object.entries(input.seen).sort(([a], [b]) => (a < b ? -1 : 1))
  return inOrder.flatMap(([id, state]) => {
    const finding = input.findings.get(id)
    if (!finding || state === 'not-looked') return []
    if (state === 'not-there' && !canBeSeen(finding, input.host, input.month, foliage)) return []
    if (finding.unsafe && !own.some((c) => made(c, finding, input.host))) return []
    return [{ finding, state }]
  })
}

/** How much of the whole begins with something the almanac does not hold: more where a kind has few causes of its own. */
function elseShare(host: string, own: readonly Cause[]): number {
  const ofItsOwn = own.filter((c) => c.hosts !== '*' && hasIt(c, host)).length
  return 0.05 + 0.25 * Math.max(0, 1 - ofItsOwn / 8)
}

function switchesOf(input: WeighInput, own: readonly Cause[]): Switch[] {
  const commonness = (c: Cause) => commonOn(c, input.host) * (input.district?.[c.id] ?? 1)
  const sum = own.reduce((s, c) => s + (c.livesOn ? 0 : commonness(c)), 0)
  const scale = AT_WORK / Math.max(sum, LEAST_COMMONNESS)
  const odds = (p: number) => p / (1 - p)
  const share = elseShare(input.host, own)
  return [
    ...own.map((cause): Switch => {
      const outOfSeason = cause.months !== undefined && !cause.months.includes(input.month)
      const chance = Math.min(0.4, commonness(cause) * scale) * (outOfSeason ? OUT_OF_SEASON : 1)
      return { id: cause.id, cause, odds: odds(chance), outOfSeason }
    }),
    { id: SOMETHING_ELSE, cause: null, odds: odds(share), outOfSeason: false },
  ]
}

function likelihoodOf({ finding, state }: Look, away: number): number {
  const there = written(finding, away < 0 ? CHANCE.never : 1 - away)
  if (state === 'there') return there
  if (state === 'not-there') return 1 - there
  return there ** UNSURE
}

/**
 * Weighs sets of causes by what was seen. A host's causes are switches of their own with odds from commonness, season and
 * district; a set of at most three of them, with what lives on them, explains the findings, each sign by noisy "or".
 * Something else is a switch too, and no cause at all is a healthy tree. Light sets are left out.
 *
 * @example explain({ host: 'ash', month: 6, seen: { 'exit-hole-d': 'there' }, causes, findings }).sets[0]
 */
export function explain(input: WeighInput): Explained {
  const own = causesOf(input.host, input.causes)
  const foliage = foliageOf(input)
  const looks = lookedAt(input, own, foliage)
  const switches = switchesOf(input, own)
  const sets = capped(enumerate(input, switches, looks), switches, input)
  const chances = chancesOf(sets, switches.length)
  const before = switches.map((s) => (s.cause?.livesOn ? WITHOUT_FEEDER : s.odds / (1 + s.odds)))
  sets.sort((a, b) => b.weight - a.weight)
  const told = merged(sets, chances, before)
  return { input, foliage, switches, looks, sets, chances, before, told }
}

function chancesOf(sets: readonly WeightedSet[], n: number): number[] {
  const chances = new Array<number>(n).fill(0)
  for (const s of sets) for (const i of s.on) chances[i]! += s.weight
  return chances
}

interface Scales {
  switches: readonly Switch[]
  looks: readonly Look[]
  away: readonly Float64Array[]
  primary: readonly number[]
  follows: readonly number[]
  /** Places of what each switch opens the door for. */
  opens: readonly (readonly number[])[]
  /** Places of what each consequence lives on. */
  feeders: readonly (readonly number[])[]
}

function enumerate(input: WeighInput, switches: readonly Switch[], looks: readonly Look[]): WeightedSet[] {
  const findings = looks.map((l) => l.finding)
  const signs = findings.map((f) => signOf(f, { switches, input }))
  const away = switches.map((_, i) => Float64Array.from(signs, (sign) => sign.away[i]!))
  const at = new Map(switches.map((s, i) => [s.id, i]))
  const places = (ids: readonly string[] | undefined) => (ids ?? []).flatMap((id) => at.get(id) ?? [])
  const telling = looks.map((l) => l.state !== 'not-there')
  const raises = (i: number) => away[i]!.some((a, f) => telling[f]! && a >= 0 && a < 1)
  const all = switches.map((_, i) => i)
  const w: Scales = {
    switches,
    looks,
    away,
    primary: all.filter((i) => !switches[i]!.cause?.livesOn),
    // What lives on others and shows nothing here would only double every set.
    follows: all.filter((i) => switches[i]!.cause?.livesOn && raises(i)),
    opens: switches.map((s) => places(s.cause?.opens)),
    feeders: switches.map((s) => places(s.cause?.livesOn)),
  }
  const base = Float64Array.from(findings, (f) => 1 - f.background)
  // What explains something comes first, so that what explains nothing can be cut off early.
  const alone = new Map(
    w.primary.filter(raises).map((i) => {
      const product = multiplied(base, away[i]!)
      return [
        i,
        looks.reduce(
          (log, l, f) => log + Math.log(likelihoodOf(l, product[f]!)),
          Math.log(switches[i]!.odds),
        ),
      ]
    }),
  )
  const promise = (i: number) => alone.get(i) ?? -Infinity
  const order = [...w.primary].sort((a, b) => (promise(a) === promise(b) ? a - b : promise(b) - promise(a)))
  const active = Math.min(PUT_TOGETHER, alone.size)
  const sets: WeightedSet[] = []
  let heaviest = 0
  const add = (on: readonly number[], product: Float64Array): number => {
    let most = 0
    for (const set of withFollowers(w, on, product, on.length === 1 ? 0 : heaviest * LIGHT)) {
      most = Math.max(most, set.weight)
      heaviest = Math.max(heaviest, most)
      if (set.weight >= heaviest * LIGHT || set.on.length === 1) sets.push(set)
    }
    return most
  }
  const grow = (on: readonly number[], product: Float64Array, from: number, weight: number) => {
    if (on.length === MOST) return
    for (let k = from; k < order.length; k++) {
      const i = order[k]!
      // A cause that explains nothing can only make a set lighter.
      if (on.length > 0 && k >= active && weight * switches[i]!.odds * OPENED < heaviest * IDLE) continue
      const next = multiplied(product, away[i]!)
      const set = [...on, i]
      grow(set, next, k + 1, add(set, next))
    }
  }
  grow([], base, 0, add([], base))
  const kept = sets.filter((x) => x.weight >= heaviest * LIGHT || x.on.length === 1)
  const sum = kept.reduce((s, x) => s + x.weight, 0)
  return kept.map((x) => ({ on: x.on, weight: x.weight / sum }))
}

function multiplied(product: Float64Array, away: Float64Array): Float64Array {
  const next = new Float64Array(product.length)
  for (let f = 0; f < product.length; f++) {
    const p = product[f]!
    const a = away[f]!
    next[f] = p < 0 || a < 0 ? -1 : p * a
  }
  return next
}

/** A set with every combination of what lives on others that shows something; one that falls below `least` is left at that. */
function* withFollowers(
  w: Scales,
  on: readonly number[],
  product: Float64Array,
  least: number,
): Generator<WeightedSet> {
  let prior = 1
  for (const i of on) {
    prior *= w.switches[i]!.odds
    for (const j of w.opens[i]!) if (on.includes(j)) prior *= OPENED
  }
  for (let bits = 0; bits < 1 << w.follows.length; bits++) {
    let weight = prior
    let now = product
    const extra: number[] = []
    for (const [k, i] of w.follows.entries()) {
      const fed = w.feeders[i]!.some((x) => on.includes(x)) ? WITH_FEEDER : WITHOUT_FEEDER
      if (bits & (1 << k)) {
        weight *= fed
        now = multiplied(now, w.away[i]!)
        extra.push(i)
      } else weight *= 1 - fed
    }
    // Every look can only make it lighter.
    for (let f = 0; f < now.length && weight >= least; f++) weight *= likelihoodOf(w.looks[f]!, now[f]!)
    yield { on: extra.length ? [...on, ...extra] : on, weight }
  }
}

/** True when one of the signs that make a cause certain is there. */
export function isTold(cause: Cause, input: Pick<WeighInput, 'seen'>): boolean {
  const defining =
    cause.defining ??
    Object.keys(cause.findings).filter((id) => ['always', 'usual'].includes(cause.findings[id]!))
  return defining.some((id) => input.seen[id] === 'there')
}

/** How high a switch may stand by what was seen. */
function ceiling(s: Switch, input: WeighInput): number {
  if (!s.cause) return 1
  if (!isTold(s.cause, input)) return UNTOLD
  return s.cause.livesOn ? FOLLOWER : 1
}

/** Takes the excess from a cause that stands above its ceiling, and gives it to what is left. */
function capped(sets: WeightedSet[], switches: readonly Switch[], input: WeighInput): WeightedSet[] {
  const ceilings = switches.map((s) => ceiling(s, input))
  for (let round = 0; round < 6; round++) {
    const chances = chancesOf(sets, switches.length)
    const high = ceilings.flatMap((c, i) => (chances[i]! > c + 1e-9 ? [i] : []))
    if (high.length === 0) break
    for (const i of high) {
      const now = chancesOf(sets, switches.length)[i]!
      const most = ceilings[i]!
      if (now <= most || now >= 1) continue
      for (const s of sets) s.weight *= s.on.includes(i) ? most / now : (1 - most) / (1 - now)
    }
  }
  return sets
}

/** A switch counts as raised by what was seen from this many times where it began, and from this chance. */
const RAISED = 1.3
const WORTH_NAMING = 0.03

/** True for a cause, or something else, that stands above where it began. */
export function isRaised({ chances, before }: Pick<Explained, 'chances' | 'before'>, i: number): boolean {
  return chances[i]! >= WORTH_NAMING && chances[i]! >= RAISED * before[i]!
}

function merged(
  sets: readonly WeightedSet[],
  chances: readonly number[],
  before: readonly number[],
): WeightedSet[] {
  const raised = chances.map((_, i) => isRaised({ chances, before }, i))
  const told = new Map<string, { on: readonly number[]; weight: number }>()
  for (const s of sets) {
    const on = s.on.filter((i) => raised[i])
    if (on.length > 1) on.sort((a, b) => a - b)
    const key = on.join(' ')
    const known = told.get(key)
    if (known) known.weight += s.weight
    else told.set(key, { on, weight: s.weight })
  }
  return [...told.values()].sort((a, b) => b.weight - a.weight)
}

/** The explanations as they are told, likeliest first: primary causes by their chance, then what lives on them. */
export function explanationsOf(explained: Explained, most = 5): Explanation[] {
  return explained.told.slice(0, most).map((s) => ({
    causes: [...s.on]
      .sort(
        (a, b) =>
          Number(!!explained.switches[a]!.cause?.livesOn) - Number(!!explained.switches[b]!.cause?.livesOn) ||
          explained.chances[b]! - explained.chances[a]!,
      )
      .map((i) => explained.switches[i]!.id),
    probability: s.weight,
    leaves: unexplained(explained, s.on),
  }))
}

/** The chance that nothing is wrong. */
export function healthyChance(explained: Explained): number {
  return explained.sets.find((s) => s.on.length === 0)?.weight ?? 0
}

/** A sign stands out from chance by at least this under a set that makes it. */
const MAKES = 0.08

function unexplained(explained: Explained, set: readonly number[]): string[] {
  return explained.looks
    .filter(
      (l) =>
        l.state === 'there' && chanceIn(signOf(l.finding, explained), set) < l.finding.background + MAKES,
    )
    .map((l) => l.finding.id)
}
