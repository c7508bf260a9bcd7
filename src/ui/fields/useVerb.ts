'use client'
import { useCallback, useRef, useState } from 'react'
import type { Problem } from '@/core/problem'
import { askToSignIn } from '../shell/signInAgain'

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
      try {
        for (;;) {
          const answer = await fetch(`/api/do/${name}`, {
            method: 'POST',
            headers: { 'content-type': 'application/json' },
            body: JSON.stringify(input),
          })
          if (answer.status === 401 && (await askToSignIn())) continue
          const body = (await answer.json()) as { value: Output } | { error: Problem }
          if ('value' in body) return body.value
          setProblem(body.error)
          return null
        }
      } catch {
        setProblem({
          code: 'conflict',
          field: 'connection',
          message:
            'The server cannot be reached. What you typed is still here; try again when you are in reach.',
        })
        return null
      } finally {
        running.current = false
        setBusy(false)
      }
    },
    [name],
  )
  return { send, busy, problem, clear: useCallback(() => setProblem(null), []) }
}
