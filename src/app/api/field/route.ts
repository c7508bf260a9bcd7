import { envelopesAsks } from '@/asks/envelopes'
import { takeEnvelopes } from '@/server/field/takeEnvelopes'
import { couldNot } from '@/server/couldNot'
import {
  DEVICE_ENDED,
  FOREIGN,
  isOwnOrigin,
  notSignedIn,
  problemResponse,
  readPackedJson,
  SOMEBODY_ELSE,
  valueResponse,
} from '@/server/http'
import { problemOf } from '@/server/inputProblem'
import { fieldDay } from '@/server/read/field'
import { currentPerson, personToEmptyHere } from '@/server/session'

/** What a device keeps for a crew’s days, beside the jobs themselves: `GET /api/field`. */
export async function GET(): Promise<Response> {
  return (await currentPerson()) ? valueResponse(await fieldDay()) : lostOrSignedOut()
}

/** Why nobody is signed in here: a device that was given up for lost is told so, and empties what it keeps. */
async function lostOrSignedOut(): Promise<Response> {
  return (await personToEmptyHere()) === null ? notSignedIn() : problemResponse(DEVICE_ENDED, 401)
}

/** What a device kept without a signal: `POST /api/field`, packed or not. Each envelope is answered by itself. */
export async function POST(request: Request): Promise<Response> {
  if (!isOwnOrigin(request)) return problemResponse(FOREIGN)
  try {
    const person = await currentPerson()
    if (!person) return lostOrSignedOut()
    // What one person pressed is never entered as another’s.
    if (request.headers.get('elmhorn-by') !== person.id) return problemResponse(SOMEBODY_ELSE)
    const read = await readPackedJson(request)
    if ('response' in read) return read.response
    const asks = envelopesAsks.safeParse(read.body)
    if (!asks.success) return problemResponse(problemOf(asks.error))
    return valueResponse({
      answers: await takeEnvelopes(person, asks.data),
      now: Date.now() + person.clockOffsetMs,
    })
  } catch (error) {
    return couldNot(error, { verb: 'envelopes' }, 'This could not be kept just now. It is sent again.')
  }
}
