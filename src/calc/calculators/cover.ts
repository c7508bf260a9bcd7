import { z } from 'zod'
import { cover as coreCover } from '@/core/spray/cover'
import { calculator } from '../calculator'
import { localTime, number, quantity } from '../fields'

export const cover = calculator({
  name: 'cover',
  title: 'Cover left',
  description:
    'How much of a protective film is left, hour by hour. At the end of each hour from `applied` on: 100 × (1 − rain since ÷ `washOff`) × (1 − `growthPerDay` ÷ 100 × days since), neither part below 0. More than 0.1 in in all in hours that begin before `applied` + `rainFastHours`: washed before it was dry, 0 from that hour on. `renewBy` is the first hour below `threshold`, `renewFrom` the later of that and `applied` + `minDays`; both null while none is. Hours ascend, each the hour that begins at `time`; those before `applied` do not count.',
  request: {
    applied: localTime('Local time at which it was put on.', '2026-05-04T07:00'),
    hours: z
      .array(
        z.strictObject({
          time: localTime('Local time.', '2026-05-04T07:00'),
          rain: quantity('length', 'Rain'),
        }),
      )
      .max(9000),
    washOff: quantity('length', 'Rain after which nothing is left'),
    rainFastHours: number('Hours until it is dry; 0 when not given.').optional(),
    growthPerDay: number('Per cent of the leaves that are new each day; 0 when not given.').optional(),
    threshold: number('Per cent below which it is renewed.'),
    minDays: number('Days the label keeps between two; 0 when not given.').optional(),
  },
  answer: {
    cover: z.array(z.strictObject({ time: z.string(), percent: z.number() })),
    renewBy: z.string().nullable(),
    renewFrom: z.string().nullable(),
    washedBeforeDry: z.boolean(),
  },
  example: {
    applied: '2026-05-04T07:00',
    hours: [
      { time: '2026-05-04T07:00', rain: '0 in' },
      { time: '2026-05-04T08:00', rain: '0.3 in' },
      { time: '2026-05-04T09:00', rain: '0.25 in' },
    ],
    washOff: '1 in',
    rainFastHours: 1,
    growthPerDay: 4,
    threshold: 50,
    minDays: 7,
  },
  work: ({ rainFastHours = 0, growthPerDay = 0, minDays = 0, ...input }, units) =>
    coreCover({ ...input, rainFastHours, growthPerDay, minDays, units }),
})
