import type { RunningStep } from '@/core/methods/running'
import type { JobView } from '@/server/read/work'
import type { Here } from '@/ui/field/withEnvelopes'
import type { Command } from '@/ui/run/useWork'
import type { WorkStep } from '@/ui/run/presses'

/** A step as the page has it: as planned, and as it stands. */
export type JobStep = WorkStep & { state: RunningStep }

/** A tree of a job, as it stands on this device. */
export type JobTree = Omit<JobView['trees'][number], 'steps'> & {
  steps: JobStep[]
  /** What was done with it here and nobody has answered yet. */
  here: Here | null
}

/** What is done on a job, the same for all trees it is done on. */
export type JobItem = JobView['items'][number]

/** A port of a trunk, with its step. */
export type JobPort = Extract<RunningStep, { kind: 'port' }> & { id: string; step: JobStep }

/** Presses of one hand movement, at steps of one or several trees. */
export type Act = (presses: { tree: JobTree; step: JobStep; command: Command }[]) => void

/** True for a tree at which something is still to be done or signed on this device. */
export function isOpen(tree: Pick<JobTree, 'status' | 'here'>): boolean {
  return tree.status === 'open' && tree.here === null
}

/** The ports of a tree, in their order. */
export function portsOf(tree: JobTree): JobPort[] {
  return tree.steps.flatMap((step) =>
    step.state.kind === 'port' ? [{ ...step.state, id: step.id, step }] : [],
  )
}

/** Products of items that go out together, by name. */
export const namesOf = (items: readonly JobItem[]) => items.map((i) => i.product.name).join(' with ')
