import { showLength, type UnitSystem } from '../quantity/format'
import { refuse, ok, type Result } from '../problem'
import { apart, arc, wrap } from './bearing'
import { describeLayout, type LayoutInput, type PortLayout } from './layout'
import { forbiddenAt, suitability } from './suitability'

export interface Move {
  bearing: number
  /** Change of suitability at this port; negative is a cost. */
  change: number
  layout: PortLayout
}

/**
 * Moves one port of a set by hand. Answers what it costs and the new layout, or refuses with the rule it breaks:
 * excluded wood, a hole still resting, or another port too near. The set itself is not changed.
 *
 * @example movePort([20, 79, 111], 0, 24, input) // { change: -0.05…, bearing: 24, … }
 */
export function movePort(
  bearings: number[],
  index: number,
  to: number,
  input: LayoutInput,
  units: UnitSystem = 'us',
): Result<Move> {
  const from = bearings[index]
  if (from === undefined) return refuse('unknown', 'port', 'There is no such port.')
  const bearing = wrap(Math.round(to))
  const refusal = refusalAt(
    bearing,
    bearings.filter((_, i) => i !== index),
    input,
    units,
  )
  if (refusal) return refuse('not-allowed', 'bearing', refusal)
  const moved = bearings.map((b, i) => (i === index ? bearing : b))
  return ok({
    bearing,
    change: suitability(bearing, input) - suitability(from, input),
    layout: describeLayout(moved, input, input.count - moved.length),
  })
}

/** Why a port cannot go at a bearing beside the others, as a sentence; null when it can. */
export function refusalAt(
  bearing: number,
  others: number[],
  input: LayoutInput,
  units: UnitSystem = 'us',
): string | null {
  const forbidden = forbiddenAt(bearing, input)
  if (forbidden?.why === 'excluded')
    return `No port at ${bearing}°: dead, decayed or girdled wood from ${wrap(forbidden.sector.from)}° to ${wrap(forbidden.sector.to)}°, and 1 in beside it. Choose sound wood.`
  if (forbidden?.why === 'resting')
    return forbidden.hole.keep !== undefined
      ? `No port at ${bearing}°: the hole at ${Math.round(forbidden.hole.bearing)}° is of this same visit. Stay farther than ${showLength(forbidden.hole.keep, units)} from it.`
      : `No port at ${bearing}°: the hole at ${Math.round(forbidden.hole.bearing)}° is ${yearsOld(forbidden.hole.years)} and still rests. Stay farther than ${showLength(input.restDistance ?? 0.0508, units)} from it.`
  for (const other of others) {
    const distance = arc(apart(bearing, other), input.portGirth)
    if (distance < input.minSpacing * (1 - 1e-9))
      return `No port at ${bearing}°: only ${showLength(distance, units, 1)} from the port at ${other}°, the least is ${showLength(input.minSpacing, units, 1)}. Move that one first or choose another place.`
  }
  return null
}

function yearsOld(years: number): string {
  if (years < 0.08) return 'fresh'
  if (years < 0.95) return `${Math.round(years * 12)} months old`
  const rounded = Math.round(years * 10) / 10
  return `${rounded} year${rounded === 1 ? '' : 's'} old`
}
