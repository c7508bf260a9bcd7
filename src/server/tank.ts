import { isFromTank } from '@/core/methods/crown-spray/isFromTank'
import { v7 as uuidv7 } from 'uuid'
import { inOneTank, whyNotOneTank, type Tanked } from '@/core/methods/crown-spray/tank'
import type { Planned, UseOf } from '@/core/methods/plan'
import { ok, refuse, type Result } from '@/core/problem'
import type { UseRow } from '@/db/queries/card'
import type { NewItem } from '@/db/queries/prescription'

type Item = NewItem & { row: UseRow }

const tanked = ({ use, product }: UseRow): Tanked => ({
  use: use as UseOf<'crown-spray'>,
  name: product.name,
  actives: product.actives,
})

/**
 * Items that come out of one tank, by the number the hand gave each: their labels allow it, they are sprays of the same trees
 * equally often, and the same spray carries all of them. What stands alone under its number is put on by itself.
 */
export function intoTanks(
  items: readonly Item[],
  numbers: readonly (number | null)[],
  units: 'us' | 'metric',
): Result<Item[]> {
  let all = [...items]
  for (const number of new Set(numbers.filter((n) => n !== null))) {
    const mates = all.filter((_, i) => numbers[i] === number)
    if (mates.length < 2) continue
    const together = ofOneTank(mates, units)
    if (!together.ok) return together
    all = all.map((item) => together.value.find((m) => m.id === item.id) ?? item)
  }
  return ok(all)
}

function ofOneTank(mates: readonly Item[], units: 'us' | 'metric'): Result<Item[]> {
  const not = (message: string) => refuse('not-allowed', 'tank', message)
  const [first, ...rest] = mates as [Item, ...Item[]]
  const solid = mates.find((m) => !isFromTank(m))
  if (solid) return not(`${solid.row.product.name} is no crown spray; only sprays share a tank.`)
  for (const [i, a] of mates.entries())
    for (const b of mates.slice(i + 1)) {
      const why = whyNotOneTank(tanked(a.row), tanked(b.row))
      if (why) return not(why)
    }
  const treesOf = (item: Item) => item.subjects.map((s) => s.treeId).sort()
  if (rest.some((m) => treesOf(m).join() !== treesOf(first).join()))
    return not('What comes out of one tank goes on the same trees; sign the others by themselves.')
  if (rest.some((m) => m.times !== first.times))
    return not('What comes out of one tank goes on equally often; sign what goes on more often by itself.')
  if (mates.some((m) => m.after !== null || m.onlyIf !== null))
    return not('What comes out of one tank goes on together; a step that waits is signed by itself.')
  const tank = uuidv7()
  const out = mates.map((m) => ({ ...m, tank, subjects: [...m.subjects] }))
  for (const { treeId } of first.subjects) {
    const at = out.map((m) => m.subjects.findIndex((s) => s.treeId === treeId))
    const planned = inOneTank(
      out.map((m, i) => m.subjects[at[i]!] as unknown as Planned<'crown-spray'>),
      units,
    )
    if (!planned.ok) return planned
    out.forEach((m, i) => (m.subjects[at[i]!] = { ...m.subjects[at[i]!]!, ...planned.value[i]! }))
  }
  return ok(out)
}
