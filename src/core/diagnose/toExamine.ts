/**
 * Trees that are to be examined, as a device keeps them: what they share stands once, what is of a kind of tree once a kind. What a page
 * shows of one of them is all three together.
 */
export interface ToExamine<Shared, Kind, Tree extends { tree: { id: string; host: string } }> {
  shared: Shared
  kinds: Record<string, Kind>
  trees: Tree[]
}

/** One of them, whole; null where it is not among them. `oneToExamine(all, id)?.tree.tag` */
export function oneToExamine<
  Shared extends object,
  Kind extends object,
  Tree extends { tree: { id: string; host: string } },
>(all: ToExamine<Shared, Kind, Tree>, id: string): (Shared & Kind & Tree) | null {
  const own = all.trees.find((t) => t.tree.id === id)
  return own ? { ...all.shared, ...all.kinds[own.tree.host]!, ...own } : null
}
