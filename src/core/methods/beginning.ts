import { LOOKED_AT, LOOKS, type LookedAt, type Seen } from '../gate/looks'
import type { Problem } from '../problem'
import { spokenDate, type PlainDate } from '../time/calendar'
import { isTag } from './tag'

// What is asked of whoever begins work, by one rule on the device and on the server.

/** Refuses a tag that was read off a tree and is not the one that is worked at. */
export function otherTag(typed: string, tag: string): Problem | null {
  return isTag(typed, tag)
    ? null
    : {
        code: 'conflict',
        field: 'tag',
        message: `The tag reads "${typed}", but this is the work for "${tag}". Check the tree before anything is opened.`,
      }
}

/** Said while the protective gear is not on. */
export const GEAR_OFF = 'Put the protective gear on first, then tick it.'

/** Refuses work without the protective gear. */
export const gearOff = (on: boolean): Problem | null =>
  on ? null : { code: 'missing', field: 'gear', message: GEAR_OFF }

/** Refuses work by a card that is never used in bloom until somebody has looked on and beneath the trees. */
export function bloomNotLookedFor(
  uses: readonly { neverInBloom?: boolean }[],
  looked: boolean,
): Problem | null {
  return !looked && uses.some((u) => u.neverInBloom)
    ? {
        code: 'missing',
        field: 'noBloom',
        message:
          'This card is never used in bloom: look on the trees and beneath them, and tick it when nothing is open. If something is, hand the work back.',
      }
    : null
}

/** Refuses work that stands on another day than today, until whoever begins it says that it is done today all the same. */
export function ofAnotherDay(onDate: PlainDate, today: PlainDate, known: boolean): Problem | null {
  return known || onDate === today
    ? null
    : {
        code: 'missing',
        field: 'otherDay',
        message: `This work stands on ${spokenDate(onDate)}, and today is ${spokenDate(today)}. Tick that it is done today all the same, or leave it for its day.`,
      }
}

/** Asks for what only a look at the trees answers; null where all of it was seen. */
export function notLooked(looks: readonly LookedAt[], seen: Seen): Problem | null {
  const open = LOOKED_AT.find((field) => looks.includes(field) && seen[field] === undefined)
  return open === undefined
    ? null
    : {
        code: 'missing',
        field: `seen.${open}`,
        message: `Look at the tree first: ${LOOKS[open].question.toLowerCase()}.`,
      }
}
