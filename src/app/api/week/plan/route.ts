import { FOREIGN, isOwnOrigin, notSignedIn, problemResponse } from '@/server/http'
import { log } from '@/server/log'
import { planned, type WeekLine } from '@/server/read/week'
import { currentPerson } from '@/server/session'
import { mayDo } from '@/server/verb'
import { VERBS } from '@/server/verbs'

/**
 * Plans the week: `POST /api/week/plan`, with `?anew` all of it, whatever stands. Answers with a line of JSON for each thing there is to tell; who hangs up stops it.
 * Nothing is kept.
 */
export async function POST(request: Request): Promise<Response> {
  if (!isOwnOrigin(request)) return problemResponse(FOREIGN)
  const person = await currentPerson()
  if (!person) return notSignedIn()
  if (!mayDo(person, VERBS['take-week']))
    return problemResponse(
      {
        code: 'not-allowed',
        field: 'role',
        message: 'The week is planned by the office, the arborist or the crew lead.',
      },
      403,
    )
  const anew = new URL(request.url).searchParams.has('anew')
  const hungUp = new AbortController()
  request.signal.addEventListener('abort', () => hungUp.abort())
  const text = new TextEncoder()
  const lines = new ReadableStream<Uint8Array>({
    async start(controller) {
      const tell = (line: WeekLine) => {
        if (!hungUp.signal.aborted) controller.enqueue(text.encode(`${JSON.stringify(line)}\n`))
      }
      try {
        await planned(person, { anew, stopped: hungUp.signal }, tell)
      } catch (error) {
        log.error({ week: 'plan', error: (error as Error).message })
        tell({
          kind: 'problem',
          problem: {
            code: 'conflict',
            field: 'server',
            message: 'The week could not be planned just now. Try again in a moment.',
          },
        })
      }
      if (!hungUp.signal.aborted) controller.close()
    },
    cancel: () => hungUp.abort(),
  })
  return new Response(lines, {
    headers: { 'content-type': 'application/x-ndjson; charset=utf-8', 'cache-control': 'no-store' },
  })
}
