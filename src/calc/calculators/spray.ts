import { z } from 'zod'
import { spray as coreSpray } from '@/core/spray/spray'
import { calculator } from '../calculator'
import { figure, mix, number, oneOf, quantity, rate } from '../fields'

export const spray = calculator({
  name: 'spray',
  title: 'Crown spray',
  description:
    'Spray to wet the crowns: crown volume (ellipsoid π/6·h·w², cone π/12·h·w², cylinder π/4·h·w²) × rate × density (sparse 0.7, medium 1, dense 1.3) × count. The rate is 0.8 gal/1000 ft3 when not given. Product is in fl oz for liquids and lb for weights (mL and kg in `si`). Loads are full tanks and then the part load; without `tank` or `flow` loads or minutes are left out.',
  request: {
    crowns: z
      .array(
        z.strictObject({
          shape: oneOf(['ellipsoid', 'cone', 'cylinder'], 'Shape of the crown.'),
          height: quantity('length', 'Height', 'Of the crown, not of the tree.'),
          width: quantity('length', 'Width'),
          density: oneOf(['sparse', 'medium', 'dense'], 'How full the crown is.'),
          count: number('How many such trees; 1 when not given.').optional(),
        }),
      )
      .max(2000),
    volumeRate: rate('volume', 'volume', 'Spray rate', '0.8 gal/1000 ft3').optional(),
    mix: mix(),
    tank: quantity('volume', 'Tank').optional(),
    flow: rate('volume', 'time', 'Flow', '1.5 gal/min').optional(),
  },
  answer: {
    crownVolume: z.array(figure('Cubic feet, one tree of each entry.')),
    spray: figure('Gallons.'),
    product: figure('Fluid ounces or pounds.'),
    loads: z
      .array(z.strictObject({ volume: figure('Gallons.'), product: figure('Fluid ounces or pounds.') }))
      .optional(),
    minutes: z.number().optional(),
  },
  example: {
    crowns: [{ shape: 'ellipsoid', height: '18 ft', width: '14 ft', density: 'medium', count: 6 }],
    volumeRate: '0.8 gal/1000 ft3',
    mix: '2 %',
    tank: '25 gal',
    flow: '1.5 gal/min',
  },
  work: (input, units, q) => {
    const r = coreSpray({ ...input, crowns: input.crowns.map((c) => ({ ...c, count: c.count ?? 1 })), units })
    if (!r.ok) return r
    const { crownVolumes, product, productKind, loads, minutes, working } = r.value
    const us = productKind === 'liquid' ? 'fl oz' : 'lb'
    return {
      ok: true,
      value: {
        crownVolume: crownVolumes.map((v) => q(v, 'ft3')),
        spray: q(r.value.spray, 'gal'),
        product: q(product, us),
        ...(loads && {
          loads: loads.map((l) => ({ volume: q(l.volume, 'gal'), product: q(l.product, us) })),
        }),
        ...(minutes === undefined ? {} : { minutes }),
        working,
      },
    }
  },
})
