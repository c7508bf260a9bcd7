import { walkOrder } from '@/core/plan/walk'

export type Placed = [id: string, itemId: string, eastM: number, northM: number]

/** The place of every tree in the list: of each work in the order of a short walk, or as the tags count. */
export function inOrder(trees: readonly Placed[], byWalk: boolean): ReadonlyMap<string, number> {
  const works = new Map<string, { id: string; eastM: number; northM: number }[]>()
  for (const [id, itemId, eastM, northM] of trees)
    works.set(itemId, [...(works.get(itemId) ?? []), { id, eastM, northM }])
  const inTurn = [...works.values()].flatMap((own) => (byWalk ? walkOrder(own).order : own))
  return new Map(inTurn.map((t, n) => [t.id, n]))
}
