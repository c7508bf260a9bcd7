import { FirmIsMoved, inFirm } from '@/db/client'
import { countAsked } from '@/db/queries/asked'

/** So many within so many seconds. */
export interface Often {
  most: number
  seconds: number
}

/** Until when nothing more of it is taken, by this copy's own clock: a flood that was refused once writes nothing more. */
const shut = new Map<string, number>()
const MOST_SHUT = 10_000

/**
 * Counts one more request of `what` in a firm, for all copies of the app together: null while it may go on, else after how many
 * seconds it may. While the firm is being moved nothing is counted, and it goes on.
 */
export async function askedTooOften(
  firmId: string,
  what: string,
  { most, seconds }: Often,
): Promise<number | null> {
  const key = `${firmId} ${what}`
  const left = Math.ceil(((shut.get(key) ?? 0) - Date.now()) / 1000)
  if (left > 0) return left
  shut.delete(key)
  try {
    const asked = await inFirm(firmId, (sql) => countAsked(sql, { firmId, what, seconds }))
    if (asked.n <= most) return null
    if (shut.size >= MOST_SHUT) shut.delete(shut.keys().next().value!)
    shut.set(key, Date.now() + asked.seconds * 1000)
    return asked.seconds
  } catch (error) {
    if (error instanceof FirmIsMoved) return null
    throw error
  }
}
