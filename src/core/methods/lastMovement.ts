import { foldStep, type StepEvent } from './running'
import type { PlannedStep } from './step'

/** Presses of one hand movement lie no further apart, ms; two movements of one hand never lie so close. */
const ONE_MOVEMENT_MS = 50

/** A step with everything that was done at it. */
export interface StepDone {
  id: string
  n: number
  what: PlannedStep
  events: readonly StepEvent[]
}

/** What a hand did at once, with the press that counts at each step. */
export interface Movement<Step> {
  /** Epoch ms. */
  at: number
  presses: { step: Step; event: StepEvent }[]
}

/**
 * What a hand did last that still counts: one port, or all that were ticked by one press. `mine` says whose presses count as this hand's;
 * null where it did nothing that stands.
 *
 * @example lastMovement(steps, (e) => e.device === here)?.presses.length // 14 ports that were pulled together
 */
export function lastMovement<Step extends StepDone>(
  steps: readonly Step[],
  mine: (event: StepEvent) => boolean,
): Movement<Step> | null {
  const standing = steps.flatMap((step) => {
    const { last } = step.events.length > 0 ? foldStep(step.n, step.what, step.events) : { last: null }
    const event = step.events.find((e) => e.id === last)
    return event && mine(event) ? [{ step, event }] : []
  })
  if (standing.length === 0) return null
  const at = Math.max(...standing.map(({ event }) => event.at))
  return { at, presses: standing.filter(({ event }) => at - event.at <= ONE_MOVEMENT_MS) }
}
