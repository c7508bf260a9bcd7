import { findView } from '@/server/read/find'
import { currentPerson } from '@/server/session'
import { problemResponse } from '@/server/http'

/** Whatever has a name: `GET /api/find?text=ash`. */
export async function GET(request: Request): Promise<Response> {
  if (!(await currentPerson()))
    return problemResponse({ code: 'not-allowed', field: 'session', message: 'Sign in first.' }, 401)
  const text = new URL(request.url).searchParams.get('text') ?? ''
  return Response.json({ value: await findView(text) })
}
