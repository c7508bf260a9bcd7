'use client'
import { useCallback, useRef, useState } from 'react'
import type { Problem } from '@/core/problem'
import { sendVerb } from './sendVerb'

export interface VerbState<Output> {
  /** Sends the step. Resolves to its value, or null with `problem` set. A second press while it runs does nothing. */
  send: (input: unknown) => Promise<Output | null>
  busy: boolean
  problem: Problem | null
  clear: () => void
}

/**
 * Sends one step of the job from a form. Nothing typed is lost: a problem comes back beside the field, an ended
 * session asks for the password over the page and goes on, a lost connection says so and waits.
 */
export function useVerb<Output = unknown>(name: string): VerbState<Output> {
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<Problem | null>(null)
  const running = useRef(false)

  const send = useCallback(
    async (input: unknown): Promise<Output | null> => {
      if (running.current) return null
      running.current = true
      setBusy(true)
      setProblem(null)
      const result = await sendVerb<Output>(
        name,
        input,
        'The server cannot be reached. What you typed is still here; try again when you are in reach.',
      )
      running.current = false
      setBusy(false)
      if (result.ok) return result.value
      setProblem(result.problem)
      return null
    },
    [name],
  )
  return { send, busy, problem, clear: useCallback(() => setProblem(null), []) }
}
