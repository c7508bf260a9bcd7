'use client'
import { useRouter } from 'next/navigation'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { Problem } from '@/core/problem'
import { stepPort, type PortStep, type RunningPort } from '@/core/ports/running'
import type { JobView } from '@/server/read/work'
import { newId } from '@/ui/fields/newId'
import { useVerb } from '@/ui/fields/useVerb'

export type JobTree = JobView['trees'][number]
export type JobPort = JobTree['ports'][number]

export interface PortCommand {
  kind: PortStep['kind'] | 'move'
  reason?: string
  left?: string
  bearing?: number
}

/** The time on the firm's clock, ticking every second. */
export function useNow(serverNow: number): number {
  const [now, setNow] = useState(serverNow)
  useEffect(() => {
    const began = Date.now()
    const timer = setInterval(() => setNow(serverNow + Date.now() - began), 1000)
    return () => clearInterval(timer)
  }, [serverNow])
  return now
}

/**
 * The ports of a job. A step shows at once by the same rule the server keeps, is sent, and is taken back with its
 * reason when the server refuses it.
 */
export function usePorts(view: JobView, now: number) {
  const router = useRouter()
  const { send, problem, clear } = useVerb('mark-port')
  const [ahead, setAhead] = useState<Record<string, RunningPort>>({})
  const [refusal, setRefusal] = useState<Problem | null>(null)
  const queue = useRef<Promise<void>>(Promise.resolve())
  const pending = useRef(0)

  useEffect(() => {
    if (pending.current === 0) setAhead({})
  }, [view])

  const trees = view.trees.map((t) => ({
    ...t,
    ports: t.ports.map((p): JobPort => ({ ...p, ...ahead[p.id] })),
  }))

  const act = useCallback(
    (port: JobPort, command: PortCommand) => {
      clear()
      setRefusal(null)
      if (command.kind !== 'move') {
        const step =
          command.kind === 'give-up'
            ? { kind: command.kind, at: now, reason: command.reason ?? '', left: 0 }
            : { kind: command.kind, at: now }
        const next = stepPort(port, step)
        if (!next.ok) return setRefusal(next.problem)
        setAhead((a) => ({ ...a, [port.id]: next.value }))
      }
      pending.current++
      queue.current = queue.current.then(async () => {
        const done = await send({
          eventId: newId(),
          portId: port.id,
          kind: command.kind,
          reason: command.reason ?? null,
          left: command.left ?? null,
          bearing: command.bearing ?? null,
        })
        pending.current--
        if (done === null)
          setAhead((a) => Object.fromEntries(Object.entries(a).filter(([id]) => id !== port.id)))
        if (pending.current === 0) router.refresh()
      })
    },
    [clear, now, router, send],
  )
  return { trees, act, problem: refusal ?? problem }
}
