import { ok, refuse, type Result } from '@/core/problem'
import { dateIn, spokenDate } from '@/core/time/calendar'
import { treeForChange, type TreeRow } from '@/db/queries/tree'
import type { Context } from './verb'

/**
 * The tree a step is about, held until the transaction ends. A tree that is gone takes no more work.
 * Problems: `unknown` without the tree, `conflict` when it was removed or turned out to be another listed tree.
 */
export async function standingTree({ sql }: Pick<Context, 'sql'>, treeId: string): Promise<Result<TreeRow>> {
  const tree = await treeForChange(sql, treeId)
  if (!tree) return refuse('unknown', 'treeId', 'There is no such tree.')
  return gone(tree) ?? ok(tree)
}

/** Why a tree takes no more work, or null: it was removed, or turned out to be another listed tree. */
export function gone(tree: TreeRow): Result<never> | null {
  if (tree.status === 'standing')
    return tree.siteAway
      ? refuse(
          'conflict',
          'treeId',
          `${tree.siteName} is put away, so nothing is worked at ${tree.tag}. Take the site back first.`,
        )
      : null
  const on = tree.removedAt ? ` on ${spokenDate(dateIn(tree.timeZone, tree.removedAt))}` : ''
  return refuse(
    'conflict',
    'treeId',
    tree.mergedInto
      ? `${tree.tag} was merged${on} with the tree it turned out to be. Open that one.`
      : `${tree.tag} was taken from the trees of this site${on}. If it stands, put it back on its page first.`,
  )
}

/** What a change is refused with when somebody else was faster. `changedMeanwhile('client')` */
export const changedMeanwhile = (what = 'tree') =>
  refuse(
    'conflict',
    'version',
    `Somebody else changed this ${what} while you had it open. Look at both and choose.`,
  )
