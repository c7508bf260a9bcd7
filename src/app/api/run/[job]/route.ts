import { notSignedIn, packedResponse, problemResponse } from '@/server/http'
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
  return packedResponse(request, rest, now)
}
