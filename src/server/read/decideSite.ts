import { METHOD_NAME } from '@/core/methods/names'
import { activeKey } from '@/core/actives/actives'
import { fits, lineBefore } from '@/core/card/line'
import { groundLimit, yearlyLimit } from '@/core/limits/ground'
import { planSubject } from '@/core/methods/registry'
import type { FirmSql } from '@/db/client'
import { usesOnShelf } from '@/db/queries/card'
import { groundUse } from '@/db/queries/limit'
import type { ReadingRow } from '@/db/queries/reading'
import type { TreeRow } from '@/db/queries/tree'
import { trunkOf } from '../treesAtHand'
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
import { ownOf } from '../almanac'
import { MOST_DECIDED, proposalFor } from '../decide'
import { isId, reading } from './reader'

/** A mild day, °C: how long a dose takes does not bear on how much it is. */
const MILD = 20

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
    const own = await ownOf(sql)
    const limited = await limitedWays(
      sql,
      site,
      dateIn(site.timeZone, now),
      trees.flatMap((tree) => {
        const d = decided.find((x) => x.treeId === tree.id)
        const r = readings.find((x) => x.treeId === tree.id)
        return d && r ? [{ tree, cause: d.cause, reading: r }] : []
      }),
    )
    return {
      site,
      block,
      blocks: await blocksOfSite(sql, site.id),
      today: dateIn(site.timeZone, now),
      units: person.units,
      timeZone: site.timeZone,
      limited,
      money: money?.money ?? HOUSE_MONEY,
      moneyBy: money ? { by: money.by, at: money.at.getTime() } : null,
      trees: trees.flatMap((tree) => {
        const d = decided.find((x) => x.treeId === tree.id)
        if (!d) return []
        const screen = screens.find((s) => s.treeId === tree.id) ?? null
        const { action, reasons } = proposalFor(tree, d, d.seen, screen, own)
        const treatable = treatableOf(d.cause, tree.host)
        const lost = tree.liveCrownPercent === null ? null : 100 - tree.liveCrownPercent
        const stems = readings.find((r) => r.treeId === tree.id)?.stemsM
        return [
          {
            id: tree.id,
            tag: tree.tag,
            kind: hostName(tree.host),
            diagnosisId: d.diagnosisId,
            /** What was decided on it before. */
            over: d.decidedOn === d.diagnosisId ? d.decisionId : null,
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

/**
 * The ways of the shelf that a yearly limit of the ground binds: what is left of it, and what each tree would take at the middle
 * rate; only those that name some of the trees and causes.
 */
async function limitedWays(
  sql: FirmSql,
  site: { id: string; areaM2: number | null },
  today: string,
  trees: readonly { tree: TreeRow; cause: string; reading: ReadingRow }[],
) {
  const { areaM2 } = site
  if (areaM2 === null || trees.length === 0) return []
  const used = await groundUse(sql, site.id, today.slice(0, 4))
  return (await usesOnShelf(sql)).flatMap(({ use, product, id, card }) => {
    const perArea = yearlyLimit(use)
    const named = product.actives[0]?.name
    if (!perArea?.ok || named === undefined) return []
    const active = activeKey(named)
    const each = trees.flatMap(({ tree, cause, reading }) => {
      const at = { host: tree.host, cause }
      if (use.targets.length === 0 || !fits(use, at) || (card && lineBefore(card, at) !== null)) return []
      const planned = planSubject({
        use,
        tree: { ...trunkOf(tree.host, reading), marks: [], holes: [] },
        day: { on: today, soil: 'moist', temperature: MILD },
        choice: 0.5,
        given: {},
        units: 'us',
        sources: { reading: '', label: '', weather: '' },
      })
      return planned.ok && planned.value.plan.active ? [[tree.id, planned.value.plan.active] as const] : []
    })
    if (each.length === 0) return []
    const stands = used.find((u) => u.active === active) ?? { applied: 0, others: 0, planned: 0 }
    return [
      {
        id,
        name: `${METHOD_NAME[use.method]}, ${product.name}`,
        active,
        left: Math.max(0, groundLimit(perArea.value, areaM2, stands).left),
        each: Object.fromEntries(each),
      },
    ]
  })
}

export type DecideSiteView = NonNullable<Awaited<ReturnType<typeof decideSiteView>>>
