import { plain, showMl } from '../quantity/format'
import { NOISE } from '../quantity/whole'
import type { Length, Volume } from '../quantity/units'
import { fromSI } from '../quantity/units'
import type { InjectionTerms } from '../dose/labelCard'
import { volumeApplied, type RunningPort } from './running'

/** What a tree got, against what its label asks for at the least. */
export type Outcome = 'treated' | 'partly treated' | 'not treated'

/**
 * The least a label allows for a trunk: its low rate by diameter. A capsule product has no lower rate; its least is what
 * was prescribed.
 */
export function leastDose(
  terms: Pick<InjectionTerms, 'ratePerInch' | 'capsule'>,
  diameter: Length,
  prescribed: Volume,
): Volume {
  return terms.ratePerInch && !terms.capsule
    ? Math.min(prescribed, terms.ratePerInch.low * fromSI(diameter, 'in'))
    : prescribed
}

/** The most a label allows for a trunk inside one interval; null where it states no rate by diameter. */
export function mostDose(
  terms: Pick<InjectionTerms, 'ratePerInch' | 'capsule'>,
  diameter: Length,
): Volume | null {
  const inches = fromSI(diameter, 'in')
  if (terms.capsule) return terms.capsule.maxPerInch * inches
  return terms.ratePerInch ? terms.ratePerInch.high * inches : null
}

/** Judges what went in: all that the label asks for, less than its least, or nothing. */
export function outcomeOf(ports: readonly RunningPort[], least: Volume): Outcome {
  const applied = volumeApplied(ports)
  if (applied <= 0) return 'not treated'
  return applied < least * (1 - NOISE) ? 'partly treated' : 'treated'
}

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
  longest: number,
): string[] {
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
        `Port ${p.number} took ${plain((p.stoppedAt - p.startedAt) / 60_000, 0)} min, longer than the ${plain(longest / 60, 0)} min expected.`,
      )
  }
  const applied = volumeApplied(ports)
  if (Math.abs(applied - prescribed) > prescribed * 1e-6)
    found.push(
      `${showMl(applied)} went in of ${showMl(prescribed)} prescribed, ${plain((applied / prescribed) * 100, 0)} %.`,
    )
  return found
}

function closed(reason: string): string {
  return /[.!?]$/.test(reason) ? reason : `${reason}.`
}
