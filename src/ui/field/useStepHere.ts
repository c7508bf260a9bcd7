import { useMemo, useRef } from 'react'
import type { FieldStep } from '@/core/field/envelope'
import type { Answers } from '@/server/verbs'
import type { Sending } from '../form/AskedForm'
import { useStep } from '../form/useStep'
import { keepAway, outboxNow, outboxPerson } from './outbox'

/** What a step answers that nobody answered and that is kept on this device. */
export const KEPT_ON_DEVICE = 'kept on this device'

/**
 * Sends a form about a tree as one step; where nobody answers it is kept on this device and goes out with the next signal, behind whatever
 * waits of the tree.
 *
 * @example const by = useStepHere('change-tree', tree.id) // send() answers KEPT_ON_DEVICE without a signal
 */
export function useStepHere<Name extends FieldStep>(
  step: Name,
  treeId: string,
): Sending<Answers<Name> | typeof KEPT_ON_DEVICE> {
  const kept = useRef(false)
  const by = useStep(
    step,
    undefined,
    useMemo(
      () => ({
        waits: () => outboxNow().waiting.some((e) => e.trees.includes(treeId)),
        keep: async (input, pressed) => {
          if (outboxPerson() === null) return null
          await keepAway({
            id: pressed.step,
            job: null,
            at: pressed.at,
            step,
            content: { ...input },
            trees: [treeId],
          })
          return (kept.current = true)
        },
      }),
      [step, treeId],
    ),
  )
  return {
    ...by,
    send: async (input) => {
      kept.current = false
      const answer = await by.send(input)
      return answer === null && kept.current ? KEPT_ON_DEVICE : answer
    },
  }
}
