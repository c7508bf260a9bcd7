import { v7 as uuidv7 } from 'uuid'
import { z } from 'zod'
import { refuse, type Problem, type Result } from '@/core/problem'
import { dateIn } from '@/core/time/calendar'
import { inFirm, type FirmSql } from '@/db/client'
import { noteEvent, type PersonRow, type Role } from '@/db/queries/person'

/** What a verb works with: its firm's transaction, the person, and the time as the firm's clock has it. */
export interface Context {
  sql: FirmSql
  person: PersonRow
  now: Date
  today: string
}

/** One step of the job: what it takes, who may do it, and what it does in one transaction. */
export interface Verb<Input, Output> {
  roles: readonly Role[] | 'all'
  input: z.ZodType<Input>
  /** The thing the step is about, for the audit trail. */
  about?: (input: Input) => string
  run: (context: Context, input: Input) => Promise<Result<Output>>
}

/** A verb ready to be done by whoever is signed in. */
export interface Performable<Output = unknown> {
  perform: (name: string, person: PersonRow, raw: unknown) => Promise<Result<Output>>
}

/** Makes a verb that can be performed. */
export function verb<Input, Output>(v: Verb<Input, Output>): Performable<Output> {
  return { perform: (name, person, raw) => perform(v, name, person, raw) }
}

/** The time on the firm's clock. Only a demo's differs from the real one. */
export function nowOf(person: Pick<PersonRow, 'clockOffsetMs'>): Date {
  return new Date(Date.now() + person.clockOffsetMs)
}

/** Carries a refusal out of the transaction so that nothing of it stays. */
class Refused extends Error {
  constructor(readonly problem: Problem) {
    super(problem.message)
  }
}

/**
 * Does one step: validates what came in, checks the role, runs it in the firm's transaction and notes it.
 * A problem rolls everything back.
 */
async function perform<I, O>(
  v: Verb<I, O>,
  name: string,
  person: PersonRow,
  raw: unknown,
): Promise<Result<O>> {
  if (v.roles !== 'all' && !v.roles.includes(person.role))
    return refuse(
      'not-allowed',
      'role',
      `This is done by ${listed(v.roles)}; you are signed in as ${person.role}.`,
    )
  const read = v.input.safeParse(raw)
  if (!read.success) return { ok: false, problem: problemOf(read.error) }
  const now = nowOf(person)
  try {
    return await inFirm(person.firmId, async (sql) => {
      const result = await v.run({ sql, person, now, today: dateIn(person.timeZone, now) }, read.data)
      if (!result.ok) throw new Refused(result.problem)
      await noteEvent(sql, {
        id: uuidv7(),
        firmId: person.firmId,
        personId: person.id,
        verb: name,
        about: v.about?.(read.data) ?? null,
      })
      return result
    })
  } catch (error) {
    if (error instanceof Refused) return { ok: false, problem: error.problem }
    throw error
  }
}

function listed(roles: readonly Role[]): string {
  return roles.length === 1 ? `the ${roles[0]}` : `${roles.slice(0, -1).join(', ')} or ${roles.at(-1)}`
}

/** The first thing wrong with an input, as a problem that names the field. */
export function problemOf(error: z.ZodError): Problem {
  const issue = error.issues[0]!
  const path = issue.path
    .map((p, i) => (typeof p === 'number' ? `[${p}]` : `${i > 0 ? '.' : ''}${String(p)}`))
    .join('')
  if (issue.code === 'unrecognized_keys')
    return {
      code: 'unknown',
      field: [path, issue.keys[0]].filter(Boolean).join('.'),
      message: `There is no field "${issue.keys[0]}" here; leave it out.`,
    }
  const missing = issue.code === 'invalid_type' && issue.message.includes('undefined')
  const own = !/^(Invalid|Too|Unrecognized|Expected)/.test(issue.message)
  return {
    code: missing ? 'missing' : 'out-of-range',
    field: path || 'body',
    message: own
      ? issue.message
      : `${path || 'The input'} ${missing ? 'is missing; give it.' : 'is not as it must be; check it and send it again.'}`,
  }
}

/** A line of text as a person types it: trimmed, of a sane length, without control characters. */
export function line(name: string, most: number, least = 1) {
  return z
    .string({ error: `${name} is missing; type it.` })
    .trim()
    .min(least, { error: `${name} is empty; type it.` })
    .max(most, { error: `${name} is longer than ${most} characters; shorten it.` })
    .refine((s) => !hasControl(s), {
      error: `${name} has characters that cannot be kept; type it without them.`,
    })
}

/** Longer text; may be empty. */
export function words(name: string, most = 2000) {
  return z
    .string()
    .trim()
    .max(most, { error: `${name} are longer than ${most} characters; shorten them.` })
    .refine((s) => !hasControl(s), {
      error: `${name} have characters that cannot be kept; type them without.`,
    })
    .nullable()
    .default(null)
}

function hasControl(text: string): boolean {
  for (const c of text) {
    const code = c.codePointAt(0)!
    if ((code < 32 && code !== 10 && code !== 9) || code === 127 || (code >= 0xd800 && code <= 0xdfff))
      return true
  }
  return false
}

/** An id made on the device. */
export const id = (name = 'id') => z.uuid({ error: `${name} must be an id.` })
