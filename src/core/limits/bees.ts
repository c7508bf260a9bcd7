import { groupKey } from '../actives/actives'
import { refuse, type Result } from '../problem'

/** True for a group that acts on bees through nectar for a year and more: neonicotinoids and their kin. `isNeonicotinoid('4A') === true` */
export function isNeonicotinoid(group: string): boolean {
  return groupKey(group).startsWith('4')
}

/**
 * Whether a product may go on a kind of tree that feeds bees, by any way and in any season: no neonicotinoid where the
 * almanac says why. Null when nothing stands against it; `not-allowed` (field `useId`) otherwise.
 * Source: handbook, bees.
 *
 * @example refusedForBees('It feeds bees.', [{ name: 'imidacloprid', group: '4A' }]) // not-allowed
 */
export function refusedForBees(
  noNeonicotinoid: string | undefined,
  actives: readonly { name: string; group: string }[],
): Result<never> | null {
  const active = actives.find((a) => isNeonicotinoid(a.group))
  if (!noNeonicotinoid || !active) return null
  return refuse(
    'not-allowed',
    'useId',
    `No ${active.name} on this kind of tree, in any season. ${noNeonicotinoid}`,
  )
}
