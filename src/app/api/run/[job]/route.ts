import { notSignedIn, problemResponse } from '@/server/http'
import { jobView } from '@/server/read/work'
import { currentPerson } from '@/server/session'

/** A job as it stands now, for a device that has it open: `GET /api/run/<id>`. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ job: string }> },
): Promise<Response> {
  if (!(await currentPerson())) return notSignedIn()
  const view = await jobView((await params).job)
  return view
    ? Response.json({ value: view })
    : problemResponse({ code: 'unknown', field: 'id', message: 'There is no such job.' }, 404)
}
