import { notSignedIn, problemResponse } from '@/server/http'
import { cardView } from '@/server/read/shelf'
import { currentPerson } from '@/server/session'

/** A card as a file: `GET /api/cards/<code>?version=2`; the newest without a version. */
export async function GET(
  request: Request,
  { params }: { params: Promise<{ code: string }> },
): Promise<Response> {
  if (!(await currentPerson())) return notSignedIn()
  const view = await cardView((await params).code)
  const asked = new URL(request.url).searchParams.get('version')
  const found = asked === null ? view?.versions[0] : view?.versions.find((v) => String(v.version) === asked)
  if (!found)
    return problemResponse({ code: 'unknown', field: 'code', message: 'There is no such card.' }, 404)
  return new Response(`${JSON.stringify(found.card, null, 2)}\n`, {
    headers: {
      'content-type': 'application/json',
      'content-disposition': `attachment; filename="${found.card.code}-v${found.version}.json"`,
    },
  })
}
