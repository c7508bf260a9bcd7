import { plain, showMl } from '../../quantity/format'
import type { Volume } from '../../quantity/units'
import { sayAgo } from '../sayTime'
import { volumeApplied, type RunningPort } from './running'

/** Less than this share of the shortest uptake is none. House figure. */
const TOO_QUICK = 0.2

/** A port as it was planned: where, and with what. */
export interface PlannedPort {
  number: number
  bearing: number
}

/**
 * What went otherwise than planned, worked out from what happened, a sentence each; none when all went as planned.
 * People's own words come beside it, not in its place.
 */
export function deviationsOf(
  planned: readonly PlannedPort[],
  ports: readonly RunningPort[],
  prescribed: Volume,
  /** Of the uptake that was expected, seconds. */
  uptake: { from: number; to: number },
): string[] {
  const longest = uptake.to
  const found: string[] = []
  for (const p of ports) {
    const was = planned.find((x) => x.number === p.number)
    if (was && was.bearing !== p.bearing)
      found.push(`Port ${p.number} was moved from ${was.bearing}° to ${p.bearing}°.`)
    if (p.givenUp !== null)
      found.push(
        p.startedAt === null
          ? `Port ${p.number} was ${p.drilledAt === null ? 'not drilled' : 'drilled but never set'}: ${closed(p.givenUp)}`
          : `Port ${p.number} was given up with ${showMl(p.left)} of ${showMl(p.volume)} left: ${closed(p.givenUp)}`,
      )
    else if (p.startedAt !== null && p.stoppedAt !== null && p.stoppedAt - p.startedAt > longest * 1000)
      found.push(
        `Port ${p.number} took ${sayAgo(p.stoppedAt - p.startedAt)}, longer than the ${plain(longest / 60, 0)} min expected.`,
      )
    // So quick no trunk drinks: it leaked, or the clock was started late.
    else if (p.startedAt !== null && p.stoppedAt !== null && tooQuick(p.stoppedAt - p.startedAt, uptake))
      found.push(
        `Port ${p.number} took ${sayAgo(p.stoppedAt - p.startedAt)}, far less than the ${plain(uptake.from / 60, 0)} min expected at least.`,
      )
  }
  const applied = volumeApplied(ports)
  if (Math.abs(applied - prescribed) > prescribed * 1e-6)
    found.push(
      `${showMl(applied)} went in of ${showMl(prescribed)} prescribed, ${plain((applied / prescribed) * 100, 0)} %.`,
    )
  return found
}

/** True where a port was empty sooner than any trunk drinks. `passed` in ms, `uptake` in s. `tooQuick(60_000, { from: 900 })` */
export function tooQuick(passed: number, uptake: { from: number }): boolean {
  return passed < uptake.from * 1000 * TOO_QUICK
}

function closed(reason: string): string {
  return /[.!?]$/.test(reason) ? reason : `${reason}.`
}
