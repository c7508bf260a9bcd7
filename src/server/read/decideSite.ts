import { causeName } from '@/almanac/causes'
import { hostName } from '@/almanac/hosts'
import { treatableOf } from '@/almanac/treatable'
import { judgeTreatable } from '@/core/decide/treatable'
import { HOUSE_MONEY } from '@/core/decide/siteMoney'
import { dateIn } from '@/core/time/calendar'
import { decidedOfTrees } from '@/db/queries/assessment'
import { blocksOfSite } from '@/db/queries/block'
import { moneyOfSite, screensOfTrees } from '@/db/queries/decideSite'
import { newestReadings } from '@/db/queries/reading'
import { siteById } from '@/db/queries/site'
import { treesToDecide } from '@/db/queries/tree'
import { MOST_DECIDED, proposalFor } from '../decide'
import { isId, reading } from './reader'

/** The trees of a site whose signed cause waits for a decision: what is proposed for each and why, and what money rests on. */
export function decideSiteView(siteId: string, block: string | null = null) {
  return reading(async ({ sql, now, person }) => {
    const site = isId(siteId) ? await siteById(sql, siteId) : undefined
    if (!site) return null
    const trees = await treesToDecide(sql, site.id, block, MOST_DECIDED)
    const ids = trees.map((t) => t.id)
    const decided = await decidedOfTrees(sql, ids)
    const screens = await screensOfTrees(sql, ids)
    const readings = await newestReadings(sql, ids)
    const money = await moneyOfSite(sql, site.id)
    return {
      site,
      block,
      blocks: await blocksOfSite(sql, site.id),
      today: dateIn(site.timeZone, now),
      units: person.units,
      timeZone: site.timeZone,
      money: money?.money ?? HOUSE_MONEY,
      moneyBy: money ? { by: money.by, at: money.at.getTime() } : null,
      trees: trees.flatMap((tree) => {
        const d = decided.find((x) => x.treeId === tree.id)
        if (!d) return []
        const screen = screens.find((s) => s.treeId === tree.id) ?? null
        const { action, reasons } = proposalFor(tree, d, d.seen, screen)
        const treatable = treatableOf(d.cause)
        const lost = tree.liveCrownPercent === null ? null : 100 - tree.liveCrownPercent
        const stems = readings.find((r) => r.treeId === tree.id)?.stemsM
        return [
          {
            id: tree.id,
            tag: tree.tag,
            kind: hostName(tree.host),
            diagnosisId: d.diagnosisId,
            cause: d.cause,
            causeName: causeName(d.cause),
            probability: d.probability,
            liveCrown: tree.liveCrownPercent,
            returned: tree.returned,
            proposed: action,
            reasons: reasons.map((r) => r.text),
            treatable,
            lost,
            grade: judgeTreatable(treatable, lost).grade,
            /** Metres; null where the trunk was not measured. */
            diameter: stems ? Math.hypot(...stems) : null,
          },
        ]
      }),
    }
  })
}

export type DecideSiteView = NonNullable<Awaited<ReturnType<typeof decideSiteView>>>
