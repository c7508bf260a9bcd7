import { setUpAsks } from '@/asks/house'
import { atDoor } from '@/server/house/door'
import { setUp, SET_UP_ALREADY } from '@/server/house/setUp'
import { isToBeSetUp } from '@/server/house/setUpCode'
import { problemResponse } from '@/server/http'
import { log } from '@/server/log'
import { openFor, sourceOf } from '@/server/session'

/**
 * Sets up the first firm: `{ code, firm: { name, town, latitude, longitude, timeZone, units, jurisdiction }, person: { name, email,
 * password, licence } }` → 201, and the person is signed in. Once there is a firm: 404.
 */
export async function POST(request: Request): Promise<Response> {
  try {
    if (!(await isToBeSetUp())) return problemResponse(SET_UP_ALREADY.problem, 404)
  } catch (error) {
    log.error({ error: (error as Error).message })
  }
  return atDoor(
    request,
    setUpAsks,
    async (asked) => {
      const made = await setUp(asked, await sourceOf())
      if (made.ok) await openFor(made.value.firm, made.value.person)
      return made
    },
    { done: 201, refused: (p) => (p.field === 'setup' ? 404 : p.field === 'code' ? 403 : undefined) },
  )
}
