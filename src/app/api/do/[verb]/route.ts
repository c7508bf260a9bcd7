import { couldNot } from '@/server/couldNot'
import { FOREIGN, isOwnOrigin, problemResponse, readJson, SOMEBODY_ELSE } from '@/server/http'
import type { Problem } from '@/core/problem'
import { isId } from '@/server/read/reader'
import type { Sent } from '@/server/verb'
import { currentPerson } from '@/server/session'
import { verbNamed } from '@/server/verbs'

/** One step of the job, sent from a page: `POST /api/do/add-reading`. */
export async function POST(
  request: Request,
  { params }: { params: Promise<{ verb: string }> },
): Promise<Response> {
  const { verb: name } = await params
  if (!isOwnOrigin(request)) return problemResponse(FOREIGN)
  const verb = verbNamed(name)
  if (!verb)
    return problemResponse({ code: 'unknown', field: 'verb', message: 'There is no such step.' }, 404)
  try {
    const person = await currentPerson()
    if (!person)
      return problemResponse(
        {
          code: 'not-allowed',
          field: 'session',
          message: 'You are signed out. Sign in again; what you typed is still here.',
        },
        401,
      )
    // What one person pressed is never entered as another’s.
    const by = request.headers.get('elmhorn-by')
    if (by !== null && by !== person.id) return problemResponse(SOMEBODY_ELSE)
    const read = await readJson(request)
    if ('response' in read) return read.response
    const result = await verb.perform(name, person, read.body, sentOf(request))
    return result.ok
      ? Response.json({ value: result.value })
      : problemResponse(result.problem, isNotThere(result.problem) ? 404 : undefined)
  } catch (error) {
    return couldNot(
      error,
      { verb: name },
      'This could not be saved just now; what you typed is still here. Try again in a moment.',
    )
  }
}

/** What the sender says of the step: its id and when the hand pressed. What cannot be that is as if it were not said. */
function sentOf(request: Request): Sent {
  const step = request.headers.get('idempotency-key')
  const at = Number(request.headers.get('elmhorn-at') ?? Number.NaN)
  return {
    step: step !== null && isId(step) ? step.toLowerCase() : null,
    at: Number.isFinite(at) ? at : null,
  }
}

/** True for a problem that says: there is no such thing, or it is another firm's. */
function isNotThere(problem: Problem): boolean {
  return problem.code === 'unknown' && /Id$|^id$/.test(problem.field)
}
