import type { Drawn } from '@/core/place/measured'
import type { OutlineKind } from '@/core/place/outlineKinds'

/** An outline on a site's plan, metres east and north. */
export interface Feature extends Drawn {
  id: string
  name: string | null
  /** The distance that is kept from it, metres. */
  setback?: number | null
}

/** How each kind of outline looks on a plan; strokes in metres. */
export const FILL: Record<OutlineKind, { fill: string; stroke: string; width: number; dash?: string }> = {
  boundary: { fill: 'var(--color-sheet)', stroke: 'var(--color-ink2)', width: 0.25, dash: '1.2 0.8' },
  ground: { fill: '#dbe5c8', stroke: '#8a9c6a', width: 0.2, dash: '0.6 0.6' },
  paving: { fill: '#dcd9d2', stroke: '#a9a598', width: 0.2 },
  hive: { fill: '#f3dc9a', stroke: 'var(--color-ink2)', width: 0.3 },
  play: { fill: '#efd9cf', stroke: '#a9745c', width: 0.25 },
  building: { fill: '#d5dad5', stroke: 'var(--color-ink2)', width: 0.3 },
  wall: { fill: 'none', stroke: 'var(--color-ink2)', width: 0.8 },
  path: { fill: 'none', stroke: '#cbbd9f', width: 1.6 },
  bed: { fill: '#e4dcc6', stroke: '#b5a678', width: 0.25 },
  water: { fill: 'var(--color-water-soft)', stroke: 'var(--color-water)', width: 0.3 },
  well: { fill: 'var(--color-water-soft)', stroke: 'var(--color-water)', width: 0.3 },
}

/** The corners of an outline, metres east and north. */
export function points(feature: Pick<Feature, 'geometry'>): [number, number][] {
  const c = feature.geometry.coordinates
  if (feature.geometry.type === 'Polygon') return (c as [number, number][][])[0] ?? []
  if (feature.geometry.type === 'LineString') return c as [number, number][]
  return [c as [number, number]]
}
