import type { AsJson } from '@/core/asJson'
import { oneToExamine } from '@/core/diagnose/toExamine'
import { unpack, type Packed } from '@/core/packed'
import type { ExamineView, TreesToExamine } from '@/server/read/examine'
import { viewOf } from '@/ui/field/deviceStore'
import { TREES_KEY } from '@/ui/field/fetchJob'

/** A tree that waits to be looked at, in a list. */
export interface WaitingTree {
  id: string
  tag: string
  site: string
  kind: string
}

/** What a device keeps of them. */
interface TreesHere {
  waiting: WaitingTree[]
  /** The one that was asked for; null where it is not kept. */
  one: ExamineView | null
}
export const NO_TREES: TreesHere = { waiting: [], one: null }

/** The trees that wait to be looked at as this device keeps them, and one of them whole. */
export async function examineHere(person: string, id: string | undefined): Promise<TreesHere> {
  const kept = await viewOf(person, TREES_KEY)
  if (!kept) return NO_TREES
  const all = unpack(kept.value as Packed<TreesToExamine>)
  return {
    waiting: all.trees.map(({ tree }) => ({
      id: tree.id,
      tag: tree.tag,
      site: tree.siteName,
      kind: all.kinds[tree.host]!.kindName,
    })),
    one: id === undefined ? null : withInstants(oneToExamine(all, id)),
  }
}

/** What is kept has its instants as text. */
function withInstants(kept: AsJson<ExamineView> | null): ExamineView | null {
  if (!kept) return null
  const { tree, assessment, last, ...rest } = kept
  return {
    ...rest,
    tree: {
      ...tree,
      identityConfirmedAt: instant(tree.identityConfirmedAt),
      readAt: instant(tree.readAt),
      removedAt: instant(tree.removedAt),
    },
    assessment: assessment && {
      ...assessment,
      startedAt: new Date(assessment.startedAt),
      closedAt: instant(assessment.closedAt),
    },
    last: last && { ...last, at: new Date(last.at) },
  }
}
const instant = (text: string | null) => (text === null ? null : new Date(text))
