import { byKind, isOf } from '../kind/kind'
import { CHANCE, type Cause, type Finding, type FindingState, type Foliage, type Seen } from './almanac'
import type { DecisionId } from './decision'

/** What fits none of the causes. */
export const SOMETHING_ELSE = 'something-else'
/** A tree that nothing is wrong with. */
export const HEALTHY = 'healthy'
/** What is signed beside the almanac's causes; they have no entries of their own. */
export const BESIDE: readonly string[] = [SOMETHING_ELSE, HEALTHY]

/** Every look is wrong this often: a shadow taken for a spot, a spot not seen. */
export const MISTAKE = 0.01
/** Something the almanac does not hold shows any given sign of the tree this often, and one that tells a known cause less. */
const ELSE_CHANCE = 0.16
const ELSE_MIMICS = 0.05
/** A cause that needs proof and stands this high has its test asked for first, and holds the work. */
export const PROVE_FROM = 0.3
/** Months in which a deciduous tree carries leaves and fruit to be looked at. */
const IN_LEAF = [4, 5, 6, 7, 8, 9, 10, 11]

export interface Evidence {
  finding: string
  state: FindingState
  bits: number
}

export interface Weighed {
  cause: string
  /** Chance that it is at work; several may be. */
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

export interface WeighInput {
  host: string
  /** 1–12. */
  month: number
  seen: Seen
  causes: readonly Cause[]
  findings: ReadonlyMap<string, Finding>
  /** Known in the district: raises the odds of a cause by this factor. */
  district?: Readonly<Record<string, number>>
  /** What the kinds carry, by host; one that is not named drops its leaves. */
  foliage?: Readonly<Record<string, Foliage>>
}

/** The decision a cause calls for. `decisionOf(cause('drought-stress')) // 'water'` */
export function decisionOf(cause: Pick<Cause, 'action' | 'decision'>): DecisionId {
  return cause.decision ?? cause.action
}

/** What a kind carries; one nobody named drops its leaves. */
export function foliageOf(input: Pick<WeighInput, 'foliage' | 'host'>): Foliage {
  return input.foliage?.[input.host] ?? 'deciduous'
}

/** Whether a kind of tree can have a cause: it is named or its wider kind is, and it is not one that the cause spares. */
export function hasIt({ hosts, notOn }: Pick<Cause, 'hosts' | 'notOn'>, host: string): boolean {
  return (hosts === '*' || isOf(hosts, host)) && !(notOn && isOf(notOn, host))
}

/** How common a cause is among those of a kind of tree, before anything is seen of it. */
export function commonOn(cause: Pick<Cause, 'prior' | 'oftenerOn'>, host: string): number {
  return cause.prior * (byKind(cause.oftenerOn, host) ?? 1)
}

/** The causes this host can have. */
export function causesOf(host: string, causes: readonly Cause[]): Cause[] {
  return causes.filter((c) => hasIt(c, host))
}

/**
 * Chance that a cause by itself makes a finding on a host: its frequency, or for a test that settles it one less what the
 * test misses. 0 where the almanac says nothing; null where the cause excludes it.
 * @example made(verticillium, labVerticillium, 'maple') // 0.85
 */
export function made(cause: Cause, finding: Finding, host: string): number | null {
  if (finding.settles) return finding.settles.includes(cause.id) ? 1 - (finding.misses ?? 0.1) : 0
  const often = byKind(cause.on, host)?.[finding.id] ?? cause.findings[finding.id]
  if (often === undefined) return 0
  return often === 'never' ? null : CHANCE[often]
}

/**
 * Chance that something the almanac does not hold makes a finding: signs of the tree alone, no test and no matter of the
 * site; seldom one that makes a cause of the kind certain.
 */
export function madeByElse(finding: Finding, own: readonly Cause[]): number {
  if (finding.place === 'lab' || finding.place === 'site' || finding.place === 'soil') return 0
  return own.some((c) => c.defining?.includes(finding.id)) ? ELSE_MIMICS : ELSE_CHANCE
}

/** Chance that a finding is there where only this cause is at work; null stands for something else. */
export function chanceThere(finding: Finding, cause: Cause | null, host = ''): number {
  const by = cause ? made(cause, finding, host) : madeByElse(finding, [])
  return by === null ? CHANCE.never : 1 - (1 - finding.background) * (1 - by)
}

/**
 * Chance that a person who looks writes "there", given the chance that it is. One look in a hundred misses what is there. A
 * sign that hardly ever stands without its cause, a zigzag in a leaf, is hardly ever taken for there either.
 */
export function written(finding: Pick<Finding, 'background'>, there: number): number {
  return there * (1 - MISTAKE) + (1 - there) * Math.min(MISTAKE, finding.background)
}

/**
 * Whether a sign can be seen in a month on a kind of tree. One that cannot says nothing when absent, and is not asked for.
 * @example canBeSeen(padsUnderBark, 'oak-live', 4, 'evergreen') // false
 */
export function canBeSeen(finding: Finding, host: string, month: number, foliage: Foliage): boolean {
  if (finding.onlyOn && !isOf(finding.onlyOn, host)) return false
  if (finding.conifers && foliage !== 'conifer') return false
  const months = byKind(finding.monthsOn, host) ?? finding.months
  if (months) return months.includes(month)
  const needsLeaves =
    finding.place === 'leaf' || (finding.place === 'fruit' && finding.id !== 'fruit-mummies')
  return !needsLeaves || foliage !== 'deciduous' || IN_LEAF.includes(month)
}

/**
 * What can be looked for on a kind of tree in a month: signs that one of its causes makes and that can be seen then, and the
 * tests that settle one of its causes.
 * @example askedOf({ host: 'ash', month: 1, … }).some((f) => f.place === 'leaf') // false
 */
export function askedOf(input: Omit<WeighInput, 'seen' | 'district'>): Finding[] {
  const { host, month } = input
  const own = causesOf(host, input.causes)
  const foliage = foliageOf(input)
  return [...input.findings.values()].filter(
    (f) =>
      !f.retired &&
      canBeSeen(f, host, month, foliage) &&
      own.some((c) =>
        f.settles ? f.settles.includes(c.id) : f.id in c.findings || f.id in (byKind(c.on, host) ?? {}),
      ),
  )
}
