import { z } from 'zod'
import { instant, port, product, step, text, volume, weather, outcome } from './bodyParts'

const Port = z.object({ ...port, outAt: instant.nullable().optional() })

const common = {
  applicator: z.object({ name: text, licence: text }),
  firm: text,
  place: z.object({ site: text, town: text }),
  tree: z.object({
    tag: text,
    kind: text,
    diameterM: z.number(),
    readOn: text.nullable(),
    portGirthM: z.number(),
  }),
  target: text,
  method: text,
  hardware: text,
  product,
  rate: text,
  volumeM3: volume,
  planned: z.object({ volumeM3: volume, ports: z.int() }),
  ports: z.array(Port),
  hole: text,
  startedAt: instant,
  endedAt: instant,
  countedIn: z.int(),
  weather,
  reentryUntil: instant.nullable(),
  notices: text,
  working: z.array(step),
}

/** Knew one injection of one tree, with its outcome and what went otherwise. */
export const Second = z.object({
  version: z.literal(2),
  ...common,
  outcome,
  leastM3: volume.optional(),
  deviations: z.array(text),
  deviationWords: text.nullish().transform((t) => t ?? null),
})

/** Told by having no version: deviations in the signer's own words alone, and no outcome: it reads as treated in full. */
export const First = z
  .object({ version: z.undefined().optional(), ...common, deviations: text.nullable() })
  .transform((first): z.infer<typeof Second> => ({
    ...first,
    version: 2,
    outcome: 'treated',
    deviations: [],
    deviationWords: first.deviations,
  }))
