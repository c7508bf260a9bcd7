import type { Cause } from './almanac'
import type { Weighing } from './weighing'
import { BESIDE, HEALTHY } from './weigh'

/** What another cause is to the main one. */
export const PARTS = ['opens the door', 'lives on it', 'feeds it', 'beside it'] as const
export type Part = (typeof PARTS)[number]

export interface Beside {
  cause: string
  part: Part
}

/**
 * What another cause is to the main one, by the almanac.
 * @example partOf(borer, drought) // 'opens the door'
 */
export function partOf(
  main: Pick<Cause, 'id' | 'livesOn'>,
  other: Pick<Cause, 'id' | 'livesOn' | 'opens'>,
): Part {
  if (other.livesOn?.includes(main.id)) return 'lives on it'
  if (main.livesOn?.includes(other.id)) return 'feeds it'
  return other.opens?.includes(main.id) ? 'opens the door' : 'beside it'
}

/** What stands with a main cause in the likeliest explanation that holds it, each with its part: what can be signed with it. */
export function standWith(
  { explanations }: Pick<Weighing, 'explanations'>,
  main: string,
  causes: readonly Cause[],
): Beside[] {
  const of = (id: string) => causes.find((c) => c.id === id)
  const cause = of(main)
  const together = explanations.find((e) => e.causes.includes(main))
  if (!cause || !together) return []
  return together.causes.flatMap((id) => {
    const other = of(id)
    return other && id !== main ? [{ cause: id, part: partOf(cause, other) }] : []
  })
}

/** True where signing a cause asks for a reason: a look or a proof is waited for, or another stands before it. */
export function asksForReason(weighing: Weighing, cause: string): boolean {
  const { hold } = weighing.judgement
  return (hold !== null && !hold.danger) || !standsFirst(weighing, cause)
}

/**
 * Whether a cause may be signed without a reason: it leads, or it is a part of the likeliest explanation and no healthy
 * tree leads.
 */
export function standsFirst({ weighed, explanations }: Weighing, cause: string): boolean {
  const lead = weighed[0]!.cause
  if (lead === cause) return true
  return lead !== HEALTHY && !BESIDE.includes(cause) && !!explanations[0]?.causes.includes(cause)
}
