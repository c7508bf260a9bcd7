import { ok, refuse, type Result } from '../problem'
import { fromSI, type Length } from '../quantity/units'
import { judgeTreatable, type Grade, type Treatable } from './treatable'
import { worth, type Worth, type WorthInput } from './worth'

/** How hard the cause presses in the district. */
export const PRESSURES = ['low', 'middle', 'high'] as const
export type Pressure = (typeof PRESSURES)[number]

/** What keeping, felling and replacing trees of a site comes to. Money in the firm's own; of diameter per inch through the trunk. */
export interface SiteMoney {
  years: number
  discountPercent: number
  /** Product, labour and share of the drive, at the least and for every inch. */
  visitLeast: number
  visitPerInch: number
  everyYears: number
  /** Felling and stump. */
  removeLeast: number
  removePerInch: number
  replace: number
  /** Years until the new tree gives what the old one gave. */
  replaceYears: number
  /** A tree that fell or died unasked costs so many times its planned removal. */
  emergencyTimes: number
  /** What a year of the tree is worth to its owner, for every inch. */
  worthPerInch: number
  pressure: Pressure
  /** Of work at a tree, at the least and for every inch. */
  minutesLeast: number
  minutesPerInch: number
}

/** House figures to begin with; every one is the site's own to set. */
export const HOUSE_MONEY: SiteMoney = {
  years: 10,
  discountPercent: 4,
  visitLeast: 40,
  visitPerInch: 9,
  everyYears: 2,
  removeLeast: 250,
  removePerInch: 45,
  replace: 450,
  replaceYears: 15,
  emergencyTimes: 1.6,
  worthPerInch: 12,
  pressure: 'middle',
  minutesLeast: 12,
  minutesPerInch: 1.2,
}

/** Least and most of each figure that is typed, and what it is called. */
export const MONEY_BOUNDS: Record<Exclude<keyof SiteMoney, 'pressure'>, readonly [number, number, string]> = {
  years: [1, 60, 'The years'],
  discountPercent: [0, 100, 'The discount rate'],
  visitLeast: [0, 1e6, 'A visit at the least'],
  visitPerInch: [0, 1e5, 'A visit for every inch'],
  everyYears: [1, 60, 'The years between visits'],
  removeLeast: [0, 1e6, 'A removal at the least'],
  removePerInch: [0, 1e5, 'A removal for every inch'],
  replace: [0, 1e6, 'The new tree'],
  replaceYears: [1, 200, 'The years until the new tree gives as much'],
  emergencyTimes: [1, 20, 'How many times a planned removal an emergency costs'],
  worthPerInch: [0, 1e5, 'What a year of the tree is worth for every inch'],
  minutesLeast: [0, 1000, 'The minutes of work at the least'],
  minutesPerInch: [0, 100, 'The minutes of work for every inch'],
}

/** Refuses figures that cannot be, at their field; null when they hold. */
export function checkMoney(money: SiteMoney): Result<never> | null {
  for (const [field, [least, most, name]] of Object.entries(MONEY_BOUNDS)) {
    const value = money[field as keyof typeof MONEY_BOUNDS]
    const whole = field === 'years' || field === 'everyYears'
    if (!(value >= least && value <= most) || (whole && !Number.isInteger(value)))
      return refuse(
        'out-of-range',
        field,
        `${name} must be ${whole ? 'a whole number' : 'a number'} from ${least} to ${most.toLocaleString('en-US')}.`,
      )
  }
  return null
}

/** Middle and spread of the logistic year of death of an untreated, sound tree, years. House figures. */
const DEATH: Record<
  Exclude<Treatable['kind'], 'seldom kills'>,
  Record<Pressure, readonly [number, number]>
> = {
  borer: { low: [12, 2.5], middle: [7, 1.5], high: [4, 1] },
  returns: { low: [16, 3], middle: [10, 2], high: [6, 1.5] },
  wilt: { low: [20, 4], middle: [10, 2.5], high: [5, 1.5] },
}
/** Of what seldom kills, a year. */
const SELDOM = 0.995
/** Chance that a treated tree lives another year, by how well treating can still work. */
const KEPT: Record<Exclude<Grade, 'none' | 'not taken'>, number> = { good: 0.985, doubtful: 0.93 }

/**
 * Chance that a tree is alive at the end of each year, left alone: logistic by the pressure of the cause, a tree that has lost
 * part of its crown standing that far along the curve already. `lost`: per cent.
 * Source: handbook, money: survival by the chosen pressure curve; the years are house figures.
 *
 * @example untreated({ kind: 'borer', … }, 'middle', 20, 10)[9]
 */
export function untreated(treatable: Treatable, pressure: Pressure, lost: number, years: number): number[] {
  if (treatable.kind === 'seldom kills') return Array.from({ length: years }, (_, y) => SELDOM ** (y + 1))
  const [middle, spread] = DEATH[treatable.kind][pressure]
  const begun = (middle * Math.min(lost, 100)) / 100
  const dead = (year: number) => 1 / (1 + Math.exp(-(year - middle) / spread))
  const alive = 1 - dead(begun)
  return Array.from({ length: years }, (_, y) => (1 - dead(begun + y + 1)) / alive)
}

/** The same, treated: never worse than left alone. Where treating is no use it is the same. */
export function treated(treatable: Treatable, pressure: Pressure, lost: number, years: number): number[] {
  const alone = untreated(treatable, pressure, lost, years)
  const { grade } = judgeTreatable(treatable, lost)
  if (grade === 'none' || grade === 'not taken') return alone
  return alone.map((s, y) => Math.max(s, KEPT[grade] ** (y + 1)))
}

/** What is known of one tree for its money. */
export interface MoneyTree {
  diameter: Length
  /** Per cent; null where nobody took it: then it counts as sound. */
  lost: number | null
  treatable: Treatable
}

export interface TreeMoney {
  input: WorthInput
  worth: Worth
  /** Of the first visit. */
  visit: number
  /** Of the first visit. */
  minutes: number
  /** How far treating is ahead of the better of removing and doing nothing. */
  gain: number
}

/**
 * What treating, removing and doing nothing come to for one tree by the site's figures. Problems as {@link checkMoney}.
 *
 * @example moneyOf(HOUSE_MONEY, { diameter: 0.4, lost: 15, treatable: BORER }).value.gain
 */
export function moneyOf(money: SiteMoney, tree: MoneyTree): Result<TreeMoney> {
  const wrong = checkMoney(money)
  if (wrong) return wrong
  const inches = fromSI(tree.diameter, 'in')
  const lost = tree.lost ?? 0
  const visit = money.visitLeast + money.visitPerInch * inches
  const removal = money.removeLeast + money.removePerInch * inches
  const input: WorthInput = {
    years: money.years,
    discountPercent: money.discountPercent,
    treat: {
      costPerVisit: visit,
      everyYears: money.everyYears,
      survival: treated(tree.treatable, money.pressure, lost, money.years),
    },
    remove: { cost: removal, replace: money.replace, year: 0 },
    nothing: {
      survival: untreated(tree.treatable, money.pressure, lost, money.years),
      emergencyCost: removal * money.emergencyTimes,
    },
    benefitPerYear: money.worthPerInch * inches,
    replacementBenefitShare: Array.from({ length: money.years }, (_, y) =>
      Math.min(1, (y + 1) / money.replaceYears),
    ),
  }
  const result = worth(input)
  if (!result.ok) return result
  const { treat, remove, nothing } = result.value
  return ok({
    input,
    worth: result.value,
    visit,
    minutes: money.minutesLeast + money.minutesPerInch * inches,
    gain: treat - Math.max(remove, nothing),
  })
}
