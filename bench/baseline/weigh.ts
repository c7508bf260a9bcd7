import {
  CHANCE,
  stateOf,
  type Cause,
  type Finding,
  type FindingState,
  type Seen,
} from '@/core/diagnose/almanac'

/** What fits none of the causes. */
export const SOMETHING_ELSE = 'something-else'

/** Prior share of something the almanac does not hold. */
export const ELSE_PRIOR = 0.06
/** An unknown cause shows any given finding this often. */
const ELSE_CHANCE = 0.16
/** A tree that nothing is wrong with; it is not among what is weighed, and can be signed beside it. */
export const HEALTHY = 'healthy'
/** What is signed beside the almanac's causes; it has no entry of its own. */
export const BESIDE: readonly string[] = [SOMETHING_ELSE, HEALTHY]
/** House guess: of the trees that are walked, so many have nothing that calls for work. */
const HEALTHY_PRIOR = 0.3

/** Every look is wrong this often: a shadow taken for a spot, a spot not seen. */
export const MISTAKE = 0.01
/** Out of its months a cause keeps this share of its prior. */
const OUT_OF_SEASON = 0.12
/** `unsure` counts this share of `there`. */
const UNSURE = 0.3

export interface Weighed {
  cause: string
  /** Chance that this mainly explains the findings. */
  probability: number
  /** Findings that speak for it, strongest first, in bits. */
  for: Evidence[]
  /** Findings that speak against it, strongest first, in bits (positive numbers). */
  against: Evidence[]
  /** Findings it would usually show that nobody has looked at. */
  notLooked: string[]
  /** Why it is weighed low besides the findings. */
  outOfSeason: boolean
}

export interface Evidence {
  finding: string
  state: FindingState
  bits: number
}

export interface WeighInput {
  host: string
  /** 1–12. */
  month: number
  seen: Seen
  causes: readonly Cause[]
  findings: ReadonlyMap<string, Finding>
  /** Known in the district: raises the prior of a cause by this factor. */
  district?: Readonly<Record<string, number>>
}

/** The causes this host can have. */
export function causesOf(host: string, causes: readonly Cause[]): Cause[] {
  return causes.filter((c) => c.hosts === '*' || c.hosts.includes(host))
}

/** Chance that a finding is there, given the cause; null stands for something else. */
export function chanceThere(finding: Finding, cause: Cause | null): number {
  if (!cause) return Math.max(ELSE_CHANCE, finding.background)
  const said = cause.findings[finding.id]
  if (said === undefined) return finding.background
  return said === 'never' ? CHANCE.never : Math.max(CHANCE[said], finding.background)
}

/** Chance that a person who looks writes "there", given the chance that it is. */
const written = (there: number) => there * (1 - MISTAKE) + (1 - there) * MISTAKE

/** Log of the likelihood that one observation has under a cause. `not-looked` has none. */
function logLikelihood(finding: Finding, state: FindingState, cause: Cause | null): number {
  return logAt(chanceThere(finding, cause), state)
}

/** The same where the finding is there with a given chance. */
function logAt(chance: number, state: FindingState): number {
  const there = written(chance)
  if (state === 'there') return Math.log(there)
  if (state === 'not-there') return Math.log(1 - there)
  if (state === 'unsure') return UNSURE * Math.log(there)
  return 0
}

interface Candidate {
  cause: Cause | null
  logPrior: number
  outOfSeason: boolean
}

function candidates(input: WeighInput): Candidate[] {
  const own = causesOf(input.host, input.causes)
  const sum = own.reduce((s, c) => s + c.prior * (input.district?.[c.id] ?? 1), 0) || 1
  return [
    ...own.map((cause): Candidate => {
      const outOfSeason = cause.months !== undefined && !cause.months.includes(input.month)
      const prior = ((cause.prior * (input.district?.[cause.id] ?? 1)) / sum) * (1 - ELSE_PRIOR)
      return { cause, logPrior: Math.log(prior * (outOfSeason ? OUT_OF_SEASON : 1)), outOfSeason }
    }),
    { cause: null, logPrior: Math.log(ELSE_PRIOR), outOfSeason: false },
  ]
}

/** Log of prior and likelihood of everything observed, for each candidate. */
function evidenceOf(all: readonly Candidate[], looks: ReturnType<typeof observed>): number[] {
  return all.map(
    (c) => c.logPrior + looks.reduce((s, o) => s + logLikelihood(o.finding, o.state, c.cause), 0),
  )
}

function normalise(logs: number[]): number[] {
  const top = Math.max(...logs)
  const raw = logs.map((l) => Math.exp(l - top))
  const sum = raw.reduce((a, b) => a + b, 0)
  return raw.map((r) => r / sum)
}

/**
 * Observations that count: known findings that were looked at. A sign of danger that no cause of this kind of tree makes is
 * no evidence of anything else either: it goes to the risk assessor, not into the weights.
 */
function observed(input: WeighInput): { finding: Finding; state: FindingState }[] {
  const own = causesOf(input.host, input.causes)
  return Object.entries(input.seen).flatMap(([id, state]) => {
    const finding = input.findings.get(id)
    if (!finding || state === 'not-looked') return []
    if (finding.unsafe && !own.some((c) => c.findings[id] !== undefined)) return []
    return [{ finding, state }]
  })
}

/**
 * Weighs the causes a host can have by what was seen: prior by host, season and district, moved by the likelihood of
 * each finding that is there or not there; `unsure` moves less, what was not looked at not at all. Something else
 * always takes part and wins when nothing fits. Probabilities sum to 1, greatest first.
 *
 * Evidence is given in bits against the average of all candidates: +1 bit doubles the odds.
 *
 * @example weigh({ host: 'ash', month: 6, seen: { 'exit-hole-d': 'there' }, causes, findings })[0].cause
 * // 'emerald-ash-borer'
 */
export function weigh(input: WeighInput): Weighed[] {
  const all = candidates(input)
  const looks = observed(input)
  const table = all.map((c) => looks.map((o) => logLikelihood(o.finding, o.state, c.cause)))
  const posterior = normalise(all.map((c, i) => c.logPrior + table[i]!.reduce((s, l) => s + l, 0)))
  const priors = normalise(all.map((c) => c.logPrior))
  const averages = looks.map((_, o) =>
    Math.log(table.reduce((s, row, i) => s + priors[i]! * Math.exp(row[o]!), 0)),
  )
  const byWeight = (a: Evidence, b: Evidence) => Math.abs(b.bits) - Math.abs(a.bits)
  return all
    .map((candidate, i): Weighed => {
      const evidence = looks.map((o, k): Evidence => ({
        finding: o.finding.id,
        state: o.state,
        bits: (table[i]![k]! - averages[k]!) / Math.LN2,
      }))
      return {
        cause: candidate.cause?.id ?? SOMETHING_ELSE,
        probability: posterior[i]!,
        for: evidence.filter((e) => e.bits > 0.15).sort(byWeight),
        against: evidence
          .filter((e) => e.bits < -0.15)
          .map((e) => ({ ...e, bits: -e.bits }))
          .sort(byWeight),
        notLooked: candidate.cause ? expectedUnseen(candidate.cause, input) : [],
        outOfSeason: candidate.outOfSeason,
      }
    })
    .sort((a, b) => b.probability - a.probability || (a.cause < b.cause ? -1 : 1))
}

/**
 * The chance that nothing is wrong, beside every cause its kind can have and something else: a healthy tree shows each
 * finding as often as trees without a cause do.
 *
 * @example healthyChance({ host: 'ash', month: 6, seen: { 'exit-hole-d': 'there' }, causes, findings }) // near 0
 */
export function healthyChance(input: WeighInput): number {
  const looks = observed(input)
  const logs = evidenceOf(candidates(input), looks)
  // The priors of the candidates need not sum to one: out of season some are less than their share.
  const healthy = looks.reduce((s, o) => s + logAt(o.finding.background, o.state), Math.log(HEALTHY_PRIOR))
  return normalise([healthy, ...logs.map((l) => l + Math.log(1 - HEALTHY_PRIOR))])[0]!
}

function expectedUnseen(cause: Cause, input: WeighInput): string[] {
  return Object.entries(cause.findings)
    .filter(
      ([id, often]) => (often === 'always' || often === 'usual') && stateOf(input.seen, id) === 'not-looked',
    )
    .map(([id]) => id)
}

export interface Check {
  finding: string
  /** Expected drop in uncertainty, bits. */
  gain: number
  /** Bits per minute of work, with the half minute that asking and noting takes. */
  perMinute: number
  chanceThere: number
  /** The leading cause and its probability after each answer. */
  ifThere: { cause: string; probability: number }
  ifNot: { cause: string; probability: number }
}

/** Minutes it takes to read the question, walk there and note the answer, however short the look. */
const NOTING = 0.5

const entropy = (p: number[]) => p.reduce((h, x) => (x > 0 ? h - x * Math.log2(x) : h), 0)

/**
 * The checks not yet made that would settle most: by expected information per minute of work, or by what they tell
 * alone.
 * Laboratory findings are left to the hold rules: they are samples, not checks at the tree.
 */
export function nextChecks(input: WeighInput, most = 5, by: 'perMinute' | 'gain' = 'perMinute'): Check[] {
  const all = candidates(input)
  const looks = observed(input)
  const logs = evidenceOf(all, looks)
  const now = normalise(logs)
  const before = entropy(now)
  const relevant = new Set(all.flatMap((c) => (c.cause ? Object.keys(c.cause.findings) : [])))
  const leader = (p: number[]) => {
    const i = p.indexOf(Math.max(...p))
    return { cause: all[i]!.cause?.id ?? SOMETHING_ELSE, probability: p[i]! }
  }
  const checks: Check[] = []
  for (const id of relevant) {
    const finding = input.findings.get(id)
    if (!finding || finding.retired || finding.place === 'lab' || stateOf(input.seen, id) !== 'not-looked')
      continue
    const there = normalise(logs.map((l, i) => l + logLikelihood(finding, 'there', all[i]!.cause)))
    const not = normalise(logs.map((l, i) => l + logLikelihood(finding, 'not-there', all[i]!.cause)))
    const chance = now.reduce((s, p, i) => s + p * written(chanceThere(finding, all[i]!.cause)), 0)
    const gain = Math.max(0, before - chance * entropy(there) - (1 - chance) * entropy(not))
    checks.push({
      finding: id,
      gain,
      perMinute: gain / (finding.minutes + NOTING),
      chanceThere: chance,
      ifThere: leader(there),
      ifNot: leader(not),
    })
  }
  return checks.sort((a, b) => b[by] - a[by] || (a.finding < b.finding ? -1 : 1)).slice(0, most)
}
