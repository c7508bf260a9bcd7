import { z } from 'zod'
import { doseInjection } from '@/core/dose/injection'
import { refuse } from '@/core/problem'
import { isPortGirth, isTrunk } from '@/core/trunk/trunk'
import { calculator } from '../calculator'
import { choice, figure, number, quantity } from '../fields'

const mL = (si: number) => ({ value: si * 1e6, unit: 'mL' })

export const injection = calculator({
  name: 'injection',
  title: 'Trunk injection',
  description:
    'Ports and volume of a trunk injection as the label counts them: by spacing, the girth at the ports ÷ spacing rounded up; by diameter, diameter ÷ inches per port rounded half up; or a table read by diameter, its last row open. Never below `minPorts`, raised until no port takes more than `perPortMax`. Ratios within 1e-9 of a whole number are that number. With `capsule`, one capsule a port and no `ratePerInch`; more than `maxPerInch` × diameter is `over-label`. Volumes are mL in both unit systems.',
  request: {
    diameter: quantity('length', 'Diameter'),
    portGirth: quantity('length', 'Girth at the ports', 'π × diameter when not given.').optional(),
    ratePerInch: z
      .strictObject({ low: quantity('volume', 'Low rate'), high: quantity('volume', 'High rate') })
      .optional(),
    choice: choice(),
    ports: z.discriminatedUnion('rule', [
      z.strictObject({ rule: z.literal('spacing'), spacing: quantity('length', 'Spacing') }),
      z.strictObject({
        rule: z.literal('per-diameter'),
        inchesPerPort: number('Inches of diameter for each port.'),
      }),
      z.strictObject({
        rule: z.literal('table'),
        rows: z
          .array(z.strictObject({ upTo: quantity('length', 'Row end').optional(), ports: z.number() }))
          .max(100),
      }),
    ]),
    perPortMax: quantity('volume', 'Most a port may take').optional(),
    minPorts: number('Fewest ports.').optional(),
    capsule: z
      .strictObject({
        volume: quantity('volume', 'Capsule volume'),
        maxPerInch: quantity('volume', 'Most per inch'),
      })
      .optional(),
  },
  answer: {
    ports: z.number(),
    volume: figure('mL in both unit systems.'),
    perPort: figure('mL in both unit systems.'),
    capsules: z.number().optional().meta({ description: 'With `capsule`: one a port.' }),
  },
  example: {
    diameter: '14 in',
    portGirth: '52 in',
    ratePerInch: { low: '5 mL', high: '10 mL' },
    choice: 'low',
    ports: { rule: 'spacing', spacing: '6 in' },
    perPortMax: '20 mL',
    minPorts: 1,
  },
  work: (input, units) => {
    if (!isTrunk(input.diameter))
      return refuse(
        'out-of-range',
        'diameter',
        'A trunk is 0.2 to 200 in (0.5 to 508 cm) through; check the tape.',
      )
    if (input.portGirth !== undefined && !isPortGirth(input.portGirth))
      return refuse('out-of-range', 'portGirth', 'That is no girth of a trunk; check the tape and the unit.')
    if (input.minPorts !== undefined && !(Number.isInteger(input.minPorts) && input.minPorts >= 1))
      return refuse('out-of-range', 'minPorts', 'The fewest ports must be a whole number from 1.')
    if (input.capsule && input.ratePerInch)
      return refuse(
        'out-of-range',
        'ratePerInch',
        'A capsule product has no rate per inch; give the capsule or the rate.',
      )
    const r = doseInjection({ ...input, units })
    if (!r.ok) return r
    const { ports, volume, perPort, capsules, working } = r.value
    return {
      ok: true,
      value: {
        ports,
        volume: mL(volume),
        perPort: mL(perPort),
        ...(capsules === undefined ? {} : { capsules }),
        working,
      },
    }
  },
})
