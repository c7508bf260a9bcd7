import type { Outline } from '@/core/place/distance'

/** An outline on a site's plan, metres east and north. */
export interface Feature {
  id: string
  kind: 'boundary' | 'building' | 'wall' | 'path' | 'water' | 'bed' | 'well'
  name: string | null
  geometry: Outline
}

/** How each kind of outline looks on a plan; strokes in metres. */
export const FILL: Record<Feature['kind'], { fill: string; stroke: string; width: number; dash?: string }> = {
  boundary: { fill: 'var(--color-sheet)', stroke: 'var(--color-ink2)', width: 0.25, dash: '1.2 0.8' },
  building: { fill: '#d5dad5', stroke: 'var(--color-ink2)', width: 0.3 },
  wall: { fill: 'none', stroke: 'var(--color-ink2)', width: 0.8 },
  path: { fill: 'none', stroke: '#cbbd9f', width: 1.6 },
  bed: { fill: '#e4dcc6', stroke: '#b5a678', width: 0.25 },
  water: { fill: 'var(--color-water-soft)', stroke: 'var(--color-water)', width: 0.3 },
  well: { fill: 'var(--color-water-soft)', stroke: 'var(--color-water)', width: 0.3 },
}

/** The corners of an outline, metres east and north. */
export function points(feature: Feature): [number, number][] {
  const c = feature.geometry.coordinates
  if (feature.geometry.type === 'Polygon') return (c as [number, number][][])[0] ?? []
  if (feature.geometry.type === 'LineString') return c as [number, number][]
  return [c as [number, number]]
}
