import type { StepEvent } from '@/core/methods/running'
import { sayTask } from '@/core/methods/say'
import type { JobItem, JobStep, JobTree } from './job'

const PORT: Partial<Record<StepEvent['kind'], string>> = {
  drill: 'drilled',
  start: 'set, clock started',
  stop: 'empty, clock stopped',
  out: 'out and counted',
  move: 'moved',
  'give-up': 'given up',
}

/**
 * What a hand did at once, in words: where, and what.
 *
 * @example sayMovement(presses, items) // "14 ports of Ash 14 out and counted"
 */
export function sayMovement(
  presses: readonly { tree: JobTree; step: JobStep; event: StepEvent }[],
  items: readonly JobItem[],
): string {
  const [{ tree, step, event } = {}] = presses
  if (!tree || !step || !event) return ''
  const tags = [...new Set(presses.map((p) => p.tree.tag))]
  const at = tags.length === 1 ? tags[0]! : `${tags.length} trees`
  const { what } = step
  if (what.kind === 'port') {
    const of = presses.length === 1 ? `port ${step.n}` : `${presses.length} ports`
    return `${of} of ${at} ${PORT[event.kind] ?? ''}`
  }
  const { use } = items.find((i) => i.id === tree.itemId)!
  const names = [
    ...new Set(
      presses.flatMap((p) =>
        p.step.what.kind === 'task' ? [sayTask(p.step.what.task, p.tree.plan, use, 'us').name] : [],
      ),
    ),
  ]
  return `${names.join(', ')} ${event.kind === 'give-up' ? 'not done' : 'done'} at ${at}`
}
