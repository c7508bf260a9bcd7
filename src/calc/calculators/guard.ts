import { z } from 'zod'
import { cutGuards } from '@/core/barrier/guard'
import { toSI } from '@/core/quantity/units'
import { calculator, MOST_ROWS } from '../calculator'
import { figure, oneOf, quantity } from '../fields'

export const guard = calculator({
  name: 'guard',
  title: 'Mesh guards',
  description:
    'Cut list for cylinder guards: length = π × (diameter + 2 × clearance) + overlap; height = what goes into the soil + for voles the larger of 18 in and snow + margin, for rabbits snow + 24 in, since they stand on the snow. A roll gives ⌊roll height ÷ piece height⌋ strips of its length; pieces are laid whole and upright, first-fit in order of falling length. A piece taller or longer than the roll is `out-of-range`. `overlap` is 1.5 in, `snow` 0, `snowMargin` 6 in (0 without snow), `bury` 2 in when not given; without `roll` no rolls are counted.',
  request: {
    trees: z.array(z.strictObject({ diameter: quantity('length', 'Diameter') })).max(MOST_ROWS),
    clearance: quantity('length', 'Clearance', 'Between bark and mesh.'),
    overlap: quantity('length', 'Overlap').optional(),
    animal: oneOf(['vole', 'rabbit'], 'Who gnaws.'),
    snow: quantity('length', 'Snow', 'Expected depth.').optional(),
    snowMargin: quantity('length', 'Margin above the snow').optional(),
    bury: quantity('length', 'Depth in the soil').optional(),
    roll: z
      .strictObject({ height: quantity('length', 'Roll height'), length: quantity('length', 'Roll length') })
      .optional(),
  },
  answer: {
    cuts: z.array(z.strictObject({ length: figure('Inches.'), height: figure('Inches.') })),
    rolls: z.number().optional(),
  },
  example: {
    trees: [{ diameter: '2 1/2 in' }],
    clearance: '1.5 in',
    overlap: '1.5 in',
    animal: 'vole',
    snow: '24 in',
    snowMargin: '6 in',
    bury: '2 in',
    roll: { height: '36 in', length: '25 ft' },
  },
  work: (input, units, q) => {
    const r = cutGuards({
      ...input,
      trees: input.trees.map((t) => t.diameter),
      overlap: input.overlap ?? toSI(1.5, 'in'),
      snow: input.snow ?? 0,
      snowMargin: input.snowMargin ?? (input.snow === undefined ? 0 : toSI(6, 'in')),
      bury: input.bury ?? toSI(2, 'in'),
      units,
    })
    if (!r.ok) return r
    const { cuts, rolls, working } = r.value
    return {
      ok: true,
      value: {
        cuts: cuts.map((c) => ({ length: q(c.length, 'in'), height: q(c.height, 'in') })),
        ...(rolls === undefined ? {} : { rolls }),
        working,
      },
    }
  },
})
