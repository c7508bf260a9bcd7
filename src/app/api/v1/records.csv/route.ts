import { answering } from '@/server/v1/door'
import { recordsCsv } from '@/server/v1/files'
import { streamed } from '@/server/v1/streamed'

/** The ledger as a file of cells, a line for each tree of each record: `GET /api/v1/records.csv`. */
export function GET(request: Request): Promise<Response> {
  return answering(request, (person) =>
    streamed(person.firmId, { type: 'text/csv; charset=utf-8', name: 'records.csv' }, recordsCsv),
  )
}
