'use client'
import { useRouter } from 'next/navigation'
import { useCallback, useEffect, useRef, useState } from 'react'
import type { Problem } from '@/core/problem'
import { stageOf, stepPort, type PortStep, type RunningPort } from '@/core/ports/running'
import { newId } from '@/ui/fields/newId'
import { sendVerb } from '@/ui/fields/sendVerb'
import { firmNow } from '@/ui/shell/firmClock'

/** A port of a job on the screen. */
type Port = RunningPort & { id: string }

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

/** A step shown before the server's page shows it. */
interface Ahead {
  port: RunningPort
  /** When the server kept it; null while it is on its way. */
  keptAt: number | null
}

const PATIENCE_MS = 3000

/**
 * The ports of a job. A step shows at once by the same rule the server keeps, is sent, and is taken back with its
 * reason when the server refuses it.
 */
export function usePorts<P extends Port, Tree extends { ports: P[] }>(view: { trees: Tree[] }, now: number) {
  const router = useRouter()
  const [ahead, setAhead] = useState<Record<string, Ahead>>({})
  const [refusal, setRefusal] = useState<Problem | null>(null)
  const queue = useRef<Promise<void>>(Promise.resolve())
  const pending = useRef(0)
  const unanswered = useRef<Record<string, { eventId: string; at: number }>>({})
  const [sending, setSending] = useState(false)

  // A page that was fetched before a press arrived must not undo it on the screen: a step stays ahead until the
  // server shows it too, or has had long enough to.
  useEffect(() => {
    const onServer = new Map(view.trees.flatMap((t) => t.ports.map((p) => [p.id, p])))
    setAhead((now) =>
      Object.fromEntries(
        Object.entries(now).filter(([id, a]) => {
          const port = onServer.get(id)
          if (!port || (a.keptAt !== null && stageOf(port) === stageOf(a.port))) return false
          return a.keptAt === null || Date.now() - a.keptAt < PATIENCE_MS
        }),
      ),
    )
  }, [view])

  const trees = view.trees.map((t) => ({
    ...t,
    ports: t.ports.map((p): P => ({ ...p, ...ahead[p.id]?.port })),
  }))

  const act = useCallback(
    (port: P, command: PortCommand) => {
      setRefusal(null)
      const pressedAt = firmNow()
      if (command.kind !== 'move') {
        const step =
          command.kind === 'give-up'
            ? { kind: command.kind, at: now, reason: command.reason ?? '', left: 0 }
            : { kind: command.kind, at: now }
        const next = stepPort(port, step)
        if (!next.ok) return setRefusal(next.problem)
        setAhead((a) => ({ ...a, [port.id]: { port: next.value, keptAt: null } }))
      }
      pending.current++
      setSending(true)
      queue.current = queue.current.then(async () => {
        const key = `${port.id} ${command.kind}`
        // A press whose answer was lost goes out again as the same press.
        const event = (unanswered.current[key] ??= { eventId: newId(), at: pressedAt })
        const answer = await sendVerb(
          'mark-port',
          {
            eventId: event.eventId,
            portId: port.id,
            kind: command.kind,
            reason: command.reason ?? null,
            left: command.left ?? null,
            bearing: command.bearing ?? null,
          },
          'The server cannot be reached, so the last press is not kept yet. Press it again when you are in reach.',
          { step: event.eventId, at: event.at },
        )
        const done = answer.ok
        if (answer.ok || answer.problem.field !== 'connection') delete unanswered.current[key]
        if (!answer.ok) setRefusal(answer.problem)
        pending.current--
        setAhead((a) => {
          const { [port.id]: own, ...rest } = a
          if (!done || !own) return rest
          return { ...rest, [port.id]: { ...own, keptAt: Date.now() } }
        })
        if (pending.current === 0) {
          setSending(false)
          router.refresh()
        }
      })
    },
    [now, router],
  )
  return { trees, act, sending, problem: refusal }
}
