import type { Outline } from './distance'

/** What is drawn on a plan beside trees. */
export const OUTLINE_KINDS = [
  'ground',
  'boundary',
  'building',
  'paving',
  'bed',
  'wall',
  'path',
  'water',
  'well',
  'hive',
  'play',
] as const
export type OutlineKind = (typeof OUTLINE_KINDS)[number]

/** What a kind of outline is called, how it is drawn, and what it is for. */
export interface OutlineTerms {
  name: string
  shapes: readonly Outline['type'][]
  /** A distance may be kept from it; `asked` where it is drawn for nothing else. */
  setback?: 'asked' | 'own'
  words: string
}

/** The terms of each kind. */
export const OUTLINE: Record<OutlineKind, OutlineTerms> = {
  ground: {
    name: 'Ground',
    shapes: ['Polygon'],
    words: 'What yearly limits are of: its area is measured, without what is built, paved or water.',
  },
  boundary: { name: 'Boundary', shapes: ['Polygon'], words: 'How far the site reaches.' },
  building: { name: 'Building', shapes: ['Polygon'], words: 'No root drinks under it.' },
  paving: { name: 'Paving', shapes: ['Polygon'], words: 'Closed ground: nothing is poured there.' },
  bed: { name: 'Bed', shapes: ['Polygon'], words: 'Planted ground.' },
  wall: { name: 'Wall', shapes: ['LineString'], words: 'A wall or a fence.' },
  path: { name: 'Path', shapes: ['LineString'], words: 'A path or a track.' },
  water: {
    name: 'Water',
    shapes: ['Polygon', 'LineString', 'Point'],
    setback: 'own',
    words: 'A pond, a brook, a drain, a spring. Labels and local rules are held to it.',
  },
  well: {
    name: 'Well',
    shapes: ['Point'],
    setback: 'own',
    words: 'Labels and local rules are held to it.',
  },
  hive: {
    name: 'Hive',
    shapes: ['Point', 'Polygon'],
    setback: 'asked',
    words: 'Nothing is sprayed or poured within the distance that is kept from it.',
  },
  play: {
    name: 'Play ground',
    shapes: ['Polygon', 'Point'],
    setback: 'asked',
    words: 'Nothing is sprayed or poured within the distance that is kept from it.',
  },
}

/** What waters and wells are to a label: `isWet('well') === true`. */
export const isWet = (kind: OutlineKind): boolean => kind === 'water' || kind === 'well'

/** What nothing is poured on: `isClosedGround('paving') === true`. */
export const isClosedGround = (kind: OutlineKind): boolean =>
  kind === 'building' || kind === 'paving' || kind === 'water'
