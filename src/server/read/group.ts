import { causeName } from '@/almanac/causes'
import { hostName } from '@/almanac/hosts'
import { yearlyLimit } from '@/core/limits/ground'
import { proposeRate } from '@/core/methods/proposeRate'
import { dateIn } from '@/core/time/calendar'
import { usesOnShelf } from '@/db/queries/card'
import { blocksOfSite } from '@/db/queries/block'
import { groundUse } from '@/db/queries/limit'
import { siteById } from '@/db/queries/site'
import { treesToPrescribe } from '@/db/queries/tree'
import { hoursAhead, HOURS_AHEAD, knownWeather } from '../weather/known'
import { mattersAt } from '../houseRule'
import { MOST_SUBJECTS } from '../prescribe'
import { cardSource, dayFor, readingSource, treesAtHand } from '../treesAtHand'
import { limitsAtHand } from '../limitsAtHand'
import { waysFor } from '../waysFor'
import { isId, reading } from './reader'
import { plainMarks } from './ring'

/**
 * The trees of a site that wait for a prescription, those of one cause together: each with its facts and with what stands
 * against each way; the ways there are; and what this year's limits leave on the ground.
 */
export function groupView(siteId: string, cause: string | null, block: string | null = null) {
  return reading(async (context) => {
    const { sql, person, now } = context
    const site = isId(siteId) ? await siteById(sql, siteId) : undefined
    if (!site) return null
    const today = dateIn(site.timeZone, now)
    const waiting = await treesToPrescribe(sql, site.id, block, MOST_SUBJECTS)
    const weather = await knownWeather(context, site.id)
    const uses = await usesOnShelf(sql)
    const hands = (await treesAtHand(context, waiting, uses, { weather })).filter(
      (h) => h.decided?.decidedOn === h.decided?.diagnosisId && h.decided !== null,
    )
    const counts = new Map<string, number>()
    for (const h of hands) counts.set(h.decided!.cause, (counts.get(h.decided!.cause) ?? 0) + 1)
    const causes = [...counts]
      .map(([id, trees]) => ({ id, name: causeName(id), trees }))
      .sort((a, b) => b.trees - a.trees || (a.name < b.name ? -1 : 1))
    const chosen = causes.find((c) => c.id === cause) ?? causes[0] ?? null
    const own = hands.filter((h) => h.decided!.cause === chosen?.id)
    const limits = await limitsAtHand(sql, site, uses, today, person.units)
    const ways = own.map((h) =>
      waysFor(h, uses, { on: today, units: person.units, action: h.decided!.action, limits }),
    )
    const named = new Map(ways.flat().map((w) => [w.id, w]))
    const day = dayFor(weather, site.timeZone, now, today)
    return {
      site,
      block,
      blocks: await blocksOfSite(sql, site.id),
      causes,
      cause: chosen,
      trees: own.map((h, i) => ({
        id: h.tree.id,
        tag: h.tree.tag,
        kind: hostName(h.tree.host),
        decisionId: h.decided!.decisionId!,
        facts: h.facts && { ...h.facts, marks: plainMarks(h.marks) },
        reading: h.reading ? readingSource(h.reading, site.timeZone) : '',
        askFood: h.host.edible ? null : (h.host.askFood ?? null),
        // A way that does not name this kind at all is closed for it too.
        closed: Object.fromEntries(
          [...named.keys()].map((useId) => {
            const way = ways[i]!.find((w) => w.id === useId)
            return [
              useId,
              way ? way.closed.map((c) => c.text) : ['The card does not name this kind of tree.'],
            ]
          }),
        ),
      })),
      ways: [...named.values()]
        .sort((a, b) => Number(a.opensOn !== null) - Number(b.opensOn !== null) || b.score - a.score)
        .map((w) => {
          const perArea = yearlyLimit(w.use)
          return {
            id: w.id,
            product: w.product,
            use: w.use,
            source: cardSource(w),
            reasons: w.reasons,
            opensOn: w.opensOn,
            /** kg; null where the card sets none or the ground’s size is not known. */
            limit: perArea?.ok && site.areaM2 !== null ? perArea.value * site.areaM2 : null,
          }
        }),
      matters: chosen
        ? await mattersAt(sql, {
            cause: chosen.id,
            hosts: [...new Set(own.map((h) => h.tree.host))],
            siteId: site.id,
            treeId: null,
          })
        : [],
      used: await groundUse(sql, site.id, today.slice(0, 4)),
      rate: proposedForAll(own.map((h) => h.tree.liveCrownPercent)),
      day,
      forecast: hoursAhead(weather, now, HOURS_AHEAD, site.hours),
      today,
      units: person.units,
    }
  })
}

/** One rate for all: high when most of them show it in the crown. */
function proposedForAll(live: readonly (number | null)[]): { choice: 0 | 1; why: string } {
  const high = live.filter(
    (l) => proposeRate({ crownLost: l === null ? null : 100 - l, diameter: null }).choice === 1,
  )
  return high.length * 2 > live.length
    ? { choice: 1, why: `${high.length} of ${live.length} show it in the crown.` }
    : { choice: 0, why: `Most of them, ${live.length - high.length} of ${live.length}, are hardly touched.` }
}

export type GroupView = NonNullable<Awaited<ReturnType<typeof groupView>>>
