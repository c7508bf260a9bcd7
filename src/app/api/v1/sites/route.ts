import { z } from 'zod'
import { answering, listResponse, makeBy, pageOf } from '@/server/v1/door'
import { sitesPage } from '@/server/v1/lists'

/** Sites by name: `GET /api/v1/sites?after=&limit=`. */
export function GET(request: Request): Promise<Response> {
  return answering(request, async (person) => {
    const page = pageOf(request)
    if (page instanceof Response) return page
    return listResponse('sites', await sitesPage(person.firmId, page), page.limit)
  })
}

const Asks = z.strictObject({
  client: z.string().max(40),
  name: z.string().max(200),
  address: z.string().max(300),
  latitude: z.number().nullable().optional(),
  longitude: z.number().nullable().optional(),
})

/** Enters a site: `{ client, name, address, latitude, longitude }`. */
export function POST(request: Request): Promise<Response> {
  return answering(request, (person) =>
    makeBy(
      request,
      person,
      'add-site',
      Asks,
      ({ client, latitude, longitude, ...rest }, id) => ({
        id,
        clientId: client,
        latitude: latitude ?? null,
        longitude: longitude ?? null,
        ...rest,
      }),
      (asked, id) => ({ id, ...asked }),
    ),
  )
}
