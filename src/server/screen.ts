import { screenSafetyAsks } from '@/asks/trees'
import { refersOn } from '@/core/decide/safetyScreen'
import { ok, type Result } from '@/core/problem'
import { addScreen } from '@/db/queries/decideSite'
import { restage } from '@/db/queries/tree'
import { standingTree } from './standing'
import { verb } from './verb'

/**
 * Keeps what an arborist sees that could break, over whom, and what would come of it. It rates no risk: from a certain point
 * on the tree goes to a qualified assessor, and nothing is drilled or climbed until then.
 */
export const screenSafetyVerb = verb({
  roles: ['arborist'],
  about: (i) => i.treeId,
  makes: (i) => i.id,
  input: screenSafetyAsks,
  run: async (context, input): Promise<Result<{ refer: boolean }>> => {
    const { sql, person, now } = context
    const standing = await standingTree(context, input.treeId)
    if (!standing.ok) return standing
    const refer = refersOn(input)
    await addScreen(sql, { ...input, refer, firmId: person.firmId, by: person.id, at: now })
    await restage(sql, input.treeId)
    return ok({ refer })
  },
})
