'use client'
import { useCallback, useRef, useState } from 'react'
import type { Problem } from '@/core/problem'
import type { FindingState, Seen } from '@/core/diagnose/almanac'
import { askToSignIn } from '@/ui/shell/signInAgain'

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
        const failed = await keep({
          treeId,
          assessmentId,
          finding,
          state: state === 'not-looked' ? null : state,
        })
        if (failed) {
          setProblem(failed)
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

async function keep(input: unknown): Promise<Problem | null> {
  try {
    for (;;) {
      const answer = await fetch('/api/do/set-finding', {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(input),
      })
      if (answer.ok) return null
      if (answer.status === 401 && (await askToSignIn())) continue
      return ((await answer.json()) as { error: Problem }).error
    }
  } catch {
    return {
      code: 'conflict',
      field: 'connection',
      message:
        'The server cannot be reached, so the last press was not kept. Press it again when you are in reach.',
    }
  }
}
