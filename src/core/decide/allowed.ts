import { isHand } from '../methods/names'
import type { Method } from '../card/card'
import { goes } from '../methods/goes'
import { handMethod } from '../methods/hand'
import type { Action } from './propose'

/** Decisions on which something can be prescribed at all. */
export const PRESCRIBED_ON: readonly Action[] = ['treat', 'care', 'remove']

/**
 * Why a method is no part of what was decided, or null where it is: care has what is done by hand and to the soil, a removal only what brings a tree down and makes it
 * harmless, and every other decision nothing that is prescribed. Source: handbook, a decision leads where it says.
 *
 * @example notDecided('remove', 'wood') // null
 */
export function notDecided(action: string | null | undefined, method: Method): string | null {
  switch (action) {
    case 'treat':
      return null
    case 'care':
      return isHand(method) || goes(method) === 'onto the ground'
        ? null
        : 'The decision is to care for this tree by hand, water and soil: no spray and no systemic is part of that. Decide anew first.'
    case 'remove':
      return isHand(method) && handMethod(method).whenRemoved
        ? null
        : 'The decision is to remove this tree: only the line round its roots, the felling and its wood are part of that. Decide anew first.'
    default:
      return `The decision is to ${action ?? 'wait'}, not to treat. Decide anew first.`
  }
}
