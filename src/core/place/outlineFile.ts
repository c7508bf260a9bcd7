import { ok, refuse, type Result } from '../problem'
import type { Outline } from './distance'
import { onPlan, type Spot } from './onGlobe'
import { OUTLINE, OUTLINE_KINDS, type OutlineKind } from './outlineKinds'

/** As many outlines a file may hold; a plan of a site has some dozens. */
export const MOST_OUTLINES = 200

/** An outline as a file has it. */
export interface FiledOutline {
  /** By what the file says of it; null where a person must say. */
  kind: OutlineKind | null
  name: string | null
  geometry: Outline
}

/** Words by which files of offices tell what an area is, the narrower first. */
const WORDS: readonly [RegExp, OutlineKind][] = [
  [/\b(bee)?hives?\b|apiary|\bbees\b/, 'hive'],
  [/play ?ground|\bplay\b/, 'play'],
  [/\bwell\b|borehole/, 'well'],
  [
    /\bwater|\bpond\b|\blake\b|\bstream\b|\bcreek\b|\bbrook\b|\briver\b|\bditch\b|\bdrain\b|\bspring\b|wetland/,
    'water',
  ],
  [/building|\bhouse\b|\broof\b|\bgarage\b|\bshed\b/, 'building'],
  [/paving|paved|\bdrive(way)?\b|parking|car park|\bcourt\b|\broad\b|asphalt|concrete/, 'paving'],
  [/\bpath\b|footway|\btrack\b|\btrail\b/, 'path'],
  [/\bwall\b|\bfence\b|\bhedge\b/, 'wall'],
  [/\bbed\b|flower|border|planting/, 'bed'],
  [/boundary|parcel|property line|\blot\b/, 'boundary'],
  [/\bground\b|\blawn\b|\bturf\b|\bgrass\b|meadow|garden/, 'ground'],
]

/**
 * Reads outlines from GeoJSON: degrees become metres east and north of the site’s corner, shapes of many parts come apart, and what the file
 * calls a thing says what it is, where it says so. Trees and other spots that say nothing of themselves are left aside. Problems, field `file`:
 * `bad-quantity` for what is no GeoJSON, `missing` for a file without outlines, `out-of-range` for too many.
 *
 * @example readOutlineFile({ type: 'Polygon', coordinates: [ring] }, corner).value.outlines[0].kind // null
 */
export function readOutlineFile(
  file: unknown,
  corner: Spot,
): Result<{ outlines: FiledOutline[]; leftAside: number }> {
  const features = featuresOf(file)
  if (!features)
    return no(
      'bad-quantity',
      'This is no GeoJSON: it must be a FeatureCollection, a feature or a shape, in degrees.',
    )
  const outlines: FiledOutline[] = []
  let leftAside = 0
  for (const { geometry, properties } of features) {
    const parts = partsOf(geometry)
    const { kind, name } = toldOf(properties)
    for (const part of parts) {
      const placed = inMetres(part, corner)
      if (!placed)
        return no('bad-quantity', 'A shape in it has places that are no degrees of longitude and latitude.')
      // A spot that does not say what it is may be a tree, a hydrant, anything.
      const fits = kind !== null && OUTLINE[kind].shapes.includes(placed.type)
      if (placed.type === 'Point' && !fits) leftAside++
      else outlines.push({ kind: fits ? kind : null, name, geometry: placed })
      if (outlines.length > MOST_OUTLINES)
        return no(
          'out-of-range',
          `It holds more than ${MOST_OUTLINES} outlines; cut it to what the plan needs.`,
        )
    }
    if (parts.length === 0) leftAside++
  }
  if (outlines.length === 0)
    return no(
      'missing',
      'There is no area, line, well or hive in it. Trees are taken in under “Trees from a file”.',
    )
  return ok({ outlines, leftAside })
}

interface Shape {
  type: string
  coordinates?: unknown
  geometries?: unknown
}

function featuresOf(file: unknown): { geometry: Shape; properties: Record<string, unknown> }[] | null {
  if (!isObject(file)) return null
  if (file.type === 'FeatureCollection')
    return Array.isArray(file.features)
      ? file.features.flatMap((f) => (isObject(f) && f.type === 'Feature' ? (featuresOf(f) ?? []) : []))
      : null
  if (file.type === 'Feature')
    return [
      {
        geometry: isObject(file.geometry) ? (file.geometry as unknown as Shape) : { type: 'none' },
        properties: isObject(file.properties) ? file.properties : {},
      },
    ]
  return typeof file.type === 'string' && (Array.isArray(file.coordinates) || Array.isArray(file.geometries))
    ? [{ geometry: file as unknown as Shape, properties: {} }]
    : null
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

/** The single shapes of one that may have many parts; one level of collections. */
function partsOf(shape: Shape, deep = 0): { type: Outline['type']; coordinates: unknown }[] {
  const { type, coordinates } = shape
  if (type === 'Polygon' || type === 'LineString' || type === 'Point') return [{ type, coordinates }]
  const single = { MultiPolygon: 'Polygon', MultiLineString: 'LineString', MultiPoint: 'Point' }[type] as
    Outline['type'] | undefined
  if (single)
    return Array.isArray(coordinates)
      ? coordinates.map((c: unknown) => ({ type: single, coordinates: c }))
      : []
  if (type === 'GeometryCollection' && deep === 0 && Array.isArray(shape.geometries))
    return shape.geometries.filter(isObject).flatMap((g) => partsOf(g as unknown as Shape, 1))
  return []
}

function inMetres(shape: { type: Outline['type']; coordinates: unknown }, corner: Spot): Outline | null {
  const place = (c: unknown): [number, number] | null => {
    const [longitude, latitude] = Array.isArray(c) ? (c as unknown[]) : []
    if (typeof longitude !== 'number' || typeof latitude !== 'number') return null
    if (!(Math.abs(latitude) <= 90 && Math.abs(longitude) <= 180)) return null
    const { eastM, northM } = onPlan({ latitude, longitude }, corner)
    return [eastM, northM]
  }
  const line = (c: unknown) => {
    if (!Array.isArray(c)) return null
    const placed = c.map(place)
    return placed.every((p) => p !== null) ? placed : null
  }
  const { type, coordinates } = shape
  if (type === 'Point') {
    const at = place(coordinates)
    return at && { type, coordinates: at }
  }
  if (type === 'LineString') {
    const at = line(coordinates)
    return at && { type, coordinates: at }
  }
  if (!Array.isArray(coordinates)) return null
  const rings = coordinates.map(line)
  return rings.length > 0 && rings.every((r) => r !== null) ? { type, coordinates: rings } : null
}

/** What a file says of a shape: its kind by our own word or by what offices write, and its name. */
function toldOf(properties: Record<string, unknown>): { kind: OutlineKind | null; name: string | null } {
  const entries = Object.entries(properties).flatMap(([key, value]) =>
    typeof value === 'string' ? [[key.toLowerCase(), value.trim()] as const] : [],
  )
  const own = entries.find(([key]) => key === 'kind')?.[1].toLowerCase()
  const exact = OUTLINE_KINDS.find((k) => k === own)
  const named = entries.find(([key, value]) => /^(name|title|label)$/.test(key) && value !== '')?.[1] ?? null
  // The key tells too: { "building": "yes" }.
  const text = entries
    .map(([key, value]) => (/^(no|false|0)$/i.test(value) ? '' : `${key} ${value}`))
    .join(' ')
    .toLowerCase()
    .replace(/[_-]/g, ' ')
  return {
    kind: exact ?? WORDS.find(([pattern]) => pattern.test(text))?.[1] ?? null,
    name: named === null ? null : named.slice(0, 60),
  }
}

const no = (code: 'bad-quantity' | 'missing' | 'out-of-range', message: string): Result<never> =>
  refuse(code, 'file', message)
