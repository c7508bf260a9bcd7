import { cardSchema } from '@/server/shelf'
import { notSignedIn } from '@/server/http'
import { currentPerson } from '@/server/session'

/** What a card file may say, as JSON Schema: `GET /api/cards/schema.json`. */
export async function GET(): Promise<Response> {
  if (!(await currentPerson())) return notSignedIn()
  return Response.json(cardSchema(), { headers: { 'content-type': 'application/schema+json' } })
}
