import { z } from 'zod'
import { showMl } from '@/core/quantity/format'

/**
 * What a record says, as it was signed. The first version (told by having none) said deviations in the signer's own words
 * alone and knew no outcome: it reads as treated in full. What was signed is never rewritten; it is read into the
 * present shape.
 */

const instant = z.iso.datetime()
const text = z.string()
const volume = z.number().nonnegative()

const Port = z.object({
  number: z.int(),
  bearing: z.number(),
  volumeM3: volume,
  leftM3: volume,
  drilledAt: instant.nullable(),
  startedAt: instant.nullable(),
  stoppedAt: instant.nullable(),
  outAt: instant.nullable().optional(),
  givenUp: text.nullable(),
})

const Step = z.object({
  label: text,
  expression: text,
  result: text,
  source: z.enum(['reading', 'label', 'house rule', 'handbook', 'choice', 'computed', 'record']).optional(),
  from: text.optional(),
})

const common = {
  applicator: z.object({ name: text, licence: text }),
  firm: text,
  place: z.object({ site: text, town: text }),
  tree: z.object({
    tag: text,
    kind: text,
    diameterM: z.number(),
    /** A calendar date; null where the reading is gone. */
    readOn: text.nullable(),
    portGirthM: z.number(),
  }),
  target: text,
  method: text,
  hardware: text,
  product: z.object({
    name: text,
    registration: text,
    code: text.optional(),
    /** Code and version of the card it was dosed by: `EB4 v3`. */
    card: text,
    lot: text,
    actives: z.array(z.object({ name: text, strength: text })),
  }),
  rate: text,
  /** What went in. */
  volumeM3: volume,
  planned: z.object({ volumeM3: volume, ports: z.int() }),
  ports: z.array(Port),
  hole: text,
  startedAt: instant,
  endedAt: instant,
  countedIn: z.int(),
  weather: z.object({
    temperatureC: z.number(),
    windMs: z.number(),
    windFrom: text,
    sky: text,
    soil: text,
    /** As it was typed. */
    typed: z.object({ temperature: text, wind: text }).optional(),
  }),
  /** Null where nothing went in. */
  reentryUntil: instant.nullable(),
  notices: text,
  working: z.array(Step),
}

const Second = z.object({
  version: z.literal(2),
  ...common,
  outcome: z.enum(['treated', 'partly treated', 'not treated']),
  /** The label's least for this tree. */
  leastM3: volume.optional(),
  /** Worked out from what happened at the ports. */
  deviations: z.array(text),
  /** In the signer's own words. */
  deviationWords: text.nullish().transform((t) => t ?? null),
})

const First = z
  .object({ version: z.undefined().optional(), ...common, deviations: text.nullable() })
  .transform((first): z.infer<typeof Second> => ({
    ...first,
    version: 2,
    outcome: 'treated',
    deviations: [],
    deviationWords: first.deviations,
  }))

const Application = z.union([Second, First])
const Correction = z.object({
  applicator: z.object({ name: text, licence: text }),
  reason: text,
  correction: text,
})

export type Application = z.infer<typeof Application>
export type Correction = z.infer<typeof Correction>

/** The body of a new record of work, as it is written now. */
export type NewApplication = z.input<typeof Second>

/** An entry of the ledger with what it says; `null` where its body cannot be read as a record any more. */
export type ReadRecord<Row> = Omit<Row, 'body' | 'kind'> &
  ({ kind: 'application'; body: Application | null } | { kind: 'correction'; body: Correction | null })

/**
 * Reads what a record says, whatever version it was signed in. A body that was tampered with reads as null, and the page
 * says so instead of showing half of it.
 *
 * @example readRecord({ kind: 'correction', body: { reason: 'misread', correction: 'lot 8', applicator: … } }).body?.reason // 'misread'
 */
export function readRecord<Row extends { kind: 'application' | 'correction'; body: unknown }>(
  row: Row,
): ReadRecord<Row> {
  const { body, kind, ...rest } = row
  const read = kind === 'application' ? Application.safeParse(body) : Correction.safeParse(body)
  return { ...rest, kind, body: read.success ? read.data : null } as ReadRecord<Row>
}

/** The code of the product that went in; the first version had it before the card's number alone: `EB4` of `EB4 v3`. */
export function productOf({ product }: Application): string {
  return product.code ?? product.card.split(' ')[0]!
}

/** A record in one line of a list: what went in of what and how, or what was put right. */
export function inOneLine(record: ReadRecord<{ kind: 'application' | 'correction'; body: unknown }>): string {
  if (!record.body) return UNREADABLE
  if (record.kind === 'correction') return record.body.correction
  const { volumeM3, product, method, ports } = record.body
  return `${showMl(volumeM3)} of ${product.name}, ${method}, ${ports.length} ${ports.length === 1 ? 'port' : 'ports'}`
}

/** Said in the place of a body that cannot be read. */
export const UNREADABLE = 'What this record says cannot be read; it is not as it was signed.'
