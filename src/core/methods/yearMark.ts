import type { Method } from '../card/card'
import type { Problem } from '../problem'
import { isHand } from './names'
import { putOnMethod } from './putOn'

/** The colours that years go by, and a tree that was not marked. */
export const YEAR_COLOURS = ['white', 'yellow', 'red', 'green', 'blue'] as const
export const MARKS = [...YEAR_COLOURS, 'not marked'] as const
export type Mark = (typeof MARKS)[number]

/**
 * The colour in which what is treated in a year is marked, so that whoever stands before it later sees when it was. Five colours in turn; a
 * house figure.
 *
 * @example yearColour('2026-06-12') // 'white'
 */
export function yearColour(date: string): (typeof YEAR_COLOURS)[number] {
  return YEAR_COLOURS[(Number(date.slice(0, 4)) - 1) % YEAR_COLOURS.length]!
}

/** True where a tree is marked after it was treated so. Source: handbook, at the tree. */
export function isMarked(method: Method): boolean {
  return !isHand(method) && putOnMethod(method).marks === true
}

/** Refuses a record of a method that marks in which nobody said how it was marked; null where it is said, or nothing went in. */
export function whyNotMarked(
  method: Method,
  { mark, treated, on }: { mark: string | null | undefined; treated: boolean; on: string },
): Problem | null {
  if (!isMarked(method) || !treated || mark) return null
  return {
    code: 'missing',
    field: 'mark',
    message: `Say in which colour the tree was marked, or that it was not; the colour of ${on.slice(0, 4)} is ${yearColour(on)}.`,
  }
}
