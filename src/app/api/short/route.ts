import { notSignedIn, valueResponse } from '@/server/http'
import { shortView } from '@/server/read/load'
import { currentPerson } from '@/server/session'

/** What the shelf does not hold of what is put on today and tomorrow: `GET /api/short`. */
export async function GET(): Promise<Response> {
  return (await currentPerson()) ? valueResponse(await shortView()) : notSignedIn()
}
