import type { RunningStep } from '@/core/methods/running'
import { unpack, type Packed } from '@/core/packed'
import type { SubjectPlan } from '@/core/methods/plan'
import { shownState, type WorkStep } from '@/ui/run/presses'
import { envelopesOf, viewsOf } from './deviceStore'
import { jobKey } from './fetchJob'
import { batchesOf } from './outbox'

/** What is read here of a job that is kept whole. */
interface Kept {
  job: { id: string; siteId: string; siteName: string; crewId: string | null; crew: string | null }
  trees: { id: string; tag: string; status: string; plan: SubjectPlan; steps: WorkStep[] }[]
}

/** A job as it is kept on this device, with how each step of its trees stands here. */
export interface JobHere {
  view: Kept
  trees: (Kept['trees'][number] & { states: RunningStep[] })[]
}

/** The jobs kept on this device as it knows them: with what is pressed here and not answered. */
export async function jobsHere(person: string): Promise<JobHere[]> {
  const batches = batchesOf(await envelopesOf(person))
  return (await viewsOf(person, jobKey(''))).map(({ value }) => {
    const view = unpack(value as Packed<Kept>)
    return {
      view,
      trees: view.trees.map((tree) => ({ ...tree, states: tree.steps.map((s) => shownState(s, batches)) })),
    }
  })
}
