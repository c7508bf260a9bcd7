import { notSignedIn } from '@/server/http'
import { weekCsv } from '@/server/read/week'
import { currentPerson } from '@/server/session'

/** The next two weeks as rows for a spreadsheet: `GET /api/week/csv`. */
export async function GET(): Promise<Response> {
  if (!(await currentPerson())) return notSignedIn()
  return new Response(await weekCsv(), {
    headers: {
      'content-type': 'text/csv; charset=utf-8',
      'content-disposition': 'attachment; filename="week.csv"',
      'cache-control': 'no-store',
    },
  })
}
