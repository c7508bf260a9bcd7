import type { Length } from '../quantity/units'
import { clockwise, middleOf, type Sector } from './bearing'
import type { TrunkRound } from './suitability'

/** One mark on the ring as a person sets it. A flare's or thin side's sector; a hole or root at its bearing. */
export interface RingMark extends Sector {
  kind: 'flare' | 'dead' | 'thin' | 'girdling' | 'hole'
  /** Thin sides: share of that side's crown missing, 0–1. */
  severity?: number | null
  /** ISO date on which it was seen, for a hole on which it was drilled. */
  notedOn: string
}

const MS_PER_YEAR = 365.25 * 86_400_000

/** Years from one ISO date to another. `yearsBetween('2025-06-12', '2026-06-12')` is 1, to a thousandth. */
export function yearsBetween(from: string, to: string): number {
  return Math.max(0, (Date.parse(to) - Date.parse(from)) / MS_PER_YEAR)
}

/**
 * The trunk as the port layout reads it: flares with half-widths, dead wood and girdling roots as exclusions, thin
 * sides with their severity, holes with their age. A year-old hole is one year old within three days either way, so
 * that a visit a day early does not find it resting.
 */
export function roundOf(
  marks: readonly RingMark[],
  holes: readonly { bearing: number; drilledOn: string }[],
  portGirth: Length,
  today: string,
): TrunkRound {
  const all = [
    ...holes,
    ...marks.filter((m) => m.kind === 'hole').map((m) => ({ bearing: m.from, drilledOn: m.notedOn })),
  ]
  return {
    portGirth,
    flares: marks
      .filter((m) => m.kind === 'flare')
      .map((m) => {
        const width = clockwise(m.from, m.to)
        return { bearing: middleOf(m), halfWidth: Math.max(1, width / 2) }
      }),
    exclusions: marks
      .filter((m) => m.kind === 'dead' || m.kind === 'girdling')
      .map(({ from, to }) => ({ from, to })),
    thinSectors: marks
      .filter((m) => m.kind === 'thin')
      .map(({ from, to, severity }) => ({ from, to, severity: severity ?? 0.5 })),
    earlierHoles: all.map((h) => ({
      bearing: h.bearing,
      years: nearWholeYears(yearsBetween(h.drilledOn, today)),
    })),
  }
}

function nearWholeYears(years: number): number {
  const whole = Math.round(years)
  return whole > 0 && Math.abs(years - whole) < 3 / 365 ? whole : years
}

/** Holes of a trunk that rest, close or are closed, and whether this round adds faster than they close. */
export interface WoundAccount {
  planned: number
  closing: number
  closed: number
  /** Planned and still closing together take up this share of the girth, counting two inches a hole. */
  share: number
  warning: string | null
}

/** Keeps the account of wounds: each port costs the tree. Holes close in about `closureYears`. */
export function woundAccount(
  holes: readonly { years: number }[],
  planned: number,
  portGirth: Length,
  closureYears = 4,
): WoundAccount {
  const closing = holes.filter((h) => h.years < closureYears).length
  const share = ((planned + closing) * 0.0508) / portGirth
  return {
    planned,
    closing,
    closed: holes.length - closing,
    share,
    warning:
      share > 0.6
        ? 'New and closing holes take up most of the girth. Rest this trunk a year, or use a soil or bark method.'
        : null,
  }
}
