import { isHand } from '../methods/names'
import { handMethod } from '../methods/hand'
import { putOnMethod } from '../methods/putOn'
import type { CardUse } from './card'
import { when, type Said } from './said'

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
