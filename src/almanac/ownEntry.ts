import type { ActionClass, Frequency, Place } from '@/core/diagnose/almanac'
import type { HowWell, WayMethod } from '@/core/decide/way'
import type { Jurisdiction } from './jurisdiction'

/** What a firm has set or added in its own almanac; always marked as theirs. */
export type OwnEntry =
  /** A cause that is known in the district: it begins with more weight. */
  | { kind: 'district'; cause: string }
  /** Where the firm works, for what must be reported there. */
  | { kind: 'jurisdiction'; place: Jurisdiction }
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
      /** What it calls for; to wait and look again where nothing was said. */
      action?: ActionClass
      /** The months in which it is seen, 1–12; any where none is named. */
      months?: number[]
      oneLine: string
      act: string
      doNot: string
      /** Empty where nothing was said. */
      expect?: string
      spread?: string
    }
  /** A test with what it proves: sent to a laboratory, or made on the spot. */
  | {
      kind: 'test'
      id: string
      name: string
      settles: string[]
      how: 'sample' | 'test'
      days: number
      minutes: number
      take: string
      note: string
    }
  /** A way of working on a cause, beside those of the almanac. */
  | {
      kind: 'way'
      id: string
      cause: string
      method: WayMethod
      what: string
      when: string
      well: HowWell
      again: string
    }

export type OwnHost = Extract<OwnEntry, { kind: 'host' }>

/** The kinds of tree among a firm's own entries. */
export function hostsOf(entries: readonly OwnEntry[]): OwnHost[] {
  return entries.filter((e) => e.kind === 'host')
}

/** Where a firm works; null while it has not said. */
export function jurisdictionOfFirm(entries: readonly OwnEntry[]): Jurisdiction | null {
  return entries.find((e) => e.kind === 'jurisdiction')?.place ?? null
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
