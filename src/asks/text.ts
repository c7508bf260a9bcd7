import { z } from 'zod'
import { hasUnseen } from '@/core/text/unseen'
import { isDate } from '@/core/time/calendar'
import { said } from './field'

// What can be seen where lines are kept, and in a line cannot.
const UNSEEN_IN_LINE = /[\t\n\u2028\u2029]/

/** A text without what cannot be seen, for searching: nothing is refused, what cannot match is left out. */
export function searchable(text: string, most = 80): string {
  return [...text]
    .filter((c) => !hasUnseen(c) && !UNSEEN_IN_LINE.test(c))
    .join('')
    .trim()
    .slice(0, most)
}

/** One line of text as a person types it: trimmed, of a sane length, with nothing in it that cannot be seen. */
export function line(name: string, most: number, least = 1) {
  return z
    .string({ error: `“${name}” is not filled in; type it.` })
    .trim()
    .min(1, { error: `“${name}” is empty; type it.` })
    .min(least, { error: `${name} is too short; type at least ${least} characters.` })
    .max(most, { error: `${name} is longer than ${most} characters; shorten it.` })
    .refine((s) => !hasUnseen(s) && !UNSEEN_IN_LINE.test(s), {
      error: `${name} has characters that cannot be seen; type it without them.`,
    })
    .register(said, { label: name, input: 'line' })
}

/** A typed figure or short word that core reads itself: any length up to `most`, nothing unseen. */
export function typed(name: string, most = 200) {
  return z
    .string({ error: `“${name}” is not filled in; type it.` })
    .max(most, { error: `${name} is longer than ${most} characters; shorten it.` })
    .refine((s) => !hasUnseen(s), {
      error: `${name} has characters that cannot be seen; type it without them.`,
    })
    .register(said, { label: name, input: 'line' })
}

/** Longer text of several lines; empty, it is nothing. */
export function words(name: string, most = 2000) {
  return z
    .string()
    .trim()
    .max(most, { error: `${name} are longer than ${most} characters; shorten them.` })
    .refine((s) => !hasUnseen(s), {
      error: `${name} have characters that cannot be seen; type them without.`,
    })
    .register(said, { label: name, input: 'words' })
    .transform((text) => (text === '' ? null : text))
    .nullable()
    .default(null)
}

/** An id made on the device. */
export const id = (name = 'id') => z.uuid({ error: `${name} must be an id.` })

/** The doubts that were answered: what was asked about is meant. */
export const accepted = () => z.array(typed('What was accepted', 40)).max(10).default([])

/** A count of changes: what an integer column holds. */
export const version = () =>
  z
    .int({ error: 'The version must be a whole number.' })
    .min(1, { error: 'The version must be at least 1.' })
    .max(2_147_483_647, { error: 'The version is beyond what can be; load the page again.' })

/** The id of a finding of the almanac, or of the firm's own. */
export const findingId = z.string().regex(/^[a-z0-9-]{2,60}$/, { error: 'There is no such finding.' })

/** The day of something that is planned. */
export const day = () =>
  z
    .string()
    .refine(isDate, { error: 'The day is not a calendar date; choose it from the calendar.' })
    .register(said, { label: 'Day', input: 'day' })
