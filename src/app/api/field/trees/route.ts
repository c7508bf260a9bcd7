import { waitingToExamine } from '@/server/read/examine'
import { notSignedIn, packedResponse } from '@/server/http'
import { currentPerson } from '@/server/session'

/** The trees that wait to be looked at, for a walk without a signal: `GET /api/field/trees`. Answers 304 while nothing of them has changed. */
export async function GET(request: Request): Promise<Response> {
  const person = await currentPerson()
  if (!person) return notSignedIn()
  return packedResponse(request, await waitingToExamine(), Date.now() + person.clockOffsetMs)
}
