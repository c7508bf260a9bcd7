import { clockOf, type PortClock } from './clock'
import type { RunningPort } from './running'

/** A port that came to a point of its clock at which somebody has to look. */
export interface Due<Port> {
  port: Port
  stands: Extract<PortClock['stands'], 'look now' | 'stalled'>
  /** Names port and point, so that each is told once. */
  key: string
}

/**
 * Ports that somebody has to look at now: the shortest expected time is over, or the longest. `uptake` in seconds, `now` in epoch ms.
 *
 * @example dueNow(ports, { from: 600, to: 1200 }, now).map((d) => d.stands) // ['look now', 'stalled']
 */
export function dueNow<Port extends RunningPort & { id: string }>(
  ports: readonly Port[],
  uptake: { from: number; to: number },
  now: number,
): Due<Port>[] {
  return ports.flatMap((port) => {
    if (port.startedAt === null || port.stoppedAt !== null) return []
    const { stands } = clockOf(port, uptake, now)
    return stands === 'look now' || stands === 'stalled'
      ? [{ port, stands, key: `${port.id} ${port.startedAt} ${stands}` }]
      : []
  })
}
