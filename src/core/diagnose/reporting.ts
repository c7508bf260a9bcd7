import type { Cause, Finding, Seen } from './almanac'

/** What is asked where the tree stands. */
export interface Reporting {
  /** Why a cause must be reported; null where it need not be. */
  rule(cause: string): string | null
  /** True where a cause is not known yet, so that its proof comes before the work. */
  isNew(cause: string): boolean
}

/** True when a test that settles the cause was positive. A test of another organism proves nothing of it. */
export function isProved(
  cause: string,
  { seen, findings }: { seen: Seen; findings: ReadonlyMap<string, Finding> },
): boolean {
  return Object.entries(seen).some(
    ([id, state]) => state === 'there' && findings.get(id)?.settles?.includes(cause),
  )
}

/** True where a test comes before any work on a cause. */
export function needsProof(cause: Cause, reporting: Reporting): boolean {
  return cause.proof === 'first' || (cause.proof === 'where new' && reporting.isNew(cause.id))
}
