import { archive } from '@/server/archive/archive'
import { answering } from '@/server/v1/door'
import { problemResponse } from '@/server/http'
import { streamed } from '@/server/v1/streamed'

/** Everything the firm has entered, as a zip: `GET /api/v1/archive`. For whoever keeps the house. */
export function GET(request: Request): Promise<Response> {
  return answering(request, (person) =>
    person.keepsHouse
      ? streamed(
          person.firmId,
          { type: 'application/zip', name: `archive-${new Date().toISOString().slice(0, 10)}.zip` },
          (sql) => archive(sql, person.firmId),
        )
      : problemResponse({
          code: 'not-allowed',
          field: 'role',
          message: 'The archive is taken by whoever keeps the house.',
        }),
  )
}
