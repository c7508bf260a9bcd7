'use client'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { Problem } from '@/core/problem'
import type { Answers, Asks, VerbName } from '@/server/verbs'
import { newId } from './newId'
import { OUT_OF_REACH, press, sendVerb, type Press, type Sent } from './sendVerb'

/** A problem with what was sent, so that what stands can be shown beside it. `again`: no rule refused it. */
export type SentProblem = Problem & { sent?: unknown; again?: boolean }

/** What a form may send: nothing chosen yet, or letters where a number is meant, are the server's to speak about. */
export type Typed<Input> = {
  [Key in keyof Input]: Input[Key] | null | (Extract<Input[Key], number> extends never ? never : string)
}

export interface VerbState<Name extends VerbName, Made extends string> {
  /** Sends the step. Resolves to its value, or null with `problem` set. A second press while it runs does nothing. */
  send: (input: Typed<Omit<Asks<Name>, Made>>) => Promise<Answers<Name> | null>
  busy: boolean
  problem: SentProblem | null
  clear: () => void
  /** What is typed is meant as a new one: the next press makes another. */
  renew: () => void
}

/** How a step is kept on the device where nobody answers. */
export interface Keeping<Input> {
  /** Something that comes before it waits already: it goes out behind that, and is not sent by itself. */
  waits: () => boolean
  /** Keeps it as the same press; true once it is kept, why it may not be done, or null where nothing is kept here. */
  keep: (input: Input, pressed: Press) => Promise<true | Problem | null>
}

const NOBODY_ANSWERED: Sent<never> = {
  ok: false,
  problem: { code: 'conflict', field: 'connection', message: OUT_OF_REACH },
  again: true,
}

/** Nobody waits longer with a hand at the tree, ms. */
const AT_HAND_MS = 8000

/**
 * Sends one step of the job from a form. Nothing typed is lost: a problem comes back beside the field, an ended
 * session asks for the password over the page and goes on, a lost connection says so and waits. What the step makes keeps
 * its id (the field `makes` of the input) until an answer came, so that a lost answer and a second press make one thing.
 */
export function useVerb<Name extends VerbName, Made extends string = never>(
  name: Name,
  { makes, keeping }: { makes?: Made; keeping?: Keeping<Asks<Name>> } = {},
): VerbState<Name, Made> {
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<SentProblem | null>(null)
  const running = useRef(false)
  const made = useRef<string | null>(null)
  const unanswered = useRef<{ json: string; pressed: Press } | null>(null)

  const send = useCallback(
    async (typed: Typed<Omit<Asks<Name>, Made>>): Promise<Answers<Name> | null> => {
      if (running.current) return null
      running.current = true
      setBusy(true)
      setProblem(null)
      made.current ??= newId()
      const input = (makes ? { [makes]: made.current, ...typed } : typed) as unknown as Asks<Name>
      const json = JSON.stringify(input)
      if (unanswered.current?.json !== json) unanswered.current = { json, pressed: press() }
      const { pressed } = unanswered.current
      const result = keeping?.waits()
        ? NOBODY_ANSWERED
        : await sendVerb(name, input, OUT_OF_REACH, { ...pressed, ...(keeping && { within: AT_HAND_MS }) })
      const kept = !result.ok && result.again && keeping ? await keeping.keep(input, pressed) : null
      running.current = false
      setBusy(false)
      if (result.ok) {
        made.current = null
        unanswered.current = null
        return result.value
      }
      if (kept === true) {
        made.current = null
        unanswered.current = null
        return null
      }
      if (kept !== null) {
        setProblem({ ...kept, sent: input })
        return null
      }
      // What no rule refused goes as the same press when it is pressed again.
      if (!result.again) unanswered.current = null
      setProblem({ ...result.problem, sent: input, again: result.again })
      return null
    },
    [name, makes, keeping],
  )
  const clear = useCallback(() => setProblem(null), [])
  // A sentence about what was typed goes when it is typed anew; a question holds for exactly what it was asked about.
  useEffect(() => {
    if (!problem) return
    const typed = (event: Event) => {
      const field = event.target as Element
      if (problem.code === 'doubt' || field.getAttribute('aria-invalid') === 'true') setProblem(null)
    }
    document.addEventListener('input', typed)
    return () => document.removeEventListener('input', typed)
  }, [problem])
  const renew = useCallback(() => {
    made.current = null
    unanswered.current = null
    setProblem(null)
  }, [])
  return { send, busy, problem, clear, renew }
}
