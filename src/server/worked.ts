import { isHand } from '@/core/methods/names'
import { isByPorts } from '@/core/methods/trunk-injection/isByPorts'
import { hostName } from '@/almanac/hosts'
import { saidOfSeen } from '@/core/gate/looks'
import { deviations } from '@/core/methods/deviations'
import { outcomeOf, outcomeOfWork, type Outcome } from '@/core/methods/outcome'
import type { SubjectPlan } from '@/core/methods/plan'
import { productOn, whyNotOver, type RunningStep } from '@/core/methods/running'
import { sayPlan, sayTask } from '@/core/methods/say'
import { ok, refuse, type Result } from '@/core/problem'
import type { JobSubjectRow } from '@/db/queries/job'
import type { NewApplication } from './ledger/body'

/** A tree of the application, with what happened at it. */
export interface Worked {
  subject: JobSubjectRow
  steps: RunningStep[]
  applied: number
  least: number
  outcome: Outcome
  deviations: string[]
}

/** What a tree got; refused (field `steps`) while anything is in it or still to be done. */
export function workedAt(
  subject: JobSubjectRow,
  steps: RunningStep[],
  units: 'us' | 'metric',
): Result<Worked> {
  const { plan, use } = subject
  const unfinished = whyNotOver(steps, (task) => sayTask(task, plan, use, units).name)
  if (unfinished) return refuse('not-allowed', 'steps', unfinished)
  const applied = productOn(steps)
  return ok({
    subject,
    steps,
    applied,
    least: plan.least,
    outcome: isHand(plan.method) ? outcomeOfWork(steps) : outcomeOf(applied, plan.least),
    deviations: deviations(plan, use, steps, units),
  })
}

/** The active that counts toward a limit of the ground, by what of the product went on. */
export function activeOf(plan: SubjectPlan, applied: number): number | null {
  return plan.active === null || plan.product === 0 ? null : (plan.active * applied) / plan.product
}

/** A tree's part of the record. */
export function entryOf(
  { subject, steps, applied, least, outcome }: Worked,
  readOn: string | null,
  otherwise: string[],
  units: 'us' | 'metric',
): NewApplication['subjects'][number] {
  const { plan, use } = subject
  const iso = (ms: number | null) => (ms === null ? null : new Date(ms).toISOString())
  return {
    tree: {
      tag: subject.tag,
      kind: hostName(subject.host),
      diameterM: plan.diameter,
      readOn,
      ...(isByPorts(plan) &&
        (plan.shape.stems
          ? {
              stems: plan.shape.stems.map((s) => ({ diameterM: s.diameter, portGirthM: s.portGirth })),
            }
          : { portGirthM: plan.shape.portGirth })),
    },
    outcome,
    amount: applied,
    planned: plan.product,
    least,
    waterM3:
      plan.water === null
        ? null
        : plan.product > 0
          ? (plan.water * applied) / plan.product
          : outcome === 'treated'
            ? plan.water
            : null,
    activeKg: activeOf(plan, applied),
    ports: steps.flatMap((p) =>
      p.kind !== 'port'
        ? []
        : [
            {
              number: p.number,
              ...(p.stem !== undefined && { stem: p.stem }),
              bearing: p.bearing,
              volumeM3: p.startedAt === null ? 0 : p.volume - p.left,
              leftM3: p.left,
              drilledAt: iso(p.drilledAt),
              startedAt: iso(p.startedAt),
              stoppedAt: iso(p.stoppedAt),
              outAt: iso(p.outAt),
              givenUp: p.givenUp,
            },
          ],
    ),
    tasks: steps.flatMap((t) =>
      t.kind !== 'task'
        ? []
        : [
            {
              name: sayTask(t.task, plan, use, units).name,
              times: t.times,
              done: t.done,
              startedAt: iso(t.startedAt),
              endedAt: iso(t.endedAt),
              left: t.left,
              givenUp: t.givenUp,
              ...(t.row !== undefined && { row: t.row }),
              ...(t.note && t.noted && { noted: { label: t.note.label, value: t.noted } }),
            },
          ],
    ),
    ...(isHand(plan.method) && { said: sayPlan(plan, use, units) }),
    ...(saidOfSeen(subject.seen).length > 0 && { seen: saidOfSeen(subject.seen) }),
    ...(subject.onlyIf !== null &&
      subject.found !== null && { released: { onlyIf: subject.onlyIf, found: subject.found } }),
    deviations: otherwise,
    working: subject.working,
  }
}
