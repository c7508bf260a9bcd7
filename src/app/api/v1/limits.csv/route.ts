import { dateIn } from '@/core/time/calendar'
import { problemResponse } from '@/server/http'
import { answering } from '@/server/v1/door'
import { limitsCsv } from '@/server/v1/files'
import { streamed } from '@/server/v1/streamed'
import { nowOf } from '@/server/verb'

/** What of each active was put on each site in a year: `GET /api/v1/limits.csv?year=2026`. This year’s where none is said. */
export function GET(request: Request): Promise<Response> {
  return answering(request, (person) => {
    const year =
      new URL(request.url).searchParams.get('year') ?? dateIn(person.timeZone, nowOf(person)).slice(0, 4)
    return /^(19|20|21)\d\d$/.test(year)
      ? streamed(person.firmId, { type: 'text/csv; charset=utf-8', name: `limits-${year}.csv` }, (sql) =>
          limitsCsv(sql, year),
        )
      : problemResponse({
          code: 'out-of-range',
          field: 'year',
          message: 'year is four digits, such as 2026.',
        })
  })
}
