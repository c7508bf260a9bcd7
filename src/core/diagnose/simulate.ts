import type { Cause, Finding, FindingState, Seen } from './almanac'
import { causesOf, chanceThere, ELSE_PRIOR, SOMETHING_ELSE } from './weigh'

/** A made-up tree: what ails it, and for every finding whether it is there. */
export interface SimulatedCase {
  host: string
  month: number
  cause: string
  truth: ReadonlyMap<string, boolean>
}

/** Findings any cause of the host speaks of: what an examination there would look at. */
export function relevantFindings(
  host: string,
  causes: readonly Cause[],
  findings: ReadonlyMap<string, Finding>,
): Finding[] {
  const ids = new Set(causesOf(host, causes).flatMap((c) => Object.keys(c.findings)))
  return [...ids].sort().flatMap((id) => findings.get(id) ?? [])
}

/**
 * Draws a case from the almanac's own frequencies: now and then something the almanac does not hold, otherwise a cause by its commonness among those of the host in season, then
 * each finding by how often that cause shows it. `random` gives numbers from 0 to below 1.
 *
 * @example drawCase('ash', 6, CAUSES, FINDING_BY_ID, seeded(1)).cause // 'emerald-ash-borer'
 */
export function drawCase(
  host: string,
  month: number,
  causes: readonly Cause[],
  findings: ReadonlyMap<string, Finding>,
  random: () => number,
): SimulatedCase {
  if (random() < ELSE_PRIOR) {
    const relevant = relevantFindings(host, causes, findings)
    const truth = new Map(relevant.map((f) => [f.id, random() < chanceThere(f, null)] as const))
    return { host, month, cause: SOMETHING_ELSE, truth }
  }
  const own = causesOf(host, causes).filter((c) => !c.months || c.months.includes(month))
  let at = random() * own.reduce((s, c) => s + c.prior, 0)
  const cause = own.find((c) => (at -= c.prior) < 0) ?? own.at(-1)!
  return { host, month, cause: cause.id, truth: signsOf(cause, host, causes, findings, random) }
}

/** Draws what a given cause shows on a host. */
export function signsOf(
  cause: Cause,
  host: string,
  causes: readonly Cause[],
  findings: ReadonlyMap<string, Finding>,
  random: () => number,
): Map<string, boolean> {
  return new Map(
    relevantFindings(host, causes, findings).map((f) => [f.id, random() < chanceThere(f, cause)] as const),
  )
}

/**
 * What a person wrote down of a case: a finding is looked at with chance `looked`, seen wrongly with chance `wrong`, left
 * unsure with chance `unsure`. Laboratory findings are left out.
 */
export function examined(
  one: SimulatedCase,
  findings: ReadonlyMap<string, Finding>,
  random: () => number,
  how: { looked: number; wrong: number; unsure: number },
): Seen {
  const seen: Record<string, FindingState> = {}
  for (const [id, there] of one.truth) {
    if (findings.get(id)?.place === 'lab' || random() >= how.looked) continue
    if (random() < how.unsure) seen[id] = 'unsure'
    else seen[id] = there !== random() < how.wrong ? 'there' : 'not-there'
  }
  return seen
}
