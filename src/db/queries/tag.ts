import type { FirmSql } from '../client'

/** A standing tree whose tag is printed. */
export interface TaggedRow {
  id: string
  tag: string
  host: string
  listedAs: string | null
}

/** Standing trees of a site or of one of its blocks, at most so many. */
export function treesForTags(
  sql: FirmSql,
  siteId: string,
  block: string | null,
  most: number,
): Promise<TaggedRow[]> {
  return sql<TaggedRow[]>`
    select id, tag, host, listed_as as "listedAs" from tree
    where site_id = ${siteId} and status = 'standing' ${block === null ? sql`` : sql`and block = ${block}`} limit ${most}`
}

/** The trees whose ids end so: one, but for a chance of one in millions. */
export async function treesByIdEnd(sql: FirmSql, end: string): Promise<string[]> {
  return (
    await sql<
      { id: string }[]
    >`select id from tree where firm_id = current_firm() and right(id::text, 12) = ${end} limit 3`
  ).map((t) => t.id)
}
