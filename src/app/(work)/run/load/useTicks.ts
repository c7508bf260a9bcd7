'use client'
import { useCallback, useRef, useState } from 'react'
import type { LoadLine } from '@/core/loadout/truck'
import type { LoadView } from '@/server/read/load'
import { keepAway, outboxPerson } from '@/ui/field/outbox'
import { newId } from '@/ui/fields/newId'
import { press, sendVerb } from '@/ui/fields/sendVerb'

export type Ticked = Pick<LoadView['ticked'][number], 'state' | 'amount' | 'by' | 'at'>

/** Nobody waits longer for an answer to a tick, ms. */
const ANSWER_MS = 8000
const OUT_OF_REACH = 'The server cannot be reached. Tick it again when you are in reach.'

/**
 * What is on the truck, by the key of each line. A tick stands at once; what cannot be kept is taken back, and its line says why until it
 * is pressed again.
 */
export function useTicks(view: Pick<LoadView, 'crew' | 'date' | 'ticked'>) {
  const [start] = useState<Readonly<Record<string, Ticked>>>(() =>
    Object.fromEntries(view.ticked.map((t) => [t.line, t])),
  )
  const [ticked, setTicked] = useState(start)
  /** What the server is known to have. */
  const kept = useRef(start)
  const [refused, setRefused] = useState<Readonly<Record<string, string>>>({})
  const tick = useCallback(
    async (line: LoadLine, state: Ticked['state']) => {
      const pressed = press()
      const now: Ticked = { state, amount: line.amount, by: 'you', at: pressed.at }
      setTicked((all) => ({ ...all, [line.key]: now }))
      setRefused(({ [line.key]: _, ...rest }) => rest)
      const said = {
        id: newId(),
        crewId: view.crew?.id ?? null,
        onDate: view.date,
        line: line.key,
        name: line.name,
        amount: line.amount,
        state,
      }
      const sent = await sendVerb('note-loaded', said, OUT_OF_REACH, { ...pressed, within: ANSWER_MS })
      // Nobody answered: it is kept here and goes out by itself.
      if (!sent.ok && sent.again && outboxPerson() !== null)
        return keepAway({
          id: said.id,
          job: null,
          at: pressed.at,
          step: 'note-loaded',
          content: said,
          trees: [],
        })
      if (sent.ok) {
        kept.current = { ...kept.current, [line.key]: now }
        return
      }
      setRefused((all) => ({ ...all, [line.key]: sent.problem.message }))
      // A later press on the same line stands; only this one is taken back.
      setTicked(({ [line.key]: stands, ...rest }) => {
        const before = stands === now ? kept.current[line.key] : stands
        return before ? { ...rest, [line.key]: before } : rest
      })
    },
    [view],
  )
  return { ticked, refused, tick }
}
