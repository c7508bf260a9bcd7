import { plain, showGround, showLength, type UnitSystem } from '../quantity/format'
import { fromSI, toSI, type Area, type Length } from '../quantity/units'
import { ok, refuse, type Result } from '../problem'
import { NOISE } from '../quantity/whole'
import type { Working } from '../working/working'

/** Smallest and largest trunk diameter taken for a tree, in metres (0.2 in to 200 in). */
export const DIAMETER_LIMITS: { least: Length; most: Length } = {
  least: toSI(0.2, 'in'),
  most: toSI(200, 'in'),
}

/**
 * True for what can be a trunk's diameter, metres; a reading on the very limit counts.
 * @example isTrunk(toSI(14, 'in')) // true
 */
export function isTrunk(diameter: Length): boolean {
  return diameter >= DIAMETER_LIMITS.least * (1 - NOISE) && diameter <= DIAMETER_LIMITS.most * (1 + NOISE)
}

/** True for what can be a girth where ports go, metres: from half the least trunk's to twice the largest's. */
export function isPortGirth(girth: Length): boolean {
  return girth >= DIAMETER_LIMITS.least * Math.PI * 0.5 && girth <= DIAMETER_LIMITS.most * Math.PI * 2
}

/** Girth and diameter of one stem may differ by this share before one of them must be wrong. */
export const AGREEMENT = 0.03

/** A stem as measured: by girth tape, by diameter tape, or both. Metres. */
export interface StemInput {
  girth?: Length
  diameter?: Length
}

export interface Stem {
  diameter: Length
  girth: Length
}

export interface Trunk {
  stems: Stem[]
  /** √Σd²: one round stem of the same wood area. */
  equivalentDiameter: Length
  /** Σd. */
  summedDiameter: Length
  criticalRootZone: { radius: Length; area: Area }
  working: Working
}

/** The stems as measured, each with girth and diameter. Refuses none, both-that-disagree, and the impossible. */
function readStems(stems: StemInput[], units: UnitSystem): Result<{ stems: Stem[]; working: Working }> {
  const working: Working = []
  const read: Stem[] = []
  for (const [i, stem] of stems.entries()) {
    const field = `stems[${i}]`
    const given = stem.girth ?? stem.diameter
    if (given === undefined)
      return refuse('missing', field, `Stem ${i + 1} has no reading; give its girth or its diameter.`)
    const diameter = stem.girth !== undefined ? stem.girth / Math.PI : given
    const named = `${field}.${stem.girth !== undefined ? 'girth' : 'diameter'}`
    if (!isTrunk(diameter))
      return refuse(
        'out-of-range',
        named,
        `Stem ${i + 1} would be ${showLength(diameter, units)} through; a trunk is between ${showLength(DIAMETER_LIMITS.least, units)} and ${showLength(DIAMETER_LIMITS.most, units)}. Check the tape and the unit.`,
      )
    if (stem.girth !== undefined && stem.diameter !== undefined) {
      const apart = Math.abs(diameter - stem.diameter) / Math.max(diameter, stem.diameter)
      if (apart > AGREEMENT + 1e-12)
        return refuse(
          'out-of-range',
          named,
          `Girth and diameter of stem ${i + 1} differ by ${Math.round(apart * 100)} %, more than 3 %; measure again or give only one.`,
        )
    }
    const label = stems.length > 1 ? `Stem ${i + 1}` : 'Trunk'
    if (stem.girth !== undefined)
      working.push({
        label: `${label}, diameter from girth`,
        expression: `${showLength(stem.girth, units)} ÷ 3.1416`,
        result: showLength(diameter, units),
        source: 'reading',
      })
    else
      working.push({
        label: `${label}, girth from diameter`,
        expression: `${showLength(diameter, units)} × 3.1416`,
        result: showLength(diameter * Math.PI, units),
        source: 'reading',
      })
    read.push({ diameter, girth: stem.girth ?? diameter * Math.PI })
  }
  return ok({ stems: read, working })
}

/**
 * Reduces the stems of one tree to the figures everything else is dosed by.
 *
 * `rootZone` is the critical root zone radius per diameter, metre per metre (1 ft per inch is 12).
 * Problems: `missing` without stems or readings, `out-of-range` outside {@link DIAMETER_LIMITS} or where a girth and
 * a diameter of one stem differ by more than 3 %.
 *
 * @example measureTrunk([{ girth: toSI(41, 'in') }]) // equivalentDiameter 0.33149 m = 13.05 in
 */
export function measureTrunk(stems: StemInput[], rootZone = 12, units: UnitSystem = 'us'): Result<Trunk> {
  if (stems.length === 0)
    return refuse('missing', 'stems', 'There is no stem; give at least one girth or diameter.')
  const read = readStems(stems, units)
  if (!read.ok) return read
  const working = [...read.value.working]
  const each = read.value.stems
  const equivalentDiameter =
    each.length === 1 ? each[0]!.diameter : Math.sqrt(each.reduce((sum, s) => sum + s.diameter ** 2, 0))
  const summedDiameter = each.reduce((sum, s) => sum + s.diameter, 0)
  if (each.length > 1) {
    const list = each.map((s) => showLength(s.diameter, units))
    working.push({
      label: 'Equivalent diameter, same wood area',
      expression: `√(${list.map((d) => `(${d})²`).join(' + ')})`,
      result: showLength(equivalentDiameter, units),
      source: 'handbook',
    })
    working.push({
      label: 'Summed diameter',
      expression: list.join(' + '),
      result: showLength(summedDiameter, units),
    })
  }
  const radius = equivalentDiameter * rootZone
  working.push({
    label: 'Critical root zone radius',
    expression: `${showLength(equivalentDiameter, units)} × ${units === 'us' ? `${plain(rootZone / 12)} ft per in` : plain(rootZone)}`,
    result: showGround(radius, units, 2),
    source: 'house rule',
  })
  return ok({
    stems: each,
    equivalentDiameter,
    summedDiameter,
    criticalRootZone: { radius, area: Math.PI * radius * radius },
    working,
  })
}

/** A question a reading raises. It is asked, never swallowed; the person answers or corrects. */
export interface ReadingDoubt {
  code: 'girth-as-diameter' | 'diameter-as-girth' | 'cm-as-in' | 'shrank' | 'grew-fast' | 'absurd'
  message: string
}

/** Two honest tapes on one trunk differ by this much, however short the time between them (a quarter inch). */
const TAPE_SLACK = 0.00635

/** Inside this share of one another two diameters are taken as the same slip. */
const LIKE = 0.15
const like = (a: number, b: number) => Math.abs(a - b) / b <= LIKE

/**
 * Holds a new reading against the one before: girth typed as diameter, centimetres typed as inches, a trunk that
 * shrank or grew more than 1.5 in a year. `years` is the time between the readings. Without an earlier reading only
 * the sane limits of a trunk in `host`-free terms are asked.
 *
 * @example doubtReading(toSI(52, 'in'), { diameter: toSI(16.4, 'in'), years: 1 }) // girth-as-diameter
 */
export function doubtReading(
  diameter: Length,
  before: { diameter: Length; years: number } | null,
  units: UnitSystem = 'us',
): ReadingDoubt[] {
  const doubts: ReadingDoubt[] = []
  const show = (m: Length) => showLength(m, units, 1)
  if (!before) {
    if (diameter > toSI(60, 'in'))
      doubts.push({
        code: 'absurd',
        message: `${show(diameter)} through is a very large trunk. Was a girth typed as a diameter, or cm as in? As a girth it would be ${show(diameter / Math.PI)} through.`,
      })
    return doubts
  }
  const old = before.diameter
  const inch = toSI(1, 'in')
  const growth = diameter - old
  // The slips are far outside what a year can do, so they are looked at first and named.
  if (Math.abs(growth) > Math.max(1.5 * inch * Math.max(1, before.years), old * LIKE)) {
    if (like(diameter / Math.PI, old))
      return [
        {
          code: 'girth-as-diameter',
          message: `${show(diameter)} is about 3.14 times the last diameter of ${show(old)}. Is it the girth? Then the trunk is ${show(diameter / Math.PI)} through.`,
        },
      ]
    if (like(diameter * Math.PI, old))
      return [
        {
          code: 'diameter-as-girth',
          message: `${show(diameter)} is about a third of the last diameter of ${show(old)}. Was a diameter typed as a girth? Then the trunk is ${show(diameter * Math.PI)} through.`,
        },
      ]
    if (like(diameter / 2.54, old))
      return [
        {
          code: 'cm-as-in',
          message: `${plainNumber(diameter, 'in')} in is about 2.54 times the last diameter of ${show(old)}. Was it read in cm? Then the trunk is ${show(diameter / 2.54)} through.`,
        },
      ]
  }
  if (growth < -0.005 * old - 1e-9)
    doubts.push({
      code: 'shrank',
      message: `The trunk was ${show(old)} through at the last reading and would now be ${show(diameter)}. Trunks do not shrink: was the tape at the same height, or is a stem missing?`,
    })
  else if (growth > Math.max(1.5 * inch * before.years, TAPE_SLACK))
    doubts.push({
      code: 'grew-fast',
      message: `The trunk would have grown ${show(growth)} in ${yearsInWords(before.years)}, more than 1.5 in a year. Check the tape and the height.`,
    })
  return doubts
}

function plainNumber(metres: number, symbol: string): string {
  return fromSI(metres, symbol).toFixed(1)
}

function yearsInWords(years: number): string {
  if (years < 1 / 12) return 'less than a month'
  if (years < 0.95) return `${Math.round(years * 12)} months`
  return `${years.toFixed(1).replace('.0', '')} years`
}
