import { isFromTank } from '@/core/methods/crown-spray/isFromTank'
import { byAdding } from '@/core/methods/crown-spray/tank'
import { isBegun, isOver } from '@/core/methods/running'
import { readProduct } from '@/core/methods/readProduct'
import type { SubjectPlan } from '@/core/methods/plan'
import type { Act, JobItem, JobTree } from './job'

/** What else comes out of the tank of an item, in the same block. */
export function matesOf(items: readonly JobItem[], item: JobItem): JobItem[] {
  return item.tank === null
    ? []
    : items.filter((i) => i.id !== item.id && i.tank === item.tank && i.block === item.block)
}

/** Items as the crew works them: what shares a tank is one, under the first of it. */
export function worksOf(items: readonly JobItem[]): JobItem[] {
  return items.filter((i) => !matesOf(items, i).some((m) => items.indexOf(m) < items.indexOf(i)))
}

/** The same tree under what else comes out of the tank. */
export function besides(trees: readonly JobTree[], mates: readonly JobItem[], tree: JobTree): JobTree[] {
  return trees.filter(
    (t) => t.treeId === tree.treeId && t.status === tree.status && mates.some((m) => m.id === t.itemId),
  )
}

/** Presses at a tree, done at everything that comes out of the same tank. What is left of one is left of all alike. */
export function withBesides(
  presses: Parameters<Act>[0],
  of: (tree: JobTree) => readonly JobTree[],
): Parameters<Act>[0] {
  return presses.flatMap((press) => {
    const { step, command, tree } = press
    if (step.what.kind !== 'task') return [press]
    const { task } = step.what
    return [
      press,
      ...of(tree).flatMap((other) => {
        const same = other.steps.find((s) => s.what.kind === 'task' && s.what.task === task)
        if (!same || (command.kind === 'undo' ? !stands(same.state) : isOver(same.state))) return []
        const left =
          command.left === undefined
            ? undefined
            : alike(command.left, [tree.plan, step.what.product], [other.plan, productAt(same)])
        return [{ tree: other, step: same, command: { ...command, ...(left !== undefined && { left }) } }]
      }),
    ]
  })
}

const stands = (state: JobTree['steps'][number]['state']) =>
  isBegun(state) || (state.kind === 'task' && state.givenUp !== null)
const productAt = (step: JobTree['steps'][number]) => (step.what.kind === 'task' ? step.what.product : 0)

/** The same share of another product, as it would be typed. */
function alike(
  typed: string,
  [plan, of]: [SubjectPlan, number],
  [other, whole]: [SubjectPlan, number],
): string {
  const read = readProduct(typed, plan, 'left', 'What is left')
  if (!read.ok || of === 0) return typed
  const amount = (read.value.si / of) * whole
  return other.kind === 'liquid' ? `${(amount * 1e6).toFixed(6)} mL` : `${(amount * 1e3).toFixed(6)} g`
}

/** What goes into the tank for trees, in the order of adding. */
export function tankOf(
  trees: readonly JobTree[],
  items: readonly JobItem[],
): { spray: number; products: { name: string; product: number; plan: SubjectPlan }[] } {
  const products = items.flatMap((item) => {
    const own = trees.filter((t) => t.itemId === item.id)
    const plan = own[0]?.plan
    return plan
      ? [{ name: item.product.name, product: own.reduce((n, t) => n + t.plan.product, 0), plan }]
      : []
  })
  return {
    spray: trees
      .filter((t) => t.itemId === items[0]?.id)
      .reduce((n, t) => n + (isFromTank(t.plan) ? t.plan.shape.spray : 0), 0),
    products: byAdding(products, (p) => p.plan.kind),
  }
}
