import { notSignedIn, valueResponse } from '@/server/http'
import { weekDays } from '@/server/read/week'
import { currentPerson } from '@/server/session'

/** What each day of the next two weeks says to every stop: `GET /api/week/days`. */
export async function GET(): Promise<Response> {
  if (!(await currentPerson())) return notSignedIn()
  return valueResponse(await weekDays())
}
