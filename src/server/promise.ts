import type { PromisedCheck } from '@/core/methods/facts'
import { v7 as uuidv7 } from 'uuid'
import type { Outcome } from '@/core/methods/outcome'
import { turnOf } from '@/core/plan/turn'
import { addDays, addYears } from '@/core/time/calendar'
import { addFollowUp } from '@/db/queries/followUp'
import type { Context } from './verb'

/** What is promised after an outcome: a tree that got too little is promised no success, only what its wounds need. */
export function promisedAfter(outcome: Outcome, checks: readonly PromisedCheck[]): PromisedCheck[] {
  if (outcome === 'treated') return [...checks]
  return outcome === 'partly treated'
    ? checks.filter((c) => ['all-back', 'side-effect'].includes(c.expectation.kind))
    : []
}

/** Writes the promised checks of a finished application into the calendar. */
export async function promiseChecks(
  { sql, person }: Pick<Context, 'sql' | 'person'>,
  p: {
    treeId: string
    prescriptionId: string | null
    decisionId?: string | null
    on: string
    checks: readonly PromisedCheck[]
    /** The client was to do it. */
    ofClient?: boolean
  },
): Promise<void> {
  for (const check of p.checks)
    await addFollowUp(sql, {
      id: uuidv7(),
      firmId: person.firmId,
      treeId: p.treeId,
      prescriptionId: p.prescriptionId,
      decisionId: p.decisionId ?? null,
      dueOn:
        check.afterYears !== undefined
          ? addYears(p.on, check.afterYears)
          : addDays(p.on, check.afterDays ?? 0),
      what: check.what,
      expectation: check.expectation,
      turn: turnOf(check.expectation, p.ofClient),
    })
}
