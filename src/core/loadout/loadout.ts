import { ok, refuse, type Result } from '../problem'
import type { UnitSystem } from '../quantity/format'
import { sensible, shown } from '../quantity/pair'
import type { Volume } from '../quantity/units'
import { ceilGuarded, NOISE, roundHalfUp } from '../quantity/whole'
import { isDate } from '../time/calendar'
import type { Working } from '../working/working'

/** What one piece of work takes of a product. */
export interface Need {
  id: string
  product: string
  amount: Volume
}

/** What is on the shelf of one lot. */
export interface LotOnShelf {
  lot: string
  product: string
  left: Volume
  /** The last day on which it may be used. */
  expires: string
  opened?: boolean
}

/** A cylinder or a syringe: from the smallest to the largest amount it shows, in steps. */
export interface Measure {
  name: string
  smallest: Volume
  step: Volume
  largest: Volume
}

export interface LoadoutInput {
  day: string
  /** How much more is taken than is needed, as a share of it. */
  spare?: number
  /** How far a reading may be from the dose, per cent of the dose. */
  mostErrorPercent?: number
  needs: readonly Need[]
  lots: readonly LotOnShelf[]
  measures: readonly Measure[]
  units?: UnitSystem
}

export interface LoadedProduct {
  product: string
  need: Volume
  take: Volume
  lots: { lot: string; take: Volume }[]
  /** What no lot covers. */
  short: Volume
  /** Lots that may not be used any more on that day. */
  expired: string[]
}

export interface MeasuredDose {
  id: string
  product: string
  /** Null where none shows it closely enough. */
  measure: string | null
  fills: number
  reading: Volume | null
  errorPercent: number | null
}

export interface Loadout {
  products: LoadedProduct[]
  doses: MeasuredDose[]
  working: Working
}

const byText = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0)

/**
 * What a truck takes for a day: of each product what its work needs and a spare, out of lots that have not expired (opened ones
 * first, then the earlier date, then by name), what is short, and the measure by which each dose is poured: one that shows it, closely
 * enough, with the fewest fills, then the smaller, then by name.
 *
 * Problems: `out-of-range` for amounts of nothing, a spare or an error that cannot be, a measure whose smallest is above its
 * largest; `bad-quantity` for what is no calendar date.
 *
 * Source: handbook, the crew's day.
 * @example loadOut({ day: '2026-06-12', needs: [{ id: 'Ash 14', product: 'EB4', amount: 165e-6 }], lots: [], measures: [] })
 *   // everything of EB4 is short
 */
export function loadOut(input: LoadoutInput): Result<Loadout> {
  const { spare = 0, mostErrorPercent = 2.5, units = 'us' } = input
  const wrong = problemIn(input)
  if (wrong) return wrong
  const f = (v: Volume) => shown(v, 'fl oz', units, 3)
  const working: Working = []
  const products = [...new Set(input.needs.map((n) => n.product))].sort(byText).map((product) => {
    const need = input.needs.filter((n) => n.product === product).reduce((sum, n) => sum + n.amount, 0)
    const take = need * (1 + spare)
    const own = input.lots.filter((l) => l.product === product)
    const lots: { lot: string; take: Volume }[] = []
    let rest = take
    for (const lot of own.filter((l) => l.expires >= input.day).sort(beforeOther)) {
      const of = Math.min(rest, lot.left)
      if (!(of > take * NOISE)) continue
      lots.push({ lot: lot.lot, take: of })
      rest -= of
    }
    const short = rest > take * NOISE ? rest : 0
    working.push(
      {
        label: `${product} to take`,
        expression: `${f(need)} × ${sensible(1 + spare, 4)}`,
        result: f(take),
      },
      {
        label: `${product} out of lots`,
        expression: lots.map((l) => f(l.take)).join(' + ') || 'no lot may be used',
        result: f(take - short),
      },
    )
    if (short > 0)
      working.push({
        label: `${product} that no lot covers`,
        expression: `${f(take)} − ${f(take - short)}`,
        result: f(short),
      })
    const expired = own.filter((l) => l.expires < input.day).map((l) => l.lot)
    return { product, need, take, lots, short, expired }
  })
  const doses = input.needs.map((need, i) => {
    const dose = doseOf(need, input.measures, mostErrorPercent)
    if (i < 40)
      working.push({
        label: `${need.id}, ${need.product}`,
        expression:
          dose.measure === null
            ? `no measure shows ${f(need.amount)} within ${sensible(mostErrorPercent)} %`
            : `${f(need.amount)} by ${dose.measure}, ${dose.fills} ${dose.fills === 1 ? 'fill' : 'fills'}`,
        result: dose.reading === null ? 'none' : f(dose.reading),
      })
    return dose
  })
  return ok({ products, doses, working })
}

function beforeOther(a: LotOnShelf, b: LotOnShelf): number {
  return (
    Number(b.opened ?? false) - Number(a.opened ?? false) ||
    byText(a.expires, b.expires) ||
    byText(a.lot, b.lot)
  )
}

/** The measure by which a dose is poured, and what it then shows. */
function doseOf({ id, product, amount }: Need, measures: readonly Measure[], mostErrorPercent: number) {
  const fitting = measures
    .filter((m) => amount >= m.smallest * (1 - NOISE))
    .map((m) => {
      const reading = roundHalfUp(amount / m.step) * m.step
      return {
        m,
        reading,
        errorPercent: (Math.abs(reading - amount) / amount) * 100,
        fills: ceilGuarded(amount / m.largest),
      }
    })
    .filter((c) => c.errorPercent <= mostErrorPercent * (1 + NOISE) + NOISE)
    .sort((a, b) => a.fills - b.fills || a.m.largest - b.m.largest || byText(a.m.name, b.m.name))
  const best = fitting[0]
  return {
    id,
    product,
    measure: best?.m.name ?? null,
    fills: best?.fills ?? 0,
    reading: best?.reading ?? null,
    errorPercent: best?.errorPercent ?? null,
  }
}

/** More than this in a bottle or a dose is a slip of the unit, m³. */
const MOST: Volume = 100

function problemIn(input: LoadoutInput): Result<never> | null {
  const volume = (field: string, name: string, value: Volume, least: 'some' | 'none') => {
    if (least === 'some' ? !(value > 0) : !(value >= 0))
      return refuse(
        'out-of-range',
        field,
        `${name} must be ${least === 'some' ? 'more than' : 'at least'} zero.`,
      )
    return value > MOST
      ? refuse('out-of-range', field, `${name} is more than any truck carries; check the unit.`)
      : null
  }
  if (!isDate(input.day))
    return refuse('bad-quantity', 'day', 'The day is no calendar date; write it as 2026-06-12.')
  if (input.spare !== undefined && !(input.spare >= 0 && input.spare <= 10))
    return refuse('out-of-range', 'spare', 'The spare is a share from 0 to 10; 0.1 is a tenth more.')
  if (input.mostErrorPercent !== undefined && !(input.mostErrorPercent >= 0 && input.mostErrorPercent <= 100))
    return refuse('out-of-range', 'mostErrorPercent', 'The error allowed is from 0 to 100 %.')
  for (const [i, n] of input.needs.entries()) {
    const wrong = volume(`needs[${i}].amount`, 'What is needed', n.amount, 'some')
    if (wrong) return wrong
  }
  for (const [i, l] of input.lots.entries()) {
    const wrong = volume(`lots[${i}].left`, 'What is left', l.left, 'none')
    if (wrong) return wrong
    if (!isDate(l.expires))
      return refuse(
        'bad-quantity',
        `lots[${i}].expires`,
        `The day to which lot ${l.lot} may be used is no calendar date; write it as 2026-12-31.`,
      )
    if (input.lots.findIndex((o) => o.lot === l.lot && o.product === l.product) < i)
      return refuse('out-of-range', `lots[${i}].lot`, `Lot ${l.lot} stands here twice; leave one out.`)
  }
  for (const [i, m] of input.measures.entries()) {
    const wrong =
      volume(`measures[${i}].smallest`, 'The smallest amount', m.smallest, 'none') ??
      volume(`measures[${i}].step`, 'The step', m.step, 'some') ??
      volume(`measures[${i}].largest`, 'The largest amount', m.largest, 'some')
    if (wrong) return wrong
    if (m.smallest > m.largest * (1 + NOISE))
      return refuse(
        'out-of-range',
        `measures[${i}].smallest`,
        `What ${m.name} shows least is above what it shows most; check them.`,
      )
  }
  return null
}
