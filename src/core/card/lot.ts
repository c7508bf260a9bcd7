import type { PlainDate } from '../time/calendar'

/** True for a lot that may be put on from on a day: it has not expired and was not called back. `isGood({ expiresOn: null, withdrawnOn: null }, '2026-06-12')` */
export function isGood(
  lot: { expiresOn: PlainDate | null; withdrawnOn: PlainDate | null },
  on: PlainDate,
): boolean {
  return lot.withdrawnOn === null && (lot.expiresOn === null || lot.expiresOn >= on)
}
