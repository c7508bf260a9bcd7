import { HAND_NAMES, handMethod, isHand } from '../methods/hand'
import { putOnMethod } from '../methods/putOn'
import type { CardUse, Method } from './card'
import { PUT_ON_METHODS } from './format'
import { when, type Said } from './said'

/** What is done, as people say it: by a product and by hand. */
export const METHOD_NAME = {
  ...Object.fromEntries(PUT_ON_METHODS.map((m) => [m, putOnMethod(m).name])),
  ...Object.fromEntries(HAND_NAMES.map((m) => [m, handMethod(m).name])),
} as Record<Method, string>

/** Several methods in one line, as people say them. `sayMethods(['trunk-injection', 'feed'])` is "trunk injection, feed" */
export function sayMethods(methods: readonly Method[]): string {
  return methods.map((m) => METHOD_NAME[m].toLowerCase()).join(', ')
}

/** The terms of a use line by line, as a label is read. `sayTerms(drench)[0]` is ['Rate', '0.1 fl oz to 0.2 fl oz an inch of diameter'] */
export function sayTerms(use: CardUse): Said[] {
  if (isHand(use.method)) {
    const terms = use.terms as Record<string, string | number>
    return handMethod(use.method).terms.flatMap((line): Said[] => {
      const value = terms[line.name]
      return value === undefined ? [] : [[line.label, String(value)]]
    })
  }
  return putOnMethod(use.method).sayTerms(use.terms as never)
}

/** What holds for a use whatever its method: limits, times apart, re-entry, bees, water. */
export function sayLimits(use: CardUse): Said[] {
  const days = when(use.window, () => ['Days', use.window!])
  if (isHand(use.method)) return [...days, ['Worn', use.protectiveGear.join(', ')]]
  const { limits } = use
  return [
    ...days,
    ...when(limits?.activePerAreaYear, () => [
      'Most a year',
      `${limits!.activePerAreaYear} of active, whoever puts it on`,
    ]),
    ...when(limits?.timesPerYear, () => ['Times a year', `at most ${limits!.timesPerYear}`]),
    ...when(limits?.leastDays, () => ['Days between', `at least ${limits!.leastDays}`]),
    ...(use.apart ?? []).map((a): Said => [`From ${a.active}`, `${a.days} days apart, before and after`]),
    ['Closed for', use.reentryHours === 0 ? 'nobody, once it is dry or watered in' : `${use.reentryHours} h`],
    ['Bees', use.neverInBloom ? `never in bloom. ${use.beeCaution}` : use.beeCaution],
    ['Water', use.waterSetback ? `${use.waterSetback} away. ${use.waterCaution}` : use.waterCaution],
    ['Worn', use.protectiveGear.join(', ')],
  ]
}
