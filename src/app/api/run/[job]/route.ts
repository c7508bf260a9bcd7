import { createHash } from 'node:crypto'
import { pack } from '@/core/packed'
import { notSignedIn, problemResponse } from '@/server/http'
import { jobView } from '@/server/read/work'
import { currentPerson } from '@/server/session'

/**
 * A job as it stands now, for a device that has it open: `GET /api/run/<id>`, asked again and again. Answers 304 while nothing of it has changed since the `etag`
 * that is sent along. The hour of the firm is in a header.
 */
export async function GET(
  request: Request,
  { params }: { params: Promise<{ job: string }> },
): Promise<Response> {
  if (!(await currentPerson())) return notSignedIn()
  const view = await jobView((await params).job)
  if (!view) return problemResponse({ code: 'unknown', field: 'id', message: 'There is no such job.' }, 404)
  // The hour always changes, and is said beside.
  const { now, ...rest } = view
  const value = pack(rest)
  const etag = `"${createHash('sha256').update(value).digest('base64url')}"`
  const headers = { etag, 'elmhorn-now': String(now), 'cache-control': 'private, no-cache' }
  if (request.headers.get('if-none-match') === etag) return new Response(null, { status: 304, headers })
  return Response.json({ value }, { headers })
}
