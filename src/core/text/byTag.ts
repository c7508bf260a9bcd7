const TAGS = new Intl.Collator('en', { numeric: true })

/** Trees by their tags as a person counts, "Ash 2" before "Ash 10"; of two with one tag by id. `trees.sort(byTag)` */
export const byTag = (a: { tag: string; id: string }, b: { tag: string; id: string }): number =>
  TAGS.compare(a.tag, b.tag) || (a.id < b.id ? -1 : 1)
