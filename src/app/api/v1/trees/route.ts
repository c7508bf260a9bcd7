import { answering, listResponse, pageOf, siteAsked } from '@/server/v1/door'
import { treesPage } from '@/server/v1/lists'

/** Standing trees of a site by tag: `GET /api/v1/trees?site=&after=&limit=`. */
export function GET(request: Request): Promise<Response> {
  return answering(request, async (person) => {
    const page = pageOf(request)
    if (page instanceof Response) return page
    const site = siteAsked(request, true)
    if (site instanceof Response) return site
    return listResponse('trees', await treesPage(person, site!, page), page.limit)
  })
}
