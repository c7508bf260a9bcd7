import { firmOf } from '@/db/queries/house'
import { begun } from '@/db/queries/begun'
import type { Reading } from '../verb'

/** What of a firm’s first steps is done, and whether their page was put away. */
export async function firstSteps({ sql, person }: Pick<Reading, 'sql' | 'person'>) {
  const [{ client, site, ...done }, firm] = await Promise.all([begun(sql), firmOf(sql)])
  return {
    firm: person.firmName,
    keepsHouse: person.keepsHouse,
    away: firm.settings['firstSteps'] === 'away',
    client,
    site,
    done: { ...done, client: client !== null, site: site !== null },
  }
}

/** How many of the first steps are done, for Today; null where all are, the page was put away, or it is not this person’s to do. */
export async function firstStepsLeft(
  context: Pick<Reading, 'sql' | 'person'>,
): Promise<{ done: number; of: number } | null> {
  if (context.person.role === 'technician') return null
  const { away, done } = await firstSteps(context)
  const all = Object.values(done)
  const ticked = all.filter(Boolean).length
  return away || ticked === all.length ? null : { done: ticked, of: all.length }
}
