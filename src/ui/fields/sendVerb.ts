'use client'
import type { Problem } from '@/core/problem'
import type { Answers, Asks, VerbName } from '@/server/verbs'
import { firmNow } from '../shell/firmClock'
import { askToSignIn } from '../shell/askToSignIn'
import { newId } from './newId'

/** What a form says when the server cannot be reached. */
export const OUT_OF_REACH =
  'The server cannot be reached. What you typed is still here; try again when you are in reach.'

/** One press: its id, by which a repeat is recognised, and when it was. */
export interface Press {
  step: string
  at: number
  /** Who pressed; nobody else’s session takes it. The one who is signed in where it is left out. */
  by?: string
  /** An answer that comes later than so many ms is none. */
  within?: number
}

/** What came of a step. `again`: no rule refused it, so the same press may be sent once more and be taken. */
export type Sent<T> = { ok: true; value: T } | { ok: false; problem: Problem; again: boolean }

/** True for an answer that refuses nothing: the session ended, somebody else’s is open, too much was asked, or the server cannot now. */
export const refusesNothing = (status: number, problem: Problem) =>
  [401, 408, 425, 429].includes(status) || status >= 500 || problem.field === 'person'

/** A press made now. */
export function press(): Press {
  return { step: newId(), at: firmNow() }
}

/**
 * Sends one step of the job and answers its value or its problem. An ended session asks for the password over the page
 * and goes on; a lost connection is a problem too, in the words `lost`. A press that is sent again goes as the same press.
 */
export async function sendVerb<Name extends VerbName>(
  name: Name,
  input: Asks<Name>,
  lost: string,
  pressed: Press = press(),
): Promise<Sent<Answers<Name>>> {
  try {
    for (;;) {
      const answer = await fetch(`/api/do/${name}`, {
        method: 'POST',
        headers: {
          'content-type': 'application/json',
          'idempotency-key': pressed.step,
          'elmhorn-at': String(Math.round(pressed.at)),
          ...(pressed.by !== undefined && { 'elmhorn-by': pressed.by }),
        },
        body: JSON.stringify(input),
        ...(pressed.within !== undefined && { signal: AbortSignal.timeout(pressed.within) }),
      })
      if (answer.status === 401 && (await askToSignIn())) continue
      const body = (await answer.json()) as { value: Answers<Name> } | { error: Problem }
      return 'value' in body
        ? { ok: true, value: body.value }
        : { ok: false, problem: body.error, again: refusesNothing(answer.status, body.error) }
    }
  } catch {
    return { ok: false, problem: { code: 'conflict', field: 'connection', message: lost }, again: true }
  }
}
