/** What a column of a list of trees can be. */
export const TREE_FIELDS = [
  'tag',
  'kind',
  'girth',
  'diameter',
  'stems',
  'height',
  'spread',
  'crown',
  'latitude',
  'longitude',
  'east',
  'north',
  'block',
  'planted',
  'note',
] as const
export type TreeField = (typeof TREE_FIELDS)[number]

/** The units a bare number of a field may have. */
export type ListUnit = 'in' | 'ft' | 'mm' | 'cm' | 'm'

/** In which unit a bare number is where nothing says otherwise. */
const BARE: Partial<Record<TreeField, { us: ListUnit; metric: ListUnit }>> = {
  girth: { us: 'in', metric: 'cm' },
  diameter: { us: 'in', metric: 'cm' },
  height: { us: 'ft', metric: 'm' },
  spread: { us: 'ft', metric: 'm' },
  east: { us: 'ft', metric: 'm' },
  north: { us: 'ft', metric: 'm' },
}

/** Whether a field is a length, so that its numbers have a unit. */
export const isLength = (field: TreeField): boolean => field in BARE

/** Words by which a column is known, each with how surely. The first that fits counts. */
const CALLED: readonly (readonly [field: TreeField, pattern: RegExp, sure: number])[] = [
  [
    'tag',
    /^(tag|tag (no|nr|num|number|id)|tree tag|tree (no|nr|num|number|id)|treeid|treeno|facility ?id|asset ?id|inventory (no|id))$/,
    10,
  ],
  ['tag', /^(label|id|no|nr|number|tree|unique ?id|site ?id|plot ?id|baumnr|baumnummer)$/, 6],
  ['tag', /^(object ?id|fid|gid|global ?id|oid)$/, 3],
  [
    'kind',
    /^(scientific( name)?|botanical( name)?|latin( name)?|spp ?bot|species ?botanical|sci ?name|genus species)$/,
    10,
  ],
  ['kind', /^(kind|species|spp|species name|tree (kind|type|species)|taxon|baumart)$/, 9],
  ['kind', /^(common( name)?|spp ?com|species ?common|name)$/, 8],
  ['kind', /^genus$/, 4],
  [
    'girth',
    /^(girth|gbh|cbh|circ|circumf|circumference|trunk (girth|circumference|circ)|stem (girth|circumference)|stammumfang)$/,
    10,
  ],
  [
    'diameter',
    /^(dbh|diam|dia|diameter|trunk (diam|diameter)|stem (diam|diameter)|tree (dbh|diameter)|caliper|calliper|diameter (at )?breast( height)?)$/,
    10,
  ],
  [
    'stems',
    /^(stems|trunks|num ?stems|stem count|number of stems|no of stems|stem number|trunk count|multi ?stem)$/,
    10,
  ],
  ['height', /^(height|ht|tree (height|ht)|hgt)$/, 10],
  ['spread', /^(spread|(crown|canopy) (spread|width|diameter|diam)|crown ?spread|canopy ?spread)$/, 10],
  [
    'crown',
    /^(crown|live crown( ratio| percent| pct)?|lcr|crown (percent|pct|alive|density)|canopy (percent|pct|alive))$/,
    9,
  ],
  ['latitude', /^(lat|latitude|lat dd|latitude dd|y coord|ycoord|y lat|point y)$/, 10],
  [
    'longitude',
    /^(lon|long|lng|longitude|long dd|lon dd|longitude dd|x coord|xcoord|x lon|x long|point x)$/,
    10,
  ],
  ['east', /^(east|easting|east (of corner)?|metres east|meters east|feet east)$/, 9],
  ['north', /^(north|northing|metres north|meters north|feet north)$/, 9],
  ['latitude', /^y$/, 4],
  ['longitude', /^x$/, 4],
  [
    'block',
    /^(block|row|bank|terrace|zone|section|compartment|(management|mgmt|maintenance) (zone|area|unit)|park area)$/,
    8,
  ],
  [
    'planted',
    /^(planted|(date|year) planted|plant(ing)? (date|year)|planted (date|year|on)|year of planting|pflanzjahr)$/,
    10,
  ],
  ['note', /^(notes?|remarks?|comments?|memo|observations?|bemerkung(en)?)$/, 10],
]

const UNIT_WORDS: readonly (readonly [RegExp, ListUnit])[] = [
  [/^(in|inch|inches)$/, 'in'],
  [/^(ft|foot|feet)$/, 'ft'],
  [/^mm$/, 'mm'],
  [/^(cm|centimet(er|re)s?)$/, 'cm'],
  [/^(m|met(er|re)s?)$/, 'm'],
]

export interface HeaderGuess {
  field: TreeField | null
  /** How surely; of two columns for one field the surer one is it. */
  sure: number
  /** The unit the header itself gives. */
  unit: ListUnit | null
}

/**
 * What a column is by its header: `DBH_IN` is a diameter in inches, `circ (cm)` a girth in centimetres.
 * @example guessHeader('Crown Spread (ft)') // { field: 'spread', sure: 10, unit: 'ft' }
 */
export function guessHeader(header: string): HeaderGuess {
  const words = header
    .replace(/["″]/g, ' in ')
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase()
    .replace(/%/g, ' percent ')
    .split(/[^a-z0-9]+/)
    .filter(Boolean)
  let unit: ListUnit | null = null
  const without = words.filter((word, i) => {
    // The first word is what it is; a unit stands behind it, `m` too.
    const found = i > 0 ? UNIT_WORDS.find(([pattern]) => pattern.test(word)) : undefined
    if (found) unit ??= found[1]
    return !found
  })
  for (const text of new Set([without.join(' '), words.join(' '), words.join('')]))
    for (const [field, pattern, sure] of CALLED)
      if (pattern.test(text)) return { field, sure, unit: isLength(field) ? unit : null }
  return { field: null, sure: 0, unit: null }
}

/** The unit of a bare number of a field: the header’s, else that of the system; null for what is no length. */
export function bareUnit(
  field: TreeField | null,
  of: ListUnit | null,
  system: 'us' | 'metric',
): ListUnit | null {
  const own = field === null ? undefined : BARE[field]
  return own ? (of ?? own[system]) : null
}
