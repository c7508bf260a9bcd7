import { v7 as uuidv7 } from 'uuid'
import { ok, refuse, type Result } from '@/core/problem'
import { assessmentById, assessmentOfTree, openAssessment } from '@/db/queries/assessment'
import { standingTree } from './standing'
import type { Context } from './verb'

/**
 * The examination something is to be written into: it must be this tree's, open, and the only one. The first thing noted
 * opens it. What was seen without a signal (`away`) goes into the one that is open now, whoever began it, and opens a new one where the one
 * it was meant for is signed: what was looked at is never refused. Holds the tree until the transaction ends, so that nobody signs or
 * begins another meanwhile. Answers its id.
 * Problems: `unknown` without the tree; `conflict` when the examination is another tree's, and in reach when it is signed or not the newest.
 */
export async function openExamination(
  context: Pick<Context, 'sql' | 'person' | 'at' | 'away'>,
  input: { treeId: string; assessmentId: string },
): Promise<Result<string>> {
  const no = (message: string) => refuse('conflict', 'assessmentId', message)
  const { sql, person, at, away } = context
  const standing = await standingTree(context, input.treeId)
  if (!standing.ok) return standing
  const tree = standing.value
  const named = await assessmentById(sql, input.assessmentId)
  if (named && named.treeId !== tree.id)
    return no('This examination is another tree’s. Load the page again and begin from there.')
  if (named?.closedAt && !away)
    return no('This examination is signed and closed. Begin a new one to record more.')
  const newest = await assessmentOfTree(sql, tree.id)
  if (newest && !newest.closedAt && newest.id !== input.assessmentId) {
    if (away) return ok(newest.id)
    return no('Somebody else has begun an examination of this tree. Load the page again to go on with it.')
  }
  if (named && !named.closedAt) return ok(named.id)
  const opened = named ? uuidv7() : input.assessmentId
  await openAssessment(sql, { id: opened, firmId: person.firmId, treeId: tree.id, at, by: person.id })
  return ok(opened)
}
