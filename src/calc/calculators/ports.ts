import { z } from 'zod'
import { layoutPorts } from '@/core/ports/layout'
import { layoutWorking } from '@/core/ports/layoutWorking'
import { checkLayout } from '@/core/ports/checkLayout'
import { calculator } from '../calculator'
import { figure, number, quantity } from '../fields'

const bearing = (what: string) => number(`${what}, degrees clockwise from north.`)
const sector = { from: bearing('Start'), to: bearing('End, included') }

export const ports = calculator({
  name: 'ports',
  title: 'Where the ports go',
  description:
    'The best bearings for a number of ports: the greatest total suitability over all sets of whole degrees that keep the spacing, with no gap above `maxGap` where that can be met and the smallest widest gap otherwise. What cannot be placed is `missing`; gaps wider than `maxGap` are `uncovered`. Sectors run clockwise from `from` to `to`, both ends included; 0 to 360 is the whole trunk. Among equal totals the layout with the greatest least gap, then the one with the smallest largest gap, then the smaller bearings. With one port the gap is the whole girth.',
  request: {
    portGirth: quantity('length', 'Girth at the ports'),
    count: number('How many ports, 1 to 360.'),
    minSpacing: quantity('length', 'Smallest spacing'),
    maxGap: quantity('length', 'Widest gap').optional(),
    flares: z
      .array(z.strictObject({ bearing: bearing('Middle'), halfWidth: number('Half its width, degrees.') }))
      .max(360)
      .optional(),
    exclusions: z.array(z.strictObject(sector)).max(360).optional(),
    thinSectors: z
      .array(z.strictObject({ ...sector, severity: number('Share of that side’s crown missing, 0 to 1.') }))
      .max(360)
      .optional(),
    earlierHoles: z
      .array(z.strictObject({ bearing: bearing('Hole'), years: number('Years since it was drilled.') }))
      .max(2000)
      .optional(),
    restYears: number('Years a hole rests; 2 when not given.').optional(),
    restDistance: quantity('length', 'Distance from a resting hole', '2 in when not given.').optional(),
    closureYears: number('Years a hole takes to close; 4 when not given.').optional(),
    twist: number('Grain twist in degrees, added to thin sectors; 0 when not given.').optional(),
  },
  answer: {
    ports: z.array(z.strictObject({ bearing: z.number(), suitability: z.number() })),
    total: z.number(),
    largestGap: figure('Inches.'),
    maxGapMet: z.boolean(),
    missing: z.number(),
    uncovered: z.array(z.strictObject({ from: z.number(), to: z.number() })),
  },
  example: {
    portGirth: '52 in',
    count: 8,
    minSpacing: '4 in',
    maxGap: '9 in',
    flares: [{ bearing: 10, halfWidth: 18 }],
    exclusions: [{ from: 100, to: 140 }],
    thinSectors: [{ from: 300, to: 20, severity: 0.6 }],
    earlierHoles: [{ bearing: 47, years: 1 }],
  },
  work: (input, units, q) => {
    const wrong = checkLayout(input)
    if (wrong) return wrong
    const layout = layoutPorts(input)
    return {
      ok: true,
      value: {
        ports: layout.ports,
        total: layout.total,
        largestGap: q(layout.largestGap, 'in'),
        maxGapMet: layout.maxGapMet,
        missing: layout.missing,
        uncovered: layout.uncovered,
        working: layoutWorking(layout, input, units),
      },
    }
  },
})
