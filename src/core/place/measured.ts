import type { Area, Length } from '../quantity/units'
import { coveredArea } from './coveredArea'
import type { Outline } from './distance'
import { isClosedGround, type OutlineKind } from './outlineKinds'

/** An outline with what it is. */
export interface Drawn {
  kind: OutlineKind
  geometry: Outline
}

/**
 * The area that yearly limits of a site are of, as it is drawn, m²: all ground together, without what is built, paved or water on it. Null
 * where no ground is drawn. The smaller figure: what falls on stone or water is not spread over the ground.
 *
 * @example measuredGround([{ kind: 'ground', geometry: lawn }, { kind: 'building', geometry: house }])
 */
export function measuredGround(drawn: readonly Drawn[]): Area | null {
  const ground = drawn.filter((d) => d.kind === 'ground').map((d) => d.geometry)
  if (ground.length === 0) return null
  return coveredArea(
    ground,
    drawn.filter((d) => isClosedGround(d.kind)).map((d) => d.geometry),
  )
}

/** How large one outline is: an area in m², a line in m; a spot has neither. */
export function sizeOf({ type, coordinates }: Outline): { area: Area } | { length: Length } | null {
  if (type === 'Polygon') return { area: coveredArea([{ type, coordinates }]) }
  if (type === 'Point') return null
  const line = coordinates as [number, number][]
  let length = 0
  for (let i = 1; i < line.length; i++)
    length += Math.hypot(line[i]![0] - line[i - 1]![0], line[i]![1] - line[i - 1]![1])
  return { length }
}
