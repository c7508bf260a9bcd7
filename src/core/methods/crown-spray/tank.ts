import type { Repeats } from '../facts'
import { ok, refuse, type Result } from '../../problem'
import { shown } from '../../quantity/pair'
import type { UnitSystem } from '../../quantity/format'
import type { Planned, UseOf } from '../plan'

/** A product with its use, as far as its tank goes. */
export interface Tanked {
  use: UseOf<'crown-spray'>
  name: string
  actives: readonly { name: string }[]
}

const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase()

/**
 * Why two products may not go into one tank, or null. Both labels have to allow it: one that says nothing of mixing goes
 * alone. What is kept days apart is never in one tank. Source: handbook, load-out; the label.
 *
 * @example whyNotOneTank(sulfur, oil) // 'Sulfur 80 is kept 14 days from horticultural oil …'
 */
export function whyNotOneTank(a: Tanked, b: Tanked): string | null {
  for (const [one, other] of [
    [a, b],
    [b, a],
  ] as const) {
    const { tank, kind } = one.use.terms
    if (kind === 'powder' && !tank) return `${one.name} is dusted, not sprayed; it has no tank.`
    const kept = (one.use.apart ?? []).find((x) => other.actives.some((y) => same(x.active, y.name)))
    if (kept)
      return `${one.name} is kept ${kept.days} days from ${kept.active}, which ${other.name} has in it.`
    if (!tank) return `The card of ${one.name} says nothing of a tank with others; it goes alone.`
    const never = (tank.never ?? []).find((x) => other.actives.some((y) => same(x, y.name)))
    if (never) return `${one.name} never shares a tank with ${never}, which ${other.name} has in it.`
    const stranger =
      tank.with === 'any'
        ? undefined
        : other.actives.find((y) => !(tank.with as string[]).some((x) => same(x, y.name)))
    if (stranger)
      return `The card of ${one.name} does not name ${stranger.name} among what may share its tank.`
  }
  return null
}

/**
 * The plans of one tree by several products out of one tank: the same spray carries all of them, so the water is what is left
 * of it, and the walk is counted once, with the first. Problems: `not-allowed` (field `tank`) where the cards would wet the
 * same crown with different amounts of spray, `out-of-range` where no water is left.
 *
 * @example inOneTank([sulfur, captan], 'us').value[0].plan.water // spray less what is poured of either
 */
export function inOneTank(
  planned: readonly Planned<'crown-spray'>[],
  units: UnitSystem,
): Result<Planned<'crown-spray'>[]> {
  const spray = planned[0]!.plan.shape.spray
  const other = planned.find((p) => Math.abs(p.plan.shape.spray / spray - 1) > 1e-9)
  if (other)
    return refuse(
      'not-allowed',
      'tank',
      `One card puts ${shown(spray, 'gal', units)} of spray on this crown and the other ${shown(other.plan.shape.spray, 'gal', units)}; they cannot come out of one tank. Spray them one after the other.`,
    )
  const poured = planned.reduce((sum, p) => sum + (p.plan.kind === 'liquid' ? p.plan.product : 0), 0)
  const water = spray - poured
  if (!(water > 0))
    return refuse('out-of-range', 'tank', 'The products together would fill the tank; choose lower rates.')
  return ok(
    planned.map(({ plan, working }, i) => ({
      plan: { ...plan, water, minutes: i === 0 ? plan.minutes : 0 },
      working: [
        ...working,
        {
          label: 'Water beside all that shares the tank',
          expression:
            poured === 0
              ? 'all of the spray; what is weighed takes no room in it'
              : `${shown(spray, 'gal', units, 3)} − ${shown(poured, 'fl oz', units)}`,
          result: shown(water, 'gal', units, 3),
        },
      ],
    })),
  )
}

/** What goes into a tank in which order: what is weighed before what is poured, otherwise as it was signed. */
export function byAdding<T>(products: readonly T[], kind: (product: T) => 'liquid' | 'weight'): T[] {
  return [...products].sort((a, b) => Number(kind(a) === 'liquid') - Number(kind(b) === 'liquid'))
}

/**
 * After how many days all that shares a tank goes on again: no sooner than the slowest allows, no later than the quickest
 * asks; null where one of them is put on once, or they never meet.
 *
 * @example repeatsOfAll([{ least: 7, most: 10 }, { least: 7, most: 14 }]) // { least: 7, most: 10 }
 */
export function repeatsOfAll(all: readonly (Repeats | null)[]): Repeats | null {
  const known = all.filter((r) => r !== null)
  if (known.length < all.length || known.length === 0) return null
  const least = Math.max(...known.map((r) => r.least))
  const most = Math.min(...known.map((r) => r.most))
  const times = known.flatMap((r) => r.mostTimes ?? [])
  const season = known.find((r) => r.season)?.season
  return least > most
    ? null
    : {
        least,
        most,
        ...(times.length > 0 && { mostTimes: Math.min(...times) }),
        ...(season && { season }),
      }
}
