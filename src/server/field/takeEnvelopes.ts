import type { Envelope } from '@/asks/envelopes'
import type { EnvelopeAnswer } from '@/core/field/envelope'
import type { PersonRow } from '@/db/queries/person'
import { verbNamed } from '../verbs'

/**
 * Takes what a device kept, one after the other in its order, each by itself: a refusal at one tree holds what rests on it, and nothing
 * at other trees. The same envelope again is answered as the first time.
 */
export async function takeEnvelopes(
  person: PersonRow,
  { device, envelopes }: { device: string; envelopes: readonly Envelope[] },
): Promise<EnvelopeAnswer[]> {
  const answers: EnvelopeAnswer[] = []
  const held = new Set<string>()
  for (const { id, step, content, at, away, trees } of envelopes) {
    if (trees.some((t) => held.has(t))) {
      answers.push({ id, came: 'waits' })
      continue
    }
    let came: 'taken' | 'same' = 'taken'
    const onRepeat = () => (came = 'same')
    const done = await verbNamed(step)!.perform(step, person, content, {
      step: id,
      at,
      away,
      device,
      onRepeat,
    })
    if (done.ok) answers.push({ id, came, value: done.value })
    else {
      answers.push({ id, came: 'refused', problem: done.problem })
      for (const t of trees) held.add(t)
    }
  }
  return answers
}
