'use client'
import type { Method } from '@/core/card/card'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import type { Problem } from '@/core/problem'
import { readProduct } from '@/core/methods/readProduct'
import { newId } from '@/ui/fields/newId'
import { sendVerb } from '@/ui/fields/sendVerb'
import { firmNow } from '@/ui/shell/firmClock'
import {
  lastStanding,
  shownState,
  stepNow,
  stillAhead,
  type Batch,
  type Press,
  type WorkStep,
} from './presses'
import { useResting } from './useResting'

/** What a hand does at a step. */
export type Command = Omit<Press, 'eventId' | 'stepId' | 'of'>

interface Tree {
  id: string
  tag: string
  status: string
  plan: { kind: 'liquid' | 'weight'; method: Method }
  steps: WorkStep[]
}

/** A refusal and the steps it is about. */
export interface Refused {
  stepIds: string[]
  problem: Problem
}

/** Said in a panel of its own, never where the finger of the press before it still is; a port is moved by quick presses. */
const APART: ReadonlySet<Command['kind']> = new Set(['give-up', 'move'])
/** Tried again after so long; then twice as long, up to the last. */
const AGAIN_MS = 2000
const LONGEST_MS = 15_000
/** Others may be at work on the same job: it is asked for anew this often. */
const ASK_MS = 12_000

const keyOf = (job: string) => `elmhorn-presses-${job}`

function keptBefore(job: string): Batch[] {
  try {
    return JSON.parse(localStorage.getItem(keyOf(job)) ?? '[]') as Batch[]
  } catch {
    return []
  }
}

/**
 * The work of a job on a device. A press shows at once by the same fold the server keeps, is written down on the device, and is
 * sent until it is answered, in the order of the hands and with the device's time; nothing on the screen goes away with the
 * signal. What the server refuses is taken back with its reason at the steps it is about.
 *
 * `fetchView` asks for the job as it stands now; null when it cannot be had.
 */
export function useWork<T extends Tree, View extends { job: { id: string }; trees: T[] }>(
  first: View,
  fetchView: () => Promise<View | null>,
) {
  const jobId = first.job.id
  const [view, setView] = useState(first)
  const [batches, setBatches] = useState<Batch[]>([])
  const [waiting, setWaiting] = useState(0)
  /** Tried again after so long; null while in reach. */
  const [retry, setRetry] = useState<{ inMs: number } | null>(null)
  const [refused, setRefused] = useState<Refused | null>(null)
  const queue = useRef<Batch[]>([])
  const all = useRef<Batch[]>([])
  const busy = useRef(false)
  const again = useRef(AGAIN_MS)
  /** The newest view that came. A press is counted on it, as what is drawn may be one behind. */
  const newest = useRef(first)
  const asked = useRef(0)
  const answered = useRef(0)
  /** Steps that were pressed a moment ago: what comes next stands under the same finger. */
  const { resting, isResting, rest } = useResting()

  const show = useCallback(() => {
    setBatches([...all.current])
    setWaiting(queue.current.length)
    try {
      if (queue.current.length > 0) localStorage.setItem(keyOf(jobId), JSON.stringify(queue.current))
      else localStorage.removeItem(keyOf(jobId))
    } catch {
      // A device that keeps nothing still sends.
    }
  }, [jobId])

  const refresh = useCallback(async () => {
    const turn = ++asked.current
    const next = await fetchView().catch(() => null)
    // Answers may overtake each other; an older one says nothing any more.
    if (!next || turn < answered.current) return
    answered.current = turn
    newest.current = next
    all.current = [
      ...stillAhead(
        all.current.filter((b) => !queue.current.includes(b)),
        next.trees.flatMap((t) => t.steps),
      ),
      ...queue.current,
    ]
    setView(next)
    show()
  }, [fetchView, show])

  const drain = useCallback(async () => {
    if (busy.current) return
    busy.current = true
    let sent = false
    while (queue.current[0]) {
      const batch = queue.current[0]
      const presses = batch.presses.map(({ leftSi: _, amountSi: __, ...p }) => p)
      const one = presses.length === 1
      const lost =
        'The server cannot be reached. What you pressed is kept on this device and goes out by itself.'
      const answer = one
        ? await sendVerb('mark-step', presses[0]!, lost, { step: presses[0]!.eventId, at: batch.at })
        : await sendVerb('mark-steps', { id: batch.id, presses }, lost, { step: batch.id, at: batch.at })
      if (!answer.ok && answer.problem.field === 'connection') {
        setRetry({ inMs: again.current })
        again.current = Math.min(LONGEST_MS, again.current * 2)
        break
      }
      again.current = AGAIN_MS
      setRetry(null)
      queue.current = queue.current.slice(1)
      sent = true
      if (!answer.ok) {
        // What was pressed on top of it at the same steps rests on what is not so.
        const stepIds = batch.presses.map((p) => p.stepId)
        const falls = (b: Batch) => b === batch || b.presses.some((p) => stepIds.includes(p.stepId))
        const fallen = new Set([batch, ...queue.current.filter(falls)])
        queue.current = queue.current.filter((b) => !fallen.has(b))
        all.current = all.current.filter((b) => !fallen.has(b))
        setRefused({ stepIds, problem: answer.problem })
      }
      show()
    }
    busy.current = false
    if (sent && queue.current.length === 0) await refresh()
  }, [refresh, show])

  // The page itself was loaded anew: after a signature, or when the clock was moved.
  const [loaded, setLoaded] = useState(first)
  if (loaded !== first) {
    setLoaded(first)
    setView(first)
  }
  useEffect(() => {
    newest.current = first
    answered.current = asked.current + 1
  }, [first])

  useEffect(() => {
    // Those of this very page are on their way already.
    const before = keptBefore(jobId).filter((b) => !queue.current.some((own) => own.id === b.id))
    if (before.length > 0) {
      queue.current = [...before, ...queue.current]
      all.current = [...before, ...all.current]
      show()
      void drain()
    }
    const online = () => void drain()
    window.addEventListener('online', online)
    const ask = setInterval(() => {
      if (document.visibilityState === 'visible' && queue.current.length === 0 && !busy.current)
        void refresh()
    }, ASK_MS)
    return () => {
      window.removeEventListener('online', online)
      clearInterval(ask)
    }
  }, [jobId, drain, refresh, show])

  useEffect(() => {
    if (!retry) return
    const timer = setTimeout(() => void drain(), retry.inMs)
    return () => clearTimeout(timer)
  }, [retry, drain])

  const trees = useMemo(
    () =>
      view.trees.map((t) => ({
        ...t,
        steps: t.steps.map((s) => ({ ...s, state: shownState(s, batches) })),
      })),
    [view.trees, batches],
  )

  /** Presses at steps, all by one movement of the hand. */
  const act = useCallback(
    (commands: { step: WorkStep; tree: T; command: Command }[]) => {
      const at = firmNow()
      const steps = new Map(newest.current.trees.flatMap((t) => t.steps).map((s) => [s.id, s]))
      const fresh = commands
        .filter(({ step, command }) => APART.has(command.kind) || !isResting(step.id))
        .map((c) => ({ ...c, step: steps.get(c.step.id) ?? c.step }))
      if (fresh.length === 0) return
      setRefused(null)
      const presses: Batch['presses'] = []
      for (const { step, tree, command } of fresh) {
        const read = (typed: string | undefined, field: string, name: string) =>
          typed === undefined ? null : readProduct(typed, tree.plan, field, name)
        const left = read(command.left, 'left', 'What is left')
        if (left && !left.ok) return setRefused({ stepIds: [step.id], problem: left.problem })
        const amount = read(command.amount, 'amount', 'What went on')
        if (amount && !amount.ok) return setRefused({ stepIds: [step.id], problem: amount.problem })
        const of = command.kind === 'undo' ? lastStanding(step, all.current) : null
        presses.push({
          ...command,
          eventId: newId(),
          stepId: step.id,
          ...(of !== null && { of }),
          ...(left?.ok && { leftSi: left.value.si }),
          ...(amount?.ok && { amountSi: amount.value.si }),
        })
      }
      const batch: Batch = { id: newId(), at, presses }
      for (const { step } of fresh) {
        const next = stepNow(step, [...all.current, batch])
        if (!next.ok) return setRefused({ stepIds: [step.id], problem: next.problem })
      }
      rest(fresh.map(({ step }) => step.id))
      all.current = [...all.current, batch]
      queue.current = [...queue.current, batch]
      show()
      void drain()
    },
    [drain, show, isResting, rest],
  )

  return {
    view,
    trees,
    act,
    refresh,
    resting,
    waiting,
    outOfReach: retry !== null,
    refused,
    clearRefusal: () => setRefused(null),
  }
}
