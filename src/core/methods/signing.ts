import { isGood } from '../card/lot'
import type { Method } from '../card/card'
import { ok, refuse, type Problem, type Result } from '../problem'
import type { UnitSystem } from '../quantity/format'
import { readQuantity } from '../quantity/parse'
import type { Speed, Temperature } from '../quantity/units'
import { spokenDate, type PlainDate } from '../time/calendar'
import { isHand } from './names'
import { outcomeOf, outcomeOfWork, sayOutcome, type Outcome } from './outcome'
import { productOn, type RunningStep } from './running'
import { showProduct } from './showProduct'
import { farUnder } from './stretch'
import { whyNotMarked } from './yearMark'

// What is asked of whoever signs a record, by one rule on the device and on the server: the device asks it where there is no signal.

/** Refuses a count of empties that is not what was set; null where it is. */
export function miscounted(counted: number | null, set: number): Problem | null {
  if (counted === null)
    return { code: 'missing', field: 'counted', message: 'Type how many empties you counted in.' }
  return counted === set
    ? null
    : {
        code: 'conflict',
        field: 'counted',
        message: `You counted ${counted} empties, but ${set} were set. Find the difference before you sign.`,
      }
}

/** A lot as the shelf has it. */
export interface ShelfLot {
  number: string
  expiresOn: PlainDate | null
  withdrawnOn: PlainDate | null
  withdrawnWhy?: string | null
}

/**
 * The lot of a package by its number, whatever its letters; problems (`lot`): `unknown` where it is not on the shelf, `not-allowed` where it was
 * called back or has expired on `today`.
 */
export function lotOf(
  lots: readonly ShelfLot[],
  number: string,
  { name, today }: { name: string; today: PlainDate },
): Result<string> {
  const good = lots.filter((l) => isGood(l, today))
  const others = good.map((l) => l.number).join(', ') || 'no lot that is still good'
  const lot = lots.find((l) => l.number.toLowerCase() === number.toLowerCase())
  if (!lot)
    return refuse(
      'unknown',
      'lot',
      `Lot "${number}" is not on the shelf for ${name}. Read it off the package: ${others}.`,
    )
  if (lot.withdrawnOn !== null)
    return refuse(
      'not-allowed',
      'lot',
      `Lot ${lot.number} was called back on ${spokenDate(lot.withdrawnOn)}: ${lot.withdrawnWhy} Use another: ${others}.`,
    )
  return good.includes(lot)
    ? ok(lot.number)
    : refuse(
        'not-allowed',
        'lot',
        `Lot ${lot.number} expired on ${spokenDate(lot.expiresOn!)}. Use another: ${others}.`,
      )
}

/** The weather as it is typed at a site, in one's own units where none is typed; `out-of-range` where it cannot be. */
export function readWeather(
  typed: { temperature: string; wind: string },
  units: UnitSystem,
): Result<{ temperature: Temperature; wind: Speed }> {
  const temperature = readQuantity(typed.temperature, 'temperature', 'temperature', {
    bareUnit: units === 'us' ? 'F' : 'C',
    name: 'Temperature',
  })
  if (!temperature.ok) return temperature
  if (temperature.value.si < -40 || temperature.value.si > 55)
    return refuse(
      'out-of-range',
      'temperature',
      'The temperature is not one for working outdoors; check the number and the unit.',
    )
  const wind = readQuantity(typed.wind, 'speed', 'wind', {
    bareUnit: units === 'us' ? 'mph' : 'm/s',
    name: 'Wind',
  })
  if (!wind.ok) return wind
  if (wind.value.si < 0 || wind.value.si > 60)
    return refuse('out-of-range', 'wind', 'The wind speed cannot be; check the number and the unit.')
  return ok({ temperature: temperature.value.si, wind: wind.value.si })
}

/** What a tree got, as it is asked about. */
export interface Got {
  tag: string
  outcome: Outcome
  /** m³ or kg. */
  applied: number
  least: number
  kind: 'liquid' | 'weight'
  method: Method
}

/**
 * Asks before trees are recorded that got less than they should (`doubt`, its field the outcome), unless that was answered; null where nothing
 * is to be asked.
 */
export function lessAsked(
  worked: readonly Got[],
  accepted: readonly string[],
  units: UnitSystem,
): Problem | null {
  for (const outcome of ['not treated', 'partly treated'] as const) {
    const less = worked.filter((w) => w.outcome === outcome)
    if (less.length > 0 && !accepted.includes(outcome))
      return { code: 'doubt', field: outcome, message: askAboutLess(less, outcome, worked.length, units) }
  }
  return null
}

function askAboutLess(
  less: readonly Got[],
  outcome: 'partly treated' | 'not treated',
  of: number,
  units: UnitSystem,
): string {
  const { method, applied, least, kind } = less[0]!
  const tags = less.map((w) => w.tag).join(', ')
  if (isHand(method))
    return `${of === 1 ? 'This' : `The work at ${tags}`} is recorded as ${sayOutcome(outcome, method)} and goes back to the arborist. Is that so?`
  if (of === 1) {
    const show = (amount: number) => showProduct(amount, kind, method, units)
    return outcome === 'not treated'
      ? 'Nothing went into this tree. It is recorded as not treated and goes back to the arborist. Is that so?'
      : `${show(applied)} went in, less than the label’s least of ${show(least)}. The tree is recorded as partly treated and goes back to the arborist. Is that so?`
  }
  return outcome === 'not treated'
    ? `Nothing was put on at ${tags}: recorded as not treated, and back with the arborist. Is that so?`
    : `Less than the label’s least went on at ${tags}: recorded as partly treated, and back with the arborist. Is that so?`
}

/** What is typed to sign a record, as it bears on whether it may be. */
export interface TypedRecord {
  lot: string
  temperature: string
  wind: string
  counted: number | string | null
  mark?: string | null
  began: string | null
  ended: string | null
  accepted?: readonly string[]
}

/** A tree that is signed for, with its steps as they stand. */
export interface SignedTree {
  tag: string
  plan: { kind: 'liquid' | 'weight'; least: number; minutes: number }
  confirmedAt: number | null
  states: readonly RunningStep[]
}

/**
 * Why a record may not be signed, or what is asked first, by what a device knows; null where nothing stands against it. `set`: how many
 * ports something was set in, null where none are counted; `lots` null where the product has none.
 */
export function whyNotSigned(
  of: {
    typed: TypedRecord
    lots: readonly ShelfLot[] | null
    name: string
    set: number | null
    trees: readonly SignedTree[]
    method: Method
  },
  today: PlainDate,
  units: UnitSystem,
): Problem | null {
  const { typed, lots, name, set, trees, method } = of
  const accepted = typed.accepted ?? []
  const counted = typed.counted === null || typed.counted === '' ? null : Number(typed.counted)
  const wrong = set === null ? null : miscounted(counted, set)
  if (wrong) return wrong
  const unmarked = whyNotMarked(method, {
    mark: typed.mark,
    treated: trees.some((t) => productOn(t.states) > 0),
    on: today,
  })
  if (unmarked) return unmarked
  const lot = lots === null ? null : lotOf(lots, typed.lot, { name, today })
  if (lot && !lot.ok) return lot.problem
  const weather = readWeather(typed, units)
  if (!weather.ok) return weather.problem
  const less = lessAsked(
    trees.map(({ tag, plan, states }) => {
      const applied = productOn(states)
      return {
        tag,
        outcome: isHand(method) ? outcomeOfWork(states) : outcomeOf(applied, plan.least),
        applied,
        least: plan.least,
        kind: plan.kind,
        method,
      }
    }),
    accepted,
    units,
  )
  if (less) return less
  const begun = trees.flatMap((t) => t.confirmedAt ?? [])
  const short = farUnder(
    trees.flatMap((t) => t.states),
    begun.length > 0 ? Math.min(...begun) : null,
    trees.reduce((sum, t) => sum + t.plan.minutes, 0),
  )
  return short && !typed.began && !typed.ended && !accepted.includes('short') ? shortAsked(short.words) : null
}

/** What whoever signs is asked where the presses lie far too near each other for what was done; `words` from `farUnder`. */
export const shortAsked = (words: string): Problem => ({
  code: 'doubt',
  field: 'short',
  message: `The steps were ${words}. Say when the work began and ended; or the presses are right, and the record says so.`,
})
