import { createHash } from 'node:crypto'
import { v7 as uuidv7 } from 'uuid'
import type { z } from 'zod'
import { refuse, type Problem, type Result } from '@/core/problem'
import { dateIn } from '@/core/time/calendar'
import { inFirm, type FirmSql } from '@/db/client'
import { hold } from '@/db/queries/hold'
import { noteStep, stepTaken, type StepRow } from '@/db/queries/step'
import type { PersonRow, Role } from '@/db/queries/person'
import { clashOf } from './clash'
import { problemOf } from './inputProblem'

/** What a view reads with: its firm's transaction, the person, and the time as the firm's clock has it. */
export interface Reading {
  sql: FirmSql
  person: PersonRow
  now: Date
  today: string
}

/** What a verb works with. */
export interface Context extends Reading {
  /** When the hand pressed, by the device; `now` where the device did not say or cannot be right. */
  at: Date
  /** The device had no signal: the hand went on without an answer, and what it did is done. */
  away: boolean
  /** Which device, where it says so. */
  device: string | null
  /** Done once the step is sure to stand, never when it is refused. */
  afterwards: (act: () => Promise<void>) => void
}

/** One step of the job: what it takes, who may do it, and what it does in one transaction. */
export interface Verb<Schema extends z.ZodType, Output, Input = z.output<Schema>> {
  roles: readonly Role[] | 'all'
  /** Only for whoever keeps the house. */
  keeps?: boolean
  /** What is signed by it stands under a person’s name: a second factor is asked for where the firm asks one. */
  signs?: boolean
  /**
   * What it has to do with what bears on work with the crew (rules, cards, grounds): it hands work over by it, or changes it. So a change
   * always sees, and marks, the work that is handed over in the same moment.
   */
  bearing?: 'use' | 'change'
  input: Schema
  /** The thing the step is about, for the audit trail. */
  about?: (input: Input) => string
  /**
   * The id of what the step makes. A step that only changes has none and takes the id its sender gave it, if any.
   */
  makes?: (input: Input) => string
  /** What of the input is noted and compared; all of it when not given. */
  noted?: (input: Input) => unknown
  /** The answer is shown once and never kept. */
  secret?: boolean
  run: (context: Context, input: Input) => Promise<Result<Output>>
}

/** What a sender says of a step beside its content. */
export interface Sent {
  /** The id of the step, made on the device; a repeat carries the same. */
  step?: string | null
  /** When the hand pressed, epoch ms on the firm's clock as the device knows it. */
  at?: number | null
  /** It was shown as done on the device before anybody answered. */
  away?: boolean
  /** The device, by an id of its own. */
  device?: string | null
  /** Told where the same step was taken before and is answered as then. */
  onRepeat?: () => void
}

/** A verb ready to be done by whoever is signed in. What it asks for and answers is in its type, for pages to send it by. */
export interface Performable<Asks = unknown, Answers = unknown> {
  roles: readonly Role[] | 'all'
  keeps?: boolean
  perform: (name: string, person: PersonRow, raw: unknown, sent?: Sent) => Promise<Result<Answers>>
  /** Says by type alone what the step takes; there is no value in it. */
  readonly asks?: Asks
}

/** Makes a verb that can be performed. */
export function verb<Schema extends z.ZodType, Output>(
  v: Verb<Schema, Output>,
): Performable<z.input<Schema>, Output> {
  return {
    roles: v.roles,
    keeps: v.keeps,
    perform: (name, person, raw, sent = {}) => perform(v, name, person, raw, sent),
  }
}

/** True when a person may do a step. */
export function mayDo(
  person: Pick<PersonRow, 'role' | 'keepsHouse'>,
  v: Pick<Performable, 'roles' | 'keeps'>,
): boolean {
  return (v.roles === 'all' || v.roles.includes(person.role)) && (!v.keeps || person.keepsHouse)
}

/** The time on the firm's clock. Only a demo's differs from the real one. */
export function nowOf(person: Pick<PersonRow, 'clockOffsetMs'>): Date {
  return new Date(Date.now() + person.clockOffsetMs)
}

/** A device may hold a step back this long before it is in reach again. */
const LONGEST_HELD_MS = 14 * 86_400_000
/** A device's clock may run this far ahead. */
const AHEAD_MS = 60_000

/** The device's time where it can be: not in the future, not longer ago than a step is ever held back. */
export function heldAt(now: Date, at: number | null | undefined): Date {
  if (at === null || at === undefined || !Number.isFinite(at)) return now
  if (at > now.getTime() + AHEAD_MS || at < now.getTime() - LONGEST_HELD_MS) return now
  return new Date(Math.min(at, now.getTime()))
}

/** Carries a refusal out of the transaction so that nothing of it stays. */
class Refused extends Error {
  constructor(readonly problem: Problem) {
    super(problem.message)
  }
}

/**
 * Does one step: checks the role, validates what came in, runs it in the firm's transaction and notes it.
 * A problem rolls everything back. A step that was taken before under the same id is answered as it was then when it
 * is the same person's with the same content; otherwise it is a conflict that says what stands.
 */
async function perform<Schema extends z.ZodType, O>(
  v: Verb<Schema, O>,
  name: string,
  person: PersonRow,
  raw: unknown,
  sent: Sent,
): Promise<Result<O>> {
  if (!mayDo(person, v))
    return refuse(
      'not-allowed',
      'role',
      v.keeps
        ? 'This is done by whoever keeps the house; ask one of them.'
        : `This is done by ${listed(v.roles)}; you are signed in as ${person.role}.`,
    )
  if (v.signs && person.factorAsked && !person.hasFactor)
    return refuse(
      'not-allowed',
      'factor',
      'Your firm asks a second factor of whoever signs. Set yours up under Settings, You, and sign then.',
    )
  const read = v.input.safeParse(raw)
  if (!read.success) return { ok: false, problem: problemOf(read.error) }
  const input = read.data
  const step = v.makes?.(input) ?? sent.step ?? null
  const noted = v.noted ? v.noted(input) : input
  const inputHash = hashOf(name, noted)
  const now = nowOf(person)
  const at = heldAt(now, sent.at)
  const afterwards: (() => Promise<void>)[] = []
  try {
    const done = await inFirm(person.firmId, async (sql) => {
      const event = uuidv7()
      const before = await stepTaken(sql, { event, step })
      if (before) {
        const again = answerAgain<O>(before, person, inputHash, v.secret === true)
        if (again.ok) sent.onRepeat?.()
        return again
      }
      if (v.bearing) await hold(sql, person.firmId, 'bearing', v.bearing)
      const context = {
        sql,
        person,
        now,
        at,
        away: sent.away === true,
        device: sent.device ?? null,
        today: dateIn(person.timeZone, now),
        afterwards: (act: () => Promise<void>) => void afterwards.push(act),
      }
      const result = await v.run(context, input)
      if (!result.ok) throw new Refused(result.problem)
      await noteStep(sql, {
        event,
        step,
        firmId: person.firmId,
        personId: person.id,
        verb: name,
        about: v.about?.(input) ?? null,
        inputHash,
        input: noted,
        answer: v.secret ? null : result.value,
        at: now,
        deviceAt: sent.at === null || sent.at === undefined ? null : at,
      })
      return result
    })
    for (const act of afterwards) await act()
    return done
  } catch (error) {
    if (error instanceof Refused) return { ok: false, problem: error.problem }
    const clash = clashOf(error)
    if (clash) return { ok: false, problem: clash }
    throw error
  }
}

/** A step that was taken before: the same answer for the same step, otherwise what stands. */
function answerAgain<O>(before: StepRow, person: PersonRow, inputHash: string, secret: boolean): Result<O> {
  const same = before.personId === person.id && before.inputHash === inputHash
  if (same && !secret) return { ok: true, value: before.answer as O }
  return {
    ok: false,
    problem: {
      code: 'conflict',
      field: 'id',
      message: secret
        ? 'This was done already and its answer is shown only once; take that one back and make another.'
        : before.personId === person.id
          ? 'This was kept already, with other content. Compare what stands with what you sent; send yours as a new one if both are meant.'
          : `${before.person} has used this very entry already. Load the page again and send yours as a new one.`,
      stands: secret ? undefined : { input: before.input, by: before.person, at: before.at.toISOString() },
    },
  }
}

/** A hash over a step's name and content, whatever order its fields came in. */
export function hashOf(name: string, input: unknown): string {
  return createHash('sha256')
    .update(`${name}\n${inOrder(input)}`)
    .digest('hex')
}

function inOrder(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map(inOrder).join(',')}]`
  if (value !== null && typeof value === 'object')
    return `{${Object.entries(value)
      .filter(([, v]) => v !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([k, v]) => `${JSON.stringify(k)}:${inOrder(v)}`)
      .join(',')}}`
  return JSON.stringify(value) ?? 'null'
}

function listed(roles: readonly Role[] | 'all'): string {
  if (roles === 'all') return 'everybody'
  return roles.length === 1 ? `the ${roles[0]}` : `${roles.slice(0, -1).join(', ')} or ${roles.at(-1)}`
}
