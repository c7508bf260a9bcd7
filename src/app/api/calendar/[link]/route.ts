import { askedTooOften } from '@/server/askedTooOften'
import { calendarFeed } from '@/server/calendar/feed'
import { calendarOfLink } from '@/server/calendar/link'
import { problemResponse } from '@/server/http'
import { log } from '@/server/log'

/** A calendar program asks every hour or so; a hundred of them may share a link. */
const OFTEN = { most: 120, seconds: 3600 }

/** A calendar by its link: `GET /api/calendar/<link>.ics`. Whoever holds the link may read it; nobody signs in. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ link: string }> },
): Promise<Response> {
  const link = (await params).link.replace(/\.ics$/, '')
  const none = () =>
    problemResponse(
      {
        code: 'unknown',
        field: 'link',
        message: 'This link leads to no calendar, or was ended. Ask for a new one.',
      },
      404,
    )
  try {
    const found = /^[\w-]{20,80}$/.test(link) ? await calendarOfLink(link) : null
    if (!found) return none()
    const seconds = await askedTooOften(found.madeBy.firmId, `calendar ${found.id}`, OFTEN)
    if (seconds !== null)
      return problemResponse(
        {
          code: 'out-of-range',
          field: 'link',
          message: `This calendar was asked for too often; go on in ${seconds} s.`,
        },
        429,
        { 'retry-after': String(seconds) },
      )
    const text = await calendarFeed(found.madeBy, found.of)
    return text === null
      ? none()
      : new Response(text, {
          headers: {
            'content-type': 'text/calendar; charset=utf-8',
            'content-disposition': 'inline; filename="elmhorn.ics"',
            'cache-control': 'private, max-age=300',
          },
        })
  } catch (error) {
    log.error({ calendar: 'feed', error: (error as Error).message })
    return problemResponse(
      {
        code: 'conflict',
        field: 'server',
        message: 'The calendar cannot be read just now; ask again in a moment.',
      },
      503,
    )
  }
}
