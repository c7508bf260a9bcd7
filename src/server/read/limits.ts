import { activeKey } from '@/core/actives/actives'
import { yearlyLimit } from '@/core/limits/ground'
import { dateIn } from '@/core/time/calendar'
import { activesOnShelf, usesOnShelf } from '@/db/queries/card'
import { appliedByOthers, groundUse, useByDay, yearsOfUse } from '@/db/queries/limit'
import { siteById } from '@/db/queries/site'
import { isId, reading } from './reader'

/**
 * The ledger of yearly limits of a ground: by active what was put on by us and by others and what is planned, what each card
 * allows, and how the year went; with what others put on, to be noted.
 */
export function limitsView(siteId: string, asked: string | null) {
  return reading(async ({ sql, person, now }) => {
    const site = isId(siteId) ? await siteById(sql, siteId) : undefined
    if (!site) return null
    const today = dateIn(site.timeZone, now)
    const years = [...new Set([today.slice(0, 4), ...(await yearsOfUse(sql, site.id))])].sort().reverse()
    const year = asked !== null && years.includes(asked) ? asked : today.slice(0, 4)
    const [used, days, others, uses, actives] = await Promise.all([
      groundUse(sql, site.id, year),
      useByDay(sql, site.id, year),
      appliedByOthers(sql, site.id),
      usesOnShelf(sql),
      activesOnShelf(sql),
    ])
    const limits = new Map<string, Map<number, string[]>>()
    for (const { use, product } of uses) {
      const named = product.actives[0]?.name
      const perArea = yearlyLimit(use)
      if (named === undefined || !perArea?.ok) continue
      const active = activeKey(named)
      const byRate = limits.get(active) ?? new Map<number, string[]>()
      byRate.set(perArea.value, [...new Set([...(byRate.get(perArea.value) ?? []), product.name])])
      limits.set(active, byRate)
    }
    return {
      site,
      today,
      year,
      years,
      /** Every active that a card limits, and any other that was put on. */
      grounds: [...new Set([...limits.keys(), ...used.map((u) => u.active)])].sort().map((active) => {
        const rates = [...(limits.get(active) ?? [])].sort((a, b) => a[0] - b[0])
        return {
          ...(used.find((u) => u.active === active) ?? { applied: 0, others: 0, planned: 0 }),
          active,
          /** kg per m²; the least that any card allows. */
          perArea: rates[0]?.[0] ?? null,
          cards: rates.flatMap(([, names]) => names),
          days: days.filter((d) => d.active === active),
        }
      }),
      others: others.filter((o) => o.onDate.slice(0, 4) === year),
      actives,
      units: person.units,
    }
  })
}

export type LimitsView = NonNullable<Awaited<ReturnType<typeof limitsView>>>
