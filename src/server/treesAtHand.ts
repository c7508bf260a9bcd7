import { causeFacts, hostFacts } from '@/almanac/gateFacts'
import { carriesOn, waysOf } from '@/almanac/ways'
import { host as hostOf } from '@/almanac/hosts'
import type { OwnEntry } from '@/almanac/ownEntry'
import { sayLine, type CardLines } from '@/core/card/line'
import type { CauseFacts, HostFacts } from '@/core/gate/question'
import { grouped } from '@/core/grouped'
import type { Use } from '@/core/history/use'
import type { DayFacts, TreeFacts } from '@/core/methods/facts'
import { isByPorts } from '@/core/methods/trunk-injection/isByPorts'
import { ROOTS_JOIN } from '@/core/gate/order'
import { eachHole } from '@/core/ports/marks'
import { toSI } from '@/core/quantity/units'
import type { StandingRule } from '@/core/rules/localRule'
import { dateIn, spokenDate } from '@/core/time/calendar'
import { decidedOfTrees, type DecidedRow } from '@/db/queries/assessment'
import type { UseRow } from '@/db/queries/card'
import { screensOfTrees, type ScreenRow } from '@/db/queries/decideSite'
import { earlierWork } from '@/db/queries/prescription'
import { newestReadings, type ReadingRow } from '@/db/queries/reading'
import { holesOfTrees, marksOfTrees, type MarkRow } from '@/db/queries/ring'
import type { FeatureRow } from '@/db/queries/plan'
import { listingsOfTrees, nearOfKind, type NearRow, type TreeRow } from '@/db/queries/tree'
import { spotOf } from '@/db/queries/weather'
import { ownOf } from './almanac'
import { useOf } from './historyOf'
import { placeAtHand, type PlaceAtHand } from './placeAtHand'
import { seasonAtHand, type SeasonAtHand } from './seasonAtHand'
import type { Reading } from './verb'
import { knownWeather, type KnownWeather } from './weather/known'

/** A tree with everything that a dose and its gate rest on. */
export interface TreeAtHand {
  tree: TreeRow
  reading: ReadingRow | null
  decided: DecidedRow | null
  /** Null without a reading. */
  facts: TreeFacts | null
  marks: MarkRow[]
  /** Everything that was, is or will be put on it. */
  history: Use[]
  water: ReturnType<PlaceAtHand['waterAt']>
  near: ReturnType<PlaceAtHand['nearAt']>
  /** A tree of the same kind stands so near that their roots may be joined; null where nothing asks for it. */
  joined: boolean | null
  /** What could break, over whom, as it was last screened. */
  screen: ScreenRow | null
  /** The rules of its place. */
  rules: readonly StandingRule[]
  today: string
  /** The outlines of its site. */
  features: readonly FeatureRow[]
  /** Of its site. */
  weather: KnownWeather | null
  /** Of its site, as far as the windows of the uses in question ask for it. */
  season: SeasonAtHand | null
  host: HostFacts
  /** What was signed, as the gate reads it; null while nothing is. */
  cause: CauseFacts | null
  /** Any cause on this kind of tree, as the gate reads it. */
  causeOf: (cause: string) => CauseFacts
  /** It lies south of the equator. */
  south: boolean
}

/** So long an injection protects a sound neighbour at most, ms. Source: handbook, how long it works. */
const PROTECTED_FOR = 3 * 365 * 86_400_000

/** Which neighbours of what carries on are sound and neither injected nor to be: what is sick itself is not protected. */
async function notProtected(
  { sql, now }: Pick<Reading, 'sql' | 'now'>,
  near: readonly NearRow[],
  own: readonly OwnEntry[],
): Promise<Set<string>> {
  const ids = [...new Set(near.map((n) => n.treeId))]
  if (ids.length === 0) return new Set()
  const since = new Date(now.getTime() - PROTECTED_FOR).toISOString().slice(0, 10)
  const [signed, work] = [await decidedOfTrees(sql, ids), await earlierWork(sql, ids)]
  const out = new Set([
    ...signed.flatMap((d) => (carriesOn(waysOf(d.cause, own)) ? [d.treeId] : [])),
    ...work.flatMap((w) =>
      isByPorts(w.use) && w.outcome !== 'not treated' && w.on >= since ? [w.treeId] : [],
    ),
  ])
  return new Set(ids.filter((id) => !out.has(id)))
}

/**
 * What is known of trees of one site, by as few questions as for one tree. `uses`: what they are held against, whose windows say what of the season
 * is read; `known` is what a page has read already.
 */
export async function treesAtHand(
  { sql, now, person }: Pick<Reading, 'sql' | 'now' | 'person'>,
  trees: TreeRow[],
  uses: readonly UseRow[],
  known?: {
    marks?: Awaited<ReturnType<typeof marksOfTrees>>
    holes?: Awaited<ReturnType<typeof holesOfTrees>>
    own?: readonly OwnEntry[]
    weather?: KnownWeather
  },
): Promise<TreeAtHand[]> {
  const ids = trees.map((t) => t.id)
  const site = trees[0]?.siteId
  const listings = await listingsOfTrees(sql, ids)
  const [readings, decided, marks, holes, place, own, earlier, screens, weather, season] = await Promise.all([
    newestReadings(sql, ids),
    decidedOfTrees(sql, ids),
    known?.marks ?? marksOfTrees(sql, ids),
    known?.holes ?? holesOfTrees(sql, ids),
    site === undefined ? null : placeAtHand(sql, site),
    known?.own ?? ownOf(sql),
    earlierWork(sql, [...listings.values()].flat()),
    screensOfTrees(sql, ids),
    known?.weather ?? (site === undefined ? null : knownWeather({ sql, now, person }, site)),
    site === undefined ? null : seasonAtHand({ sql, now }, site, uses),
  ])
  const byTree = <Row extends { treeId: string }>(rows: readonly Row[]) => grouped(rows, (r) => r.treeId)
  const [read, ringedOf, drilled, signedOf, worked, screened] = [
    byTree(readings),
    byTree(marks),
    byTree(holes),
    byTree(decided),
    byTree(earlier),
    byTree(screens),
  ]
  const causes = new Map(
    trees.flatMap((t) => {
      const signed = signedOf.get(t.id)?.[0]
      return signed ? [[t.id, causeFacts(signed.cause, t.host, own)] as const] : []
    }),
  )
  // Only where an order of works hangs on it.
  const joining = trees.flatMap((t) => (carriesOn(causes.get(t.id)?.ways ?? []) ? [t.id] : []))
  const near = await nearOfKind(sql, joining, ROOTS_JOIN)
  const bare = await notProtected({ sql, now }, near, own)
  const nearBy = grouped(near, (n) => n.of)
  return trees.map((tree) => {
    const today = dateIn(tree.timeZone, now)
    const cause = causes.get(tree.id) ?? null
    const reading = read.get(tree.id)?.[0] ?? null
    const ringed = ringedOf.get(tree.id) ?? []
    const signed = signedOf.get(tree.id)?.[0] ?? null
    const before = listings.get(tree.id)!.flatMap((listed) => worked.get(listed) ?? [])
    return {
      tree,
      reading,
      decided: signed,
      facts: reading && {
        ...trunkOf(tree.host, reading),
        marks: ringed,
        holes: eachHole(drilled.get(tree.id) ?? []),
        ...(nearBy.has(tree.id) && {
          bareNeighbours: nearBy.get(tree.id)!.flatMap((n) => (bare.has(n.treeId) ? [n.tag] : [])),
        }),
        rootsCut: before.flatMap((e) =>
          e.rootsCut === null ? [] : [{ on: e.on, percent: Number(e.rootsCut) || 0 }],
        ),
      },
      marks: ringed,
      // What is promised and late may go on on any day.
      history: before.map((e) => useOf(e, own)).filter((e) => e.to === undefined || e.to >= today),
      water: place?.waterAt(tree),
      near: place?.nearAt(tree) ?? [],
      joined: carriesOn(cause?.ways ?? []) ? nearBy.has(tree.id) : null,
      features: place?.features ?? [],
      weather,
      season,
      screen: screened.get(tree.id)?.[0] ?? null,
      rules: place?.rules ?? [],
      today,
      host: hostFacts(tree.host, own),
      cause,
      causeOf: (cause) => causeFacts(cause, tree.host, own),
      south: weather?.place ? spotOf(weather.place).latitude < 0 : false,
    }
  })
}

/** What a reading says of a trunk. */
export function trunkOf(host: string, reading: Pick<ReadingRow, 'stemsM' | 'tape'>) {
  return {
    host,
    wood: hostOf(host)?.wood ?? ('diffuse-porous' as const),
    stems: reading.stemsM.map((d) => (reading.tape === 'girth' ? { girth: d * Math.PI } : { diameter: d })),
    diameter: Math.hypot(...reading.stemsM),
  }
}

/**
 * The day work is for: of this hour when it is today, by what is known of the weather there; a later day is planned for fair weather, and its own hour
 * decides, as it does where nothing is known.
 */
export function dayFor(
  weather: KnownWeather | null,
  timeZone: string,
  now: Date,
  on: string,
): DayFacts & { source: string } {
  const fair = { on, soil: 'moist' as const, temperature: toSI(70, 'F') }
  if (on > dateIn(timeZone, now)) return { ...fair, source: 'fair weather; the hour itself decides' }
  const hour = weather?.at(now)
  if (!hour) return { ...fair, source: 'fair weather, as none is known here; the hour itself decides' }
  return {
    on,
    soil: hour.soil,
    temperature: hour.temperature,
    source: hour.readBy
      ? `read at the site by ${hour.readBy.name}`
      : weather?.madeUp
        ? 'simulated weather of the hour'
        : 'weather of the hour',
  }
}

/** How a working names a reading. */
export function readingSource(reading: ReadingRow, timeZone: string): string {
  return `tape reading, ${spokenDate(dateIn(timeZone, reading.readAt))}`
}

/** How a working names a card. */
export function cardSource({
  product,
  card,
}: {
  product: { code: string; version: number }
  card?: CardLines
}): string {
  return [`card ${product.code} v${product.version}`, ...(card ? [sayLine(card)] : [])]
    .filter(Boolean)
    .join(', ')
}
