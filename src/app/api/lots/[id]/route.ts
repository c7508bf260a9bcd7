import { notSignedIn, problemResponse } from '@/server/http'
import { isId } from '@/server/id'
import { lotCsv } from '@/server/read/shelf'
import { currentPerson } from '@/server/session'

/** Every tree that something of a lot was put on at, as CSV: who is rung when it is called back. */
export async function GET(_: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  if (!(await currentPerson())) return notSignedIn()
  const { id } = await params
  const found = isId(id) ? await lotCsv(id) : null
  if (!found)
    return problemResponse(
      { code: 'unknown', field: 'id', message: 'There is no such lot on the shelf.' },
      404,
    )
  return new Response(found.csv, {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': `attachment; filename="lot-${found.number.replace(/[^A-Za-z0-9-]+/g, '-')}.csv"`,
      'cache-control': 'private, no-store',
    },
  })
}
