import { isInTree, stageOf, type RunningPort } from './running'

/** How a port that is in the tree stands against the time its dose is expected to take. */
export interface PortClock {
  /** Since it was set, until it was stopped; whole minutes are read off it. */
  minutes: number
  /** Expected to be empty from … to …, minutes. */
  from: number
  to: number
  /** Of the longest expected time, at most 1. */
  share: number
  stands: 'taking up' | 'look now' | 'stalled' | 'pull it'
}

/**
 * The clock of a port in the tree: taking up, worth a look once the shortest expected time is over, stalled beyond the
 * longest, to be pulled when it is empty. `uptake` in seconds, `now` in epoch ms; a device's clock that runs a second
 * behind the server's reads as nothing.
 *
 * @example clockOf({ startedAt: 0, stoppedAt: null, … }, { from: 600, to: 1200 }, 660_000).stands // 'look now'
 */
export function clockOf(port: RunningPort, uptake: { from: number; to: number }, now: number): PortClock {
  const minutes = Math.max(0, (port.stoppedAt ?? now) - port.startedAt!) / 60_000
  const [from, to] = [uptake.from / 60, uptake.to / 60]
  const stands =
    stageOf(port) === 'empty'
      ? 'pull it'
      : minutes > to
        ? 'stalled'
        : minutes >= from
          ? 'look now'
          : 'taking up'
  return { minutes, from, to, share: Math.min(1, minutes / to), stands }
}

/** Everything that is in a tree, the longest first. */
export function inTrees<Tree extends { ports: P[] }, P extends RunningPort>(
  trees: readonly Tree[],
): { tree: Tree; port: P }[] {
  return trees
    .flatMap((tree) => tree.ports.filter(isInTree).map((port) => ({ tree, port })))
    .sort((a, b) => a.port.startedAt! - b.port.startedAt!)
}
