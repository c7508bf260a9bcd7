import { FOREIGN, isOwnOrigin, problemResponse } from '@/server/http'
import { signOut } from '@/server/session'

/** Ends the session. */
export async function POST(request: Request): Promise<Response> {
  if (!isOwnOrigin(request)) return problemResponse(FOREIGN)
  await signOut()
  return Response.json({ value: true })
}
