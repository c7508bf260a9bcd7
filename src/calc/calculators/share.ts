import { z } from 'zod'
import { MOST_SHARED, share as coreShare } from '@/core/limits/share'
import { calculator } from '../calculator'
import { figure, name, number, quantity } from '../fields'

export const share = calculator({
  name: 'share',
  title: 'Sharing the limit',
  description:
    'One way or none for each tree, so that what is left of a yearly limit and of the hours does most: the greatest sum of priority × worth, exactly. Ties: fewer minutes, then less active, then tree by tree the earlier way, none last. A way without active is always allowed. `worth` is 1 when not given, `minutes` of a way 0; without `minutes` the hours are no limit. At most 2,000 trees.',
  request: {
    limit: quantity('mass', 'Limit', 'Active ingredient this ground may get this year.'),
    applied: z
      .array(quantity('mass', 'Applied'))
      .max(20_000)
      .optional()
      .meta({ description: 'Active ingredient applied there this calendar year, by whatever product.' }),
    minutes: number('Minutes of work there are.').optional(),
    trees: z
      .array(
        z.strictObject({
          id: name('Any name, once.'),
          priority: number('How much it matters, from 0.'),
          ways: z
            .array(
              z.strictObject({
                way: name('Any name, once a tree.'),
                active: quantity('mass', 'Active', 'Active ingredient of this way on this tree.'),
                minutes: number('Minutes of work; 0 when not given.').optional(),
                worth: number('How well it works here; 1 when not given.').optional(),
              }),
            )
            .max(20),
        }),
      )
      .max(MOST_SHARED),
  },
  answer: {
    choice: z.array(z.strictObject({ id: z.string(), way: z.string().nullable() })),
    worth: z.number(),
    used: figure('Pounds.'),
    minutes: z.number(),
    remaining: figure('Pounds, after it; below zero where the limit was passed before.'),
  },
  example: {
    limit: '0.1 lb',
    applied: ['0.02 lb'],
    minutes: 150,
    trees: [
      {
        id: 'A',
        priority: 5,
        ways: [
          { way: 'drench', active: '0.05 lb', minutes: 12 },
          { way: 'inject', active: '0 lb', minutes: 45 },
        ],
      },
      {
        id: 'B',
        priority: 4,
        ways: [
          { way: 'drench', active: '0.03 lb', minutes: 12 },
          { way: 'inject', active: '0 lb', minutes: 40 },
        ],
      },
      { id: 'C', priority: 2, ways: [{ way: 'drench', active: '0.02 lb', minutes: 10 }] },
    ],
  },
  work: (input, units, q) => {
    const r = coreShare({
      limit: input.limit,
      applied: input.applied ?? [],
      ...(input.minutes !== undefined && { minutes: input.minutes }),
      trees: input.trees.map((t) => ({
        ...t,
        ways: t.ways.map((w) => ({ ...w, minutes: w.minutes ?? 0, worth: w.worth ?? 1 })),
      })),
      units,
    })
    if (!r.ok) return r
    const { used, remaining, ...rest } = r.value
    return { ok: true, value: { ...rest, used: q(used, 'lb'), remaining: q(remaining, 'lb') } }
  },
})
