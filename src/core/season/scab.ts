import { fromSI, toSI, type Temperature } from '../quantity/units'
import { showTemperature, type UnitSystem } from '../quantity/format'
import { sensible } from '../quantity/pair'
import type { WetSpell } from '../weather/wetness'
import type { Working } from '../working/working'

/** Wet hours that infect, by the mean of the wet hours, °F. Source: handbook, apple scab. */
const WET_HOURS: readonly (readonly [from: number, to: number, hours: number])[] = [
  [34, 34, 41],
  [36, 36, 35],
  [37, 37, 30],
  [39, 39, 28],
  [41, 41, 21],
  [43, 43, 18],
  [45, 45, 15],
  [46, 46, 13],
  [48, 48, 12],
  [50, 50, 11],
  [52, 52, 9],
  [54, 56, 8],
  [57, 59, 7],
  [61, 75, 6],
  [77, 77, 8],
  [79, 79, 11],
]
/** Above 32 °F from green tip on, °F·d: half the spores are ripe, nine tenths are. Source: handbook, apple scab. */
const RIPE = { half: 490, most: 800 }
/** A cover counts as there while more than so much of it is left, per cent. Source: handbook, apple scab. */
const COVERED = 50
/** A row of the table holds for a mean this near to it, °F. */
const NEAR = 1e-6

/**
 * How long leaves must stay wet for scab to infect at a mean temperature, hours; between two rows of the table the longer. Null where it is too
 * cold or too warm. Source: handbook, apple scab.
 *
 * @example wetHoursToInfect(toSI(50, 'F')) // 11
 */
export function wetHoursToInfect(mean: Temperature): number | null {
  const f = fromSI(mean, 'F')
  if (f < 34 - NEAR || f > 79 + NEAR) return null
  const above = WET_HOURS.findIndex(([, to]) => f <= to + NEAR)
  const row = WET_HOURS[above]!
  if (f >= row[0] - NEAR) return row[2]
  return Math.max(row[2], WET_HOURS[above - 1]![2])
}

/** The share of spores that are ripe at a sum above 32 °F since green tip, °C·d. */
export function ripeSpores(sum: number): number {
  const steep = Math.log(9) / (RIPE.most - RIPE.half)
  return 1 / (1 + Math.exp(-steep * (sum * 1.8 - RIPE.half)))
}

export interface ScabSpell extends WetSpell {
  /** Null where it is too cold or too warm. */
  needs: number | null
  verdict: 'infection' | 'infection under cover' | 'none'
  /** Share of the season's spores that are ripe. */
  ripe: number
  working: Working
}

/**
 * Which wet spells of the primary season infect with scab, which of them find a cover, and how much of the season’s spores is ripe then. `ripe`:
 * the sum above 32 °F since green tip at a spell; `coverAt`: what is left of a cover when it begins, per cent, null without one.
 * Source: handbook, apple scab.
 */
export function scabSpells(
  spells: readonly WetSpell[],
  {
    ripeSum,
    coverAt,
    sinceOut = (spell) => spell,
    units = 'us',
  }: {
    ripeSum: (spell: WetSpell) => number
    /** What of a spell counts: its wet hours since rain let spores out; null where none did. All of it where nobody says. */
    sinceOut?: (spell: WetSpell) => Pick<WetSpell, 'hours' | 'mean'> | null
    coverAt: (spell: WetSpell) => number | null
    units?: UnitSystem
  },
): ScabSpell[] {
  return spells.map((spell) => {
    const out = sinceOut(spell)
    const mean = out ? out.mean : spell.mean
    const needs = mean === null ? null : wetHoursToInfect(mean)
    const infects = needs !== null && out !== null && out.hours >= needs
    const cover = coverAt(spell)
    const covered = cover !== null && cover > COVERED
    const ripe = ripeSpores(ripeSum(spell))
    const verdict = !infects ? 'none' : covered ? 'infection under cover' : 'infection'
    return {
      ...spell,
      needs,
      verdict,
      ripe,
      working: [
        {
          label: 'Leaves were wet',
          expression:
            spell.mean === null
              ? 'temperature not known'
              : `at a mean of ${showTemperature(spell.mean, units)}`,
          result: `${spell.hours} h`,
          source: 'reading',
        },
        {
          label: 'Since rain let spores out',
          expression: 'rain of 0.01 in or more by day; of the night from sunrise',
          result: out === null ? 'none came: dew alone lets none out' : `${out.hours} h`,
          source: 'handbook',
        },
        {
          label: 'Scab needs at that temperature',
          expression:
            needs === null ? 'colder than 34 °F or warmer than 79 °F, it does not infect' : 'by the table',
          result: needs === null ? 'never' : `${needs} h`,
          source: 'handbook',
        },
        {
          label: 'Cover when it began',
          expression: cover === null ? 'none was put on' : `counts above ${COVERED} %`,
          result: cover === null ? 'none' : `${sensible(cover, 0)} %`,
          source: 'computed',
        },
        {
          label: 'Spores that were ripe',
          expression: `${sensible(ripeSum(spell) * 1.8, 0)} °F·d above 32 °F since green tip`,
          result: `${sensible(ripe * 100, 0)} %`,
          source: 'computed',
        },
      ],
    }
  })
}

/** Spores ripen above this. Source: handbook, apple scab. */
export const RIPENS_ABOVE: Temperature = toSI(32, 'F')
