import { ok, refuse, type Result } from '../problem'
import { plain } from '../quantity/format'
import type { Working } from '../working/working'

export type Way = 'treat' | 'remove' | 'nothing'

export interface WorthInput {
  years: number
  discountPercent: number
  treat: {
    costPerVisit: number
    everyYears: number
    /** Chance to be alive at the end of year i + 1. */
    survival: readonly number[]
  }
  /** `year`: at its start the tree is felled and replaced. */
  remove: { cost: number; replace: number; year: number }
  nothing: { survival: readonly number[]; emergencyCost: number }
  benefitPerYear: number
  /** What year 1, 2, … of the new tree gives of the old one's benefit; the last repeats. */
  replacementBenefitShare: readonly number[]
}

export interface Worth {
  /** Net present values, money; costs are negative. */
  treat: number
  remove: number
  nothing: number
  best: Way
  /** The first number of years at which treating is worth at least as much as removing. */
  breakEvenYear: number | null
  working: Working
}

const MOST_YEARS = 200
const MOST_MONEY = 1e12

/**
 * What treating, removing and doing nothing are worth over some years, in today's money.
 *
 * Visits fall at the start of years 0, k, 2k … and are paid if the tree is alive then; the benefit comes at the end of
 * a year if alive then; a death costs `emergencyCost` once, at the end of its year, treated or not. Removal and
 * replacement are paid at the start of `remove.year`; before it the tree counts as alive, from then on the new tree
 * gives its share. What falls at the start of year y is divided by (1 + r)^y, at its end by (1 + r)^(y + 1). Of equal
 * worth, treating is named before removing before doing nothing.
 *
 * Problems: `missing` where a survival curve is shorter than the years, `out-of-range` for rates, chances and money
 * that cannot be, and for a chance to be alive that rises.
 * Source: handbook, money.
 */
export function worth(input: WorthInput): Result<Worth> {
  const wrong = checkWorth(input)
  if (wrong) return wrong
  const treat = treatingWorth(input, input.years)
  const remove = removingWorth(input, input.years)
  const nothing = nothingWorth(input, input.years)
  let breakEvenYear: number | null = null
  for (let n = 1; n <= input.years && breakEvenYear === null; n++)
    if (treatingWorth(input, n) >= removingWorth(input, n)) breakEvenYear = n
  const best: Way = treat >= remove && treat >= nothing ? 'treat' : remove >= nothing ? 'remove' : 'nothing'
  return ok({
    treat,
    remove,
    nothing,
    best,
    breakEvenYear,
    working: workingOf(input, { treat, remove, nothing }),
  })
}

/** Chance to be alive at the start of year y. */
const aliveAt = (survival: readonly number[], y: number) => (y === 0 ? 1 : survival[y - 1]!)

/** What the living tree gives and its death costs, in either branch. */
function livingWorth(input: WorthInput, survival: readonly number[], years: number): number {
  const growth = 1 + input.discountPercent / 100
  let sum = 0
  for (let y = 0; y < years; y++) {
    const end = growth ** (y + 1)
    sum += (survival[y]! * input.benefitPerYear) / end
    sum -= ((aliveAt(survival, y) - survival[y]!) * input.nothing.emergencyCost) / end
  }
  return sum
}

function treatingWorth(input: WorthInput, years: number): number {
  const growth = 1 + input.discountPercent / 100
  const { survival, costPerVisit, everyYears } = input.treat
  let sum = livingWorth(input, survival, years)
  for (let y = 0; y < years; y += everyYears) sum -= (aliveAt(survival, y) * costPerVisit) / growth ** y
  return sum
}

function nothingWorth(input: WorthInput, years: number): number {
  return livingWorth(input, input.nothing.survival, years)
}

function removingWorth(input: WorthInput, years: number): number {
  const growth = 1 + input.discountPercent / 100
  const { year, cost, replace } = input.remove
  const share = input.replacementBenefitShare
  let sum = year < years ? -(cost + replace) / growth ** year : 0
  for (let y = 0; y < years; y++) {
    const given = y < year ? 1 : share[Math.min(y - year, share.length - 1)]!
    sum += (given * input.benefitPerYear) / growth ** (y + 1)
  }
  return sum
}

/** Refuses what cannot be; null when the input holds. */
export function checkWorth(input: WorthInput) {
  const whole = (field: string, value: number, least: number, most: number, name: string) =>
    Number.isInteger(value) && value >= least && value <= most
      ? null
      : refuse('out-of-range', field, `${name} must be a whole number from ${least} to ${most}.`)
  const money = (field: string, value: number, name: string) =>
    value >= 0 && value <= MOST_MONEY ? null : refuse('out-of-range', field, `${name} cannot be below zero.`)
  const problem =
    whole('years', input.years, 1, MOST_YEARS, 'The years') ??
    (input.discountPercent >= 0 && input.discountPercent <= 100
      ? null
      : refuse('out-of-range', 'discountPercent', 'The discount rate must be from 0 to 100 %.')) ??
    money('treat.costPerVisit', input.treat.costPerVisit, 'The cost of a visit') ??
    whole('treat.everyYears', input.treat.everyYears, 1, MOST_YEARS, 'The years between visits') ??
    checkSurvival('treat.survival', input.treat.survival, input.years) ??
    money('remove.cost', input.remove.cost, 'The cost of removing') ??
    money('remove.replace', input.remove.replace, 'The cost of replacing') ??
    whole('remove.year', input.remove.year, 0, MOST_YEARS, 'The year of removal') ??
    checkSurvival('nothing.survival', input.nothing.survival, input.years) ??
    money('nothing.emergencyCost', input.nothing.emergencyCost, 'The cost of an emergency removal') ??
    money('benefitPerYear', input.benefitPerYear, 'The benefit of a year')
  if (problem) return problem
  if (input.replacementBenefitShare.length === 0)
    return refuse(
      'missing',
      'replacementBenefitShare',
      'The new tree has no share of the benefit; give at least one.',
    )
  const i = input.replacementBenefitShare.findIndex((s) => !(s >= 0 && s <= 10))
  if (i >= 0)
    return refuse(
      'out-of-range',
      `replacementBenefitShare[${i}]`,
      'A share of the benefit must be from 0 to 10.',
    )
  return null
}

function checkSurvival(field: string, survival: readonly number[], years: number) {
  if (survival.length < years)
    return refuse(
      'missing',
      `${field}[${survival.length}]`,
      `The chance to be alive is given for ${survival.length} of ${years} years; give every year.`,
    )
  for (const [i, s] of survival.entries()) {
    if (!(s >= 0 && s <= 1)) return refuse('out-of-range', `${field}[${i}]`, 'A chance must be from 0 to 1.')
    if (i > 0 && s > survival[i - 1]! + 1e-12)
      return refuse(
        'out-of-range',
        `${field}[${i}]`,
        'The chance to be alive cannot rise from one year to the next.',
      )
  }
  return null
}

function workingOf(input: WorthInput, npv: Record<Way, number>): Working {
  const visits = Math.ceil(input.years / input.treat.everyYears)
  const m = (x: number) => plain(x, 2)
  return [
    {
      label: 'Treat',
      expression: `${visits} visits of ${m(input.treat.costPerVisit)} and ${m(input.benefitPerYear)} a year while alive, ${m(input.nothing.emergencyCost)} if it dies; alive after ${input.years} years ${plain(input.treat.survival[input.years - 1]! * 100, 1)} %`,
      result: m(npv.treat),
      source: 'choice',
    },
    {
      label: 'Remove and replace',
      expression: `${m(input.remove.cost)} + ${m(input.remove.replace)} at the start of year ${input.remove.year}, then the new tree’s share of ${m(input.benefitPerYear)} a year`,
      result: m(npv.remove),
      source: 'choice',
    },
    {
      label: 'Do nothing',
      expression: `${m(input.benefitPerYear)} a year while alive, ${m(input.nothing.emergencyCost)} if it dies; alive after ${input.years} years ${plain(input.nothing.survival[input.years - 1]! * 100, 1)} %`,
      result: m(npv.nothing),
      source: 'choice',
    },
    {
      label: 'In today’s money',
      expression: `start of year y ÷ ${plain(1 + input.discountPercent / 100, 4)}^y, its end ÷ ${plain(1 + input.discountPercent / 100, 4)}^(y + 1)`,
      result: `${plain(input.discountPercent, 2)} % a year`,
    },
  ]
}
