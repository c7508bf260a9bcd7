import { findView } from '@/server/read/find'
import { currentPerson } from '@/server/session'
import { notSignedIn, valueResponse } from '@/server/http'

/** Whatever has a name: `GET /api/find?text=ash`. */
export async function GET(request: Request): Promise<Response> {
  if (!(await currentPerson())) return notSignedIn()
  const text = new URL(request.url).searchParams.get('text') ?? ''
  return valueResponse(await findView(text))
}
