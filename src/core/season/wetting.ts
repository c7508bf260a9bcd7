import { showTemperature, type UnitSystem } from '../quantity/format'
import type { Temperature } from '../quantity/units'
import type { PlaceHour } from '../weather/placeDays'
import { wetHours, wetSpells } from '../weather/wetness'
import type { Working } from '../working/working'

const HOUR = 3_600_000

/** What a wet spell must bring for a disease to get in. */
export interface Wetting {
  /** The wet hours that count: those as warm as this, from and to, °C. */
  within: { from: Temperature; to: Temperature }
  /** So many of them. */
  hours: number
  /** Dew alone does not do it. */
  rain: boolean
}

export interface WettingSpell {
  fromAt: number
  toAt: number
  /** Wet hours of the warmth that counts. */
  hours: number
  rained: boolean
  infects: boolean
  /** Its last hour was measured, not foretold. */
  measured: boolean
  working: Working
}

/**
 * The wet spells in which a disease could get in, each with whether it did. `hours` follow one another and lie in its season. A spell
 * in which no wet hour was warm enough is left out. Source: handbook, cedar rusts, leaf curl.
 *
 * @example wettings(hours, { within: { from: 10, to: 24 }, hours: 4, rain: false })[0]?.infects
 */
export function wettings(
  hours: readonly PlaceHour[],
  { within, hours: least, rain }: Wetting,
  units: UnitSystem = 'us',
): WettingSpell[] {
  const wet = wetHours(hours)
  return wetSpells(hours, wet).flatMap(({ from, to }) => {
    const own = hours.slice(from, to + 1)
    const counts = own.filter(
      (h, k) =>
        wet[from + k] &&
        h.temperature !== undefined &&
        h.temperature >= within.from &&
        h.temperature <= within.to,
    ).length
    if (counts === 0) return []
    const rained = own.some((h) => (h.rain ?? 0) > 0)
    const infects = counts >= least && (rained || !rain)
    return [
      {
        fromAt: hours[from]!.at,
        toAt: hours[to]!.at + HOUR,
        hours: counts,
        rained,
        infects,
        measured: hours[to]!.measured,
        working: [
          {
            label: 'Wet hours that count',
            expression: `wet, and ${showTemperature(within.from, units)} to ${showTemperature(within.to, units)}`,
            result: `${counts} h`,
            source: 'reading',
          },
          ...(rain
            ? ([
                {
                  label: 'Rain',
                  expression: 'dew alone does not do it',
                  result: rained ? 'it rained' : 'none fell',
                  source: 'reading',
                },
              ] as const)
            : []),
          {
            label: 'It needs',
            expression: rain ? 'with rain' : 'rain or dew',
            result: `${least} h: ${infects ? 'it got in' : 'it did not get in'}`,
            source: 'handbook',
          },
        ],
      },
    ]
  })
}
