import { type HandName, type PutOnMethod, isHand } from './names'
import type { Method } from '../card/card'
import type { UnitSystem } from '../quantity/format'
import type { Length } from '../quantity/units'
import { handMethod } from './hand'
import type { SaidTask } from './saidTask'
import type { PlanOf, SubjectPlan, UseOf } from './plan'
import { saidOf } from './planByHand'
import { putOnMethod } from './putOn'
import { showProduct } from './showProduct'

const amountOf = (plan: SubjectPlan, units: UnitSystem) =>
  showProduct(plan.product, plan.kind, plan.method, units)

/** A task of a plan in words. A task the method does not know, as a later version may, is said by its own name. */
export function sayTask(task: string, plan: SubjectPlan, use: UseOf<Method>, units: UnitSystem): SaidTask {
  if (isHand(plan.method)) {
    const step = plan.steps.find((s) => s.kind === 'task' && s.task === task)
    return handMethod(plan.method).say(task, {
      ...saidOf(plan as PlanOf<HandName>, use as UseOf<HandName>, units),
      times: step?.kind === 'task' ? step.times : 1,
    })
  }
  const tasks = putOnMethod(plan.method).tasks(
    plan as PlanOf<PutOnMethod>,
    use as UseOf<PutOnMethod>,
    units,
    amountOf(plan, units),
  )
  return tasks[task] ?? { name: task, text: '' }
}

/** What a tree gets, in one line of a list. `sayPlan(drench, 'us')` is "2.4 fl oz in 1 gal of water". */
export function sayPlan(plan: SubjectPlan, use: UseOf<Method>, units: UnitSystem): string {
  if (isHand(plan.method))
    return handMethod(plan.method).inOneLine(saidOf(plan as PlanOf<HandName>, use as UseOf<HandName>, units))
  return putOnMethod(plan.method).inOneLine(plan as PlanOf<PutOnMethod>, amountOf(plan, units), units)
}

/** What of its method a card's use says of the equipment, for the record. */
export function sayEquipment(use: UseOf<Method>): string {
  return isHand(use.method)
    ? handMethod(use.method).kit
    : putOnMethod(use.method).equipment(use as UseOf<PutOnMethod>)
}

/** The label's range in its own words, with what its inch is of; null where it gives none. */
export function rangeOf(use: UseOf<Method>): { low: string; high: string; of: string } | null {
  return isHand(use.method) ? null : putOnMethod(use.method).range(use as UseOf<PutOnMethod>)
}

/** How far a plan reaches over the ground from the middle of the trunk; null where only the trunk or the crown is wetted. */
export function reachOf(plan: SubjectPlan): Length | null {
  return isHand(plan.method) ? null : (putOnMethod(plan.method).reach?.(plan as PlanOf<PutOnMethod>) ?? null)
}

/** The chosen rate in words. `sayRate(0.5)` is "50 % from low to high". */
export function sayRate(choice: number): string {
  if (choice === 0) return 'low'
  return choice === 1 ? 'high' : `${Math.round(choice * 100)} % from low to high`
}
