import { z } from 'zod'
import { watering } from '@/core/rootzone/watering'
import { calculator } from '../calculator'
import { figure, number, quantity, rate } from '../fields'

export const water = calculator({
  name: 'water',
  title: 'Watering',
  description:
    'Water for a young tree in a dry week, and the hours the emitters run for it. `flow` is that of one emitter.',
  request: {
    diameter: quantity('length', 'Diameter'),
    gallonsPerInch: number('US gallons per inch of diameter; 10 is usual for a week.'),
    emitters: number('How many emitters.'),
    flow: rate('volume', 'time', 'Flow of one emitter', '1 gal/hour'),
  },
  answer: { volume: figure('Gallons.'), hours: z.number() },
  example: { diameter: '4 in', gallonsPerInch: 10, emitters: 6, flow: '1 gal/hour' },
  work: ({ diameter, gallonsPerInch, emitters, flow }, units, q) => {
    const r = watering({ diameter, gallonsPerInch, drip: { emitters, flow }, units })
    return r.ok
      ? {
          ok: true,
          value: { volume: q(r.value.volume, 'gal'), hours: r.value.hours!, working: r.value.working },
        }
      : r
  },
})
