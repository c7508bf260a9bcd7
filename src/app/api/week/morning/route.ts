import { notSignedIn, valueResponse } from '@/server/http'
import { morningView } from '@/server/read/week'
import { currentPerson } from '@/server/session'

/** Hours of today's work, and what cannot be done where it stands: `GET /api/week/morning`. */
export async function GET(): Promise<Response> {
  if (!(await currentPerson())) return notSignedIn()
  return valueResponse(await morningView())
}
