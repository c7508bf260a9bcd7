import { z } from 'zod'
import { toSI } from '@/core/quantity/units'
import { measureTrunk } from '@/core/trunk/trunk'
import { refuse } from '@/core/problem'
import { calculator } from '../calculator'
import { figure, number, quantity } from '../fields'

/** One stem as it was taped; shared by every calculator that takes stems. */
export const stem = z.strictObject({
  girth: quantity('length', 'Girth', 'Round the stem with a plain tape.').optional(),
  diameter: quantity('length', 'Diameter', 'Through the stem, or read from a diameter tape.').optional(),
})

export const stems = z
  .array(stem)
  .max(30)
  .meta({ description: 'Girth or diameter of each stem. If both are given they must agree within 3 %.' })

export const trunk = calculator({
  name: 'trunk',
  title: 'Trunk',
  description:
    'Diameter and girth of each stem, one diameter for all of them (equivalent: same wood area; summed: added up), and the critical root zone of the equivalent diameter. Where a stem gives both, its girth counts. A trunk is 0.2 to 200 in through.',
  request: {
    stems,
    rootZoneFeetPerInch: number(
      'Root-zone radius in feet for each inch of diameter; 1 when not given, 1.25 or 1.5 for old and sensitive trees.',
    ).optional(),
  },
  answer: {
    stems: z.array(z.strictObject({ diameter: figure('Inches.'), girth: figure('Inches.') })),
    equivalentDiameter: figure('√Σd², inches.'),
    summedDiameter: figure('Σd, inches.'),
    criticalRootZone: z.strictObject({ radius: figure('Feet.'), area: figure('Square feet.') }),
  },
  example: { stems: [{ girth: '44 in' }, { diameter: '20 cm' }], rootZoneFeetPerInch: 1 },
  work: (input, units, q) => {
    const factor = input.rootZoneFeetPerInch ?? 1
    if (!(factor > 0 && factor <= 10))
      return refuse(
        'out-of-range',
        'rootZoneFeetPerInch',
        'The root-zone factor must be more than zero and at most 10 ft per inch; 1 to 1.5 is usual.',
      )
    const r = measureTrunk(input.stems, (factor * toSI(1, 'ft')) / toSI(1, 'in'), units)
    if (!r.ok) return r
    const t = r.value
    return {
      ok: true,
      value: {
        stems: t.stems.map((s) => ({ diameter: q(s.diameter, 'in'), girth: q(s.girth, 'in') })),
        equivalentDiameter: q(t.equivalentDiameter, 'in'),
        summedDiameter: q(t.summedDiameter, 'in'),
        criticalRootZone: {
          radius: q(t.criticalRootZone.radius, 'ft'),
          area: q(t.criticalRootZone.area, 'ft2'),
        },
        working: t.working,
      },
    }
  },
})
