'use client'
import { useCallback, useRef, useState } from 'react'
import type { Problem } from '@/core/problem'
import type { FindingState, Seen } from '@/core/diagnose/almanac'
import { sendVerb } from '@/ui/fields/sendVerb'

/**
 * The findings of an examination: set at once on the screen, kept one after another in the background. A press that
 * cannot be kept is taken back on the screen and said.
 */
export function useFindings(treeId: string, assessmentId: string, initial: Seen) {
  const [seen, setSeen] = useState<Seen>(initial)
  const [problem, setProblem] = useState<Problem | null>(null)
  const [pending, setPending] = useState(0)
  const queue = useRef<Promise<void>>(Promise.resolve())

  const set = useCallback(
    (finding: string, state: FindingState) => {
      let before: FindingState | undefined
      setSeen((now) => {
        before = now[finding]
        return { ...now, [finding]: state }
      })
      setProblem(null)
      setPending((n) => n + 1)
      queue.current = queue.current.then(async () => {
        const kept = await sendVerb(
          'set-finding',
          { treeId, assessmentId, finding, state: state === 'not-looked' ? null : state },
          'The server cannot be reached, so the last press was not kept. Press it again when you are in reach.',
        )
        if (!kept.ok) {
          setProblem(kept.problem)
          setSeen((now) => ({ ...now, [finding]: before ?? 'not-looked' }))
        }
        setPending((n) => n - 1)
      })
    },
    [treeId, assessmentId],
  )
  /** Resolves when everything pressed so far is kept or refused. */
  const settled = useCallback(() => queue.current, [])
  return { seen, set, problem, saving: pending > 0, settled }
}
