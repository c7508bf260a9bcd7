import { forgetOffline } from '../reckon/keepForOffline'
import { emptyStore, lastPerson, setLastPerson } from './deviceStore'

/** The office has ended this device: all that it keeps of a person goes, what was not sent too, and it is signed in anew. */
export async function emptyDevice(person: string): Promise<void> {
  await forgetOffline()
  await emptyStore(person)
  if ((await lastPerson()) === person) await setLastPerson(null)
}
