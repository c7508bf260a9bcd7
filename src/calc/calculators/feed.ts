import { z } from 'zod'
import { feed as coreFeed } from '@/core/feed/feed'
import { calculator } from '../calculator'
import { analysis, figure, number, quantity, rate } from '../fields'

export const feed = calculator({
  name: 'feed',
  title: 'Feeding',
  description:
    'Fertiliser for the circle a tree feeds from, less the clearance at the trunk (0 when not given) and the hardscape share (0 when not given). Holes are ⌊area ÷ spacing²⌋, at least 1.',
  request: {
    radius: quantity('length', 'Radius'),
    trunkClear: quantity('length', 'Clearance at the trunk').optional(),
    hardscapePercent: number('Share under paving and walls, 0 to below 100 %.').optional(),
    nitrogen: rate('mass', 'area', 'Nitrogen', '3 lb/1000 ft2'),
    analysis: analysis(),
    spacing: quantity('length', 'Spacing of the holes'),
  },
  answer: {
    area: figure('Square feet.'),
    product: figure('Pounds.'),
    delivered: z.strictObject({ n: figure('Pounds.'), p2o5: figure('Pounds.'), k2o: figure('Pounds.') }),
    holes: z.number(),
    perHole: figure('Pounds.'),
  },
  example: {
    radius: '18 ft',
    trunkClear: '3 ft',
    hardscapePercent: 25,
    nitrogen: '3 lb/1000 ft2',
    analysis: '18-6-12',
    spacing: '3 ft',
  },
  work: (input, units, q) => {
    const r = coreFeed({ ...input, units })
    if (!r.ok) return r
    const { area, product, delivered, holes, perHole, working } = r.value
    return {
      ok: true,
      value: {
        area: q(area, 'ft2'),
        product: q(product, 'lb'),
        delivered: { n: q(delivered.n, 'lb'), p2o5: q(delivered.p2o5, 'lb'), k2o: q(delivered.k2o, 'lb') },
        holes,
        perHole: q(perHole, 'lb'),
        working,
      },
    }
  },
})
