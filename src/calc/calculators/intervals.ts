import { z } from 'zod'
import { planConflicts } from '@/core/history/planned'
import { calculator, MOST_ROWS } from '../calculator'
import { date, name, number } from '../fields'

const application = z.strictObject({
  date: date('Day of the application.'),
  product: name('Product.'),
  active: name('Active ingredient.'),
  group: name('Resistance group; those beginning with M work on many sites.'),
  kind: name('fungicide, insecticide …'),
})

const byProduct = (description: string) =>
  z
    .record(z.string().max(200), z.number())
    .transform((byName) => new Map(Object.entries(byName)))
    .optional()
    .meta({ description })

export const intervals = calculator({
  name: 'intervals',
  title: 'Intervals',
  description:
    'What stands against planned applications. History and plan are taken together in date order (same date: history first, then as given); only planned applications are in conflict, and between two planned ones the later. Rules: `too-soon`, `too-many`, `apart`, `same-group`, `harvest`, `bloom`. Equal dates are 0 days apart. Of two other applications equally near, `too-soon` names the earlier.',
  request: {
    plan: z.array(application).max(MOST_ROWS),
    history: z.array(application).max(MOST_ROWS).optional(),
    rules: z.strictObject({
      minDays: byProduct('Fewest days between two applications of a product.'),
      maxApplications: byProduct('Most applications of a product in a calendar year.'),
      apart: z
        .array(
          z.strictObject({
            actives: z.tuple([name('One.'), name('The other.')]),
            days: number('Fewest days between them.'),
          }),
        )
        .max(200)
        .optional(),
      maxRunOfGroup: number('Most applications of one group running.').optional(),
      rotate: z.array(name('A kind.')).max(50).optional().meta({ description: 'Kinds that must rotate.' }),
      harvest: date('Expected picking.').optional(),
      harvestDays: byProduct('Days a product needs before the harvest.'),
      bloom: z.strictObject({ from: date('First day.'), to: date('Last day.') }).optional(),
      notInBloom: z
        .array(name('A product.'))
        .max(MOST_ROWS)
        .optional()
        .meta({ description: 'Products closed in bloom.' }),
    }),
  },
  answer: {
    conflicts: z.array(
      z.strictObject({
        date: z.string(),
        product: z.string(),
        rule: z.enum(['apart', 'bloom', 'harvest', 'same-group', 'too-many', 'too-soon']),
        with: z.strictObject({ date: z.string(), product: z.string() }).nullable(),
      }),
    ),
  },
  example: {
    plan: [{ date: '2026-05-06', product: 'A', active: 'sulfur', group: 'M02', kind: 'fungicide' }],
    history: [{ date: '2026-05-01', product: 'A', active: 'sulfur', group: 'M02', kind: 'fungicide' }],
    rules: { minDays: { A: 7 } },
  },
  work: (input) => {
    const r = planConflicts({ ...input, history: input.history ?? [] })
    return r.ok ? { ok: true, value: r.value } : r
  },
})
