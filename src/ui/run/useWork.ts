'use client'
import type { Method } from '@/core/card/card'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import type { Problem } from '@/core/problem'
import { lastMovement, type Movement } from '@/core/methods/lastMovement'
import { readProduct } from '@/core/methods/readProduct'
import { newId } from '@/ui/fields/newId'
import { firmNow } from '@/ui/shell/firmClock'
import {
  lastStanding,
  shownState,
  stepNow,
  stillAhead,
  withOwn,
  type Batch,
  type Press,
  type WorkStep,
} from './presses'
import { deviceId } from '@/ui/field/deviceStore'
import {
  addToOutbox,
  batchesOf,
  hearOutbox,
  numbered,
  outboxNow,
  pressedAt,
  useOutbox,
  type OutboxState,
} from '@/ui/field/outbox'
import { useResting } from './useResting'

/** What a hand does at a step; taking back what was seen names it, else it is the last that stands. */
export type Command = Omit<Press, 'eventId' | 'stepId'>

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
/** So is taking back what is named. */
const isApart = (command: Command) => APART.has(command.kind) || command.of !== undefined
/** Others may be at work on the same job: it is asked for anew this often. */
const ASK_MS = 12_000

const ofJob = (box: Pick<OutboxState, 'waiting'>, job: string) => box.waiting.filter((e) => e.job === job)

/** Presses of one hand movement as they are kept and sent: numbered as the device counts them; one alone has its own id. */
function envelopeOf(
  job: string,
  { id, at, presses }: Batch,
  trees: string[],
): Parameters<typeof addToOutbox>[0] {
  const n = numbered(presses.length)
  const sent = presses.map(({ leftSi: _, amountSi: __, ...press }, i) => ({ ...press, seq: n + i }))
  const [one] = sent
  return sent.length === 1
    ? { id, job, n, at, away: false, step: 'mark-step', content: one!, trees, presses }
    : { id, job, n, at, away: false, step: 'mark-steps', content: { id, presses: sent }, trees, presses }
}

/**
 * The work of a job on a device. A press shows at once by the same fold the server keeps, is written down on the device, and is
 * sent until it is answered (`outbox`), in the order of the hands and with the device's time; nothing on the screen goes away with the
 * signal. What a rule refuses is taken back; its reason stays on the page until it is seen.
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
  /** What cannot be at all is said here and sent nowhere. */
  const [impossible, setImpossible] = useState<Refused | null>(null)
  const box = useOutbox()
  const waiting = useMemo(() => ofJob(box, jobId), [box, jobId])
  const marks = useMemo(() => batchesOf(waiting), [waiting])
  const all = useRef<Batch[]>([])
  /** The newest view that came. A press is counted on it, as what is drawn may be one behind. */
  const newest = useRef(first)
  const asked = useRef(0)
  const answered = useRef(0)
  const [device, setDevice] = useState<string | null>(null)
  useEffect(() => void deviceId().then(setDevice), [])
  /** Steps that were pressed a moment ago: what comes next stands under the same finger. */
  const { resting, isResting, rest } = useResting()

  const show = useCallback(() => setBatches([...all.current]), [])

  const refresh = useCallback(async () => {
    const turn = ++asked.current
    const next = await fetchView().catch(() => null)
    // Answers may overtake each other; an older one says nothing any more.
    if (!next || turn < answered.current) return
    answered.current = turn
    newest.current = next
    const own = batchesOf(ofJob(outboxNow(), jobId))
    const ids = new Set(own.map((b) => b.id))
    all.current = [
      ...stillAhead(
        all.current.filter((b) => !ids.has(b.id)),
        next.trees.flatMap((t) => t.steps),
      ),
      ...own,
    ]
    setView(next)
    show()
  }, [fetchView, show, jobId])

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

  // What was pressed before this page was opened waits in the same row.
  useEffect(() => {
    const known = new Set(all.current.map((b) => b.id))
    const before = marks.filter((b) => !known.has(b.id))
    if (before.length === 0) return
    all.current = [...before, ...all.current].sort((a, b) => a.at - b.at)
    show()
  }, [marks, show])

  useEffect(() => {
    const stop = hearOutbox(jobId, {
      fallen: (ids) => {
        all.current = all.current.filter((b) => !ids.has(b.id))
        show()
      },
      allSent: () => void refresh(),
    })
    const ask = setInterval(() => {
      if (document.visibilityState === 'visible' && !outboxNow().waiting.some((b) => b.job === jobId))
        void refresh()
    }, ASK_MS)
    return () => {
      stop()
      clearInterval(ask)
    }
  }, [jobId, refresh, show])

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
      const steps = new Map(newest.current.trees.flatMap((t) => t.steps).map((s) => [s.id, s]))
      const fresh = commands
        .filter(({ step, command }) => isApart(command) || !isResting(step.id))
        .map((c) => ({ ...c, step: steps.get(c.step.id) ?? c.step }))
      if (fresh.length === 0) return
      // Never before what it is pressed on top of, whatever the clocks say.
      const at = pressedAt(
        firmNow(),
        Math.max(0, ...fresh.flatMap(({ step }) => step.events.map((e) => e.at))),
      )
      setImpossible(null)
      const presses: Batch['presses'] = []
      for (const { step, tree, command } of fresh) {
        const read = (typed: string | undefined, field: string, name: string) =>
          typed === undefined ? null : readProduct(typed, tree.plan, field, name)
        const left = read(command.left, 'left', 'What is left')
        if (left && !left.ok) return setImpossible({ stepIds: [step.id], problem: left.problem })
        const amount = read(command.amount, 'amount', 'What went on')
        if (amount && !amount.ok) return setImpossible({ stepIds: [step.id], problem: amount.problem })
        const of = command.kind === 'undo' ? (command.of ?? lastStanding(step, all.current)) : null
        presses.push({
          ...command,
          eventId: newId(),
          stepId: step.id,
          ...(of !== null && { of }),
          ...(left?.ok && { leftSi: left.value.si }),
          ...(amount?.ok && { amountSi: amount.value.si }),
        })
      }
      const [only, more] = presses
      const batch: Batch = { id: more || !only ? newId() : only.eventId, at, presses }
      for (const { step } of fresh) {
        const next = stepNow(step, [...all.current, batch])
        if (!next.ok) return setImpossible({ stepIds: [step.id], problem: next.problem })
      }
      // What was taken back by its name may be pressed again at once: nothing came to stand under that finger.
      rest(fresh.flatMap(({ step, command }) => (command.of === undefined ? [step.id] : [])))
      all.current = [...all.current, batch]
      show()
      void addToOutbox(envelopeOf(jobId, batch, [...new Set(fresh.map(({ tree }) => tree.id))]))
    },
    [jobId, show, isResting, rest],
  )

  /** What was pressed last on this device at trees that are open, and stands. */
  const last = useCallback((): Movement<WorkStep> | null => {
    const open = newest.current.trees.filter((t) => t.status === 'open').flatMap((t) => t.steps)
    const here = new Set(all.current.flatMap((b) => b.presses.map((p) => p.eventId)))
    return lastMovement(withOwn(open, all.current), (e) => here.has(e.id) || e.device === device)
  }, [device])

  return {
    view,
    trees,
    act,
    last,
    refresh,
    resting,
    /** What was pressed here and is not answered yet, presses at steps and all else. */
    waiting,
    outOfReach: box.silentSince !== null,
    refused: impossible,
  }
}
