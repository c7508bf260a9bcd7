import { useSyncExternalStore } from 'react'
import {
  envelopesOf,
  forgetEnvelopes,
  forgetRefused,
  keepEnvelope,
  keepRefused,
  refusedOf,
  type KeptEnvelope,
  type RefusedEnvelope,
} from './deviceStore'
import type { Batch } from '@/ui/run/presses'
import { firmNow } from '@/ui/shell/firmClock'
import { givenBack, isSeen } from './givenBack'
import { nextBatch, sendEnvelopes } from './sendEnvelopes'
import { SEND_LATER } from './sendWithoutPage'

export interface OutboxState {
  waiting: readonly KeptEnvelope[]
  refused: readonly RefusedEnvelope[]
  /** What was seen at trees and taken since this page was opened: what the page was drawn from does not know it yet. */
  seen: readonly KeptEnvelope[]
  /** Since when nobody answers, on the firm’s clock, epoch ms; null while in reach. */
  silentSince: number | null
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
const NOTHING: OutboxState = { waiting: [], refused: [], seen: [], silentSince: null }

let person: string | null = null
let state = NOTHING
let busy = false
let again = AGAIN_MS
let timer: ReturnType<typeof setTimeout> | undefined
let count = 0
/** What one device pressed counts in the order of the hand, though its clock was set back between. */
let lastAt = 0
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
  // What was pressed before the page had opened its row is theirs, and comes after what they pressed before.
  const early = person === null ? state.waiting : []
  if (person !== who) {
    person = who
    clearTimeout(timer)
    again = AGAIN_MS
    set({ ...NOTHING, waiting: early })
  }
  const [kept, refused] = await Promise.all([envelopesOf(who), refusedOf(who)])
  if (person !== who) return
  const known = new Set(state.waiting.map((e) => e.id))
  const before = kept.filter((e) => !known.has(e.id))
  count = Math.max(count, ...kept.map((e) => e.n + (e.presses?.length ?? 1)))
  lastAt = Math.max(lastAt, ...kept.map((e) => e.at))
  if (before.length > 0) set({ waiting: [...before, ...state.waiting].sort((a, b) => a.n - b.n) })
  if (early.length > 0) {
    const theirs = new Map(
      early.map((e) => [e.id, { ...e, person: who, n: numbered(e.presses?.length ?? 1) }]),
    )
    set({ waiting: state.waiting.map((e) => theirs.get(e.id) ?? e).sort((a, b) => a.n - b.n) })
    await Promise.all([...theirs.values()].map(keepEnvelope))
  }
  const shown = new Set(state.refused.map((r) => r.id))
  if (refused.some((r) => !shown.has(r.id)))
    set({ refused: [...state.refused, ...refused.filter((r) => !shown.has(r.id))] })
  await drainOutbox()
}

/** Whose presses this device takes now; null where nobody's. */
export const outboxPerson = (): string | null => person

/** The moment of a press: never before an earlier one of this device, nor before what it was made on top of. */
export function pressedAt(now: number, after = 0): number {
  lastAt = Math.max(now, lastAt, after + 1)
  return lastAt
}

/** Counts the presses of this device, so many at once; answers the first number. */
export function numbered(many: number): number {
  const first = count
  count += many
  return first
}

/** Adds what one hand movement was. It is written down on the device, and goes out in its order. */
export async function addToOutbox(envelope: Omit<KeptEnvelope, 'person'>): Promise<void> {
  const kept: KeptEnvelope = { ...envelope, person: person ?? '' }
  set({ waiting: [...state.waiting, kept] })
  // Whose it is is known in a moment, and it is written down then.
  if (person === null) return
  const written = keepEnvelope(kept)
  void drainOutbox()
  await written
}

/** Keeps a step that was sent and that nobody answered, as the same press: it is done as far as the hand goes. */
export function keepAway(envelope: Omit<KeptEnvelope, 'person' | 'n' | 'away' | 'presses'>): Promise<void> {
  return addToOutbox({ ...envelope, at: pressedAt(envelope.at), n: numbered(1), away: true })
}

/** What is not of a job is heard of under this name. */
export const OF_NO_JOB = 'none'

/** Lets a job on the screen hear of its presses; answers how it stops hearing. */
export function hearOutbox(job: string, heard: JobEars): () => void {
  ears.set(job, heard)
  return () => {
    if (ears.get(job) === heard) ears.delete(job)
  }
}

/** Somebody has seen why a press was given back; what waited for it goes out. */
export function seenRefusal(id: string): void {
  set({ refused: state.refused.filter((r) => r.id !== id) })
  if (person !== null) void forgetRefused(person, id)
  void drainOutbox()
}

function remove(who: string, ids: ReadonlySet<string>): void {
  set({ waiting: state.waiting.filter((e) => !ids.has(e.id)) })
  void forgetEnvelopes(who, [...ids])
}

/** Nobody answered: whatever waits is done as far as the hand goes, and what it does from now on is done without an answer. */
function goAway(): void {
  const stay = state.waiting.map((e) => (e.away ? e : { ...e, away: true }))
  for (const e of stay) if (!state.waiting.includes(e)) void keepEnvelope(e)
  set({ waiting: stay, silentSince: state.silentSince ?? firmNow() })
  sendWithoutUs()
}

/** Asks the browser to send what waits once there is a signal, though this page is closed by then; not every browser does. */
function sendWithoutUs(): void {
  if (!('serviceWorker' in navigator)) return
  void navigator.serviceWorker.ready
    .then((worker) => (worker as Syncing).sync?.register(SEND_LATER))
    .catch(() => {})
}
interface Syncing {
  sync?: { register: (tag: string) => Promise<void> }
}

/**
 * Sends what waits, until something is not answered. Only a refusal by a rule gives a press back; a lost answer, a server that cannot
 * now, one that is asked too much and a session that ended leave it where it is.
 */
export async function drainOutbox(): Promise<void> {
  if (busy || person === null) return
  busy = true
  const who = person
  const touched = new Set<string>()
  for (;;) {
    const batch = nextBatch(state.waiting, new Set(state.refused.flatMap((r) => r.trees)))
    if (batch.length === 0 || person !== who) break
    const answers = await sendEnvelopes(who, batch)
    if (person !== who) break
    if (answers === null) {
      goAway()
      clearTimeout(timer)
      timer = setTimeout(() => void drainOutbox(), again)
      again = Math.min(LONGEST_MS, again * 2)
      break
    }
    again = AGAIN_MS
    if (state.silentSince !== null) set({ silentSince: null })
    const byId = new Map(answers.map((a) => [a.id, a]))
    let came = 0
    for (const envelope of batch) {
      touched.add(envelope.job ?? OF_NO_JOB)
      const answer = byId.get(envelope.id)
      if (answer?.came === 'taken' || answer?.came === 'same') {
        came++
        if (isSeen(envelope)) set({ seen: [...state.seen, withAnswer(envelope, answer.value)] })
        remove(who, new Set([envelope.id]))
      } else if (answer?.came === 'refused') {
        came++
        refuse(who, envelope, answer.problem)
      }
    }
    // An answer that names none of what was sent is none.
    if (came === 0) break
  }
  busy = false
  for (const job of touched)
    if (!state.waiting.some((e) => (e.job ?? OF_NO_JOB) === job)) ears.get(job)?.allSent()
}

/** The examination it went into is the one that was answered: somebody else's, where theirs was begun first. */
function withAnswer(envelope: KeptEnvelope, value: unknown): KeptEnvelope {
  const into = (value as { assessmentId?: string } | null)?.assessmentId
  return into === undefined ? envelope : { ...envelope, content: { ...envelope.content, assessmentId: into } }
}

/** Resolves once nothing of a tree is on its way: all is sent, nobody answers, or it waits for somebody to see a refusal. */
export function whenSent(tree: string): Promise<void> {
  const of = (e: { trees: readonly string[] }) => e.trees.includes(tree)
  return new Promise((resolve) => {
    const look = () => {
      if (state.silentSince === null && state.waiting.some(of) && !state.refused.some(of)) return
      listeners.delete(look)
      resolve()
    }
    listeners.add(look)
    look()
  })
}

function refuse(who: string, envelope: KeptEnvelope, problem: RefusedEnvelope['problem']): void {
  const { fallen, refused } = givenBack(envelope, problem, state.waiting)
  remove(who, fallen)
  set({ refused: [...state.refused, refused] })
  void keepRefused(who, refused)
  if (envelope.job !== null) ears.get(envelope.job)?.fallen(fallen)
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
  lastAt = 0
  clearTimeout(timer)
  ears.clear()
  set(NOTHING)
}

/** Presses at steps among what waits, in the shape the fold reads. */
export const batchesOf = (envelopes: readonly KeptEnvelope[]): Batch[] =>
  envelopes.flatMap(({ id, at, presses }) => (presses ? [{ id, at, presses }] : []))
