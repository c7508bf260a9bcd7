import { HAND_NAMES, METHOD_NAME, PUT_ON_METHODS, isHand } from '@/core/methods/names'
import { z } from 'zod'
import type { Method } from '@/core/card/card'
import type { UnitSystem } from '@/core/quantity/format'
import { showProduct } from '@/core/methods/showProduct'
import { instant, outcome, port, product, step, text, volume, weather } from './bodyParts'
import { First, Second } from './earlierBodies'

/**
 * What a record says, as it was signed: one application with its trees. Earlier versions are read into the present shape;
 * what was signed is never rewritten.
 */

/** How it was done: by a product, or by hand. */
const method = z.enum<Method[]>([...PUT_ON_METHODS, ...HAND_NAMES])

const Port = z.object({ ...port, stem: z.int().optional(), outAt: instant.nullable() })

const Task = z.object({
  /** As the crew read it. */
  name: text,
  times: z.int(),
  done: z.int(),
  startedAt: instant.nullable(),
  endedAt: instant.nullable(),
  /** m³ or kg. */
  left: volume,
  givenUp: text.nullable(),
  /** At how many trees it was ticked by one press, where at more than this one. */
  row: z.int().optional(),
  /** What was written down at it, and what it is called. */
  noted: z.object({ label: text, value: text }).optional(),
})

const Subject = z.object({
  tree: z.object({
    tag: text,
    kind: text,
    diameterM: z.number(),
    /** A calendar date; null where the reading is gone. */
    readOn: text.nullable(),
    portGirthM: z.number().optional(),
    /** Measured above the fork: each stem a trunk of its own. */
    stems: z.array(z.object({ diameterM: z.number(), portGirthM: z.number() })).optional(),
  }),
  outcome,
  /** What went on or in, what was planned and the label's least: m³ of a liquid, kg of what is weighed. */
  amount: volume,
  planned: volume,
  least: volume.optional(),
  waterM3: volume.nullable(),
  /** Of the first active, kg. */
  activeKg: volume.nullable(),
  ports: z.array(Port),
  tasks: z.array(Task),
  /** Of work by hand, what it came to in one line: what was set free and how many, how much of what. */
  said: text.optional(),
  /** What whoever began it saw at the tree. */
  seen: z.array(z.object({ label: text, value: text })).optional(),
  /** What was found on site that released it, where it was signed to be done only then. */
  released: z.object({ onlyIf: text, found: text }).optional(),
  /** Worked out from what happened. */
  deviations: z.array(text),
  working: z.array(step),
})

const Third = z.object({
  version: z.literal(3),
  applicator: z.object({ name: text, licence: text }),
  firm: text,
  place: z.object({
    site: text,
    town: text,
    /** The bank, row or terrace, where all trees of it are in one. */
    block: text.optional(),
  }),
  target: text,
  method,
  /** What else came out of the same tank, by name and registration. */
  tankWith: z.array(text).optional(),
  /** What of the method the card says: its hardware, its kind of spray. */
  equipment: text,
  product,
  rate: text,
  /** Whether amounts are m³ or kg. */
  kind: z.enum(['liquid', 'weight']),
  subjects: z.array(Subject).min(1),
  /** What becomes of holes; null where none are drilled. */
  hole: text.nullable(),
  startedAt: instant,
  endedAt: instant,
  /** Empties; null where nothing is counted back. */
  countedIn: z.int().nullable(),
  /** The colour in which the trees were marked, or that they were not; where the method marks. */
  mark: text.optional(),
  weather,
  /** Null where nothing went on. */
  reentryUntil: instant.nullable(),
  notices: text,
  /** In the signer's own words. */
  deviationWords: text.nullable(),
})

/** A record of an earlier version, which knew one injection of one tree, in the present shape. */
function ofInjection(r: z.infer<typeof Second>): z.infer<typeof Third> {
  return {
    version: 3,
    applicator: r.applicator,
    firm: r.firm,
    place: r.place,
    target: r.target,
    method: 'trunk-injection',
    equipment: r.hardware,
    product: r.product,
    rate: r.rate,
    kind: 'liquid',
    subjects: [
      {
        tree: r.tree,
        outcome: r.outcome,
        amount: r.volumeM3,
        planned: r.planned.volumeM3,
        least: r.leastM3,
        waterM3: null,
        activeKg: null,
        ports: r.ports.map((p) => ({ ...p, outAt: p.outAt ?? null })),
        tasks: [],
        deviations: r.deviations,
        working: r.working,
      },
    ],
    hole: r.hole,
    startedAt: r.startedAt,
    endedAt: r.endedAt,
    countedIn: r.countedIn,
    weather: r.weather,
    reentryUntil: r.reentryUntil,
    notices: r.notices,
    deviationWords: r.deviationWords,
  }
}

const Application = z.union([Third, Second.transform(ofInjection), First.transform(ofInjection)])
const Correction = z.object({
  applicator: z.object({ name: text, licence: text }),
  reason: text,
  correction: text,
  /** What trees really got: m³ or kg, and what stood before. */
  amounts: z
    .array(
      z.object({
        tag: text,
        was: volume,
        amount: volume,
        /** Of the first active, kg; corrections from before it was signed lack it. */
        activeKg: volume.nullable().optional(),
        kind: z.enum(['liquid', 'weight']),
        method,
      }),
    )
    .optional(),
})

export type Application = z.infer<typeof Third>
export type Correction = z.infer<typeof Correction>

/** The body of a new record of work, as it is written now. */
export type NewApplication = z.input<typeof Third>

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

/** What went on in all, m³ or kg. */
export function amountOf({ subjects }: Pick<Application, 'subjects'>): number {
  return subjects.reduce((sum, s) => sum + s.amount, 0)
}

/** A record in one line of a list: what went on of what and how, or what was put right. */
export function inOneLine(
  record: ReadRecord<{ kind: 'application' | 'correction'; body: unknown }>,
  units: UnitSystem = 'us',
): string {
  if (!record.body) return UNREADABLE
  if (record.kind === 'correction') return record.body.correction
  const { product, method, subjects, kind } = record.body
  const ports = subjects.reduce((n, s) => n + s.ports.length, 0)
  return [
    isHand(method)
      ? product.name
      : `${showProduct(amountOf(record.body), kind, method, units)} of ${product.name}`,
    METHOD_NAME[method].toLowerCase(),
    ...(ports > 0 ? [`${ports} ${ports === 1 ? 'port' : 'ports'}`] : []),
    ...(subjects.length > 1 ? [`${subjects.length} trees`] : []),
  ].join(', ')
}

/** Said in the place of a body that cannot be read. */
export const UNREADABLE = 'What this record says cannot be read; it is not as it was signed.'
