import { useSyncExternalStore } from 'react'
import type { Problem } from '@/core/problem'
import { sendVerb } from '@/ui/fields/sendVerb'
import type { Batch } from './presses'
import { batchesOf, forgetBatches, keepBatch, type KeptBatch } from './pressStore'

/** A press that a rule refused: what it was about, and why. It stays until somebody has seen it. */
export interface RefusedBatch {
  id: string
  job: string
  stepIds: string[]
  problem: Problem
}

export interface OutboxState {
  waiting: readonly KeptBatch[]
  refused: readonly RefusedBatch[]
  /** Tried again after so long; null while in reach. */
  retryInMs: number | null
}

/** What a job on the screen hears of its presses. */
export interface JobEars {
  /** They were refused, or rest on one that was. */
  fallen: (ids: ReadonlySet<string>) => void
  /** Nothing of this job waits any more. */
  allSent: () => void
}

/** Tried again after so long; then twice as long, up to the last. */
const AGAIN_MS = 2000
const LONGEST_MS = 15_000

const NOTHING: OutboxState = { waiting: [], refused: [], retryInMs: null }
let person: string | null = null
let state = NOTHING
let busy = false
let again = AGAIN_MS
let timer: ReturnType<typeof setTimeout> | undefined
let count = 0
const listeners = new Set<() => void>()
const ears = new Map<string, JobEars>()

function set(next: Partial<OutboxState>): void {
  state = { ...state, ...next }
  for (const listener of listeners) listener()
}

/**
 * Opens the row of what a person pressed on this device: what another person pressed stays kept, unseen and unsent, until they sign in
 * here again. Called by the frame of every page.
 */
export async function openOutbox(who: string): Promise<void> {
  if (person !== who) {
    person = who
    clearTimeout(timer)
    again = AGAIN_MS
    set(NOTHING)
  }
  const kept = await batchesOf(who)
  if (person !== who) return
  const known = new Set(state.waiting.map((b) => b.id))
  const before = kept.filter((b) => !known.has(b.id))
  count = Math.max(count, ...kept.map((b) => b.n + 1))
  if (before.length > 0) set({ waiting: [...before, ...state.waiting].sort((a, b) => a.n - b.n) })
  await drainOutbox()
}

/** Adds presses of one hand movement; they are written down on the device and go out in their order. */
export function addToOutbox(job: string, batch: Batch): void {
  const kept: KeptBatch = { ...batch, person: person ?? '', job, n: count++ }
  set({ waiting: [...state.waiting, kept] })
  void keepBatch(kept)
  void drainOutbox()
}

/** Lets a job on the screen hear of its presses; answers how it stops hearing. */
export function hearOutbox(job: string, heard: JobEars): () => void {
  ears.set(job, heard)
  return () => {
    if (ears.get(job) === heard) ears.delete(job)
  }
}

/** Somebody has seen why a press was given back. */
export function seenRefusal(id: string): void {
  set({ refused: state.refused.filter((r) => r.id !== id) })
}

function remove(ids: ReadonlySet<string>): void {
  set({ waiting: state.waiting.filter((b) => !ids.has(b.id)) })
  void forgetBatches([...ids])
}

const LOST = 'The server cannot be reached. What you pressed is kept on this device and goes out by itself.'

/**
 * Sends what waits, one after the other, until something is not answered. Only a refusal by a rule gives a press back; a lost answer,
 * a server that cannot now, one that is asked too much and a session that ended leave it where it is.
 */
export async function drainOutbox(): Promise<void> {
  if (busy || person === null) return
  busy = true
  const who = person
  const touched = new Set<string>()
  while (state.waiting[0] && person === who) {
    const batch = state.waiting[0]
    const presses = batch.presses.map(({ leftSi: _, amountSi: __, ...p }) => p)
    const pressed = { at: batch.at, by: who }
    const answer =
      presses.length === 1
        ? await sendVerb('mark-step', presses[0]!, LOST, { ...pressed, step: presses[0]!.eventId })
        : await sendVerb('mark-steps', { id: batch.id, presses }, LOST, { ...pressed, step: batch.id })
    if (person !== who) break
    if (!answer.ok && answer.again) {
      set({ retryInMs: again })
      clearTimeout(timer)
      timer = setTimeout(() => void drainOutbox(), again)
      again = Math.min(LONGEST_MS, again * 2)
      break
    }
    again = AGAIN_MS
    if (state.retryInMs !== null) set({ retryInMs: null })
    touched.add(batch.job)
    if (answer.ok) remove(new Set([batch.id]))
    else {
      // What was pressed on top of it at the same steps rests on what is not so.
      const stepIds = batch.presses.map((p) => p.stepId)
      const fallen = new Set(
        state.waiting
          .filter((b) => b === batch || b.presses.some((p) => stepIds.includes(p.stepId)))
          .map((b) => b.id),
      )
      remove(fallen)
      set({
        refused: [...state.refused, { id: batch.id, job: batch.job, stepIds, problem: answer.problem }],
      })
      ears.get(batch.job)?.fallen(fallen)
    }
  }
  busy = false
  for (const job of touched) if (!state.waiting.some((b) => b.job === job)) ears.get(job)?.allSent()
}

const subscribe = (listener: () => void) => {
  listeners.add(listener)
  return () => void listeners.delete(listener)
}
const now = () => state
const nothing = () => NOTHING

/** What waits on this device of the person who is signed in, and what was given back. */
export function useOutbox(): OutboxState {
  return useSyncExternalStore(subscribe, now, nothing)
}

/** As it stands this moment, for a press that is just made. */
export const outboxNow = (): OutboxState => state

/** For tests: a device on which nobody is signed in and nothing was pressed. */
export function forgetOutbox(): void {
  person = null
  busy = false
  again = AGAIN_MS
  count = 0
  clearTimeout(timer)
  ears.clear()
  set(NOTHING)
}
