import { firmIsMoved } from './firmIsMoved'
import { problemResponse } from './http'
import { log } from './log'

/** What whoever sent something is answered when it failed on our side: 503 with a sentence, and what it was in the log under `at`. */
export function couldNot(error: unknown, at: Record<string, string>, message: string): Response {
  const moved = firmIsMoved(error)
  if (moved) return moved
  log.error({ ...at, error: (error as Error).message })
  return problemResponse({ code: 'conflict', field: 'server', message }, 503)
}
