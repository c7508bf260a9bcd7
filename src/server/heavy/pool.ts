import type { MessagePort } from 'node:worker_threads'
import { Piscina } from 'piscina'
import type { OwnEntry } from '@/almanac/ownEntry'
import type { Answer } from '@/calc/calculator'
import type { Problem, Result } from '@/core/problem'
import type { AskedStop, Roster } from '@/core/roster/weekAsked'
import type { LabelSheet } from '@/core/tags/labelSheets'
import type { TreeField } from '@/core/treeList/fields'
import type { ReadList } from '@/core/treeList/readList'
import type { WeekPlan } from '@/core/week/planWeek'
import type { Trouble } from '@/db/queries/seal'
import type { ReadFile } from '../trees/readFile'
import type { Tag } from '../tags/tagSheet'
import { threadFile } from './threadFile'
import { Turns } from './turns'

/** What is done beside the process that serves pages, with how long it may take and how many may wait. */
export interface HeavyTasks {
  /** A question as it came, text and all: reading it strictly is work too; and what the firm has added to the almanac. */
  reckon: { input: { name: string; text: string; own: readonly OwnEntry[] }; output: Result<Answer> | null }
  /** The same for a question that takes many seconds. */
  week: { input: { text: string }; output: Result<Answer> | null }
  /** A firm's own week, with what is heard of it while it is planned. */
  'plan-week': { input: WeekTask; output: Result<WeekPlan> }
  'check-ledger': { input: { firmId: string }; output: Trouble | null }
  /** A list of trees from a file: read, and what its rows say. */
  'read-trees': { input: ReadTreesTask; output: Result<ReadTrees> }
  /** Tags to print. */
  'tag-sheet': { input: { sheet: LabelSheet; skip: number; tags: readonly Tag[] }; output: Uint8Array }
}

/** A file with trees, and how it is to be understood. */
export interface ReadTreesTask {
  bytes: Uint8Array
  kind: 'csv' | 'geojson'
  units: 'us' | 'metric'
  columns: Readonly<Record<string, TreeField | null>>
  /** The firm’s own kinds of tree. */
  own: readonly { id: string; name: string; botanical: string }[]
  /** What was mended by hand. */
  mended?: {
    /** By line: a row that is left out, or a cell of a field typed anew. */
    rows: Readonly<Record<number, { out: true } | { column: string; text: string }>>
    /** By what is written: the kind that is meant. */
    kinds: Readonly<Record<string, string>>
  }
}

/** What a file with trees says, and how it was written. */
export interface ReadTrees extends ReadList {
  encoding: ReadFile['encoding']
  parted: ReadFile['parted']
}

/** What a week is planned from, and where its progress is told. */
export interface WeekTask {
  roster: Roster
  stops: readonly AskedStop[]
  /** All of it, whatever stands. */
  anew: boolean
  seconds: number
  port: MessagePort
}

/** A plan as it stands while a better one is looked for. */
export interface WeekNews {
  plan: WeekPlan
  seconds: number
}

/** The function that does each. */
const DONE_BY: Record<keyof HeavyTasks, string> = {
  reckon: 'reckon',
  week: 'reckonWeek',
  'plan-week': 'planFirmWeek',
  'check-ledger': 'checkLedger',
  'read-trees': 'readTrees',
  'tag-sheet': 'drawTags',
}

interface Limits {
  /** Longest run, ms, counted from the turn on; a thread that takes longer is ended. */
  longest: number
  /** Tasks of one firm that may wait for the thread; of all firms, twenty times as many. */
  waiting: number
  /** Memory of the thread, MB. */
  memory: number
}

const LIMITS: Record<keyof HeavyTasks, Limits> = {
  reckon: { longest: 4000, waiting: 120, memory: 256 },
  week: { longest: 40_000, waiting: 6, memory: 512 },
  'plan-week': { longest: 40_000, waiting: 6, memory: 512 },
  // It rests most of its time.
  'check-ledger': { longest: 3_600_000, waiting: 200, memory: 512 },
  'read-trees': { longest: 60_000, waiting: 20, memory: 1024 },
  'tag-sheet': { longest: 60_000, waiting: 6, memory: 512 },
}

/** Why a task did not end: it took too long, needed too much memory, or too many wait before it. */
export class NotDone extends Error {
  constructor(
    readonly why: 'too long' | 'too large' | 'too many',
    /** How many of the same firm stand before it. */
    readonly place = 0,
  ) {
    super(why)
  }
}

/** The thread of a kind of work, and those who wait for it. */
interface Bench {
  pool: Piscina
  turns: Turns
}

const holder = globalThis as unknown as { elmhornBenches?: Map<string, Bench> }

function benchOf(task: keyof HeavyTasks): Bench {
  const benches = (holder.elmhornBenches ??= new Map<string, Bench>())
  let bench = benches.get(task)
  if (!bench) {
    const { waiting, memory } = LIMITS[task]
    const pool = new Piscina({
      ...threadFile('tasks'),
      minThreads: 0,
      // One thread a kind of work: two cores are shared with the pages, which come first.
      maxThreads: 1,
      idleTimeout: 60_000,
      resourceLimits: { maxOldGenerationSizeMb: memory, maxYoungGenerationSizeMb: 32 },
    })
    bench = { pool, turns: new Turns({ atOnce: 1, waitingEach: waiting, waitingAll: 20 * waiting }) }
    benches.set(task, bench)
  }
  return bench
}

/**
 * Does a piece of heavy work in a thread of its own kind. Firms (`whose`) take turns. Its time counts from its turn on a thread that is
 * awake: neither those before it nor the start of the thread are taken off it.
 * `waits` hears how many wait where it does not begin at once; `stopped` ends it before its time; `ports` go over to the thread; `longest`, ms, allows it less than its kind.
 * @throws {NotDone} when it takes too long, needs too much memory, or too many wait
 */
export async function heavy<K extends keyof HeavyTasks>(
  task: K,
  whose: string,
  input: HeavyTasks[K]['input'],
  {
    stopped,
    ports = [],
    longest = LIMITS[task].longest,
    waits,
  }: {
    stopped?: AbortSignal
    ports?: MessagePort[]
    longest?: number
    waits?: (others: number) => void
  } = {},
): Promise<HeavyTasks[K]['output']> {
  const { pool, turns } = benchOf(task)
  if (!turns.isFree(whose)) waits?.(turns.waiting + 1)
  try {
    const done = await turns.take(whose, async () => {
      if (pool.threads.length === 0) await pool.run(null, { name: 'awake' })
      stopped?.throwIfAborted()
      return (await pool.run(input, {
        name: DONE_BY[task],
        signal: AbortSignal.any([AbortSignal.timeout(longest), ...(stopped ? [stopped] : [])]),
        transferList: ports,
      })) as HeavyTasks[K]['output']
    })
    if (!done) throw new NotDone('too many', turns.waitingOf(whose))
    return done.value
  } catch (error) {
    const { name, code } = error as Error & { code?: string }
    if (name === 'AbortError' || name === 'TimeoutError') throw new NotDone('too long')
    if (code === 'ERR_WORKER_OUT_OF_MEMORY') throw new NotDone('too large')
    throw error
  }
}

/** What to say of work that did not end. */
export function notDoneProblem(error: NotDone): { problem: Problem; status: number } {
  switch (error.why) {
    case 'too long':
      return {
        status: 422,
        problem: {
          code: 'out-of-range',
          field: 'body',
          message: `This question takes longer than ${LIMITS.reckon.longest / 1000} s; ask it in smaller parts.`,
        },
      }
    case 'too large':
      return {
        status: 422,
        problem: {
          code: 'out-of-range',
          field: 'body',
          message: 'This question needs more memory than there is for one; ask it in smaller parts.',
        },
      }
    case 'too many':
      return {
        status: 429,
        problem: {
          code: 'conflict',
          field: 'server',
          message:
            error.place > 0
              ? `${error.place} others of your firm wait before this one; ask again in a few seconds.`
              : 'Very many wait just now; ask again in a minute.',
        },
      }
  }
}
