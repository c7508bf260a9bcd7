import { HAND_NAMES, PUT_ON_METHODS } from './names'
import { PUT_ON_SCHEMAS } from './schemas'
import { z } from 'zod'
import { CardUse, type Method } from '../card/card'
import type { SubjectPlan, UseOf } from './plan'
import type { RunningStep } from './running'
import type { PlannedStep } from './step'

/**
 * What is kept as JSON of work: the plan of a tree, a planned step, its state, and the use of a card. Each carries `v`, is read by its
 * schema wherever it is read, and an older one is lifted on the way.
 */
interface Kept {
  plan: SubjectPlan
  step: PlannedStep
  state: RunningStep
  use: UseOf<Method>
}

/** The version that is written. What was kept before it carried a number is the first. */
export const KEPT_VERSION: Readonly<Record<keyof Kept, number>> = { plan: 1, step: 1, state: 1, use: 1 }

const number = z.number()
const maybe = z.number().nullable()
const line = z.looseObject({ name: z.string(), label: z.string(), kind: z.string() })
const waits = z.strictObject({ after: z.string(), days: number })

const step = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('port'),
    bearing: number,
    product: number,
    mix: number.optional(),
    stem: number.optional(),
  }),
  z.strictObject({
    kind: z.literal('task'),
    task: z.string(),
    product: number,
    times: number,
    note: line.optional(),
    waits: waits.optional(),
  }),
])

const state = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('port'),
    number,
    bearing: number,
    stem: number.optional(),
    volume: number,
    share: number.optional(),
    drilledAt: maybe,
    startedAt: maybe,
    stoppedAt: maybe,
    outAt: maybe,
    left: number,
    givenUp: z.string().nullable(),
  }),
  z.strictObject({
    kind: z.literal('task'),
    task: z.string(),
    product: number,
    times: number,
    done: number,
    startedAt: maybe,
    endedAt: maybe,
    // States from before a measure could show another amount, and before something could be written down, do not name them.
    amount: maybe.default(null),
    note: line.optional(),
    noted: z.string().nullable().default(null),
    waits: waits.optional(),
    row: number.optional(),
    left: number,
    givenUp: z.string().nullable(),
  }),
])

const planOf = <M extends string, S extends z.ZodType>(method: M, shape: S) =>
  z.strictObject({
    method: z.literal(method),
    choice: number,
    diameter: number,
    product: number,
    kind: z.enum(['liquid', 'weight']),
    least: number,
    most: number,
    water: maybe,
    active: maybe,
    minutes: number,
    steps: z.array(step),
    shape,
  })

const plan = z.discriminatedUnion('method', [
  ...PUT_ON_METHODS.map((name) => planOf(name, PUT_ON_SCHEMAS[name].shape)),
  ...HAND_NAMES.map((name) => planOf(name, z.record(z.string(), z.union([number, z.string()])))),
] as unknown as [ReturnType<typeof planOf>])

const SCHEMAS: { [K in keyof Kept]: z.ZodType } = { plan, step, state, use: CardUse }

/** As it is kept: with its version. `writeKept('step', planned)` is `{ v: 1, kind: 'port', … }`. */
export function writeKept<K extends keyof Kept>(what: K, value: Kept[K]): { v: number } & Kept[K] {
  return { v: KEPT_VERSION[what], ...value }
}

/**
 * Reads what was kept, of any version there has been.
 * @throws {Error} for what is of a later version, or is not what it should be: a mistake of the program or of the database, never
 * of a person
 * @example readKept('step', { v: 1, kind: 'port', bearing: 40, product: 5e-6 }) // { kind: 'port', bearing: 40, product: 5e-6 }
 */
export function readKept<K extends keyof Kept>(what: K, kept: unknown): Kept[K] {
  const { v = 1, ...body } = kept as { v?: number }
  if (v !== KEPT_VERSION[what])
    throw new Error(`A kept ${what} is of version ${v}; this program reads version ${KEPT_VERSION[what]}.`)
  const read = SCHEMAS[what].safeParse(body)
  if (read.success) return read.data as Kept[K]
  const { path, message } = read.error.issues[0]!
  throw new Error(`A kept ${what} is not readable at ${path.join('.') || 'its top'}: ${message}`)
}

/** Uses by their ids: a use is never changed, so it is read once. */
const usesRead = new Map<string, UseOf<Method>>()
const MOST_READ = 5000

/** The same for the use of a card, by its id. */
export function readUse(id: string, kept: unknown): UseOf<Method> {
  const before = usesRead.get(id)
  if (before) return before
  const use = readKept('use', kept)
  if (usesRead.size >= MOST_READ) usesRead.delete(usesRead.keys().next().value!)
  usesRead.set(id, use)
  return use
}
