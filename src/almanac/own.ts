import type { Cause, Finding } from '@/core/diagnose/almanac'
import { CAUSES } from './causes'
import { FOLIAGE } from './hosts'
import type { Jurisdiction } from './jurisdiction'
import { ownTests } from './laboratory'
import { jurisdictionOfFirm, type OwnEntry } from './ownEntry'
import { findingsWithOwn } from './ownFindings'
import type { Knowledge } from '@/core/diagnose/weighing'

/** The almanac as one firm has it. */
export interface FirmAlmanac extends Knowledge {
  /** Where the firm works; null while it has not said. */
  jurisdiction: Jurisdiction | null
}

/** How common a firm's own cause is taken to be beside the others of a host. */
const OWN_PRIOR = 1
/** What kind of cause a firm's own is. */
export const OWN_KIND = 'own entry'
/** A cause known in the district begins with three times its common weight. */
const IN_DISTRICT = 3
/**
 * The almanac with a firm's own entries: frequencies replaced, causes and findings added. Entries that speak of what is
 * no longer there are left out.
 *
 * @example withOwn([{ kind: 'frequency', cause: 'aphids', finding: 'ants-trail', often: 'always' }])
 */
export function withOwn(entries: readonly OwnEntry[]): FirmAlmanac {
  const findings = findingsWithOwn(entries)
  const causes = new Map<string, Cause>(CAUSES.map((c) => [c.id, c]))
  for (const e of entries) if (e.kind === 'cause') causes.set(e.id, ownCause(e, findings))
  for (const e of entries) {
    const cause = e.kind === 'frequency' ? causes.get(e.cause) : undefined
    if (e.kind === 'frequency' && cause && findings.has(e.finding))
      causes.set(cause.id, { ...cause, findings: { ...cause.findings, [e.finding]: e.often } })
  }
  // What a test proves is certain by it, as by any other defining sign.
  for (const test of ownTests(entries))
    for (const id of test.settles) {
      const cause = causes.get(id)
      if (cause?.defining) causes.set(id, { ...cause, defining: [...cause.defining, test.id] })
    }
  const district = Object.fromEntries(
    entries.flatMap((e) => (e.kind === 'district' ? [[e.cause, IN_DISTRICT] as const] : [])),
  )
  return {
    causes: [...causes.values()],
    findings,
    district,
    foliage: FOLIAGE,
    jurisdiction: jurisdictionOfFirm(entries),
  }
}

const NOT_WRITTEN = 'Not written yet.'

function ownCause(e: Extract<OwnEntry, { kind: 'cause' }>, findings: ReadonlyMap<string, Finding>): Cause {
  return {
    id: e.id,
    name: e.name,
    kind: OWN_KIND,
    hosts: e.hosts,
    prior: OWN_PRIOR,
    findings: Object.fromEntries(Object.entries(e.findings).filter(([id]) => findings.has(id))),
    action: e.action ?? 'wait',
    ...(e.months && e.months.length > 0 && { months: e.months }),
    refuses: {},
    oneLine: e.oneLine,
    act: e.act,
    doNot: e.doNot,
    expect: e.expect || NOT_WRITTEN,
    spread: e.spread || NOT_WRITTEN,
    lookAlikes: [],
  }
}
