import type { Finding } from '@/core/diagnose/almanac'
import { FINDINGS } from './findings'
import { findingOfTest, ownTests } from './laboratory'
import type { OwnEntry } from './ownEntry'

/** How often a finding of a firm's own is there by chance. */
const OWN_BACKGROUND = 0.02

/** The findings of the almanac with a firm's own added, its tests among them, by id. */
export function findingsWithOwn(entries: readonly OwnEntry[]): ReadonlyMap<string, Finding> {
  const findings = new Map<string, Finding>(FINDINGS.map((f) => [f.id, f]))
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
        own: true,
      })
  for (const test of ownTests(entries)) findings.set(test.id, { ...findingOfTest(test), own: true })
  return findings
}
