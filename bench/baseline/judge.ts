import type { Cause, Finding, ProductClass, Seen } from '@/core/diagnose/almanac'
import { chanceThere, SOMETHING_ELSE, type Check, type Weighed } from './weigh'

export interface ChainLink {
  /** What accompanies or feeds the leading cause. */
  cause: string
  role: 'feeds' | 'tended' | 'stress'
  /** Finding and cause ids it rests on. */
  because: string[]
}

export interface Judgement {
  hold: { reason: string } | null
  /** The leading cause must be reported where it is regulated, whether work may go on or not. */
  report: { reason: string } | null
  refused: { class: ProductClass; reason: string }[]
  chains: ChainLink[]
  /** True when no further check at the tree would change what is to be done. */
  settled: boolean
}

/** A cause this likely is a leader to reckon with. */
const LEADER = 0.15
/** Below this nothing leads yet, and nothing is refused or chained. */
const TOLD = 0.3
/** Above this the leading cause is taken as told. */
const SURE = 0.8

interface JudgeInput {
  weighed: readonly Weighed[]
  checks: readonly Check[]
  seen: Seen
  causes: readonly Cause[]
  findings: ReadonlyMap<string, Finding>
}

/** Findings that are there and much more frequent under this cause than without it. */
function ownSigns(cause: Cause, input: JudgeInput): string[] {
  return Object.keys(cause.findings).filter((id) => {
    const finding = input.findings.get(id)
    if (!finding || input.seen[id] !== 'there') return false
    return chanceThere(finding, cause) >= 0.4 && chanceThere(finding, cause) >= 4 * finding.background
  })
}

/**
 * What follows from the weights: whether to hold, which product classes cannot work and why, what feeds or weakens,
 * and whether asking on would still change the action.
 */
export function judge(input: JudgeInput): Judgement {
  const byId = new Map(input.causes.map((c) => [c.id, c]))
  const leaders = input.weighed.filter((w) => w.probability >= LEADER)
  const first = input.weighed[0]
  const lead = first ? byId.get(first.cause) : undefined
  return {
    hold: holdReason(input, leaders, byId),
    report: reportOf(input, byId),
    refused: lead && first!.probability >= TOLD ? refusedBy(lead, input, byId) : [],
    chains: lead && first!.probability >= TOLD ? chainsOf(lead, input) : [],
    settled: isSettled(input, byId),
  }
}

function actionOf(id: string, byId: Map<string, Cause>): string {
  return id === SOMETHING_ELSE ? 'unknown' : (byId.get(id)?.action ?? 'unknown')
}

function isSettled(input: JudgeInput, byId: Map<string, Cause>): boolean {
  const first = input.weighed[0]
  if (!first || first.cause === SOMETHING_ELSE || first.probability < 0.6) return false
  const action = actionOf(first.cause, byId)
  return input.checks.every(
    (c) =>
      (actionOf(c.ifThere.cause, byId) === action || c.chanceThere < 0.05) &&
      (actionOf(c.ifNot.cause, byId) === action || 1 - c.chanceThere < 0.05),
  )
}

function holdReason(
  input: JudgeInput,
  leaders: Weighed[],
  byId: Map<string, Cause>,
): { reason: string } | null {
  const first = input.weighed[0]
  if (!first) return null
  if (first.cause === SOMETHING_ELSE)
    return {
      reason:
        'Nothing in the almanac explains these findings well. Look further or send a sample before buying anything.',
    }
  const lead = byId.get(first.cause)!
  // The answer ends the hold; what must be reported still must, and says so beside it.
  const proved = isProved(lead, input)
  if (lead.proof === 'first' && !proved)
    return { reason: `Only a laboratory can tell ${lead.name.toLowerCase()} for certain.` }
  if (lead.reportable && !proved)
    return {
      reason: `${lead.name} must be reported where it is regulated. Ask the authority before any work.`,
    }
  const other = leaders.find((w) => w.cause !== first.cause && actionOf(w.cause, byId) !== lead.action)
  if (other && first.probability < SURE) {
    const cheap = input.checks.find(
      (c) => c.gain > 0.05 && (input.findings.get(c.finding)?.minutes ?? 99) <= 10,
    )
    const name = byId.get(other.cause)?.name.toLowerCase() ?? 'something else'
    if (cheap)
      return {
        reason: `${lead.name} and ${name} call for different work, and one check would help to part them: ${input.findings.get(cheap.finding)!.name.toLowerCase()}.`,
      }
  }
  return null
}

/** True when a test that settles the cause was positive. A test of another organism proves nothing of it. */
function isProved(cause: Cause, { seen, findings }: Pick<JudgeInput, 'seen' | 'findings'>): boolean {
  return Object.entries(seen).some(
    ([id, state]) => state === 'there' && findings.get(id)?.settles?.includes(cause.id),
  )
}

function reportOf(input: JudgeInput, byId: Map<string, Cause>): Judgement['report'] {
  const first = input.weighed[0]
  const lead = first && byId.get(first.cause)
  if (!first || !lead?.reportable || first.probability < LEADER) return null
  return {
    reason: isProved(lead, input)
      ? `${lead.name} is proved and must be reported where it is regulated. Meanwhile protect neighbours, paint wounds at once, and keep all wood and leaves on the site.`
      : `${lead.name} must be reported where it is regulated, on suspicion already. Keep all wood and leaves on the site.`,
  }
}

function refusedBy(lead: Cause, input: JudgeInput, byId: Map<string, Cause>): Judgement['refused'] {
  const refused = { ...lead.refuses }
  // What feeds the leader may be treated, though the leader itself cannot.
  const feeders = (lead.livesOn ?? []).flatMap((id) => byId.get(id) ?? [])
  for (const feeder of feeders)
    for (const cls of Object.keys(refused) as ProductClass[])
      if (!(cls in feeder.refuses) && input.weighed.some((w) => w.cause === feeder.id)) delete refused[cls]
  return (Object.keys(refused) as ProductClass[]).sort().map((cls) => ({ class: cls, reason: refused[cls]! }))
}

function chainsOf(lead: Cause, input: JudgeInput): ChainLink[] {
  const links: ChainLink[] = []
  const onHost = new Map(input.weighed.map((w) => [w.cause, w.probability]))
  for (const cause of input.causes) {
    if (cause.id === lead.id || !onHost.has(cause.id)) continue
    const signs = ownSigns(cause, input)
    if (lead.livesOn?.includes(cause.id)) {
      // A feeder that was looked for and not found is no link; one with any sign is.
      if (signs.length > 0) links.push({ cause: cause.id, role: 'feeds', because: [...signs, lead.id] })
    } else if (cause.livesOn?.includes(lead.id)) {
      if (signs.length > 0) links.push({ cause: cause.id, role: 'tended', because: signs })
    } else if (cause.opens && signs.some((id) => cause.findings[id] === 'always'))
      links.push({ cause: cause.id, role: 'stress', because: signs })
  }
  return links.sort((a, b) => (onHost.get(b.cause) ?? 0) - (onHost.get(a.cause) ?? 0))
}
