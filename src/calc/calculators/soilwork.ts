import { z } from 'zod'
import { radialTrenches } from '@/core/rootzone/trenches'
import { calculator } from '../calculator'
import { figure, number, quantity } from '../fields'

export const soilwork = calculator({
  name: 'soilwork',
  title: 'Radial trenches',
  description:
    'Length of all spokes between the start and the end radius, what fills them again, and the share of the root-zone disc that they open. Backfill is ft3, in `si` m3.',
  request: {
    spokes: number('How many trenches.'),
    start: quantity('length', 'Start', 'Distance from the trunk’s middle.'),
    end: quantity('length', 'End'),
    width: quantity('length', 'Width'),
    depth: quantity('length', 'Depth'),
    rootZoneRadius: quantity('length', 'Root-zone radius'),
  },
  answer: {
    trenchLength: figure('Feet.'),
    backfill: figure('Cubic feet.'),
    openedPercent: z.number(),
  },
  example: {
    spokes: 8,
    start: '4 ft',
    end: '14 ft',
    width: '10 in',
    depth: '12 in',
    rootZoneRadius: '18 ft',
  },
  work: (input, units, q) => {
    const r = radialTrenches({ ...input, units })
    if (!r.ok) return r
    const { trenchLength, backfill, openedPercent, working } = r.value
    return {
      ok: true,
      value: { trenchLength: q(trenchLength, 'ft'), backfill: q(backfill, 'ft3'), openedPercent, working },
    }
  },
})
