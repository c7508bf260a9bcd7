import type { Problem } from '../problem'

/** What every press says of itself: a repeat has the same id; `seq` counts the presses of one device, whatever its clock does. */
export interface Pressed {
  id: string
  /** By the device, on the firm's clock, epoch ms. */
  at: number
  seq?: number
  device?: string
}

/** A press that changed nothing, with why. It stays in the history. */
export interface Idle {
  id: string
  problem: Problem
}

/** What presses come to, those of them that changed nothing, and the newest that counts and was not taken back, by its id. */
export interface Folded<State> {
  state: State
  idle: Idle[]
  last: string | null
}

/**
 * Presses in the order in which they count, each once: by the device's time, at the same moment by the count of the device, by device and
 * by id. The order in which they arrived plays no part, so that every device and the server come to the same.
 *
 * @example inTime([{ id: 'b', at: 2 }, { id: 'a', at: 1 }, { id: 'b', at: 2 }]) // a, b
 */
export function inTime<P extends Pressed>(presses: readonly P[]): P[] {
  return [...new Map(presses.map((p) => [p.id, p])).values()].sort(byTime)
}

/** The order of {@link inTime}. */
export function byTime(a: Pressed, b: Pressed): number {
  return (
    a.at - b.at ||
    (a.seq ?? 0) - (b.seq ?? 0) ||
    compare(a.device ?? '', b.device ?? '') ||
    compare(a.id, b.id)
  )
}

const compare = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0)

/** True for presses of two devices, of which neither could see the other's. Presses that name no device are in reach of each other. */
export function areApart(a: Pressed | null, b: Pressed): boolean {
  return a?.device !== undefined && b.device !== undefined && a.device !== b.device
}
