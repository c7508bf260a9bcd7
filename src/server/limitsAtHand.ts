import type { Refusal } from '@/core/gate/question'
import { usedUp } from '@/core/limits/usedUp'
import { methodOf } from '@/core/methods/registry'
import type { UnitSystem } from '@/core/quantity/format'
import type { UseRow } from '@/db/queries/card'
import { groundUse } from '@/db/queries/limit'
import type { FirmSql } from '@/db/client'

/** Which ways a ground’s yearly limits have closed: what stands against a card on a day, or null. */
export type LimitsAtHand = (row: UseRow, on: string) => Refusal | null

/** What is used of the yearly limits of a ground, this year and the next, held against cards; nothing is read where its size is not known, or no card sets a limit. */
export async function limitsAtHand(
  sql: FirmSql,
  site: { id: string; areaM2: number | null },
  uses: readonly UseRow[],
  today: string,
  units: UnitSystem,
): Promise<LimitsAtHand> {
  const { areaM2 } = site
  const limited = uses.some((u) => u.use.limits?.activePerAreaYear && methodOf(u.use).onGround)
  if (areaM2 === null || !limited) return () => null
  const year = Number(today.slice(0, 4))
  const used = new Map(
    await Promise.all(
      [year, year + 1].map(async (y) => [String(y), await groundUse(sql, site.id, String(y))] as const),
    ),
  )
  return (row, on) => {
    if (!methodOf(row.use).onGround) return null
    const found = usedUp(row, areaM2, used.get(on.slice(0, 4)) ?? [], on, units)
    return (
      found && {
        rule: 'count',
        code: 'over-label',
        field: 'limit',
        wayOut: 'Another way, or next year.',
        ...found,
      }
    )
  }
}
