/** Where promised checks are answered: one on its own page, several that ask the same on the page of one walk. */
export function checkHref(c: {
  id: string
  tags: readonly string[]
  siteId: string
  dueOn: string
  what: string
}): string {
  return c.tags.length > 1
    ? `/follow-up/walk?${new URLSearchParams({ site: c.siteId, due: c.dueOn, what: c.what })}`
    : `/follow-up/${c.id}`
}
