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
  /** Which of several stems it is on; null or left out where it is on the foot, or on the only trunk. */
  stem?: number | null
}

/** Holes that were drilled into one trunk on one day. */
export interface DrilledDay {
  /** ISO date on the site's calendar. */
  drilledOn: string
  bearings: number[]
  /** Which of several stems; null where the tree was drilled as one trunk. */
  stem?: number | null
}

/** One hole of an earlier visit. */
export interface Hole {
  bearing: number
  drilledOn: string
  /** New ports keep off it by so much, where that is more than its rest. */
  keep?: Length
  /** Which of several stems it is in; left out where nobody said. */
  stem?: number
}

/** Each hole by itself. `eachHole([{ drilledOn: '2026-06-12', bearings: [20, 80] }])[1].bearing` is 80. */
export function eachHole(days: readonly DrilledDay[]): Hole[] {
  return days.flatMap(({ drilledOn, bearings, stem }) =>
    bearings.map((bearing) => ({ bearing, drilledOn, ...(stem && { stem }) })),
  )
}

/** The holes that are in one of several stems; one of which nobody said the stem is kept off in every stem. */
export function holesIn<H extends { stem?: number }>(holes: readonly H[], stem: number): H[] {
  return holes.filter((h) => h.stem === undefined || h.stem === stem)
}

/**
 * What lies on the ring of one of several stems, or, with null, of the foot or the only trunk. An earlier hole of which nobody said the
 * stem counts in every stem, as {@link holesIn}.
 *
 * @example marksOn([{ kind: 'dead', from: 0, to: 30, notedOn: '2026-06-01', stem: 2 }], 1) // []
 */
export function marksOn<M extends Pick<RingMark, 'kind' | 'stem'>>(
  marks: readonly M[],
  stem: number | null,
): M[] {
  return marks.filter(
    (m) => (m.stem ?? null) === stem || (stem !== null && m.kind === 'hole' && (m.stem ?? null) === null),
  )
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
  holes: readonly Hole[],
  portGirth: Length,
  today: string,
): TrunkRound {
  const all: Hole[] = [
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
      ...(h.keep !== undefined && { keep: h.keep }),
    })),
  }
}

function nearWholeYears(years: number): number {
  const whole = Math.round(years)
  return whole > 0 && Math.abs(years - whole) < 3 / 365 ? whole : years
}

/** What holes cost a trunk: how much of its girth is wounded, now and with this visit. */
export interface WoundAccount {
  planned: number
  closing: number
  closed: number
  /** Years in which a hole closes in this tree. */
  closureYears: number
  /** Of the girth: still wounded by earlier holes, and with the new ones; each hole counts for what of it is not closed. */
  wounded: number
  share: number
  warning: string | null
}

/** How wide the wood is wounded at a hole, two inches. */
const WOUND = 0.0508
/** With more than this of the girth wounded at once the sap finds too few ways round. */
const MOST_WOUNDED = 0.6

/**
 * Years in which a hole closes, by vigour, as far as the crown tells of it; four where nobody has looked.
 * Source: house figures within the handbook's two to four, and longer in a tree that hardly grows.
 */
export function closureYears(liveCrown: number | null): number {
  if (liveCrown === null) return 4
  return liveCrown >= 80 ? 3 : liveCrown >= 50 ? 4 : 6
}

/**
 * Keeps the account of wounds: each port costs the tree. A hole wounds two inches of the girth and closes evenly over the
 * years; what is not closed yet adds to the new ones. So a vigorous tree carries a visit every second year at six inches, and
 * not one every year.
 *
 * @example woundAccount([{ years: 2 }], 9, 1.3716, 85).share // 9 and a third holes of 2 in on 54 in
 */
export function woundAccount(
  holes: readonly { years: number }[],
  planned: number,
  portGirth: Length,
  liveCrown: number | null = null,
): WoundAccount {
  const years = closureYears(liveCrown)
  const open = holes.reduce((sum, h) => sum + Math.max(0, 1 - h.years / years), 0)
  const closing = holes.filter((h) => h.years < years).length
  const wounded = (open * WOUND) / portGirth
  const share = wounded + (planned * WOUND) / portGirth
  return {
    planned,
    closing,
    closed: holes.length - closing,
    closureYears: years,
    wounded,
    share,
    warning:
      share > MOST_WOUNDED
        ? `New and closing holes together wound ${Math.round(share * 100)} % of the girth. Let this trunk rest a year, or use a soil or bark method.`
        : null,
  }
}
