'use client'
import { useRef, useState } from 'react'
import type { Problem } from '@/core/problem'
import { OUT_OF_REACH } from '../fields/sendVerb'
import type { Sending } from './AskedForm'

const LOST: Problem = {
  code: 'conflict',
  field: 'connection',
  message: OUT_OF_REACH,
}

/** Sends a form to a door that stands before the sign-in: setting up, an invitation, a new password. */
export function useDoor<Answer>(address: string): Sending<Answer> {
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<Problem | null>(null)
  const running = useRef(false)
  async function send(input: Record<string, unknown>): Promise<Answer | null> {
    if (running.current) return null
    running.current = true
    setBusy(true)
    setProblem(null)
    try {
      const answer = await fetch(address, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(input),
      })
      const body = (await answer.json()) as { value: Answer } | { error: Problem }
      if ('value' in body) return body.value
      setProblem(body.error)
    } catch {
      setProblem(LOST)
    } finally {
      running.current = false
      setBusy(false)
    }
    return null
  }
  const clear = () => setProblem(null)
  return { send, busy, problem, renew: clear, clear }
}
