import { envelopesOf, keepOnlyViews, lastPerson, photosOf, setLastPerson } from './deviceStore'

/**
 * Somebody has signed out: what was fetched for them is forgotten; what they pressed and nobody answered stays sealed until they are back.
 */
export async function leaveDevice(): Promise<void> {
  const person = await lastPerson()
  if (person === null) return
  await keepOnlyViews(person, [])
  await setLastPerson(null)
}

/** How much whoever is signed in pressed and photographed here that nobody answered yet. */
export async function waitingHere(): Promise<number> {
  const person = await lastPerson()
  if (person === null) return 0
  const [presses, photos] = await Promise.all([envelopesOf(person), photosOf(person)])
  return presses.length + photos.length
}
