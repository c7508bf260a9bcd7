'use client'
import type { Problem, Result } from '@/core/problem'
import { askToSignIn } from '../shell/signInAgain'

/**
 * Sends one step of the job and answers its value or its problem. An ended session asks for the password over the page
 * and goes on; a lost connection is a problem too, in the words `lost`.
 */
export async function sendVerb<Output>(name: string, input: unknown, lost: string): Promise<Result<Output>> {
  try {
    for (;;) {
      const answer = await fetch(`/api/do/${name}`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(input),
      })
      if (answer.status === 401 && (await askToSignIn())) continue
      const body = (await answer.json()) as { value: Output } | { error: Problem }
      return 'value' in body ? { ok: true, value: body.value } : { ok: false, problem: body.error }
    }
  } catch {
    return { ok: false, problem: { code: 'conflict', field: 'connection', message: lost } }
  }
}
