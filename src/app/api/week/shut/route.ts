import { problemResponse } from '@/server/http'
import { weekShut } from '@/server/read/week'
import { currentPerson } from '@/server/session'

/** What of the next two weeks cannot be done where it stands: `GET /api/week/shut`. */
export async function GET(): Promise<Response> {
  if (!(await currentPerson()))
    return problemResponse({ code: 'not-allowed', field: 'session', message: 'Sign in first.' }, 401)
  return Response.json({ value: await weekShut() })
}
