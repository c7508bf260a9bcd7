import { z } from 'zod'
import { said } from './field'
import { id } from './text'

/** The firm’s own words beside an entry of the almanac; empty, the old ones are taken away. */
export const writeNoteAsks = z.strictObject({
  id: id(),
  entry: z
    .string()
    .regex(/^(cause|finding|host|method|school):[a-z0-9-]{2,60}$/, { error: 'There is no such entry.' }),
  words: z
    .string()
    .trim()
    .max(2000, { error: 'The note is longer than 2,000 characters; shorten it.' })
    .register(said, { label: 'Our own note', input: 'words', placeholder: 'What we have seen of it here' }),
})
