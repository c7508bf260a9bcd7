import { FirmIsMoved } from '@/db/client'
import { problemResponse } from './http'

/** What whoever enters something is told while the firm is being moved to another database; null for any other error. */
export function firmIsMoved(error: unknown): Response | null {
  return error instanceof FirmIsMoved
    ? problemResponse(
        {
          code: 'conflict',
          field: 'server',
          message:
            'Your firm is just being moved to another machine. Everything can be read; enter this again in a minute, it is still here.',
        },
        503,
        { 'retry-after': '20' },
      )
    : null
}
