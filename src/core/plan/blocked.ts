import { PRESCRIBED_ON } from '../decide/allowed'
import type { Action } from '../decide/propose'
import { spokenDate } from '../time/calendar'

/** What has been signed and measured of a tree, as far as a prescription rests on it. */
export interface Standing {
  /** The prescription that stands on the decision, if one does, and its day. */
  handed: { done: boolean; onDate: string | null; byClient?: boolean } | null
  measured: boolean
  /** A cause is signed. */
  diagnosed: boolean
  /** What was decided on it; null before. */
  decided: string | null
  /** It has a look-alike, and nobody has confirmed which of the two it is. */
  kindOpen: boolean
  /** Label cards on the shelf that name this cause on this kind for the method. */
  cards: number
}

/** The first thing that stands in the way of a prescription, and whose page is the way out. */
export interface Blockage {
  at: 'work' | 'measure' | 'examine' | 'decide' | 'decided otherwise' | 'kind' | 'shelf'
  text: string
}

export const NOT_MEASURED = 'The trunk has not been measured, so nothing can be dosed; take a reading first.'
export const KIND_OPEN =
  'Confirm what kind of tree it is first: it has look-alikes that this treatment does nothing for.'

/**
 * What must come first before a tree can be prescribed for: measured, diagnosed, decided to treat, told from its look-alike,
 * and a card that names the cause; null when nothing is in the way. One that is with the crew already goes before all.
 * `blockedBy({ handed: null, measured: false, … })` is `{ at: 'measure', text: 'The trunk has not been measured, …' }`.
 */
export function blockedBy(s: Standing): Blockage | null {
  if (s.handed)
    return {
      at: 'work',
      text: s.handed.done
        ? 'This prescription is done and recorded.'
        : s.handed.byClient
          ? 'What is left of this prescription is the client’s to do; it stands on the page they were given.'
          : `This prescription is with the crew for ${s.handed.onDate ? spokenDate(s.handed.onDate) : 'a day to come'}.`,
    }
  if (!s.measured) return { at: 'measure', text: NOT_MEASURED }
  if (!s.diagnosed)
    return { at: 'examine', text: 'No cause has been signed, so nothing can be prescribed for it.' }
  if (s.decided === null) return { at: 'decide', text: 'Nothing has been decided on the signed cause.' }
  if (!PRESCRIBED_ON.includes(s.decided as Action))
    return { at: 'decided otherwise', text: 'Nothing is prescribed on this decision; decide anew first.' }
  if (s.kindOpen) return { at: 'kind', text: KIND_OPEN }
  if (s.cards === 0)
    return {
      at: 'shelf',
      text: 'No card on the shelf names this cause on this kind of tree.',
    }
  return null
}
