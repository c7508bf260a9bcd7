'use client'
import type { Problem, Result } from '@/core/problem'
import type { Answers, Asks, VerbName } from '@/server/verbs'
import { firmNow } from '../shell/firmClock'
import { askToSignIn } from '../shell/signInAgain'
import { newId } from './newId'

/** One press: its id, by which a repeat is recognised, and when it was. */
export interface Press {
  step: string
  at: number
}

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
): Promise<Result<Answers<Name>>> {
  try {
    for (;;) {
      const answer = await fetch(`/api/do/${name}`, {
        method: 'POST',
        headers: {
          'content-type': 'application/json',
          'idempotency-key': pressed.step,
          'elmhorn-at': String(Math.round(pressed.at)),
        },
        body: JSON.stringify(input),
      })
      if (answer.status === 401 && (await askToSignIn())) continue
      const body = (await answer.json()) as { value: Answers<Name> } | { error: Problem }
      return 'value' in body ? { ok: true, value: body.value } : { ok: false, problem: body.error }
    }
  } catch {
    return { ok: false, problem: { code: 'conflict', field: 'connection', message: lost } }
  }
}
