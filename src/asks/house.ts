import { z } from 'zod'
import { CATEGORIES } from '@/core/roster/licence'
import { JURISDICTION_NAME, JURISDICTIONS } from '@/almanac/jurisdiction'
import { choice, degrees, email, newPassword, orNothing, said, saying, tick } from './field'
import { day, id, line, typed } from './text'

/** Who works in a firm. */
export const ROLES = ['arborist', 'crew lead', 'technician', 'office'] as const
const role = () =>
  choice(
    'Role',
    ROLES.map((r) => [r, r] as const),
  )

export const units = () =>
  choice('Units', [
    ['us', 'inches, gallons, pounds'],
    ['metric', 'centimetres, litres, kilograms'],
  ])

/** The languages there are; a third is one file more. */
export const LANGUAGES = [['en', 'English']] as const
export const language = () => choice('Language', LANGUAGES)

/** A time zone as the database of zones names it. */
const timeZone = z
  .string({ error: 'Time zone: choose one of the list.' })
  .max(80)
  .refine(
    (zone) => {
      try {
        new Intl.DateTimeFormat('en', { timeZone: zone })
        return /^[A-Za-z_]+(\/[A-Za-z0-9_+-]+)*$/.test(zone)
      } catch {
        return false
      }
    },
    { error: 'Time zone: choose one of the list, such as America/New_York.' },
  )
  .register(said, { label: 'Time zone', input: 'choice' })

/** Degrees north and east. */
export const latitude = () =>
  degrees('Latitude', 90, ['N', 'S'], { help: 'north of the equator, such as 42.31' })
export const longitude = () =>
  degrees('Longitude', 180, ['E', 'W'], { help: 'west of Greenwich below zero or with W: −75.22, 75.22 W' })

const jurisdiction = () =>
  choice(
    'Works in',
    JURISDICTIONS.map((j) => [j, JURISDICTION_NAME[j]] as const),
    { help: 'what must be reported differs' },
  )

const firmName = () => saying(line('Name of the firm', 120, 2), { placeholder: 'Hollin & Quay Tree Care' })
const town = () => saying(line('Town', 120, 2), { help: 'for sun, season and weather' })

/** What a firm is, where and how it works. */
export const firmAsks = z.strictObject({
  name: firmName(),
  town: town(),
  latitude: latitude(),
  longitude: longitude(),
  timeZone,
  units: units(),
  language: language().default('en'),
})

const personName = () => saying(line('Your name', 120, 2), {})
const licenceNumber = () =>
  saying(line('Licence number', 60), {
    help: 'whoever signs what is put on needs one; empty if you have none',
  })

/** Setting a firm up: the code that the server printed, the firm, its first person. */
export const setUpAsks = z.strictObject({
  code: saying(line('Set-up code', 20, 4), {
    placeholder: 'XXXX-XXXX',
    help: 'the server printed it as it started',
  }),
  firm: firmAsks.extend({ jurisdiction: jurisdiction() }),
  person: z.strictObject({
    name: personName(),
    email: email(),
    password: newPassword(),
    role: role().default('arborist'),
    licence: orNothing(licenceNumber()),
  }),
})

/** Asks somebody in. */
export const inviteAsks = z.strictObject({
  id: id(),
  name: line('Name', 120, 2),
  email: email(),
  role: role(),
  keepsHouse: tick('Keeps the house', { help: 'people, tokens, the archive' }),
})

/** Who comes in: e-mail, password, and the code of a second factor where it is asked for. */
export const signInAsks = z.strictObject({
  email: saying(typed('E-mail', 200).min(3, { error: 'Type your e-mail.' }), {
    label: 'E-mail',
    input: 'email',
  }),
  password: z
    .string()
    .min(1, { error: 'Type your password.' })
    .max(200)
    .register(said, { label: 'Password', input: 'password' }),
  code: orNothing(saying(line('Code', 40), { help: 'six digits of your app, or a recovery code' })),
})

/** What somebody who was asked in sets for themselves. */
export const enterAsks = z.strictObject({
  token: z.string().max(100),
  name: personName(),
  password: newPassword(),
})

/** A new password by a link. */
export const resetAsks = z.strictObject({ token: z.string().max(100), password: newPassword('New password') })

/** Asks for a link to a new password. */
export const forgotAsks = z.strictObject({ email: email() })

/** A person as whoever keeps the house may set them. */
export const personAsks = z.strictObject({
  personId: id('personId'),
  name: line('Name', 120, 2),
  role: role(),
  keepsHouse: tick('Keeps the house', { help: 'people, tokens, the archive' }),
})

/** A licence that goes on file. */
export const licenceAsks = z.strictObject({
  id: id(),
  personId: id('personId'),
  number: line('Licence number', 60),
  categories: z
    .array(z.enum(CATEGORIES.map(([c]) => c)))
    .max(6)
    .register(said, { label: 'For', input: 'choice', options: CATEGORIES }),
  state: orNothing(line('State or authority', 60)),
  until: orNothing(saying(day(), { label: 'Good until', help: 'empty where it has no end' })),
})

/** A password changed by oneself. */
export const passwordAsks = z.strictObject({
  old: z.string().max(200).register(said, { label: 'Password as it is', input: 'password' }),
  password: newPassword('New password'),
})

/** A code of a second factor. */
export const codeAsks = z.strictObject({
  code: saying(typed('Code', 40).min(1, { error: 'Type the code.' }), {
    label: 'Code',
    help: 'six digits of your app, or a recovery code',
  }),
})

/** A token for a program of the person’s own. */
export const makeTokenAsks = z.strictObject({
  id: id(),
  name: saying(line('The name', 80), {
    label: 'Name of the new token',
    help: 'such as: dose sheet on the office computer',
  }),
})
