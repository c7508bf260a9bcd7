'use client'
import { useCallback, useRef, useState } from 'react'
import type { Problem } from '@/core/problem'
import { stateOf, type FindingState, type Seen } from '@/core/diagnose/almanac'
import type { FindingDetail } from '@/core/diagnose/detail'
import { press, sendVerb } from '@/ui/fields/sendVerb'

const OUT_OF_REACH = 'the server cannot be reached. Press them again when you are in reach.'

/**
 * The findings of an examination: set at once on the screen, kept one after another in the background. A press that
 * cannot be kept is taken back on the screen, and its row says so until it is pressed again. A finding taken over from
 * before brings what was noted beside it.
 */
export function useFindings(
  treeId: string,
  assessmentId: string,
  initial: { seen: Seen; details?: Readonly<Record<string, FindingDetail>> },
) {
  const [seen, setSeen] = useState<Seen>(initial.seen)
  const [details, setDetails] = useState(initial.details ?? {})
  const [problem, setProblem] = useState<Problem | null>(null)
  const [pending, setPending] = useState(0)
  const [refused, setRefused] = useState<ReadonlySet<string>>(new Set())
  /** What the server is known to have. */
  const kept = useRef<Seen>(initial.seen)
  const queue = useRef<Promise<void>>(Promise.resolve())

  const set = useCallback(
    (finding: string, state: FindingState, detail?: FindingDetail) => {
      setSeen((now) => ({ ...now, [finding]: state }))
      if (detail) setDetails((now) => ({ ...now, [finding]: detail }))
      setProblem(null)
      setRefused((now) => without(now, finding))
      setPending((n) => n + 1)
      const pressed = press()
      const noting = detail && press()
      queue.current = queue.current.then(async () => {
        const answer = await sendVerb(
          'set-finding',
          { treeId, assessmentId, finding, state: state === 'not-looked' ? null : state },
          OUT_OF_REACH,
          pressed,
        )
        if (answer.ok) kept.current = { ...kept.current, [finding]: state }
        else {
          setProblem(answer.problem)
          setRefused((now) => new Set(now).add(finding))
          // A later press on the same finding stands; only this one is taken back.
          setSeen((now) =>
            now[finding] === state ? { ...now, [finding]: stateOf(kept.current, finding) } : now,
          )
        }
        if (answer.ok && detail && noting) {
          const noted = await sendVerb(
            'set-detail',
            { treeId, assessmentId, finding, detail },
            OUT_OF_REACH,
            noting,
          )
          if (!noted.ok) {
            setProblem(noted.problem)
            setRefused((now) => new Set(now).add(finding))
          }
        }
        setPending((n) => n - 1)
      })
    },
    [treeId, assessmentId],
  )
  /** Resolves when everything pressed so far is kept or refused. */
  const settled = useCallback(() => queue.current, [])
  return { seen, details, set, problem, saving: pending > 0, settled, refused }
}

function without(all: ReadonlySet<string>, one: string): ReadonlySet<string> {
  return all.has(one) ? new Set([...all].filter((x) => x !== one)) : all
}
