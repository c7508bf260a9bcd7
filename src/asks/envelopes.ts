import { z } from 'zod'
import { FIELD_STEPS, MOST_ENVELOPES } from '@/core/field/envelope'
import { id } from './text'

/** One press as a device keeps it until it is answered. */
const envelope = z.strictObject({
  id: id(),
  step: z.enum(FIELD_STEPS, { error: 'This is not done without a signal.' }),
  content: z.record(z.string(), z.unknown()),
  /** By the device, on the firm's clock, epoch ms. */
  at: z.number(),
  /** Shown as done before anybody answered. */
  away: z.boolean(),
  /** The trees it is about: what comes after a refusal at one of them waits. */
  trees: z.array(z.string().max(80)).max(2000),
})

/** What waits on a device, in the order of the hand. */
export const envelopesAsks = z.strictObject({
  device: id('device'),
  envelopes: z.array(envelope).min(1).max(MOST_ENVELOPES),
})
export type Envelope = z.output<typeof envelope>
