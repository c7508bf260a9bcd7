import type { z } from 'zod'
import { v7 as uuidv7 } from 'uuid'
import { problemOfRequest } from '@/calc/fields'
import type { Problem } from '@/core/problem'
import type { PersonRow } from '@/db/queries/person'
import { atTheDoor } from '../apiDoor'
import { couldNot } from '../couldNot'
import { NotDone, notDoneProblem } from '../heavy/pool'
import { problemResponse, readJson } from '../http'
import { isId } from '../id'
import { VERBS, type VerbName } from '../verbs'
import { mayDo, type Performable } from '../verb'

const NOT_NOW = 'The server cannot answer just now; ask again in a moment.'

/** Answers a program that has shown its token; see `atTheDoor`. What goes wrong on our side is a 503 with a sentence. */
export async function answering(
  request: Request,
  act: (person: PersonRow) => Promise<Response> | Response,
): Promise<Response> {
  try {
    const door = await atTheDoor(request)
    return 'refused' in door ? door.refused : await act(door.person)
  } catch (error) {
    if (error instanceof NotDone) {
      const { problem, status } = notDoneProblem(error)
      return problemResponse(problem, status, status === 429 ? { 'retry-after': '3' } : undefined)
    }
    return couldNot(error, { path: new URL(request.url).pathname }, NOT_NOW)
  }
}

/** A refusal as the API says it: 403 to whoever may not, 404 for what is not there, 409 for what clashes, else 422. */
export function refusedResponse(problem: Problem): Response {
  const status =
    problem.code === 'not-allowed'
      ? 403
      : problem.code === 'unknown' && isThing(problem.field)
        ? 404
        : undefined
  return problemResponse(problem, status)
}
const isThing = (field: string) => /^(site|client|import|id)$/.test(field)

/** What is refused a person who may not do a step, or null. */
export function mayNot(person: PersonRow, step: VerbName): Response | null {
  return mayDo(person, VERBS[step])
    ? null
    : problemResponse({
        code: 'not-allowed',
        field: 'role',
        message: `Your role, ${person.role}, may not do this.`,
      })
}

/** Makes something by a step of the job: reads what is sent, does the step under the id of the request, answers 201. */
export async function makeBy<S extends z.ZodType, Answer extends { id: string }>(
  request: Request,
  person: PersonRow,
  step: VerbName,
  asks: S,
  input: (asked: z.output<S>, id: string) => unknown,
  answer: (asked: z.output<S>, id: string) => Answer,
): Promise<Response> {
  const read = await readJson(request)
  if ('response' in read) return read.response
  const asked = asks.safeParse(read.body)
  if (!asked.success) return problemResponse(problemOfRequest(asked.error, read.body))
  const key = request.headers.get('idempotency-key')
  const id = key !== null && isId(key) ? key.toLowerCase() : uuidv7()
  const verb: Performable = VERBS[step]
  const done = await verb.perform(step, person, input(asked.data, id), { step: id })
  if (!done.ok) {
    const { problem } = done
    return refusedResponse({ ...problem, field: problem.field === 'clientId' ? 'client' : problem.field })
  }
  return Response.json(answer(asked.data, id), { status: 201, headers: { 'cache-control': 'no-store' } })
}

/** How a list is asked for: after which, and how many at most. */
export function pageOf(request: Request): { after: string | null; limit: number } | Response {
  const query = new URL(request.url).searchParams
  const after = query.get('after')
  const limit = query.get('limit') ?? '100'
  if (after !== null && !isId(after))
    return problemResponse({
      code: 'unknown',
      field: 'after',
      message: 'after is the id of the last one you have.',
    })
  if (!/^\d{1,4}$/.test(limit) || Number(limit) < 1 || Number(limit) > 1000)
    return problemResponse({
      code: 'out-of-range',
      field: 'limit',
      message: 'limit is a whole number from 1 to 1,000.',
    })
  return { after, limit: Number(limit) }
}

/** A page of a list, and where the next one begins: the id of the last, or null at the end. */
export function listResponse<T extends { id: string }>(
  name: string,
  rows: readonly T[],
  limit: number,
): Response {
  const page = rows.slice(0, limit)
  return Response.json(
    { [name]: page, next: rows.length > limit ? page.at(-1)!.id : null },
    { headers: { 'cache-control': 'no-store' } },
  )
}

/** The id of a site in the query; the refusal where it is none. */
export function siteAsked(request: Request, needed: boolean): string | null | Response {
  const site = new URL(request.url).searchParams.get('site')
  if (site === null)
    return needed
      ? problemResponse({ code: 'missing', field: 'site', message: 'Say of which site: ?site=<id>.' })
      : null
  return isId(site)
    ? site.toLowerCase()
    : problemResponse(
        { code: 'unknown', field: 'site', message: 'There is no such site; /api/v1/sites lists them.' },
        404,
      )
}
