import { ok, refuse, type Result } from '../problem'
import { sensible } from '../quantity/pair'
import { fromSI, type Length } from '../quantity/units'
import { isTrunk } from '../trunk/trunk'
import type { Working } from '../working/working'
import {
  centsWithin,
  compare,
  minus,
  NONE,
  plus,
  readDecimal,
  sayMoney,
  simplest,
  times,
  toCent,
  whole,
  type Exact,
} from './exact'

/** What a firm charges; money and rates are decimals as they are written. */
export interface PriceRules {
  /** Per inch of diameter by size: each class up to a diameter, it included; the last may have no end. */
  perInch?: { upTo?: Length; price: string }[]
  perTree?: string
  perHour?: string
  perGallon?: string
  /** The least for which anybody drives out. */
  least?: string
  travel?: { perMile: string; miles: string; free?: string }
  discount?: { fromLines: number; percent: string }[]
  taxPercent?: string
}

export interface PriceLine {
  id: string
  diameter?: Length
  hours?: string
  gallons?: string
  visits?: number
  /** Only if it turns out to be needed: never above this, and not in the total. */
  onlyIf?: { ceiling: string }
}

/** What work costs, every amount to the cent. */
export interface Price {
  lines: { id: string; price: string }[]
  contingent: { id: string; price: string }[]
  sum: string
  discount: string
  travel: string
  lift: string
  tax: string
  total: string
  /** The total if every contingent line comes. */
  mostTotal: string
  working: Working
}

interface ReadRules {
  perInch: { upTo: Exact | null; price: Exact }[]
  perTree: Exact
  perHour: Exact
  perGallon: Exact
  least: Exact
  perMile: Exact
  miles: Exact
  discount: { fromLines: number; percent: Exact }[]
  taxPercent: Exact
}

interface Charged {
  id: string
  price: Exact
  visits: number
  contingent: boolean
}

/** More visits than this to one tree are a slip of the hand. */
const MOST_VISITS = 366

/**
 * What work costs by a firm's rules, reckoned exactly and rounded to the cent, half up, where an amount is named.
 *
 * A line is (price of its size class × diameter + per tree + per hour × hours + per gallon × gallons) × visits. A contingent line
 * is never above its ceiling and not in the total. The greatest percent whose number of lines is reached comes off the sum;
 * travel is paid for the miles that are not free, as often as the line with the most visits; `lift` brings it to the least; tax is
 * on all of it. Problems: `missing`, `bad-quantity` and `out-of-range` at their field.
 *
 * Source: handbook, what work costs.
 * @example priceOf({ perTree: '15' }, [{ id: 'Ash 14', visits: 2 }]) // total "30.00"
 */
export function priceOf(rules: PriceRules, lines: readonly PriceLine[]): Result<Price> {
  const read = readRules(rules)
  if (!read.ok) return read
  const r = read.value
  const working: Working = []
  const charged: Charged[] = []
  for (const [i, line] of lines.entries()) {
    const one = chargeLine(r, line, i, working)
    if (!one.ok) return one
    charged.push(one.value)
  }
  const counted = charged.filter((c) => !c.contingent)
  const bill = billOf(r, counted)
  const most = billOf(r, charged)
  const say = (c: Charged) => ({ id: c.id, price: sayMoney(c.price) })
  working.push(...workingOf(r, counted, bill), {
    label: 'Total if every contingent line comes',
    expression: `${charged.length} lines, reckoned the same way`,
    result: sayMoney(most.total),
  })
  return ok({
    lines: counted.map(say),
    contingent: charged.filter((c) => c.contingent).map(say),
    sum: sayMoney(bill.sum),
    discount: sayMoney(bill.discount),
    travel: sayMoney(bill.travel),
    lift: sayMoney(bill.lift),
    tax: sayMoney(bill.tax),
    total: sayMoney(bill.total),
    mostTotal: sayMoney(most.total),
    working,
  })
}

function readRules(rules: PriceRules): Result<ReadRules> {
  const problems: Result<never>[] = []
  const read = (text: string | undefined, field: string, name: string): Exact => {
    if (text === undefined) return NONE
    const result = readDecimal(text, `rules.${field}`, name)
    if (result.ok) return result.value
    problems.push(result)
    return NONE
  }
  const percent = (text: string | undefined, field: string, name: string): Exact => {
    const value = read(text, field, name)
    if (compare(value, whole(100)) > 0)
      problems.push(
        refuse('out-of-range', `rules.${field}`, `${name} is above 100 %; write what is meant of a hundred.`),
      )
    return value
  }
  const perInch = (rules.perInch ?? []).map((c, i) => {
    const upTo = c.upTo === undefined ? null : inchesOf(c.upTo)
    const before = rules.perInch![i - 1]
    if (c.upTo !== undefined && !(c.upTo > 0))
      problems.push(
        refuse('out-of-range', `rules.perInch[${i}].upTo`, 'A class ends at a diameter above zero.'),
      )
    else if (before && (before.upTo === undefined || (c.upTo !== undefined && c.upTo <= before.upTo)))
      problems.push(
        refuse(
          'out-of-range',
          `rules.perInch[${i}].upTo`,
          'The classes go up in diameter and only the last has no end; put them in order.',
        ),
      )
    return { upTo, price: read(c.price, `perInch[${i}].price`, 'The price of an inch') }
  })
  const discount = (rules.discount ?? []).map((d, i) => {
    if (!Number.isInteger(d.fromLines) || d.fromLines < 1)
      problems.push(
        refuse(
          'out-of-range',
          `rules.discount[${i}].fromLines`,
          'A discount begins at a whole number of lines, 1 or more.',
        ),
      )
    return {
      fromLines: d.fromLines,
      percent: percent(d.percent, `discount[${i}].percent`, 'The discount'),
    }
  })
  const miles = minus(
    read(rules.travel?.miles, 'travel.miles', 'The way there, miles,'),
    read(rules.travel?.free, 'travel.free', 'The free miles'),
  )
  const value: ReadRules = {
    perInch,
    perTree: read(rules.perTree, 'perTree', 'The price of a tree'),
    perHour: read(rules.perHour, 'perHour', 'The price of an hour'),
    perGallon: read(rules.perGallon, 'perGallon', 'The price of a gallon'),
    least: read(rules.least, 'least', 'The least'),
    perMile: read(rules.travel?.perMile, 'travel.perMile', 'The price of a mile'),
    miles: compare(miles, NONE) > 0 ? miles : NONE,
    discount,
    taxPercent: percent(rules.taxPercent, 'taxPercent', 'The tax'),
  }
  return problems[0] ?? ok(value)
}

const inchesOf = (diameter: Length): Exact => simplest(fromSI(diameter, 'in'))

function chargeLine(r: ReadRules, line: PriceLine, i: number, working: Working): Result<Charged> {
  const at = (field: string) => `lines[${i}].${field}`
  const visits = line.visits ?? 1
  if (!Number.isInteger(visits) || visits < 1 || visits > MOST_VISITS)
    return refuse(
      'out-of-range',
      at('visits'),
      `Visits are a whole number from 1 to ${MOST_VISITS}; check it.`,
    )
  const hours = readDecimal(line.hours ?? '0', at('hours'), 'The hours')
  if (!hours.ok) return hours
  const gallons = readDecimal(line.gallons ?? '0', at('gallons'), 'The gallons')
  if (!gallons.ok) return gallons
  const terms: string[] = []
  let each = NONE
  const add = (amount: Exact, said: string) => {
    if (compare(amount, NONE) === 0) return
    each = plus(each, amount)
    terms.push(said)
  }
  if (line.diameter !== undefined) {
    if (!isTrunk(line.diameter))
      return refuse('out-of-range', at('diameter'), 'No trunk is that thick or thin; check tape and unit.')
    const inches = inchesOf(line.diameter)
    const inClass = r.perInch.find((c) => c.upTo === null || compare(inches, c.upTo) <= 0)
    if (r.perInch.length > 0 && !inClass)
      return refuse(
        'out-of-range',
        at('diameter'),
        'The trunk is thicker than the last class of price; give the last class no end.',
      )
    if (inClass) add(times(inClass.price, inches), `${figure(inches)} × ${figure(inClass.price)}`)
  }
  add(r.perTree, figure(r.perTree))
  add(times(r.perHour, hours.value), `${figure(hours.value)} × ${figure(r.perHour)}`)
  add(times(r.perGallon, gallons.value), `${figure(gallons.value)} × ${figure(r.perGallon)}`)
  const full = toCent(times(each, whole(visits)))
  let price = full
  if (line.onlyIf) {
    const ceiling = readDecimal(line.onlyIf.ceiling, at('onlyIf.ceiling'), 'The ceiling')
    if (!ceiling.ok) return ceiling
    if (compare(price, ceiling.value) > 0) price = centsWithin(ceiling.value)
  }
  if (i < 40)
    working.push({
      label: line.id,
      expression: `${terms.length === 0 ? '0' : visits === 1 ? terms.join(' + ') : `(${terms.join(' + ')}) × ${visits}`}${
        price === full ? '' : `, at most ${sayMoney(price)}`
      }`,
      result: sayMoney(price),
    })
  return ok({ id: line.id, price, visits, contingent: line.onlyIf !== undefined })
}

interface Bill {
  sum: Exact
  percent: Exact
  discount: Exact
  visits: number
  travel: Exact
  lift: Exact
  tax: Exact
  total: Exact
}

function billOf(r: ReadRules, counted: readonly Charged[]): Bill {
  const sum = counted.reduce((all, c) => plus(all, c.price), NONE)
  const percent = r.discount
    .filter((d) => counted.length >= d.fromLines)
    .reduce((best, d) => (compare(d.percent, best) > 0 ? d.percent : best), NONE)
  const discount = toCent(hundredth(times(sum, percent)))
  const visits = counted.reduce((most, c) => Math.max(most, c.visits), 0)
  const travel = toCent(times(times(r.perMile, r.miles), whole(visits)))
  const before = plus(minus(sum, discount), travel)
  const short = toCent(minus(r.least, before))
  const lift = counted.length > 0 && compare(short, NONE) > 0 ? short : NONE
  const taxed = plus(before, lift)
  const tax = toCent(hundredth(times(taxed, r.taxPercent)))
  return { sum, percent, discount, visits, travel, lift, tax, total: plus(taxed, tax) }
}

const hundredth = (a: Exact): Exact => ({ over: a.over, under: a.under * 100n })

function workingOf(r: ReadRules, counted: readonly Charged[], bill: Bill): Working {
  const m = sayMoney
  return [
    { label: 'Sum', expression: `${counted.length} lines added up`, result: m(bill.sum) },
    {
      label: 'Discount',
      expression: `${m(bill.sum)} × ${figure(bill.percent)} ÷ 100`,
      result: m(bill.discount),
    },
    {
      label: 'Travel',
      expression: `${figure(r.perMile)} × ${figure(r.miles)} × ${bill.visits}`,
      result: m(bill.travel),
    },
    {
      label: 'Up to the least',
      expression: `${m(r.least)} − (${m(bill.sum)} − ${m(bill.discount)} + ${m(bill.travel)}), never below 0`,
      result: m(bill.lift),
    },
    {
      label: 'Tax',
      expression: `(${m(bill.sum)} − ${m(bill.discount)} + ${m(bill.travel)} + ${m(bill.lift)}) × ${figure(r.taxPercent)} ÷ 100`,
      result: m(bill.tax),
    },
    {
      label: 'Total',
      expression: `${m(bill.sum)} − ${m(bill.discount)} + ${m(bill.travel)} + ${m(bill.lift)} + ${m(bill.tax)}`,
      result: m(bill.total),
    },
  ]
}

/** A rate or a count in a working. */
function figure(value: Exact): string {
  return sensible(Number(value.over) / Number(value.under), 4)
}
