import { METHOD_NAME, sayMethods } from '@/core/methods/names'
import { hasIt } from '@/core/diagnose/weigh'
import { isOf } from '@/core/kind/kind'
import { cause, causeName } from '@/almanac/causes'
import { hostName } from '@/almanac/hosts'
import { phenologyOf, SITE_SUM, TARGETS, WETTINGS, type WarmthTarget } from '@/almanac/season'
import type { Method } from '@/core/card/card'
import { TURN_NAME } from '@/core/plan/turn'
import { closures } from '@/core/season/closures'
import { blightDays } from '@/core/season/fireBlight'
import { AFTER_PETAL_FALL_DAYS, coverOver, scabSeason, type Cover } from '@/core/season/scabSeason'
import type { StageDay } from '@/core/season/stages'
import { targetDays } from '@/core/season/targets'
import { wettings } from '@/core/season/wetting'
import { daysAhead, yearBegins } from '@/core/season/year'
import { type HourReason } from '@/core/methods/hourReasons'
import { usualSprayHours } from '@/core/methods/hours'
import { readQuantity } from '@/core/quantity/parse'
import { addDays, dateIn, daysBetween } from '@/core/time/calendar'
import { beginOf } from '@/core/time/zone'
import { placeHours, type PlaceHour } from '@/core/weather/placeDays'
import { wetHours } from '@/core/weather/wetness'
import { blocksOfSite } from '@/db/queries/block'
import { dueAgain } from '@/db/queries/occurrence'
import {
  closingOn,
  coversOn,
  doneOn,
  kindsOn,
  plannedOn,
  promisedOn,
  stagesSeen,
  usesWaitingOn,
  type Ground,
  type SeenRow,
} from '@/db/queries/season'
import { siteById } from '@/db/queries/site'
import { treeById } from '@/db/queries/tree'
import { hoursEnteredAt } from '@/db/queries/hoursEntered'
import { spotOf, weatherOfSite, weatherReadings } from '@/db/queries/weather'
import { hoursAhead, HOURS_AHEAD, knownWeather, type KnownWeather } from '../weather/known'
import { PAST_YEARS } from '../weather/refresh'
import { pastFrom, stagesIn, yearsOf } from '../yearsOf'
import { seasonAtHand } from '../seasonAtHand'
import { isId, reading } from './reader'

/** No label keeps longer before a harvest. */
const LONGEST_CLOSED_MS = 366 * 86_400_000

/** What stands on the ribbon on a day. */
export interface Pin {
  on: string
  kind: 'done' | 'planned' | 'due' | 'promised'
  words: string
  href: string
}

/**
 * The year of a site, or of a block or a tree of it: warmth against the usual one, stages, what comes with the warmth, the days of cards that wait for
 * theirs, work, weather, and the risk of scab and fire blight. Null where there is no such ground.
 */
export function seasonView(siteId: string, part: { block?: string | null; treeId?: string | null } = {}) {
  return reading(async (context) => {
    const { sql, person, now } = context
    const site = isId(siteId) ? await siteById(sql, siteId) : undefined
    if (!site) return null
    const blocks = await blocksOfSite(sql, site.id)
    const tree = part.treeId && isId(part.treeId) ? await treeById(sql, part.treeId) : undefined
    if (part.treeId && tree?.siteId !== site.id) return null
    const block = part.block ?? null
    if (block !== null && !blocks.some((b) => b.name === block)) return null
    const ground: Ground = { siteId: site.id, block, treeId: tree?.id ?? null }
    const today = dateIn(site.timeZone, now)
    const weather = await knownWeather(context, site.id, {
      from: pastFrom(today),
    })
    const spot = weather.place && spotOf(weather.place)
    const from = yearBegins(spot?.latitude ?? 1, today)
    const to = addDays(`${Number(from.slice(0, 4)) + 1}${from.slice(4)}`, -1)
    const day = daysBetween(from, today)
    const [kinds, seen] = [await kindsOn(sql, ground), await stagesSeen(sql, site.id, from)]
    const warmths = yearsOf(weather.days, from, to)
    const main = warmths(SITE_SUM)
    const hosts = new Set(kinds.map((k) => k.host))
    const stages = kinds.flatMap(({ host }) => {
      const timed = phenologyOf(host)
      if (!timed) return []
      const { known, past } = warmths(timed.sum)
      const own = seen.filter((s) => s.kind === host)
      return [
        {
          kind: host,
          name: hostName(host),
          stages: stagesIn(timed, own, { begins: from, day, known, past }),
          seen: own,
        },
      ]
    })
    const waiting = await usesWaitingOn(sql, ground)
    const season = await seasonAtHand(
      context,
      site.id,
      waiting.map((use) => ({ use })),
      { begins: from, day, warmths, seen },
    )
    return {
      site,
      /** What of the site it is about. */
      block,
      tree: tree ? { id: tree.id, tag: tree.tag } : null,
      blocks: blocks.map((b) => b.name),
      today,
      from,
      to,
      day,
      now: now.getTime(),
      units: person.units,
      weather: {
        place: weather.place,
        askedAt: weather.askedAt,
        madeUp: weather.madeUp,
        /** Of the past years that the usual one is made of, how many are here. */
        pastYears: main.past.filter((p) => p[0] !== null && p[0] !== undefined).length,
        pastYearsMeant: PAST_YEARS,
      },
      warmth: {
        base: SITE_SUM.base,
        known: main.known,
        usual: main.usual,
        ahead: daysAhead(main.known, day, main.usual),
      },
      stages,
      targets: TARGETS.filter((t) => [...hosts].some((h) => comesTo(t, h))).map((t) => ({
        id: t.id,
        name: t.name,
        causes: t.causes.map(causeName),
        ...targetDays(
          { ...t, since: t.since === undefined ? undefined : sinceOf(t.since, seen, from) },
          { known: main.known, day, past: main.past },
        ),
        seen: seen.find((s) => s.kind === t.id) ?? null,
      })),
      /** The days on which what waits for its day may go on. */
      windows: waiting.flatMap((w) =>
        w.hosts.map((host) => ({
          card: w.card,
          method: METHOD_NAME[w.method].toLowerCase(),
          window: w.window,
          kind: hostName(host),
          stretches: season.stretches(host, w.window, from, to).map((s) => ({
            from: daysBetween(from, s.from),
            to: daysBetween(from, s.to) + 1,
            sure: s.sure,
          })),
        })),
      ),
      pins: await pinsOf(context, site, ground, { from, to }),
      /** What is or was closed by what went on, in days of this year. */
      closed: closures(
        await closingOn(sql, ground, new Date(beginOf(site.timeZone, from) - LONGEST_CLOSED_MS)),
        beginOf(site.timeZone, from),
      ).map((c) => ({ ...c, host: c.host === null ? null : hostName(c.host) })),
      /** What was read here since yesterday, the newest first. */
      entered: await hoursEnteredAt(sql, site.id, new Date(now.getTime() - 7 * 86_400_000)),
      readings: await weatherReadings(sql, site.id, new Date(now.getTime() - 24 * 3_600_000)),
      ten: tenDays(weather, today),
      hours: hoursShown(weather, now),
      ...(await risksOf(context, { site, ground, weather, stages, from, today })),
    }
  })
}

/** What a target is counted from: where it is looked for, and the day of the year on which it was first seen at this site. */
function sinceOf(id: string, seen: readonly SeenRow[], begins: string) {
  const first = seen.find((s) => s.kind === id)
  return {
    from: TARGETS.find((t) => t.id === id)!.from,
    seenDay: first ? daysBetween(begins, first.seenOn) : null,
  }
}

export type SeasonView = NonNullable<Awaited<ReturnType<typeof seasonView>>>
export type { SeenRow, StageDay }

type Context = Parameters<typeof knownWeather>[0] & { today: string }

/** Work and promises of a site between two days. */
async function pinsOf(
  { sql }: Context,
  site: { id: string; timeZone: string },
  ground: Ground,
  { from, to }: { from: string; to: string },
): Promise<Pin[]> {
  const trees = (n: number) => `${n} ${n === 1 ? 'tree' : 'trees'}`
  const method = (m: string) => METHOD_NAME[m as Method].toLowerCase()
  const [done, jobs, due, promised] = [
    await doneOn(sql, ground, site.timeZone, { from, to }),
    await plannedOn(sql, ground, to),
    await dueAgain(sql, to, { limit: 400, ...ground }),
    await promisedOn(sql, ground, { from, to }),
  ]
  return [
    ...done.map((d) => ({
      on: d.on,
      kind: 'done' as const,
      words: `${d.card}, ${method(d.method)}, ${trees(d.trees)}`,
      href: `/run/${d.jobId}`,
    })),
    ...jobs.map((j) => ({
      on: j.on,
      kind: 'planned' as const,
      words: `${sayMethods(j.methods)}, ${trees(j.trees)}`,
      href: `/run/${j.jobId}`,
    })),
    ...due.map((d) => ({
      on: d.dueFrom,
      kind: 'due' as const,
      words: `${d.cardName} again against ${causeName(d.cause).toLowerCase()}${ground.block === null && ground.treeId === null ? `, ${trees(d.trees)}` : ''}`,
      href: '/run',
    })),
    ...promised.map((p) => ({
      on: p.on,
      kind: 'promised' as const,
      words: `${p.what}${p.trees > 1 ? `, and ${p.trees - 1} more` : ''} (${TURN_NAME[p.turn].toLowerCase()})`,
      href: `/turn?site=${site.id}`,
    })),
  ].sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0))
}

/** The next ten days, each in a line. */
function tenDays(weather: KnownWeather, today: string) {
  return weather.days
    .filter((d) => d.date >= today)
    .slice(0, 10)
    .map((d) => ({
      date: d.date,
      min: d.min,
      max: d.max,
      rain: d.rain,
      chance: Math.max(0, ...(d.hours?.chance ?? []).map((c) => c ?? 0)),
      soil: weather.soilOn(d.date),
    }))
}

/** The hours of the nearest zoom, and what stands against a spray in each by the usual limits. */
function hoursShown(weather: KnownWeather, now: Date) {
  const ahead = hoursAhead(weather, now, HOURS_AHEAD)
  const held = usualSprayHours(ahead)
  const reasons = (i: number): HourReason[] => (held.ok ? held.value[i]!.reasons : ['not known'])
  return ahead.map((h, i) => ({ ...h, reasons: reasons(i) }))
}

/** Whether a target is watched for on a kind: it is named, and one of its causes is known from it. */
const comesTo = (t: WarmthTarget, kind: string) =>
  isOf(t.hosts, kind) && t.causes.some((c) => hasIt(cause(c) ?? { hosts: '*' }, kind))

/** Days of the bloom that are past and still shown. */
const LOOKED_BACK = 5

const SCAB_HOSTS = ['apple', 'crabapple']
const BLIGHT_HOSTS = ['apple', 'crabapple', 'pear']

/** The wet spells of the seasons of scab, rust and leaf curl with what is left of the cover, and the days of the bloom with the risk of fire blight; null out of season. */
async function risksOf(
  { sql, person }: Context,
  {
    site,
    ground,
    weather,
    stages,
    from,
    today,
  }: {
    site: { id: string; timeZone: string }
    ground: Ground
    weather: KnownWeather
    stages: { kind: string; stages: StageDay[] }[]
    from: string
    today: string
  },
) {
  const none = { scab: null, cover: null, blight: null, wettings: [] }
  const spot = weather.place && spotOf(weather.place)
  const day = daysBetween(from, today)
  const begins = (kinds: readonly string[], stage: string) => {
    const days = stages
      .filter((s) => isOf(kinds, s.kind))
      .flatMap((s) => s.stages.find((x) => x.stage === stage)?.begins.day ?? [])
    return days.length > 0 ? Math.min(...days) : null
  }
  const tip = begins(SCAB_HOSTS, 'green tip')
  const fall = begins(SCAB_HOSTS, 'petal fall')
  const bloom = begins(BLIGHT_HOSTS, 'bloom')
  const bloomEnds = begins(BLIGHT_HOSTS, 'petal fall')
  const wetted = WETTINGS.flatMap((target) => {
    const first = begins(target.hosts, target.from)
    const until = begins(target.hosts, target.until.stage)
    return first === null
      ? []
      : [{ target, first, last: until === null ? day + 10 : until + target.until.days }]
  }).filter((w) => w.first <= day + 10 && w.last >= day - 20)
  const firstDay = Math.min(tip ?? 400, bloom ?? 400, ...wetted.map((w) => w.first))
  const lastDay = Math.max(
    fall === null ? 0 : fall + AFTER_PETAL_FALL_DAYS,
    bloomEnds ?? 0,
    ...wetted.map((w) => w.last),
  )
  if (!spot || firstDay > day + 10 || lastDay < day - 20) return none
  const [a, b] = [addDays(from, firstDay), addDays(from, Math.min(lastDay, day + 10))]
  const { days } = await weatherOfSite(sql, site.id, { from: a, to: b, hoursFrom: a, hoursTo: b })
  const hours = days.flatMap((d) =>
    d.hours ? placeHours({ ...d, hours: d.hours }, spot, site.timeZone) : [],
  )
  const inScab =
    tip !== null && tip <= day + 10 && (fall === null || fall + AFTER_PETAL_FALL_DAYS >= day - 20)
  const covers = inScab
    ? await coversOn(sql, ground, ['apple-scab', 'cedar-apple-rust'], new Date(hours[0]?.at ?? 0))
    : []
  const read = covers.flatMap((c): Cover[] => {
    const washOff = readQuantity(c.washOff, 'length', 'washOff')
    return washOff.ok ? [{ ...c, washOff: washOff.value.si }] : []
  })
  const between = (first: number, last: number) =>
    hours.filter(
      (h) => h.time.slice(0, 10) >= addDays(from, first) && h.time.slice(0, 10) <= addDays(from, last),
    )
  const scabHours = inScab ? between(tip, fall === null ? lastDay : fall + AFTER_PETAL_FALL_DAYS) : []
  const left = coverOver(scabHours, read)
  const dailyLeft = new Map<string, number>()
  for (const l of left?.left ?? []) dailyLeft.set(dateIn(site.timeZone, new Date(l.at)), l.percent)
  return {
    scab: inScab
      ? {
          from: addDays(from, tip),
          to: addDays(from, fall === null ? lastDay : fall + AFTER_PETAL_FALL_DAYS),
          spells: scabSeason(scabHours, read, person.units).filter((s) => s.hours > 2),
        }
      : null,
    cover: left && {
      card: covers.at(-1)!.card,
      at: covers.at(-1)!.at,
      /** What is left at the end of each day. */
      days: [...dailyLeft].filter(([date]) => date >= today).slice(0, 10),
      renewBy: left.renewBy,
      renewFrom: left.renewFrom,
    },
    wettings: wetted.map(({ target, first, last }) => ({
      id: target.id,
      name: target.name,
      when: target.when,
      then: target.then,
      within: target.within,
      rain: target.rain,
      from: addDays(from, first),
      to: addDays(from, last),
      spells: wettings(between(first, last), target, person.units),
    })),
    blight:
      bloom === null || bloom > day + 10 || (bloomEnds !== null && bloomEnds < day - LOOKED_BACK)
        ? null
        : bloomOf(hours, {
            first: addDays(from, bloom),
            ends: bloomEnds === null ? null : addDays(from, bloomEnds),
            since: addDays(today, -LOOKED_BACK),
          }),
  }
}

/** The risk of fire blight day by day from first bloom on. */
function bloomOf(
  hours: readonly PlaceHour[],
  { first, ends, since }: { first: string; ends: string | null; since: string },
) {
  const wet = wetHours(hours)
  const dates = [...new Set(hours.map((h) => h.time.slice(0, 10)))].filter((d) => ends === null || d <= ends)
  const days = dates.map((date) => {
    const own = hours.flatMap((h, i) => (h.time.startsWith(date) ? [{ h, wet: wet[i]! }] : []))
    return {
      hours: own.flatMap(({ h }) => h.temperature ?? []),
      rain: own.reduce((sum, { h }) => sum + (h.rain ?? 0), 0),
      wetted: own.some((o) => o.wet),
    }
  })
  const at = dates.indexOf(first)
  if (at < 0) return null
  return blightDays(days, { first: at, last: dates.length - 1 })
    .map((d, i) => ({ date: dates[i]!, ...d }))
    .slice(at)
    .filter((d) => d.date >= since)
}
