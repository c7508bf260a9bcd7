import { isDeepStrictEqual } from 'node:util'
import { z } from 'zod'
import { id } from '@/asks/text'
import { ok, refuse, type Result } from '@/core/problem'
import { siteForChange } from '@/db/queries/limit'
import {
  addOutline,
  changeOutline,
  featuresOfSite,
  outlineById,
  planStepById,
  setPicture,
  takeOutline,
  undoPlanStep,
  type OutlineState,
  type PictureLies,
  type PlanStepRow,
} from '@/db/queries/plan'
import { placeTree, treeForChange } from '@/db/queries/tree'
import { remark } from '../anew'
import { verb, type Context } from '../verb'
import { stateOf, tooMany } from './outlines'
import { liesNow } from './picture'
import { redrawn, type TreeState } from './planStep'

const changedSince = refuse(
  'conflict',
  'stepId',
  'It was changed again since; undo the newer change first, or draw it as it should be.',
)

/**
 * Undoes a change of a plan: what was drawn goes, what was taken away comes back, what was moved or changed is as it was before. Only
 * where it still is as that change left it: nobody’s later work is undone with it.
 */
export const undoPlanStepVerb = verb({
  roles: ['arborist', 'crew lead', 'office'],
  bearing: 'change',
  about: (i) => i.stepId,
  input: z.strictObject({ stepId: id('stepId') }),
  run: async (context, input): Promise<Result<{ undone: true }>> => {
    const { sql, person, at } = context
    const found = await planStepById(sql, input.stepId)
    if (!found) return refuse('unknown', 'stepId', 'There is no such change. Load the page again.')
    await siteForChange(sql, found.siteId)
    const step = (await planStepById(sql, input.stepId))!
    if (step.undoneAt !== null) return refuse('conflict', 'stepId', 'This is undone already.')
    const wrong = await UNDO[step.what](context, step)
    if (wrong) return wrong
    await undoPlanStep(sql, step.id, at, person.id)
    return ok({ undone: true })
  },
})

const UNDO: Record<
  PlanStepRow['what'],
  (context: Context, step: PlanStepRow) => Promise<Result<never> | null>
> = { outline: undoOutline, tree: undoTree, picture: undoPicture }

async function undoOutline(context: Context, step: PlanStepRow): Promise<Result<never> | null> {
  const { sql, person } = context
  const [before, after] = [step.before as OutlineState | null, step.after as OutlineState | null]
  const row = await outlineById(sql, step.of)
  if (!isDeepStrictEqual(row ? stateOf(row) : null, after)) return changedSince
  if (before === null) await takeOutline(sql, step.of)
  else {
    const many = tooMany([
      ...(await featuresOfSite(sql, step.siteId)).filter((f) => f.id !== step.of),
      before,
    ])
    if (many) return many
    if (row) await changeOutline(sql, step.of, before)
    else await addOutline(sql, { id: step.of, ...before, firmId: person.firmId, siteId: step.siteId })
  }
  await redrawn(context, step.siteId)
  return null
}

async function undoTree(context: Context, step: PlanStepRow): Promise<Result<never> | null> {
  const [before, after] = [step.before as TreeState, step.after as TreeState]
  const tree = await treeForChange(context.sql, step.of)
  if (!tree || tree.status !== 'standing' || tree.siteId !== step.siteId) return changedSince
  const { eastM, northM, placed } = tree
  if (
    !isDeepStrictEqual(
      { eastM, northM, placed },
      { eastM: after.eastM, northM: after.northM, placed: after.placed },
    )
  )
    return changedSince
  await placeTree(context.sql, tree.id, before)
  await remark(context, { treeIds: [tree.id] })
  return null
}

async function undoPicture({ sql }: Context, step: PlanStepRow): Promise<Result<never> | null> {
  if (!isDeepStrictEqual(await liesNow(sql, step.siteId), step.after)) return changedSince
  await setPicture(sql, step.siteId, step.before as PictureLies | null)
  return null
}
