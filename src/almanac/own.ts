import type { Cause, Finding, Frequency, Place } from '@/core/diagnose/almanac'
import { CAUSES } from './causes'
import { FINDINGS } from './findings'

/** What a firm has set or added in its own almanac; always marked as theirs. */
export type OwnEntry =
  /** A cause that is known in the district: it begins with more weight. */
  | { kind: 'district'; cause: string }
  | { kind: 'host'; id: string; name: string; botanical: string; edible: boolean }
  | { kind: 'frequency'; cause: string; finding: string; often: Frequency }
  | {
      kind: 'finding'
      id: string
      name: string
      question: string
      place: Exclude<Place, 'lab'>
      minutes: number
    }
  | {
      kind: 'cause'
      id: string
      name: string
      hosts: string[]
      findings: Record<string, Frequency>
      oneLine: string
      act: string
      doNot: string
    }

export type OwnHost = Extract<OwnEntry, { kind: 'host' }>

/** The kinds of tree among a firm's own entries. */
export function hostsOf(entries: readonly OwnEntry[]): OwnHost[] {
  return entries.filter((e) => e.kind === 'host')
}

/** The almanac as one firm has it. */
export interface FirmAlmanac {
  causes: readonly Cause[]
  findings: ReadonlyMap<string, Finding>
  /** How many times its common weight a cause known in the district begins with. */
  district: Readonly<Record<string, number>>
}

/** How common a firm's own cause is taken to be beside the others of a host. */
const OWN_PRIOR = 1
/** A cause known in the district begins with three times its common weight. */
const IN_DISTRICT = 3
/** How often a finding of a firm's own is there by chance. */
const OWN_BACKGROUND = 0.02

/**
 * The almanac with a firm's own entries: frequencies replaced, causes and findings added. Entries that speak of what is
 * no longer there are left out.
 *
 * @example withOwn([{ kind: 'frequency', cause: 'aphids', finding: 'ants-trail', often: 'always' }])
 */
export function withOwn(entries: readonly OwnEntry[]): FirmAlmanac {
  const findings = new Map(FINDINGS.map((f) => [f.id, f]))
  for (const e of entries)
    if (e.kind === 'finding')
      findings.set(e.id, {
        id: e.id,
        place: e.place,
        how: 'look',
        name: e.name,
        question: e.question,
        minutes: e.minutes,
        background: OWN_BACKGROUND,
      })
  const causes = new Map<string, Cause>(CAUSES.map((c) => [c.id, c]))
  for (const e of entries) if (e.kind === 'cause') causes.set(e.id, ownCause(e, findings))
  for (const e of entries) {
    const cause = e.kind === 'frequency' ? causes.get(e.cause) : undefined
    if (e.kind === 'frequency' && cause && findings.has(e.finding))
      causes.set(cause.id, { ...cause, findings: { ...cause.findings, [e.finding]: e.often } })
  }
  const district = Object.fromEntries(
    entries.flatMap((e) => (e.kind === 'district' ? [[e.cause, IN_DISTRICT] as const] : [])),
  )
  return { causes: [...causes.values()], findings, district }
}

function ownCause(e: Extract<OwnEntry, { kind: 'cause' }>, findings: ReadonlyMap<string, Finding>): Cause {
  return {
    id: e.id,
    name: e.name,
    kind: 'own entry',
    hosts: e.hosts,
    prior: OWN_PRIOR,
    findings: Object.fromEntries(Object.entries(e.findings).filter(([id]) => findings.has(id))),
    action: 'wait',
    refuses: {},
    oneLine: e.oneLine,
    act: e.act,
    doNot: e.doNot,
    expect: 'Not written yet.',
    spread: 'Not written yet.',
    lookAlikes: [],
  }
}

/** The id of an own entry, made from its name. `ownId('Quay leaf spot') === 'own-quay-leaf-spot'` */
export function ownId(name: string): string {
  const slug = name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '')
  return `own-${slug.slice(0, 36) || 'entry'}`
}
