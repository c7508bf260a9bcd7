import { ok, refuse, type Result } from '@/core/problem'
import { takeBack, type Noted } from '@/db/queries/takenBack'
import type { Context } from './verb'

/** Takes back what was noted, once. `field`: where its id was sent. */
export async function takenBack(
  { sql, person, at }: Context,
  noted: Noted,
  id: string,
  field: string,
): Promise<Result<{ takenBack: true }>> {
  return (await takeBack(sql, noted, id, person.id, at))
    ? ok({ takenBack: true })
    : refuse('unknown', field, 'It is not there, or was taken back before.')
}
