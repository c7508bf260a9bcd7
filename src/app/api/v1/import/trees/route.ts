import { answering, mayNot, refusedResponse, siteAsked } from '@/server/v1/door'
import { problemResponse } from '@/server/http'
import { importAsked, importBody } from '@/server/trees/asked'
import { answerAlone, importTrees } from '@/server/trees/importTrees'

/**
 * A list of trees: `POST /api/v1/import/trees?site=ID&mode=look|take`, the body `text/csv` or `application/geo+json`. `columns`, `units` and
 * `all=1` in the query.
 */
export function POST(request: Request): Promise<Response> {
  return answering(request, async (person) => {
    const no = mayNot(person, 'add-tree')
    if (no) return no
    const site = siteAsked(request, true)
    if (site instanceof Response) return site
    const asked = importAsked(new URL(request.url).searchParams)
    if (!asked.ok) return problemResponse(asked.problem)
    const body = await importBody(request)
    if ('response' in body) return body.response
    const done = await importTrees(person, {
      ...asked.value,
      ...body,
      siteId: site!,
      fileName: null,
      stopped: request.signal,
    })
    if (!done.ok) return refusedResponse(done.problem)
    return Response.json(answerAlone(done.value), { headers: { 'cache-control': 'no-store' } })
  })
}
