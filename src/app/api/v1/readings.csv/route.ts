import { answering, siteAsked } from '@/server/v1/door'
import { readingsCsv } from '@/server/v1/files'
import { streamed } from '@/server/v1/streamed'

/** Every reading as a file of cells, of one site or of all: `GET /api/v1/readings.csv?site=`. */
export function GET(request: Request): Promise<Response> {
  return answering(request, (person) => {
    const site = siteAsked(request, false)
    if (site instanceof Response) return site
    return streamed(person.firmId, { type: 'text/csv; charset=utf-8', name: 'readings.csv' }, (sql) =>
      readingsCsv(sql, site, { system: person.units }),
    )
  })
}
