import { envelopesOf, forgetEnvelopes, keepRefused, lastPerson, refusedOf } from './deviceStore'
import { givenBack } from './givenBack'
import { nextBatch, sendEnvelopes } from './sendEnvelopes'

/** What the browser calls the service worker by when there is a signal again. */
export const SEND_LATER = 'elmhorn-send'

/**
 * Sends what whoever was here last pressed on this device, without a page: the service worker does it where the browser wakes it. What a
 * page sends at the same time is the same envelope, and is answered as one. Throws where nobody answers, so that the browser tries again.
 */
export async function sendWithoutPage(): Promise<void> {
  const person = await lastPerson()
  if (person === null) return
  for (;;) {
    const [waiting, refused] = await Promise.all([envelopesOf(person), refusedOf(person)])
    const batch = nextBatch(waiting, new Set(refused.flatMap((r) => r.trees)))
    if (batch.length === 0) return
    // Whoever pressed them went on without an answer.
    const answers = await sendEnvelopes(
      person,
      batch.map((e) => ({ ...e, away: true })),
    )
    if (answers === null) throw new Error('nobody answered')
    const gone = new Set<string>()
    for (const answer of answers) {
      const envelope = batch.find((e) => e.id === answer.id)
      if (!envelope || answer.came === 'waits') continue
      gone.add(answer.id)
      if (answer.came !== 'refused') continue
      const back = givenBack(envelope, answer.problem, waiting)
      await keepRefused(person, back.refused)
      for (const id of back.fallen) gone.add(id)
    }
    // An answer that names none of what was sent is none.
    if (gone.size === 0) return
    await forgetEnvelopes(person, [...gone])
  }
}
