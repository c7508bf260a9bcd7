import { foldStep, pressStep, type RunningStep, type StepEvent } from '@/core/methods/running'
import type { PlannedStep } from '@/core/methods/step'
import type { Result } from '@/core/problem'

/** A step of a tree as the page has it: as planned, and everything that was done at it as the server knew it last. */
export interface WorkStep {
  id: string
  n: number
  what: PlannedStep
  events: StepEvent[]
}

/** One press at a step, as it goes to the server. `left` as it was typed. */
export interface Press {
  eventId: string
  stepId: string
  kind: StepEvent['kind']
  reason?: string
  left?: string
  bearing?: number
  times?: number
  /** What was measured out, as it was typed or worked out. */
  amount?: string
  /** What was written down, as it was typed. */
  noted?: string
  of?: string
}

/** Presses that were made by one hand movement; they are kept together or not at all. */
export interface Batch {
  id: string
  /** Of the firm's clock, epoch ms. */
  at: number
  presses: (Press & { leftSi?: number; amountSi?: number })[]
}

/** A press in the shape the fold reads. */
function eventOf(press: Batch['presses'][number], at: number): StepEvent {
  const { eventId, kind, reason, bearing, times, noted, of, leftSi, amountSi } = press
  return { id: eventId, at, kind, reason, left: leftSi, amount: amountSi, bearing, times, noted, of }
}

/** What was pressed here at a step and the server does not show yet. */
function ownAt(step: WorkStep, batches: readonly Batch[]): StepEvent[] {
  const known = new Set(step.events.map((e) => e.id))
  let last = Math.max(0, ...step.events.map((e) => e.at))
  const own: StepEvent[] = []
  for (const batch of batches)
    for (const press of batch.presses) {
      if (press.stepId !== step.id || known.has(press.eventId)) continue
      // Presses of one device count in the order they were made, whatever its clock says of another's.
      last = Math.max(batch.at, last + 1)
      own.push(eventOf(press, last))
    }
  return own
}

/**
 * A step as it stands for the person in front of it: what the server knew, and what this device has pressed since.
 * Problems are those of the step that cannot be.
 */
export function stepNow(step: WorkStep, batches: readonly Batch[]): Result<RunningStep> {
  return pressStep(step.n, step.what, step.events, ownAt(step, batches))
}

/** The same for showing: where what was pressed cannot be, what the server knew. */
export function shownState(step: WorkStep, batches: readonly Batch[]): RunningStep {
  const now = stepNow(step, batches)
  return now.ok ? now.value : foldStep(step.n, step.what, step.events).state
}

/** Steps with what was pressed here and the server does not show yet among their events. */
export function withOwn<Step extends WorkStep>(steps: readonly Step[], batches: readonly Batch[]): Step[] {
  const pressed = new Set(batches.flatMap((b) => b.presses.map((p) => p.stepId)))
  return steps.map((step) =>
    pressed.has(step.id) ? { ...step, events: [...step.events, ...ownAt(step, batches)] } : step,
  )
}

/** The newest event at a step that counts and was not taken back, by id: what a press on “take it back” means. */
export function lastStanding(step: WorkStep, batches: readonly Batch[]): string | null {
  return foldStep(step.n, step.what, [...step.events, ...ownAt(step, batches)]).last
}

/** Batches that the server's steps do not show yet. */
export function stillAhead(batches: readonly Batch[], steps: readonly WorkStep[]): Batch[] {
  const known = new Set(steps.flatMap((s) => s.events.map((e) => e.id)))
  return batches.filter((b) => b.presses.some((p) => !known.has(p.eventId)))
}
