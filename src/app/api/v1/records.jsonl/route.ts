import { answering } from '@/server/v1/door'
import { recordsJsonl } from '@/server/v1/files'
import { streamed } from '@/server/v1/streamed'

/** The ledger as it was signed, a line of JSON for each record: `GET /api/v1/records.jsonl`. */
export function GET(request: Request): Promise<Response> {
  return answering(request, (person) =>
    streamed(person.firmId, { type: 'application/x-ndjson', name: 'records.jsonl' }, recordsJsonl),
  )
}
