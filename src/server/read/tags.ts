import { idEndOf } from '@/core/tags/tagCode'
import { blocksOfSite } from '@/db/queries/block'
import { siteById } from '@/db/queries/site'
import { treesByIdEnd } from '@/db/queries/tag'
import { serverEnvironment } from '../environment'
import { isId, reading } from './reader'

/** The tree whose tag carries this code, or null; of two with one code none, as the tag in letters tells them apart. */
export function taggedTree(code: string): Promise<string | null> {
  return reading(async ({ sql }) => {
    const end = idEndOf(code)
    const found = end === null ? [] : await treesByIdEnd(sql, end)
    return found.length === 1 ? found[0]! : null
  })
}

/** What tags of a site can be printed. */
export function tagsView(siteId: string) {
  return reading(async ({ sql }) => {
    const site = isId(siteId) ? await siteById(sql, siteId) : undefined
    if (!site) return null
    return {
      site,
      blocks: await blocksOfSite(sql, site.id),
      hasAddress: serverEnvironment().PUBLIC_URL !== undefined,
    }
  })
}
export type TagsView = NonNullable<Awaited<ReturnType<typeof tagsView>>>
