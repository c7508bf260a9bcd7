'use client'
import { useCallback, useRef, useState } from 'react'
import type { Problem } from '@/core/problem'
import { newId } from './newId'
import { press, sendVerb, type Press } from './sendVerb'

/** A problem with what was sent, so that what stands can be shown beside it. */
export type SentProblem = Problem & { sent?: unknown }

export interface VerbState<Output> {
  /** Sends the step. Resolves to its value, or null with `problem` set. A second press while it runs does nothing. */
  send: (input: unknown) => Promise<Output | null>
  busy: boolean
  problem: SentProblem | null
  clear: () => void
  /** What is typed is meant as a new one: the next press makes another. */
  renew: () => void
}

/**
 * Sends one step of the job from a form. Nothing typed is lost: a problem comes back beside the field, an ended
 * session asks for the password over the page and goes on, a lost connection says so and waits. What the step makes keeps
 * its id (the field `makes` of the input) until an answer came, so that a lost answer and a second press make one thing.
 */
export function useVerb<Output = unknown>(
  name: string,
  { makes }: { makes?: string } = {},
): VerbState<Output> {
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<SentProblem | null>(null)
  const running = useRef(false)
  const made = useRef<string | null>(null)
  const unanswered = useRef<{ json: string; pressed: Press } | null>(null)

  const send = useCallback(
    async (typed: unknown): Promise<Output | null> => {
      if (running.current) return null
      running.current = true
      setBusy(true)
      setProblem(null)
      made.current ??= newId()
      const input = makes ? { [makes]: made.current, ...(typed as object) } : typed
      const json = JSON.stringify(input)
      if (unanswered.current?.json !== json) unanswered.current = { json, pressed: press() }
      const result = await sendVerb<Output>(
        name,
        input,
        'The server cannot be reached. What you typed is still here; try again when you are in reach.',
        unanswered.current.pressed,
      )
      running.current = false
      setBusy(false)
      if (result.ok) {
        made.current = null
        unanswered.current = null
        return result.value
      }
      if (result.problem.field !== 'connection') unanswered.current = null
      setProblem({ ...result.problem, sent: input })
      return null
    },
    [name, makes],
  )
  const clear = useCallback(() => setProblem(null), [])
  const renew = useCallback(() => {
    made.current = null
    unanswered.current = null
    setProblem(null)
  }, [])
  return { send, busy, problem, clear, renew }
}
