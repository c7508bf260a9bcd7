import { z } from 'zod'
import { priceOf } from '@/core/price/price'
import { calculator, MOST_ROWS } from '../calculator'
import { name, number, quantity } from '../fields'

const decimal = (says: string) =>
  z
    .string()
    .max(40)
    .meta({ description: `${says} A decimal as it is written.`, examples: ['11.25'] })
const amount = () => z.string().meta({ description: 'Money, to the cent.' })
const priced = z.array(z.strictObject({ id: z.string(), price: amount() }))

export const price = calculator({
  name: 'price',
  title: 'Price',
  description:
    'What work costs, reckoned exactly; every amount is rounded to the cent, half up, where it is named. A line is (the price of its size class × diameter, the whole diameter by the class it falls in, + per tree + per hour × hours + per gallon × gallons) × visits; with `onlyIf` it is contingent: never above its ceiling and not in the total. The greatest discount whose number of lines is reached; travel for the miles that are not free times the most visits; `lift` up to the least; tax on all of it.',
  request: {
    rules: z.strictObject({
      perInch: z
        .array(
          z.strictObject({
            upTo: quantity('length', 'Up to').optional(),
            price: decimal('Of an inch of diameter.'),
          }),
        )
        .max(50)
        .optional()
        .meta({ description: 'Classes by diameter, smallest first; the last may have no end.' }),
      perTree: decimal('Of a tree and visit.').optional(),
      perHour: decimal('Of an hour.').optional(),
      perGallon: decimal('Of a gallon.').optional(),
      least: decimal('Below which nobody drives out.').optional(),
      travel: z
        .strictObject({
          perMile: decimal('Of a mile.'),
          miles: decimal('There and back.'),
          free: decimal('Miles that cost nothing.').optional(),
        })
        .optional(),
      discount: z
        .array(
          z.strictObject({ fromLines: number('From so many lines on.'), percent: decimal('Off the sum.') }),
        )
        .max(20)
        .optional(),
      taxPercent: decimal('On all of it.').optional(),
    }),
    lines: z
      .array(
        z.strictObject({
          id: name('Of the line.'),
          diameter: quantity('length', 'Diameter').optional(),
          hours: decimal('Hours of a visit.').optional(),
          gallons: decimal('Gallons of a visit.').optional(),
          visits: number('1 when not given.').optional(),
          onlyIf: z.strictObject({ ceiling: decimal('Never above it.') }).optional(),
        }),
      )
      .max(MOST_ROWS)
      .meta({ description: 'Of a line only its id is needed.' }),
  },
  answer: {
    lines: priced,
    contingent: priced,
    sum: amount(),
    discount: amount(),
    travel: amount(),
    lift: amount(),
    tax: amount(),
    total: amount(),
    mostTotal: amount(),
  },
  example: {
    rules: {
      perInch: [{ upTo: '10 in', price: '8' }, { price: '10.50' }],
      perHour: '80',
      least: '150',
      discount: [{ fromLines: 2, percent: '3' }],
    },
    lines: [
      { id: 'Elm 4', diameter: '22 in', hours: '0.5' },
      { id: 'collar of Elm 4', hours: '2', onlyIf: { ceiling: '140' } },
    ],
  },
  work: ({ rules, lines }) => priceOf(rules, lines),
})
