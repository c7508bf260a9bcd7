import { z } from 'zod'
import { sprayHours as coreSprayHours } from '@/core/weather/sprayHours'
import { calculator } from '../calculator'
import { localTime, number, quantity } from '../fields'

export const sprayHours = calculator({
  name: 'spray-hours',
  title: 'Spray hours',
  description:
    'Which hours a spray may go out in. An hour is open if every limit given holds for it. Rain: none in the hour nor in the next `rainFastHours`; freeze: no temperature at or below 32 F in the hour nor in the next `noFreezeHours`; heat: not above `maxTemperature` in the hour nor in the next `coolHours`. Past the end of the data only what there is counts and the hour is `short`. Hours follow one another. `best` is the earliest longest run of at least `need` open hours (1 when not given), or null. Reasons: calm, cold, freeze, gust, hot, rain, sun, wind.',
  request: {
    hours: z
      .array(
        z.strictObject({
          time: localTime('Local time.', '2026-05-04T06:00'),
          temperature: quantity('temperature', 'Temperature').optional(),
          wind: quantity('speed', 'Wind').optional(),
          gust: quantity('speed', 'Gust').optional(),
          rain: quantity('length', 'Rain').optional(),
          sun: number('Strength of the sun, 0 to 1.').optional(),
          cloud: number('Cloud, 0 to 1.').optional(),
        }),
      )
      .max(2400),
    limits: z.strictObject({
      minTemperature: quantity('temperature', 'Lowest temperature').optional(),
      maxTemperature: quantity('temperature', 'Highest temperature').optional(),
      minWind: quantity('speed', 'Least wind').optional(),
      maxWind: quantity('speed', 'Most wind').optional(),
      maxGust: quantity('speed', 'Most gust').optional(),
      rainFastHours: number('Dry hours needed after the hour.').optional(),
      maxSun: number('Most sun, 0 to 1.').optional(),
      noFreezeHours: number('Hours after the hour without frost.').optional(),
      coolHours: number(
        'Hours after the hour in which it must not get hotter than `maxTemperature`: oil 6, sulfur 36; 0 when not given.',
      ).optional(),
    }),
    need: number('Hours needed in one run.').optional(),
  },
  answer: {
    hours: z.array(
      z.strictObject({
        time: z.string(),
        open: z.boolean(),
        short: z.boolean(),
        reasons: z.array(z.string()),
      }),
    ),
    best: z.strictObject({ from: z.string(), hours: z.number() }).nullable(),
  },
  example: {
    hours: [
      {
        time: '2026-05-04T06:00',
        temperature: '58 F',
        wind: '4 mph',
        gust: '7 mph',
        rain: '0 in',
        sun: 0.2,
        cloud: 0.7,
      },
      {
        time: '2026-05-04T07:00',
        temperature: '60 F',
        wind: '5 mph',
        gust: '8 mph',
        rain: '0 in',
        sun: 0.3,
        cloud: 0.6,
      },
    ],
    limits: { minTemperature: '45 F', maxTemperature: '85 F', maxWind: '10 mph', rainFastHours: 4 },
    need: 2,
  },
  work: (input, units) => {
    const r = coreSprayHours({ ...input, need: input.need ?? 1, units })
    return r.ok ? { ok: true, value: r.value } : r
  },
})
