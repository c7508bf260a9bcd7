import { z } from 'zod'
import { answering, listResponse, makeBy, pageOf } from '@/server/v1/door'
import { clientsPage } from '@/server/v1/lists'

/** Clients by name: `GET /api/v1/clients?after=&limit=`. */
export function GET(request: Request): Promise<Response> {
  return answering(request, async (person) => {
    const page = pageOf(request)
    if (page instanceof Response) return page
    return listResponse('clients', await clientsPage(person.firmId, page), page.limit)
  })
}

const Asks = z.strictObject({ name: z.string().max(200) })

/** Enters a client: `{ name }`. */
export function POST(request: Request): Promise<Response> {
  return answering(request, (person) =>
    makeBy(
      request,
      person,
      'add-client',
      Asks,
      ({ name }, id) => ({ id, name, contacts: [], notices: 'e-mail', note: null }),
      ({ name }, id) => ({ id, name: name.trim() }),
    ),
  )
}
