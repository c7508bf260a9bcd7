'use client'
import { useEffect, useRef, useState } from 'react'
import type { Problem } from '@/core/problem'
import type { AskedStop } from '@/core/roster/weekAsked'
import type { WeekPlan } from '@/core/week/planWeek'
import type { WeekLine } from '@/server/read/week'

/** How planning stands: which site is looked at, or the best plan so far. */
export interface PlanningNow {
  running: boolean
  looking: { sites: number; of: number } | null
  /** How many are planned before this one, with it. */
  waiting: number | null
  plan: WeekPlan | null
  seconds: number
  problem: Problem | null
}

const IDLE: PlanningNow = {
  running: false,
  looking: null,
  waiting: null,
  plan: null,
  seconds: 0,
  problem: null,
}
const LOST: Problem = {
  code: 'conflict',
  field: 'connection',
  message:
    'The server cannot be reached. What is on the board is still here; plan again when you are in reach.',
}

/** Asks the server to plan the week and hears every better plan; stopping keeps the best so far. */
export function usePlanning(heard: {
  days: (days: { stop: string; days: AskedStop['days'] }[]) => void
  plan: (plan: WeekPlan) => void
}): PlanningNow & { start: (anew: boolean) => Promise<void>; stop: () => void } {
  const [now, setNow] = useState(IDLE)
  const hangUp = useRef<AbortController | null>(null)
  const hears = useRef(heard)
  useEffect(() => {
    hears.current = heard
  })
  useEffect(() => () => hangUp.current?.abort(), [])

  function hear(line: WeekLine) {
    switch (line.kind) {
      case 'looking':
        return setNow((n) => ({ ...n, looking: { sites: line.sites, of: line.of } }))
      case 'waiting':
        return setNow((n) => ({ ...n, waiting: line.others }))
      case 'days':
        setNow((n) => ({ ...n, looking: null }))
        return hears.current.days(line.days)
      case 'plan':
        hears.current.plan(line.plan)
        return setNow((n) => ({
          ...n,
          waiting: null,
          plan: line.plan,
          seconds: line.seconds,
          running: !line.done,
        }))
      case 'problem':
        return setNow((n) => ({ ...n, running: false, waiting: null, problem: line.problem }))
    }
  }

  async function start(anew: boolean) {
    hangUp.current?.abort()
    const own = (hangUp.current = new AbortController())
    setNow({ ...IDLE, running: true })
    try {
      const answer = await fetch(`/api/week/plan${anew ? '?anew' : ''}`, {
        method: 'POST',
        signal: own.signal,
      })
      if (!answer.ok) {
        const { error } = (await answer.json()) as { error: Problem }
        return setNow({ ...IDLE, problem: error })
      }
      for await (const line of lines(answer.body!)) hear(JSON.parse(line) as WeekLine)
      setNow((n) => ({ ...n, running: false }))
    } catch {
      if (!own.signal.aborted) setNow((n) => ({ ...n, running: false, problem: LOST }))
    }
  }

  function stop() {
    hangUp.current?.abort()
    setNow((n) => ({ ...n, running: false, looking: null, waiting: null }))
  }
  return { ...now, start, stop }
}

/** A stream of text by its lines. */
async function* lines(body: ReadableStream<Uint8Array>): AsyncGenerator<string> {
  const reader = body
    .pipeThrough(new TextDecoderStream() as never)
    .getReader() as ReadableStreamDefaultReader<string>
  let rest = ''
  for (;;) {
    const { done, value } = await reader.read()
    const parts = (rest + (value ?? '')).split('\n')
    rest = parts.pop()!
    for (const part of parts) if (part) yield part
    if (done) {
      if (rest) yield rest
      return
    }
  }
}
