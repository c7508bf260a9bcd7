import { activeKey } from '@/core/actives/actives'
import { eachActive } from '@/core/limits/counted'
import { groundLimit, refusedByGround, yearlyLimit } from '@/core/limits/ground'
import { overPlanned } from '@/core/limits/usedUp'
import type { GroundUse } from '@/core/limits/ground'
import type { Method } from '@/core/card/card'
import type { UseOf } from '@/core/methods/plan'
import { methodOf } from '@/core/methods/registry'
import { refuse, type Result } from '@/core/problem'
import type { UnitSystem } from '@/core/quantity/format'
import type { FirmSql } from '@/db/client'
import type { UseRow } from '@/db/queries/card'
import { groundUse, siteForChange } from '@/db/queries/limit'
import type { NewSubject } from '@/db/queries/prescription'
import { siteById } from '@/db/queries/site'
import type { Context } from './verb'

/** Refuses what goes beyond a card's yearly limit on the ground, over all trees of the prescription together. */
export async function refusedByLimits(
  { sql, person }: Pick<Context, 'sql' | 'person'>,
  siteId: string,
  onDate: string,
  items: readonly { row: UseRow; subjects: readonly Pick<NewSubject, 'plan'>[] }[],
): Promise<Result<never> | null> {
  const limited = items.filter((i) => i.row.use.limits?.activePerAreaYear && methodOf(i.row.use).onGround)
  if (limited.length === 0) return null
  await siteForChange(sql, siteId)
  const site = (await siteById(sql, siteId))!
  if (site.areaM2 === null)
    return refuse(
      'missing',
      'area',
      `How large ${site.name} is has not been entered, and the card allows only so much an acre a year. Enter its area first.`,
    )
  const year = onDate.slice(0, 4)
  const used = await groundUse(sql, siteId, year)
  // Whatever has the active in it counts toward its limit, also what sets none itself; the least that any card allows holds.
  const wanted = new Map<string, { kg: number; perArea: number }>()
  for (const { row } of limited) {
    const active = activeKey(row.product.actives[0]!.name)
    const perArea = yearlyLimit(row.use)!
    if (!perArea.ok) return perArea
    wanted.set(active, { kg: 0, perArea: Math.min(perArea.value, wanted.get(active)?.perArea ?? Infinity) })
  }
  for (const { row, subjects } of items.filter((i) => methodOf(i.row.use).onGround)) {
    const first = subjects.reduce((sum, s) => sum + (s.plan.active ?? 0), 0)
    for (const { active, kg } of eachActive(row.product.actives, first)) {
      const limit = wanted.get(active)
      if (limit) limit.kg += kg
    }
  }
  for (const [active, { kg, perArea }] of wanted) {
    const use = used.find((u) => u.active === active) ?? { active, applied: 0, others: 0, planned: 0 }
    const over = refusedByGround(kg, groundLimit(perArea, site.areaM2, use), use, year, person.units)
    if (over) return over
  }
  return null
}

/**
 * Why work that is planned may not go on as it stands, as all that is planned is more than its ground may get in the year; null while it fits.
 * What is read of a ground is read once.
 */
export function limitsPassed(sql: FirmSql, units: UnitSystem) {
  const read = new Map<string, Promise<{ areaM2: number | null; used: GroundUse[] }>>()
  const of = async (siteId: string, year: string) => ({
    areaM2: (await siteById(sql, siteId))?.areaM2 ?? null,
    used: await groundUse(sql, siteId, year),
  })
  return async (
    work: { use: UseOf<Method>; product: { actives: readonly { name: string }[] }; siteId: string },
    on: string,
  ): Promise<string | null> => {
    if (!work.use.limits?.activePerAreaYear || !methodOf(work.use).onGround) return null
    const key = `${work.siteId} ${on.slice(0, 4)}`
    if (!read.has(key)) read.set(key, of(work.siteId, on.slice(0, 4)))
    const { areaM2, used } = await read.get(key)!
    return areaM2 === null ? null : overPlanned(work, areaM2, used, on, units)
  }
}
