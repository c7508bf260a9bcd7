import { z } from 'zod'
import { worth as coreWorth } from '@/core/decide/worth'
import { calculator } from '../calculator'
import { number } from '../fields'

const survival = z
  .array(z.number())
  .max(200)
  .meta({ description: 'Chance to be alive at the end of year 1, 2, …; never rising.' })

export const worth = calculator({
  name: 'worth',
  title: 'Worth',
  description:
    'Net present value of treating, removing and doing nothing over some years. Visits at the start of years 0, k, 2k …, paid if the tree is alive; the benefit at the end of each year if alive; a death costs `emergencyCost` once, at the end of its year, in both living branches; removal and replacement at the start of `remove.year`, before it the old tree counts as alive, from then on year j of the new tree gives its share, the last repeating. `breakEvenYear` is the first number of years at which treating is worth at least as much as removing.',
  request: {
    years: number('How many years to look ahead.'),
    discountPercent: number('Discount rate, per cent a year.'),
    treat: z.strictObject({
      costPerVisit: number('Money.'),
      everyYears: number('Years between visits.'),
      survival,
    }),
    remove: z.strictObject({
      cost: number('Felling and stump, money.'),
      replace: number('New tree, money.'),
      year: number('Year at whose start it is felled, 0 for now.'),
    }),
    nothing: z.strictObject({ survival, emergencyCost: number('Removal in a hurry, money.') }),
    benefitPerYear: number('What the tree gives in a year, money.'),
    replacementBenefitShare: z
      .array(z.number())
      .max(200)
      .meta({ description: 'Share of that benefit in year 1, 2, … of the new tree.' }),
  },
  answer: {
    treat: z.number(),
    remove: z.number(),
    nothing: z.number(),
    best: z.enum(['treat', 'remove', 'nothing']),
    breakEvenYear: z.number().nullable(),
  },
  example: {
    years: 5,
    discountPercent: 4,
    treat: { costPerVisit: 180, everyYears: 2, survival: [0.99, 0.98, 0.97, 0.96, 0.95] },
    remove: { cost: 1400, replace: 450, year: 0 },
    nothing: { survival: [0.9, 0.7, 0.45, 0.25, 0.1], emergencyCost: 2100 },
    benefitPerYear: 120,
    replacementBenefitShare: [0, 0.05, 0.1],
  },
  work: (input) => {
    const r = coreWorth(input)
    return r.ok ? { ok: true, value: r.value } : r
  },
})
