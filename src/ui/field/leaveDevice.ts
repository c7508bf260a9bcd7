import { keepOnlyViews, lastPerson, setLastPerson } from './deviceStore'

/**
 * Somebody has signed out: what was fetched for them is forgotten; what they pressed and nobody answered stays sealed until they are back.
 */
export async function leaveDevice(): Promise<void> {
  const person = await lastPerson()
  if (person === null) return
  await keepOnlyViews(person, [])
  await setLastPerson(null)
}
