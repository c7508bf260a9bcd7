import { z } from 'zod'
import { openDays } from '@/core/season/window'
import { calculator } from '../calculator'
import { date, name, number } from '../fields'

const days = (description: string) => number(description).optional()
const stage = {
  stage: name('The stage.'),
  daysBefore: days('Days before it begins; 0 when not given.'),
  daysAfter: days('Days after it ends; 0 when not given.'),
}
const monthDay = (description: string) =>
  z
    .string()
    .max(10)
    .meta({ description, examples: ['10-15'] })

export const window = calculator({
  name: 'window',
  title: 'Open days',
  description:
    'On which days from `from` to `to`, both included, every rule holds. `dates`: from a month and day to another, over the turn of the year where it must. `degree-days`: while the running total lies between two figures; a day without one is closed. `stage` and `not-stage`: in or out of a stage with days round it. `after`: so many days since any such event, no later than `within`. `apart`: at least so many days from a date, before or after. `open` are the longest runs, `days` their number, `emptiedBy` the index of the first rule after which, taken in order, no day is left, or null.',
  request: {
    from: date('The first day.'),
    to: date('The last day.'),
    days: z
      .array(z.strictObject({ date: date('A day, once.'), degreeDays: number('The running total.') }))
      .max(4000)
      .optional(),
    stages: z
      .array(
        z.strictObject({
          stage: name('The stage.'),
          from: date('Its first day.'),
          to: date('Its last day.'),
        }),
      )
      .max(400)
      .optional(),
    events: z
      .array(z.strictObject({ event: name('What happened.'), date: date('When.') }))
      .max(400)
      .optional(),
    rules: z
      .array(
        z.discriminatedUnion('kind', [
          z.strictObject({
            kind: z.literal('dates'),
            from: monthDay('Month and day.'),
            to: monthDay('Month and day.'),
          }),
          z.strictObject({
            kind: z.literal('degree-days'),
            from: number('The lower sum, included.'),
            to: number('The upper sum, included.'),
          }),
          z.strictObject({ kind: z.literal('stage'), ...stage }),
          z.strictObject({ kind: z.literal('not-stage'), ...stage }),
          z.strictObject({
            kind: z.literal('after'),
            event: name('The event.'),
            days: days('Days since it at the least; 0 when not given.'),
            within: days('Days since it at the most.'),
          }),
          z.strictObject({
            kind: z.literal('apart'),
            from: date('From this day.'),
            days: number('At least so many days.'),
          }),
        ]),
      )
      .max(100),
  },
  answer: {
    open: z.array(z.strictObject({ from: z.string(), to: z.string() })),
    days: z.number(),
    emptiedBy: z.number().nullable(),
  },
  example: {
    from: '2026-03-01',
    to: '2026-06-30',
    stages: [{ stage: 'bloom', from: '2026-04-25', to: '2026-05-06' }],
    rules: [
      { kind: 'dates', from: '04-01', to: '05-31' },
      { kind: 'not-stage', stage: 'bloom', daysAfter: 2 },
    ],
  },
  work: (input) => openDays(input),
})
