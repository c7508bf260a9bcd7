import { createContext, useContext, useEffect, useMemo, useRef } from 'react'
import type { FieldStep } from '@/core/field/envelope'
import type { Problem } from '@/core/problem'
import { dateIn } from '@/core/time/calendar'
import type { Asks } from '@/server/verbs'
import type { Keeping } from '@/ui/fields/useVerb'
import { firmNow } from '@/ui/shell/firmClock'
import { keepAway, outboxNow, outboxPerson } from './outbox'

/** The job that is worked on, as a rule without a server needs it. */
export interface JobAtHand {
  /** None where it is of a whole day. */
  id: string | null
  onDate: string
  /** The site’s. */
  timeZone: string
}

/** Says to the forms within which job they are of. Where none is said, nothing is kept without an answer. */
export const OfJob = createContext<JobAtHand | null>(null)

/**
 * How a step of a job is kept on this device where nobody answers: checked by the rules that hold without the server (`check`), written
 * down, and shown as done. What waits of the job goes before it.
 *
 * @example const by = useStep('hand-back', undefined, useKeeping('hand-back', { trees: (i) => i.jobSubjectIds }))
 */
export function useKeeping<Name extends FieldStep>(
  step: Name,
  of: {
    trees: (input: Asks<Name>) => readonly string[]
    /** `today` at the site. */
    check?: (input: Asks<Name>, at: { onDate: string; today: string }) => Problem | null
  },
): Keeping<Asks<Name>> {
  const job = useContext(OfJob)
  const newest = useRef({ ...of, job })
  useEffect(() => {
    newest.current = { ...of, job }
  })
  return useMemo(
    () => ({
      waits: () => {
        const id = newest.current.job?.id ?? null
        return outboxNow().waiting.some((e) => id === null || e.job === id)
      },
      keep: async (input, pressed) => {
        const { job: at, trees, check } = newest.current
        if (outboxPerson() === null || at === null) return null
        const { onDate, timeZone } = at
        const problem = check?.(input, { onDate, today: dateIn(timeZone, new Date(firmNow())) }) ?? null
        if (problem) return problem
        const { id } = input as { id?: string }
        await keepAway({
          id: id ?? pressed.step,
          job: at.id,
          at: pressed.at,
          step,
          content: input,
          trees: [...trees(input)],
        })
        return true
      },
    }),
    [step],
  )
}
