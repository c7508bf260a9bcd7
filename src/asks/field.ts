import { z } from 'zod'

/** How a field is typed. */
export type Input =
  | 'line'
  | 'words'
  | 'email'
  | 'telephone'
  | 'password'
  | 'new-password'
  | 'number'
  | 'day'
  | 'time'
  | 'choice'
  | 'tick'
  | 'ticks'

/** What a form says of a field: what it is called, how it is typed, in what unit, and a word of help beneath. */
export interface Said {
  label: string
  input: Input
  help?: string
  unit?: string
  /** What is chosen among, by value and words. */
  options?: readonly (readonly [value: string, text: string])[]
  placeholder?: string
}

/** What is said of the fields that steps ask for; it stands with the schema that checks them, so that both are one. */
export const said = z.registry<Said>()

/** A field with other words in one form: another label, a word of help. The rest stands. */
export function saying<S extends z.ZodType>(schema: S, more: Partial<Said>): S {
  const own = schema.clone()
  said.add(own, { ...(saidOfSchema(schema) ?? { label: '', input: 'line' }), ...more })
  return own
}

/** What is said of a schema, through all that wraps it. */
export function saidOfSchema(schema: z.ZodType): Said | undefined {
  const own = said.get(schema)
  if (own) return own
  const { innerType, in: from } = schema.def as unknown as { innerType?: z.ZodType; in?: z.ZodType }
  return innerType ? saidOfSchema(innerType) : from ? saidOfSchema(from) : undefined
}

/** The schema at a path of another: `contacts.0.name`. Undefined where there is none. */
export function schemaAt(schema: z.ZodType, path: string): z.ZodType | undefined {
  let here: z.ZodType | undefined = schema
  for (const key of path.split('.')) {
    const inside: z.ZodType | undefined = here && unwrapped(here)
    if (inside instanceof z.ZodObject) here = (inside.shape as Record<string, z.ZodType>)[key]
    else if (inside instanceof z.ZodArray) here = inside.element as z.ZodType
    else return undefined
  }
  return here
}

function unwrapped(schema: z.ZodType): z.ZodType {
  const { innerType, in: from } = schema.def as unknown as { innerType?: z.ZodType; in?: z.ZodType }
  return innerType ? unwrapped(innerType) : from ? unwrapped(from) : schema
}

/**
 * What may be left empty: an empty field is nothing, `null`. What is said of the field stands.
 * @example orNothing(line('District', 60)).parse('') // null
 */
export function orNothing<S extends z.ZodType>(schema: S) {
  // Not a union: what is wrong is what the field says, not that it is not empty either.
  const own = z
    .preprocess((value) => (value === '' ? null : value), schema.nullable())
    .default(null) as unknown as z.ZodDefault<
    z.ZodUnion<[z.ZodPipe<z.ZodLiteral<''>, z.ZodTransform<null, ''>>, z.ZodNullable<S>]>
  >
  told(own, saidOfSchema(schema))
  return own
}

/** Says of a schema, whatever it is of. */
function told(schema: z.ZodType, about: Said | undefined): void {
  if (about) said.add(schema, about)
}

/** One of a few words. */
export function choice<const V extends string>(
  label: string,
  options: readonly (readonly [value: V, text: string])[],
  more: Partial<Said> = {},
) {
  const values = options.map(([value]) => value) as unknown as [V, ...V[]]
  return z
    .enum(values, { error: `${label}: choose one of the list.` })
    .register(said, { label, input: 'choice', options, ...more })
}

/** Yes or no. */
export function tick(label: string, more: Partial<Said> = {}) {
  return z.boolean({ error: `${label}: yes or no.` }).register(said, { label, input: 'tick', ...more })
}

/** Degrees with their side of the globe: `75.22 W` lies west, below zero. */
const DEGREES = /^(.+?)\s*°?\s*([NSEW])$/i

/**
 * Degrees of latitude or longitude, below zero or with their side of the globe.
 * @example degrees('Longitude', 180, ['E', 'W']).parse('75.22 W') // −75.22
 */
export function degrees(
  label: string,
  most: number,
  sides: readonly [plus: string, minus: string],
  more: Partial<Said> = {},
) {
  return z
    .union([z.number(), z.string()], { error: `${label}: type degrees such as 42.31.` })
    .transform((value) => {
      const [, figure, side] = (typeof value === 'string' && DEGREES.exec(value.trim())) || []
      const known = side !== undefined && sides.includes(side.toUpperCase())
      return known
        ? `${side.toUpperCase() === sides[1] ? '-' : ''}${figure!.replace(/^[\u2212-]/, '')}`
        : value
    })
    .pipe(number(label, { least: -most, most, a: 'degrees such as 42.31,', unit: '°' }))
    .register(said, { label, input: 'line', unit: '°', ...more })
}

const NUMBER = /^[+\u2212-]?\d{1,12}(?:[.,]\d{1,12})?$/

/**
 * A plain number between two others (`a` says what it is in a refusal), typed or given as one. Nothing else is read as a number: no `0x46`, no `1e3`.
 * @example number('Latitude', { least: -90, most: 90, unit: '°' }).parse('42.31') // 42.31
 */
export function number(
  label: string,
  { least, most, a = 'a number', ...more }: { least: number; most: number; a?: string } & Partial<Said>,
) {
  const plain = (n: number) => n.toLocaleString('en-US').replace('-', '\u2212')
  const wrong = `${label}: type ${a} from ${plain(least)} to ${plain(most)}.`
  return z
    .union([z.number({ error: wrong }), z.string({ error: wrong })], { error: wrong })
    .transform((value, context) => {
      const text = typeof value === 'string' ? value.trim() : value
      const read =
        typeof text === 'number'
          ? text
          : NUMBER.test(text)
            ? Number(text.replace('\u2212', '-').replace(',', '.'))
            : Number.NaN
      if (Number.isFinite(read) && read >= least && read <= most) return read
      context.issues.push({
        code: 'custom',
        input: value,
        message: text === '' ? `${label} is empty; ${wrong.slice(label.length + 2)}` : wrong,
      })
      return z.NEVER
    })
    .register(said, { label, input: 'number', ...more })
}

/** The same, and whole. */
export const whole = (label: string, of: Parameters<typeof number>[1]) =>
  number(label, of).refine(Number.isInteger, { error: `${label}: type a whole number.` })

/** An e-mail address, in lower case. */
export function email(label = 'E-mail') {
  const wrong = `${label}: type an address such as ada@example.org.`
  return z
    .string({ error: `“${label}” is not filled in; type it.` })
    .trim()
    .toLowerCase()
    .min(1, { error: `“${label}” is empty; type it.` })
    .max(200, { error: `${label} is longer than 200 characters; shorten it.` })
    .regex(/^[^\s@<>",;:\\()[\]]+@[^\s@<>",;:\\()[\]]+\.[^\s@<>",;:\\()[\].]{2,}$/, { error: wrong })
    .register(said, { label, input: 'email' })
}

/** The shortest password that is taken. */
const LEAST_PASSWORD = 10

/** A password that is chosen anew. */
export function newPassword(label = 'Password') {
  return z
    .string({ error: `“${label}” is not filled in; type it.` })
    .min(LEAST_PASSWORD, {
      error: `The password is too short; take at least ${LEAST_PASSWORD} characters, such as four words.`,
    })
    .max(200, { error: 'The password is longer than 200 characters; shorten it.' })
    .register(said, {
      label,
      input: 'new-password',
      help: `at least ${LEAST_PASSWORD} characters, such as four words`,
    })
}
