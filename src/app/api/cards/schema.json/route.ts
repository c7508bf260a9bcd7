import { cardSchema } from '@/server/shelf'
import { problemResponse } from '@/server/http'
import { currentPerson } from '@/server/session'

/** What a card file may say, as JSON Schema: `GET /api/cards/schema.json`. */
export async function GET(): Promise<Response> {
  if (!(await currentPerson()))
    return problemResponse({ code: 'not-allowed', field: 'session', message: 'Sign in first.' }, 401)
  return Response.json(cardSchema(), { headers: { 'content-type': 'application/schema+json' } })
}
