import { halvesBySun } from '@/core/plan/halves'
import { walkOrder } from '@/core/plan/walk'

export type Placed = [id: string, itemId: string, eastM: number, northM: number]

/** How the trees of a work are listed. */
export type InOrderOf = 'walk' | 'tag' | 'sun'

/** A tree's place in the list, and the half it is in where a terrace is worked by the sun. */
export interface Place {
  at: number
  half: 'east' | 'west' | null
}

/** The place of every tree in the list: of each work in the order of a short walk, of halves by the sun, or as the tags count. */
export function inOrder(trees: readonly Placed[], of: InOrderOf): ReadonlyMap<string, Place> {
  const works = new Map<string, { id: string; eastM: number; northM: number }[]>()
  for (const [id, itemId, eastM, northM] of trees)
    works.set(itemId, [...(works.get(itemId) ?? []), { id, eastM, northM }])
  const parts = [...works.values()].flatMap((own) =>
    of === 'sun' ? halvesBySun(own) : [{ side: null, trees: of === 'walk' ? walkOrder(own).order : own }],
  )
  return new Map(
    parts
      .flatMap((p) => p.trees.map((t) => ({ id: t.id, half: p.side })))
      .map((t, at) => [t.id, { at, half: t.half }]),
  )
}
