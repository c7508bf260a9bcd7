import { hostName } from '@/almanac/hosts'
import { onGlobe } from '@/core/place/onGlobe'
import { fromSI } from '@/core/quantity/units'
import type { FirmSql } from '@/db/client'
import { exportedReadings, exportedRecords, exportedTrees, type ExportedTree } from '@/db/queries/export'
import { groundUse } from '@/db/queries/limit'
import { sites } from '@/db/queries/site'
import { csvLine } from './csvLine'

/** Figures of a file, with what floating point adds to them left out. */
const figure = (value: number | null, digits = 6): number | null =>
  value === null ? null : Number(value.toFixed(digits))

interface Units {
  system: 'us' | 'metric'
}
const length = (m: number | null, small: boolean, { system }: Units) =>
  m === null ? null : figure(system === 'us' ? fromSI(m, small ? 'in' : 'ft') : small ? m * 100 : m, 4)
const unitOf = (small: boolean, { system }: Units) =>
  system === 'us' ? (small ? 'in' : 'ft') : small ? 'cm' : 'm'

function spotOf(t: ExportedTree): { latitude: number; longitude: number } | null {
  return t.placed && t.siteLatitude !== null && t.siteLongitude !== null
    ? onGlobe(t, { latitude: t.siteLatitude, longitude: t.siteLongitude })
    : null
}

/** Trees as a file of cells that can be read in again: headers name their units. */
export async function* treesCsv(sql: FirmSql, siteId: string | null, units: Units) {
  const [small, large] = [unitOf(true, units), unitOf(false, units)]
  yield csvLine([
    'id',
    'site',
    'tag',
    'kind',
    'listed as',
    'identity confirmed',
    `diameter (${small})`,
    'measured',
    'stage',
    'latitude',
    'longitude',
    `east (${large})`,
    `north (${large})`,
    `height (${large})`,
    `spread (${large})`,
    'live crown',
    'block',
    'planted',
    'note',
  ])
  for await (const t of exportedTrees(sql, siteId)) {
    const spot = spotOf(t)
    yield csvLine([
      t.id,
      t.site,
      t.tag,
      hostName(t.kind),
      t.listedAs,
      t.confirmed,
      length(t.diameterM, true, units),
      t.readAt,
      t.stage,
      figure(spot?.latitude ?? null, 7),
      figure(spot?.longitude ?? null, 7),
      t.placed ? length(t.eastM, false, units) : null,
      t.placed ? length(t.northM, false, units) : null,
      length(t.heightM, false, units),
      length(t.spreadM, false, units),
      t.crown,
      t.block,
      t.planted,
      t.note,
    ])
  }
}

/** Trees as features; one without a place on the globe has no geometry. Lengths in metres, as the format’s own. */
export async function* treesGeoJson(sql: FirmSql, siteId: string | null) {
  yield '{"type":"FeatureCollection","features":['
  let first = true
  for await (const t of exportedTrees(sql, siteId)) {
    const spot = spotOf(t)
    yield `${first ? '' : ','}\n${JSON.stringify({
      type: 'Feature',
      id: t.id,
      geometry: spot && { type: 'Point', coordinates: [figure(spot.longitude, 7), figure(spot.latitude, 7)] },
      properties: {
        tag: t.tag,
        site: t.site,
        kind: hostName(t.kind),
        listedAs: t.listedAs,
        identityConfirmed: t.confirmed,
        'diameter (cm)': length(t.diameterM, true, { system: 'metric' }),
        measured: t.readAt?.toISOString() ?? null,
        stage: t.stage,
        'height (m)': t.heightM,
        'spread (m)': t.spreadM,
        'live crown': t.crown,
        block: t.block,
        planted: t.planted,
        note: t.note,
      },
    })}`
    first = false
  }
  yield '\n]}\n'
}

/** Every reading of every stem, as it was typed and what it means. */
export async function* readingsCsv(sql: FirmSql, siteId: string | null, units: Units) {
  const small = unitOf(true, units)
  yield csvLine([
    'id',
    'site',
    'tree',
    'tag',
    'read',
    'by',
    'tape',
    'as typed',
    `diameter of the whole (${small})`,
    `diameters of stems (${small})`,
    'struck out because',
  ])
  for await (const r of exportedReadings(sql, siteId))
    yield csvLine([
      r.id,
      r.site,
      r.treeId,
      r.tag,
      r.readAt,
      r.readBy,
      r.tape,
      r.typed,
      length(Math.hypot(...r.stemsM), true, units),
      r.stemsM.map((m) => length(m, true, units)).join(' + '),
      r.struck,
    ])
}

/** Records as they were signed, a line of JSON each, in the order of the ledger. */
export async function* recordsJsonl(sql: FirmSql) {
  for await (const { signedAt, ...r } of exportedRecords(sql))
    yield `${JSON.stringify({ ...r, signedAt: signedAt.toISOString() })}\n`
}

interface Body {
  place?: { site?: string; town?: string }
  tree?: { tag?: string }
  target?: string
  method?: string
  product?: { name?: string; registration?: string | null; lot?: string | null }
  subjects?: { tree?: { tag?: string }; outcome?: string; amount?: number; activeKg?: number | null }[]
  kind?: string
  startedAt?: string
  endedAt?: string
  reentryUntil?: string | null
  applicator?: { name?: string; licence?: string }
}

/** Records as a file of cells: a line for each tree of each. The amounts are m³ of a liquid, kg of what is weighed, as they are signed. */
export async function* recordsCsv(sql: FirmSql) {
  yield csvLine([
    'record',
    'kind',
    'corrects',
    'signed',
    'signed by',
    'licence',
    'site',
    'target',
    'method',
    'product',
    'registration',
    'lot',
    'tree',
    'outcome',
    'amount',
    'of amount',
    'active (kg)',
    'began',
    'ended',
    'closed until',
    'hash',
  ])
  for await (const r of exportedRecords(sql)) {
    const b = r.body as Body
    const subjects = b.subjects ?? [{ tree: b.tree }]
    for (const s of subjects)
      yield csvLine([
        r.seq,
        r.kind,
        r.corrects,
        r.signedAt,
        r.signedBy,
        b.applicator?.licence,
        b.place?.site,
        b.target,
        b.method,
        b.product?.name,
        b.product?.registration,
        b.product?.lot,
        s.tree?.tag,
        s.outcome,
        s.amount,
        s.amount === undefined ? null : b.kind === 'weight' ? 'kg' : 'm3',
        s.activeKg,
        b.startedAt,
        b.endedAt,
        b.reentryUntil,
        r.hash,
      ])
  }
}

/** What of each active was put on each site in a year, and what is signed for it; kg. */
export async function* limitsCsv(sql: FirmSql, year: string) {
  yield csvLine([
    'site',
    'year',
    'active',
    'put on by us (kg)',
    'put on by others (kg)',
    'signed, not yet put on (kg)',
    'area (m2)',
  ])
  for (const archived of [false, true])
    for (const site of await sites(sql, archived)) {
      for (const use of await groundUse(sql, site.id, year))
        yield csvLine([
          site.name,
          year,
          use.active,
          figure(use.applied, 9),
          figure(use.others, 9),
          figure(use.planned, 9),
          figure(site.areaM2, 1),
        ])
    }
}
