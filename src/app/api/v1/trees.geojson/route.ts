import { answering, siteAsked } from '@/server/v1/door'
import { treesGeoJson } from '@/server/v1/files'
import { streamed } from '@/server/v1/streamed'

/** Standing trees as features, of one site or of all: `GET /api/v1/trees.geojson?site=`. */
export function GET(request: Request): Promise<Response> {
  return answering(request, (person) => {
    const site = siteAsked(request, false)
    if (site instanceof Response) return site
    return streamed(person.firmId, { type: 'application/geo+json', name: 'trees.geojson' }, (sql) =>
      treesGeoJson(sql, site),
    )
  })
}
