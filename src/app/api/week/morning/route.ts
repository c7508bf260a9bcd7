import { problemResponse } from '@/server/http'
import { morningView } from '@/server/read/week'
import { currentPerson } from '@/server/session'

/** Hours of today's work, and what cannot be done where it stands: `GET /api/week/morning`. */
export async function GET(): Promise<Response> {
  if (!(await currentPerson()))
    return problemResponse({ code: 'not-allowed', field: 'session', message: 'Sign in first.' }, 401)
  return Response.json({ value: await morningView() })
}
