'use client'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { OwnEntry } from '@/almanac/ownEntry'
import type { Answer } from '@/calc/calculator'
import type { WorthInput } from '@/core/decide/worth'
import type { WorthSpread } from '@/core/decide/worthSpread'
import type { Result } from '@/core/problem'
import type { CalcMessage, CalcReply } from '@/workers/calc.worker'

export interface Reckoned {
  us: Result<Answer>
  si: Result<Answer>
}

export interface Drawing {
  done: number
  draws: number
  spread: WorthSpread | null
  ms: number | null
}

/**
 * Answers a question in a worker, in both unit systems, whenever it changes; and draws a spread of random lives on
 * request, with progress, until stopped. Only the newest question's answer is shown.
 */
export function useReckoning(name: string, question: Record<string, unknown>, own: readonly OwnEntry[]) {
  const [reckoned, setReckoned] = useState<{ name: string; answer: Reckoned } | null>(null)
  const [drawing, setDrawing] = useState<Drawing | null>(null)
  const worker = useRef<Worker | null>(null)
  const newest = useRef({ ask: 0, spread: 0 })
  const asked = JSON.stringify(question)

  useEffect(() => {
    const w = new Worker(new URL('../../workers/calc.worker.ts', import.meta.url))
    worker.current = w
    return () => {
      w.terminate()
      worker.current = null
    }
  }, [])

  useEffect(() => {
    const w = worker.current
    if (!w) return
    const id = ++newest.current.ask
    w.onmessage = (event: MessageEvent<CalcReply>) => {
      const reply = event.data
      if (reply.kind === 'answer') {
        if (reply.id === id) setReckoned({ name, answer: { us: reply.us, si: reply.si } })
      } else if (reply.id !== newest.current.spread) return
      else if (reply.kind === 'progress')
        setDrawing({ done: reply.done, draws: reply.draws, spread: null, ms: null })
      else
        setDrawing(
          reply.spread.ok
            ? {
                done: reply.spread.value.draws,
                draws: reply.spread.value.draws,
                spread: reply.spread.value,
                ms: reply.ms,
              }
            : null,
        )
    }
    w.postMessage({
      id,
      kind: 'ask',
      name,
      request: JSON.parse(asked) as Record<string, unknown>,
      own,
    } satisfies CalcMessage)
    // What was drawn belongs to the question before.
    newest.current.spread += 1
    setDrawing(null)
  }, [name, asked, own])

  const draw = useCallback(
    (draws: number) => {
      const id = ++newest.current.spread
      setDrawing({ done: 0, draws, spread: null, ms: null })
      worker.current?.postMessage({
        id,
        kind: 'spread',
        input: JSON.parse(asked) as WorthInput,
        draws,
        seed: id,
      } satisfies CalcMessage)
    },
    [asked],
  )
  const stop = useCallback(() => {
    worker.current?.postMessage({ id: newest.current.spread, kind: 'stop' } satisfies CalcMessage)
    newest.current.spread += 1
    setDrawing(null)
  }, [])

  return { reckoned: reckoned?.name === name ? reckoned.answer : null, drawing, draw, stop }
}
