import { z } from 'zod'
import { loadOut } from '@/core/loadout/loadout'
import { calculator, MOST_ROWS } from '../calculator'
import { date, figure, name, number, quantity } from '../fields'

export const loadout = calculator({
  name: 'loadout',
  title: 'Load-out',
  description:
    'What a truck takes for a day. Of each product, in the order of their names, what is needed and the spare, out of lots that have not expired (the day itself still counts): opened ones first, then the earlier date, then by name; `short` is what no lot covers. A dose is measured by a measure that shows it, its nearest graduation (half up) within the error allowed: the fewest fills, then the smaller measure, then by name; `null` where none does.',
  request: {
    day: date('The day of the work.'),
    spare: number('How much more is taken, as a share; 0 when not given.').optional(),
    mostErrorPercent: number('How far a reading may be off; 2.5 when not given.').optional(),
    needs: z
      .array(
        z.strictObject({
          id: name('Of the work.'),
          product: name('The product.'),
          amount: quantity('volume', 'Amount'),
        }),
      )
      .max(MOST_ROWS),
    lots: z
      .array(
        z.strictObject({
          lot: name('Of the lot.'),
          product: name('The product.'),
          left: quantity('volume', 'Left'),
          expires: date('The last day on which it may be used.'),
          opened: z.boolean().optional().meta({ description: 'False when not given.' }),
        }),
      )
      .max(MOST_ROWS),
    measures: z
      .array(
        z.strictObject({
          name: name('Of the cylinder or syringe.'),
          smallest: quantity('volume', 'Smallest', 'The least it shows.'),
          step: quantity('volume', 'Step', 'From graduation to graduation.'),
          largest: quantity('volume', 'Largest', 'The most it holds.'),
        }),
      )
      .max(100),
  },
  answer: {
    products: z.array(
      z.strictObject({
        product: z.string(),
        need: figure('Fluid ounces.'),
        take: figure('Fluid ounces, with the spare.'),
        lots: z.array(z.strictObject({ lot: z.string(), take: figure('Fluid ounces.') })),
        short: figure('Fluid ounces.'),
        expired: z.array(z.string()),
      }),
    ),
    doses: z.array(
      z.strictObject({
        id: z.string(),
        product: z.string(),
        measure: z.string().nullable(),
        fills: z.number(),
        reading: figure('Fluid ounces.').nullable(),
        errorPercent: z.number().nullable(),
      }),
    ),
  },
  example: {
    day: '2026-06-12',
    spare: 0.1,
    needs: [
      { id: 'Elm 4', product: 'T2', amount: '120 mL' },
      { id: 'Elm 5', product: 'T2', amount: '5 fl oz' },
    ],
    lots: [
      { lot: 'K1', product: 'T2', left: '0.2 L', expires: '2027-05-01', opened: true },
      { lot: 'K2', product: 'T2', left: '1 L', expires: '2028-05-01' },
    ],
    measures: [{ name: 'cylinder', smallest: '10 mL', step: '2 mL', largest: '100 mL' }],
  },
  work: (input, units, q) => {
    const r = loadOut({ ...input, units })
    if (!r.ok) return r
    return {
      ok: true,
      value: {
        products: r.value.products.map((p) => ({
          ...p,
          need: q(p.need, 'fl oz'),
          take: q(p.take, 'fl oz'),
          lots: p.lots.map((l) => ({ lot: l.lot, take: q(l.take, 'fl oz') })),
          short: q(p.short, 'fl oz'),
        })),
        doses: r.value.doses.map((d) => ({
          ...d,
          reading: d.reading === null ? null : q(d.reading, 'fl oz'),
        })),
        working: r.value.working,
      },
    }
  },
})
