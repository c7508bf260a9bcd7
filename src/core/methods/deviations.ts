import { type PutOnMethod, isHand } from './names'
import { plain, type UnitSystem } from '../quantity/format'
import type { Method } from '../card/card'
import { notDried } from './outside'
import type { PlanOf, SubjectPlan, UseOf } from './plan'
import { putOnMethod } from './putOn'
import { productOn, type RunningStep } from './running'
import { sayTask } from './say'
import { showProduct } from './showProduct'

/** Of what was measured out, so much more or less is the measure's own. */
const MEASURED = 0.05

/**
 * What went otherwise than planned at a tree, worked out from what happened at its steps, a sentence each; none when all went
 * as planned.
 *
 * @example deviations(drench, use, stepsWithPourGivenUp, 'us') // ['Pour was not done: it rained.', '0 fl oz went on of …']
 */
export function deviations(
  plan: SubjectPlan,
  use: UseOf<Method>,
  steps: readonly RunningStep[],
  units: UnitSystem,
): string[] {
  const own = isHand(plan.method) ? undefined : putOnMethod(plan.method).deviations
  if (own) return own(plan as PlanOf<PutOnMethod>, steps)
  const show = (amount: number) => showProduct(amount, plan.kind, plan.method, units)
  const found: string[] = []
  for (const step of steps) {
    if (step.kind !== 'task' || step.givenUp === null) continue
    const { name } = sayTask(step.task, plan, use, units)
    const reason = /[.!?]$/.test(step.givenUp) ? step.givenUp : `${step.givenUp}.`
    found.push(
      step.times > 1
        ? `${name}: ${step.done} of ${step.times} were done: ${reason}`
        : step.product > 0
          ? `${name} was given up with ${show(step.left)} of ${show(step.product)} left: ${reason}`
          : `${name} was not done: ${reason}`,
    )
  }
  for (const step of steps) {
    if (step.kind !== 'task' || step.done === 0) continue
    const early = notDried(steps, step)
    if (early) found.push(`${sayTask(step.task, plan, use, units).name}: ${early}.`)
  }
  const applied = productOn(steps)
  // A measure shows its graduations: what it rounds stands in the record beside what was planned.
  const slack = steps.some((s) => s.kind === 'task' && s.amount !== null) ? MEASURED : 1e-6
  if (Math.abs(applied - plan.product) > plan.product * slack)
    found.push(
      `${show(applied)} went on of ${show(plan.product)} prescribed, ${plain((applied / plan.product) * 100, 0)} %.`,
    )
  return found
}
