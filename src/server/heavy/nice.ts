import { readlinkSync } from 'node:fs'
import { setPriority } from 'node:os'

/** Lets this thread run after the pages' own: heavy work takes what they leave. Where it cannot be set, it is not. */
export function runAfterPages(): void {
  try {
    const thread = Number(readlinkSync('/proc/thread-self').split('/').at(-1))
    setPriority(thread, 15)
  } catch {
    // Not on this system; the work is still beside the pages, only not after them.
  }
}
