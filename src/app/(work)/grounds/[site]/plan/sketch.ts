import type { Outline } from '@/core/place/distance'
import { OUTLINE, type OutlineKind } from '@/core/place/outlineKinds'
import type { DrawPlanView } from '@/server/read/plan'
import { newId } from '@/ui/fields/newId'

type Corner = readonly [east: number, north: number]

/** An outline while it is drawn: a new one, or one of the plan that is being changed. */
export interface Sketch {
  /** Of the outline. */
  id: string
  /** What the outline was before; null for a new one. */
  of: DrawPlanView['features'][number] | null
  kind: OutlineKind
  type: Outline['type']
  corners: readonly Corner[]
  /** Holes of an area; they stay as they are. */
  holes: readonly unknown[]
}

/** A new outline of a kind, with no corner yet. */
export const newSketch = (kind: OutlineKind, type: Outline['type'] = OUTLINE[kind].shapes[0]!): Sketch => ({
  id: newId(),
  of: null,
  kind,
  type,
  corners: [],
  holes: [],
})

/** An outline of the plan, to be changed. */
export function sketchOf(of: DrawPlanView['features'][number]): Sketch {
  const { type, coordinates } = of.geometry
  const rings = coordinates as Corner[][]
  return {
    id: of.id,
    of,
    kind: of.kind,
    type,
    // The last corner of an area is its first.
    corners:
      type === 'Polygon'
        ? rings[0]!.slice(0, -1)
        : type === 'Point'
          ? [coordinates as Corner]
          : (coordinates as Corner[]),
    holes: type === 'Polygon' ? rings.slice(1) : [],
  }
}

/** A sketch with a corner put at a place: the spot itself of a spot, else one more. */
export const withCorner = (s: Sketch, at: Corner): Sketch => ({
  ...s,
  corners: s.type === 'Point' ? [at] : [...s.corners, at],
})

/** The sketch as an outline is sent; null while it has too few corners to be one. */
export function outlineOf({ type, corners, holes }: Sketch): Outline | null {
  if (type === 'Point') return corners[0] ? { type, coordinates: corners[0] } : null
  if (type === 'LineString') return corners.length >= 2 ? { type, coordinates: corners } : null
  return corners.length >= 3 ? { type, coordinates: [[...corners, corners[0]!], ...holes] } : null
}
