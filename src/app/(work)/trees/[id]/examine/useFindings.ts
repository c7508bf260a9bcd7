'use client'
import { useCallback, useRef, useState } from 'react'
import type { Problem } from '@/core/problem'
import type { FindingState, Seen } from '@/core/diagnose/almanac'
import { press, sendVerb } from '@/ui/fields/sendVerb'

/**
 * The findings of an examination: set at once on the screen, kept one after another in the background. A press that
 * cannot be kept is taken back on the screen, and its row says so until it is pressed again.
 */
export function useFindings(treeId: string, assessmentId: string, initial: Seen) {
  const [seen, setSeen] = useState<Seen>(initial)
  const [problem, setProblem] = useState<Problem | null>(null)
  const [pending, setPending] = useState(0)
  const [refused, setRefused] = useState<ReadonlySet<string>>(new Set())
  /** What the server is known to have. */
  const kept = useRef<Seen>(initial)
  const queue = useRef<Promise<void>>(Promise.resolve())

  const set = useCallback(
    (finding: string, state: FindingState) => {
      setSeen((now) => ({ ...now, [finding]: state }))
      setProblem(null)
      setRefused((now) => without(now, finding))
      setPending((n) => n + 1)
      const pressed = press()
      queue.current = queue.current.then(async () => {
        const answer = await sendVerb(
          'set-finding',
          { treeId, assessmentId, finding, state: state === 'not-looked' ? null : state },
          'the server cannot be reached. Press them again when you are in reach.',
          pressed,
        )
        if (answer.ok) kept.current = { ...kept.current, [finding]: state }
        else {
          setProblem(answer.problem)
          setRefused((now) => new Set(now).add(finding))
          // A later press on the same finding stands; only this one is taken back.
          setSeen((now) =>
            now[finding] === state ? { ...now, [finding]: kept.current[finding] ?? 'not-looked' } : now,
          )
        }
        setPending((n) => n - 1)
      })
    },
    [treeId, assessmentId],
  )
  /** Resolves when everything pressed so far is kept or refused. */
  const settled = useCallback(() => queue.current, [])
  return { seen, set, problem, saving: pending > 0, settled, refused }
}

function without(all: ReadonlySet<string>, one: string): ReadonlySet<string> {
  return all.has(one) ? new Set([...all].filter((x) => x !== one)) : all
}
