import type { Problem } from '../problem'

/** The steps of a crew's day, and of a walk round trees, that a device takes without a signal. */
export const FIELD_STEPS = [
  'confirm-tree',
  'begin-work',
  'mark-step',
  'mark-steps',
  'release-line',
  'hand-back',
  'note-loaded',
  'put-day-away',
  'sign-record',
  'set-finding',
  'set-detail',
  'confirm-identity',
  'change-tree',
] as const
export type FieldStep = (typeof FIELD_STEPS)[number]

/** As many envelopes as are sent at once at most. */
export const MOST_ENVELOPES = 100
/** As much as is sent at once, unless one envelope alone is larger, bytes before they are packed. */
export const BATCH_BYTES = 64_000

/** What came of an envelope. `same`: it was taken before, and its answer was lost. `waits`: one before it at the same tree was refused, and it rests on that. */
export type EnvelopeAnswer =
  | { id: string; came: 'taken' | 'same'; value: unknown }
  | { id: string; came: 'refused'; problem: Problem }
  | { id: string; came: 'waits' }
