import { HOSTS } from '@/almanac/hosts'
import { siteById } from '@/db/queries/site'
import { treeImports } from '@/db/queries/treeImport'
import { ownHosts } from '../almanac'
import { isId, reading } from './reader'

/** A list is taken back within so many days. */
const UNDO_DAYS = 7

/** A site to which trees come from a file, and the lists that came before. */
export function treeImportsView(id: string) {
  return reading(async ({ sql, person, now }) => {
    const site = isId(id) ? await siteById(sql, id) : undefined
    if (!site) return null
    const [lists, own] = await Promise.all([treeImports(sql, id), ownHosts(sql)])
    return {
      site: { id: site.id, name: site.name, away: site.away },
      units: person.units,
      timeZone: person.timeZone,
      kinds: [...HOSTS, ...own].map(({ id, name }) => ({ id, name })),
      lists: lists.map((l) => ({
        id: l.id,
        at: l.at.getTime(),
        by: l.by,
        fileName: l.fileName,
        new: l.report.new,
        changed: l.report.changed,
        undone: l.undoneAt !== null,
        mayUndo: l.undoneAt === null && now.getTime() - l.at.getTime() < UNDO_DAYS * 86_400_000,
      })),
    }
  })
}
export type TreeImportsView = NonNullable<Awaited<ReturnType<typeof treeImportsView>>>
