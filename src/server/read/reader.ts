import { cache } from 'react'
import { redirect } from 'next/navigation'
import { headers } from 'next/headers'
import { dateIn } from '@/core/time/calendar'
import { inFirm } from '@/db/client'
import type { PersonRow } from '@/db/queries/person'
import { currentPerson } from '../session'
import { nowOf, type Reading } from '../verb'

/** Who reads; sends a stranger to the sign-in and back afterwards. One look-up a request. */
export const reader = cache(async (): Promise<PersonRow> => {
  const person = await currentPerson()
  if (person) return person
  const path = (await headers()).get('x-elmhorn-path') ?? '/'
  redirect(`/sign-in?next=${encodeURIComponent(path)}`)
})

/** Reads in one firm-scoped transaction, with the firm's time. */
export async function reading<T>(read: (context: Reading) => Promise<T>): Promise<T> {
  const person = await reader()
  const now = nowOf(person)
  return inFirm(person.firmId, (sql) => read({ sql, person, now, today: dateIn(person.timeZone, now) }))
}

export { isId } from '../id'
