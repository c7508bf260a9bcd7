import { z } from 'zod'

export const instant = z.iso.datetime()
export const text = z.string()
export const volume = z.number().nonnegative()
export const outcome = z.enum(['treated', 'partly treated', 'not treated'])

/** What happened at a port; when it was out again stands beside it, which the first versions may lack. */
export const port = {
  number: z.int(),
  bearing: z.number(),
  volumeM3: volume,
  leftM3: volume,
  drilledAt: instant.nullable(),
  startedAt: instant.nullable(),
  stoppedAt: instant.nullable(),
  givenUp: text.nullable(),
}

export const product = z.object({
  name: text,
  registration: text,
  code: text.optional(),
  /** Code and version of the card it was dosed by: `EB4 v3`. */
  card: text,
  lot: text,
  actives: z.array(z.object({ name: text, strength: text })),
})

export const weather = z.object({
  temperatureC: z.number(),
  windMs: z.number(),
  windFrom: text,
  sky: text,
  soil: text,
  /** As it was typed. */
  typed: z.object({ temperature: text, wind: text }).optional(),
})

export const step = z.object({
  label: text,
  expression: text,
  result: text,
  source: z.enum(['reading', 'label', 'house rule', 'handbook', 'choice', 'computed', 'record']).optional(),
  from: text.optional(),
})
