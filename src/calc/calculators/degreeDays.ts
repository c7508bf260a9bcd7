import { z } from 'zod'
import { degreeDays as coreDegreeDays } from '@/core/season/degreeDays'
import { calculator } from '../calculator'
import { date, oneOf, quantity } from '../fields'

export const degreeDays = calculator({
  name: 'degree-days',
  title: 'Degree days',
  description:
    'Degree days of consecutive days with their running total, in °F·d (°C·d for `si`). `average`: (max + min) ÷ 2 − base, never below 0, both first capped at `upper`. `sine`: the area of the day’s sine above the base, less the area above `upper`. A gap or repetition in the dates, or a minimum above its maximum, is `out-of-range`.',
  request: {
    method: oneOf(['sine', 'average'], 'How a day is reckoned.'),
    base: quantity('temperature', 'Base'),
    upper: quantity('temperature', 'Upper cut-off').optional(),
    days: z
      .array(
        z.strictObject({
          date: date('Every day once, in order.'),
          min: quantity('temperature', 'Minimum'),
          max: quantity('temperature', 'Maximum'),
        }),
      )
      .max(4000),
  },
  answer: {
    days: z.array(z.strictObject({ date: z.string(), degreeDays: z.number(), total: z.number() })),
  },
  example: {
    method: 'sine',
    base: '50 F',
    upper: '86 F',
    days: [
      { date: '2026-03-01', min: '38 F', max: '61 F' },
      { date: '2026-03-02', min: '45 F', max: '70 F' },
    ],
  },
  work: (input, units) => {
    const r = coreDegreeDays({ ...input, units })
    if (!r.ok) return r
    const scale = units === 'us' ? 1.8 : 1
    return {
      ok: true,
      value: {
        days: r.value.days.map((d) => ({
          date: d.date,
          degreeDays: d.degreeDays * scale,
          total: d.total * scale,
        })),
        working: r.value.working,
      },
    }
  },
})
