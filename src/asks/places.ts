import { z } from 'zod'
import { NOTICES } from '@/core/place/notices'
import { choice, email, orNothing, said, saying } from './field'
import { LANGUAGES } from '@/core/texts/languages'
import { latitude, longitude } from './house'
import { id, line, version, words } from './text'

const telephone = () =>
  z
    .string()
    .trim()
    .min(3, { error: 'Telephone is too short; type the whole number.' })
    .max(40, { error: 'Telephone is longer than 40 characters; shorten it.' })
    .regex(/^[+()0-9 ./x-]+$/i, { error: 'Telephone: type digits, spaces and + ( ) - only.' })
    .register(said, { label: 'Telephone', input: 'telephone' })

/** Somebody at a client. */
export const contactAsks = z.strictObject({
  name: line('Name', 120),
  role: orNothing(saying(line('What they are', 80), { placeholder: 'caretaker' })),
  telephone: orNothing(telephone()),
  email: orNothing(email()),
  language: choice('Language', LANGUAGES).default('en'),
})

const clientFields = {
  name: saying(line('Name of the client', 120), { placeholder: 'Ropewalk School' }),
  contacts: z.array(contactAsks).max(20).default([]),
  notices: choice('Wants to be told of work', NOTICES).default('e-mail'),
  note: words('Notes'),
}

/** A client as it is entered. */
export const addClientAsks = z.strictObject({ id: id(), ...clientFields })
/** A client as it is changed, unless somebody changed it since. */
export const changeClientAsks = z.strictObject({
  clientId: id('clientId'),
  version: version(),
  ...clientFields,
})

const siteFields = {
  name: saying(line('Name of the site', 120), { placeholder: 'North yard' }),
  address: saying(line('Address', 200), { placeholder: 'Ropewalk Lane, Tamsin’s Ferry' }),
  latitude: orNothing(latitude()),
  longitude: orNothing(longitude()),
  access: orNothing(saying(line('How to get in', 200), {})),
  gateCode: orNothing(
    saying(line('Gate code', 60), { help: 'shown only to those with work there that day' }),
  ),
  water: orNothing(saying(line('Water', 200), { placeholder: 'stand-pipe behind the shed' })),
  contactOnDay: orNothing(saying(line('To be rung on the day', 200), {})),
  district: orNothing(saying(line('District', 60), { help: 'rules of the place are looked for by it' })),
  note: saying(words('Notes'), { help: 'every tree shows them' }),
}

/** Both or neither. */
export const SPOT_IN_PART = 'Latitude and longitude go together; type both, or neither.'

/** A site as it is entered. */
export const addSiteAsks = z.strictObject({ id: id(), clientId: id('clientId'), ...siteFields })
/** A site as it is changed, unless somebody changed it since. */
export const changeSiteAsks = z.strictObject({ siteId: id('siteId'), version: version(), ...siteFields })
