import { BATCH_BYTES, MOST_ENVELOPES, type EnvelopeAnswer } from '@/core/field/envelope'
import { askToSignIn } from '@/ui/shell/askToSignIn'
import { setFirmClock } from '@/ui/shell/firmClock'
import { deviceId, type KeptEnvelope } from './deviceStore'

/** No answer after so long is none. */
export const ANSWER_WITHIN_MS = 20_000

/**
 * What goes out next: those at whose trees nothing is refused, as many as fit into one batch, in the order of the hand. A single one
 * goes out whatever its size.
 */
export function nextBatch(waiting: readonly KeptEnvelope[], held: ReadonlySet<string>): KeptEnvelope[] {
  const batch: KeptEnvelope[] = []
  let bytes = 0
  for (const envelope of waiting) {
    if (envelope.trees.some((t) => held.has(t))) continue
    bytes += JSON.stringify(envelope.content).length + 200
    if (batch.length > 0 && (bytes > BATCH_BYTES || batch.length === MOST_ENVELOPES)) break
    batch.push(envelope)
  }
  return batch
}

/** Sends envelopes, packed where the browser can; null where nobody answered, or no rule spoke: they are sent again. */
export async function sendEnvelopes(
  person: string,
  batch: readonly KeptEnvelope[],
): Promise<EnvelopeAnswer[] | null> {
  const json = JSON.stringify({
    device: await deviceId(),
    envelopes: batch.map(({ id, step, content, at, away, trees }) => ({
      id,
      step,
      content,
      at: Math.round(at),
      away,
      trees,
    })),
  })
  const packs = typeof CompressionStream !== 'undefined'
  try {
    for (;;) {
      const answer = await fetch('/api/field', {
        method: 'POST',
        headers: {
          'content-type': 'application/json',
          'elmhorn-by': person,
          ...(packs && { 'content-encoding': 'gzip' }),
        },
        body: packs
          ? await new Response(new Blob([json]).stream().pipeThrough(new CompressionStream('gzip'))).blob()
          : json,
        signal: AbortSignal.timeout(ANSWER_WITHIN_MS),
      })
      if (answer.status === 401 && (await askToSignIn())) continue
      if (!answer.ok) return null
      const { value } = (await answer.json()) as { value: { answers: EnvelopeAnswer[]; now: number } }
      setFirmClock(value.now)
      return value.answers
    }
  } catch {
    return null
  }
}
