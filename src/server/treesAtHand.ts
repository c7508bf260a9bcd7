import { grouped } from '@/core/grouped'
import type { DayFacts, EarlierWork, TreeFacts } from '@/core/methods/facts'
import { cause as causeOf } from '@/almanac/causes'
import { host as hostOf } from '@/almanac/hosts'
import { treatableOf } from '@/almanac/treatable'
import { waysOf } from '@/almanac/ways'
import type { Way as KnownWay } from '@/core/decide/way'
import { namesHost } from '@/core/card/namesHost'
import { ASKED_AT_SIGNING, feedsOnly, gate, namesCause, said, type Refusal } from '@/core/methods/gate'
import { merit } from '@/core/methods/merit'
import type { UseOf } from '@/core/methods/plan'
import { isSpray, methodOf } from '@/core/methods/registry'
import type { Method } from '@/core/card/card'
import { eachHole } from '@/core/ports/marks'
import type { StandingRule } from '@/core/rules/localRule'
import type { InWindow } from '@/core/season/cardWindow'
import type { Length } from '@/core/quantity/units'
import { toSI } from '@/core/quantity/units'
import { dateIn, spokenDate } from '@/core/time/calendar'
import { decidedOfTrees, type DecidedRow } from '@/db/queries/assessment'
import type { UseRow } from '@/db/queries/card'
import { earlierWork, type EarlierRow } from '@/db/queries/prescription'
import { screensOfTrees, type ScreenRow } from '@/db/queries/decideSite'
import { newestReadings, type ReadingRow } from '@/db/queries/reading'
import { holesOfTrees, marksOfTrees, type MarkRow } from '@/db/queries/ring'
import type { FeatureRow } from '@/db/queries/site'
import { listingsOfTrees, type TreeRow } from '@/db/queries/tree'
import { hostsOf, type OwnEntry } from '@/almanac/ownEntry'
import { kindOf, ownOf } from './almanac'
import { placeAtHand } from './placeAtHand'
import { screenedDanger, signsOfDanger } from './seen'
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
  earlier: EarlierWork[]
  water: { distance: Length; what: string } | null
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
  kind: ReturnType<typeof kindOf>
  /** What the almanac and the firm know of working on the cause that was signed. */
  ways: readonly KnownWay[]
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
  return trees.map((tree) => {
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
        rootsCut: before.flatMap((e) =>
          e.rootsCut === null ? [] : [{ on: e.on, percent: Number(e.rootsCut) || 0 }],
        ),
      },
      marks: ringed,
      earlier: before.map(earlierOf),
      water: place?.waterAt(tree) ?? null,
      features: place?.features ?? [],
      weather,
      season,
      screen: screened.get(tree.id)?.[0] ?? null,
      rules: place?.rules ?? [],
      today: dateIn(tree.timeZone, now),
      kind: kindOf(tree.host, hostsOf(own)),
      ways: signed === null ? [] : waysOf(signed.cause, own),
    }
  })
}

function earlierOf(e: EarlierRow): EarlierWork {
  const { use, product } = e
  return {
    on: e.on,
    cause: e.cause,
    code: product.code,
    name: product.name,
    actives: product.actives.map((a) => a.name),
    from: e.seq === null ? 'with the crew' : `record ${e.seq}`,
    amount: e.amount,
    treated: e.outcome === null || e.outcome === 'treated',
    recorded: e.seq !== null,
    atWorkDays: methodOf(use).atWorkDays(use),
    failed: e.failed,
    sprayed: isSpray(use.method),
    feeds: feedsOnly(product.actives),
  }
}

const inAlmanac = ({ method }: UseOf<Method>, ways: readonly KnownWay[]) =>
  ways.some((w) => w.method === method)

/** What a reading says of a trunk. */
export function trunkOf(host: string, reading: Pick<ReadingRow, 'stemsM' | 'tape'>) {
  return {
    host,
    wood: hostOf(host)?.wood ?? ('diffuse-porous' as const),
    stems: reading.stemsM.map((d) => (reading.tape === 'girth' ? { girth: d * Math.PI } : { diameter: d })),
    diameter: Math.hypot(...reading.stemsM),
  }
}

/** How a day lies to the window of a use, at a tree. */
const inWindowOf = (hand: TreeAtHand, use: UseOf<Method>, on: string): InWindow =>
  use.window === undefined || !hand.season
    ? { is: 'open' }
    : hand.season.inWindow(hand.tree.host, use.window, on)

/** Why a use may not go on a tree on a day, all of it. */
export function gateOf(
  hand: TreeAtHand,
  { use, product }: UseRow,
  q: { on: string; eaten: boolean | null; harvestOn: string | null; units: 'us' | 'metric' },
): Refusal[] {
  const seen = hand.decided?.seen ?? {}
  const there = (finding: string) => seen[finding] === 'there'
  const cause = hand.decided ? causeOf(hand.decided.cause) : undefined
  return gate({
    use,
    card: product,
    on: q.on,
    cause: hand.decided?.cause ?? '',
    inAlmanac: inAlmanac(use, hand.ways),
    tree: {
      host: hand.tree.host,
      edible: hand.kind?.edible ?? false,
      askFood: hand.kind?.askFood,
      eaten: q.eaten,
      noNeonicotinoid: hand.kind?.noNeonicotinoid,
      kindOpen: !hand.tree.identityConfirmedAt && hostOf(hand.tree.host)?.confusedWith !== undefined,
      liveCrown: hand.tree.liveCrownPercent,
      unsafe: [...signsOfDanger(seen), ...screenedDanger(hand.screen)],
      dry: there('soil-dry') || there('leaf-fold-crisp'),
      saturated: there('soil-wet'),
    },
    refuses: cause?.refuses,
    treatable: treatableOf(hand.decided?.cause ?? ''),
    window: inWindowOf(hand, use, q.on),
    water: hand.water,
    harvestOn: q.harvestOn,
    earlier: hand.earlier,
    rules: hand.rules,
    today: hand.today,
    units: q.units,
  })
}

/** Why work that was signed may not be done at a tree on another day, or undefined; who eats of it was answered when it was signed. */
export function closedOn(
  hand: TreeAtHand,
  row: UseRow,
  q: { on: string; harvestOn: string | null; units: 'us' | 'metric' },
): Refusal | undefined {
  return gateOf(hand, row, { ...q, eaten: null }).find((r) => !ASKED_AT_SIGNING.includes(r.field))
}

/** A tree without the work that is to be moved from a day: what is moved is not in its own way. `on` null: it stands on none. */
export function outOfItsOwnWay(hand: TreeAtHand, moved: { on: string | null; code: string }): TreeAtHand {
  return {
    ...hand,
    earlier: hand.earlier.filter((e) => e.recorded || e.on !== moved.on || e.code !== moved.code),
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
export function cardSource(product: { code: string; version: number }): string {
  return `card ${product.code} v${product.version}`
}

/** A way as it is offered for a tree: a use on the shelf, what stands against it, and why it stands where it does. */
export interface Way extends UseRow {
  source: string
  /** Empty when it may be chosen. What is only still to be asked, such as who eats of it, is no refusal. */
  closed: { rule: string; text: string }[]
  reasons: string[]
  /** The first day on which its card lets it go on, where that is not the day asked about. */
  opensOn: string | null
  /** By merit; the greater stands first. */
  score: number
}

/**
 * Every use on the shelf that names a tree's signed cause and kind: first those that may be chosen, in order of merit, those for a later day after
 * those for this one; then the closed ones with what would open them.
 */
export function waysFor(
  hand: TreeAtHand,
  uses: readonly UseRow[],
  q: { on: string; units: 'us' | 'metric'; action: string | null },
): Way[] {
  const { decided, tree } = hand
  if (!decided) return []
  return uses
    .filter(
      (u) => namesHost(u.use, tree.host) && namesCause(u.use, decided.cause, inAlmanac(u.use, hand.ways)),
    )
    .map((u) => {
      const refused = gateOf(hand, u, { on: q.on, eaten: null, harvestOn: null, units: q.units }).filter(
        (r) => !ASKED_AT_SIGNING.includes(r.field),
      )
      // A day outside its window is only the wrong day: it can be chosen for the right one.
      const wrongDay = refused.find((r) => r.next !== undefined)
      const closed: Way['closed'] = refused
        .filter((r) => r !== wrongDay)
        .map((r) => ({ rule: r.rule, text: said(r) }))
      if (q.action === 'care' && methodOf(u.use).systemic)
        closed.unshift({
          rule: 'decision',
          text: 'The decision is to care for this tree; a systemic is not part of that. Decide anew to treat.',
        })
      const { score, reasons } = merit(u.use, {
        girdles: causeOf(decided.cause)?.girdles ?? false,
        ways: hand.ways,
        feeds: feedsOnly(u.product.actives),
      })
      const window = inWindowOf(hand, u.use, q.on)
      const season = wrongDay
        ? [said(wrongDay)]
        : window.is === 'maybe'
          ? [`goes on ${u.use.window}: ${window.why}, look at the tree`]
          : []
      return {
        ...u,
        source: cardSource(u.product),
        closed,
        reasons: [...reasons, ...season],
        opensOn: wrongDay?.next ?? null,
        score,
      }
    })
    .sort(
      (a, b) =>
        Number(a.closed.length > 0) - Number(b.closed.length > 0) ||
        Number(a.opensOn !== null) - Number(b.opensOn !== null) ||
        b.score - a.score,
    )
}
