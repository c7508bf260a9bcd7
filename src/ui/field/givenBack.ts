import type { Problem } from '@/core/problem'
import type { KeptEnvelope, RefusedEnvelope } from './deviceStore'

/** What was seen at a tree, or noted of it. */
export const isSeen = ({ step }: KeptEnvelope) => step === 'set-finding' || step === 'set-detail'

/**
 * What a refusal takes with it of what waits: what was pressed on top of it at the same steps rests on what is not so; so does what else
 * was seen at a tree whose examination is not open.
 */
export function givenBack(
  envelope: KeptEnvelope,
  problem: Problem,
  waiting: readonly KeptEnvelope[],
): { fallen: Set<string>; refused: RefusedEnvelope } {
  const rests = isSeen(envelope)
    ? (e: KeptEnvelope) => isSeen(e) && e.trees[0] === envelope.trees[0]
    : (e: KeptEnvelope) =>
        e.presses?.some((p) => envelope.presses?.some((own) => own.stepId === p.stepId)) === true
  const down = waiting.filter((e) => e.id === envelope.id || rests(e))
  const { id, job, trees } = envelope
  const stepIds = isSeen(envelope)
    ? [...new Set(down.map((e) => e.content['finding'] as string))]
    : (envelope.presses ?? []).map((p) => p.stepId)
  return { fallen: new Set(down.map((e) => e.id)), refused: { id, job, trees, stepIds, problem } }
}
