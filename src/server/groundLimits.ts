import { groundLimit, refusedByGround, yearlyLimit } from '@/core/limits/ground'
import { methodOf } from '@/core/methods/registry'
import { refuse, type Result } from '@/core/problem'
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
  const wanted = new Map<string, { kg: number; perArea: number }>()
  for (const { row, subjects } of limited) {
    const active = row.product.actives[0]!.name
    const perArea = yearlyLimit(row.use)!
    if (!perArea.ok) return perArea
    const kg = subjects.reduce((sum, s) => sum + (s.plan.active ?? 0), 0)
    const before = wanted.get(active)
    wanted.set(active, {
      kg: kg + (before?.kg ?? 0),
      perArea: Math.min(perArea.value, before?.perArea ?? Infinity),
    })
  }
  for (const [active, { kg, perArea }] of wanted) {
    const use = used.find((u) => u.active === active) ?? { active, applied: 0, others: 0, planned: 0 }
    const over = refusedByGround(kg, groundLimit(perArea, site.areaM2, use), use, year, person.units)
    if (over) return over
  }
  return null
}
