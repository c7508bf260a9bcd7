import { z } from 'zod'
import { withinLimit } from '@/core/limits/cap'
import { calculator, MOST_ROWS } from '../calculator'
import { figure, name, number, quantity, rate } from '../fields'

export const cap = calculator({
  name: 'cap',
  title: 'Yearly limit',
  description:
    'What a yearly limit per area leaves, and which trees make the most of it: the set with the greatest total priority whose active ingredient fits what remains, exactly. Of equal priority the one with less active ingredient, then the one with the alphabetically first id where two sets differ. `remaining` and `inchesLeft` are negative when the limit is already passed, and then nothing is treated. Ids are answered in alphabetical order. Trees of priority 0 wait. At most 2,000 trees.',
  request: {
    limit: rate('mass', 'area', 'Limit', '0.4 lb/acre'),
    area: quantity('area', 'Area'),
    applied: z
      .array(quantity('mass', 'Applied'))
      .max(20_000)
      .optional()
      .meta({ description: 'Active ingredient applied there this calendar year, by whatever product.' }),
    activePerInch: quantity('mass', 'Active per inch', 'Active ingredient per inch of diameter.'),
    trees: z
      .array(
        z.strictObject({
          id: name('Any name, once.'),
          diameter: quantity('length', 'Diameter'),
          priority: number('How much it matters, from 0.'),
        }),
      )
      .max(MOST_ROWS),
  },
  answer: {
    allowed: figure('Pounds.'),
    remaining: figure('Pounds.'),
    inchesLeft: z.number().meta({ description: 'Inches of diameter.' }),
    treat: z.array(z.string()),
    wait: z.array(z.string()),
    used: figure('Pounds, by the trees to treat.'),
  },
  example: {
    limit: '0.4 lb/acre',
    area: '1.5 acre',
    applied: ['0.1 lb'],
    activePerInch: '0.003125 lb',
    trees: [
      { id: 'A', diameter: '14 in', priority: 3 },
      { id: 'B', diameter: '22 in', priority: 5 },
      { id: 'C', diameter: '118 in', priority: 6 },
    ],
  },
  work: (input, units, q) => {
    const r = withinLimit({ ...input, applied: input.applied ?? [], units })
    if (!r.ok) return r
    const { allowed, remaining, used, ...rest } = r.value
    return {
      ok: true,
      value: { allowed: q(allowed, 'lb'), remaining: q(remaining, 'lb'), used: q(used, 'lb'), ...rest },
    }
  },
})
