import { z } from 'zod'
import type { Problem } from '@/core/problem'
import { id } from './text'

/** The steps of a crew's day that a device takes without a signal. */
export const FIELD_STEPS = [
  'confirm-tree',
  'begin-work',
  'mark-step',
  'mark-steps',
  'release-line',
  'hand-back',
  'note-loaded',
  'sign-record',
] as const
export type FieldStep = (typeof FIELD_STEPS)[number]

/** As many envelopes as are sent at once at most. */
export const MOST_ENVELOPES = 100
/** As much as is sent at once, unless one envelope alone is larger, bytes before they are packed. */
export const BATCH_BYTES = 64_000

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

/** What came of an envelope. `waits`: one before it at the same tree was refused, and it rests on that. */
export type EnvelopeAnswer =
  | { id: string; came: 'taken'; value: unknown }
  | { id: string; came: 'refused'; problem: Problem }
  | { id: string; came: 'waits' }
