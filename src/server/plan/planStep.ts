import { v7 as uuidv7 } from 'uuid'
import type { Place } from '@/core/place/place'
import { measuredGround } from '@/core/place/measured'
import {
  featuresOfSite,
  measureSite,
  notePlanStep,
  type OutlineState,
  type PictureLies,
  type PlanStepKind,
} from '@/db/queries/plan'
import type { Area } from '@/core/quantity/units'
import { remark } from '../anew'
import type { Context } from '../verb'

/** Where a tree stood, or stands. */
export type TreeState = Place & { placed: boolean }

/** What a change of a plan was before and is after, by what it is of. */
export interface PlanStates {
  outline: OutlineState
  tree: TreeState
  picture: PictureLies
}

/** Notes a change of a plan, so that it can be undone. */
export async function noteChange<What extends PlanStepKind>(
  { sql, person, at }: Pick<Context, 'sql' | 'person' | 'at'>,
  change: {
    siteId: string
    what: What
    of: string
    before: PlanStates[What] | null
    after: PlanStates[What] | null
  },
): Promise<void> {
  await notePlanStep(sql, { ...change, id: uuidv7(), firmId: person.firmId, at, by: person.id })
}

/** Notes that a tree was put elsewhere. */
export function noteMoved(
  context: Pick<Context, 'sql' | 'person' | 'at'>,
  tree: TreeState & { id: string; siteId: string },
  to: Place,
): Promise<void> {
  return noteChange(context, {
    siteId: tree.siteId,
    what: 'tree',
    of: tree.id,
    before: { eastM: tree.eastM, northM: tree.northM, placed: tree.placed },
    after: { eastM: to.eastM, northM: to.northM, placed: true },
  })
}

/**
 * What follows from a change of what is drawn: the ground is measured anew, and work with the crew is held against the plan as it is now.
 * Answers the area that holds, m².
 */
export async function redrawn(
  context: Pick<Context, 'sql' | 'person'>,
  siteId: string,
): Promise<Area | null> {
  const area = await measureSite(
    context.sql,
    siteId,
    measuredGround(await featuresOfSite(context.sql, siteId)),
  )
  await remark(context, { siteId })
  return area
}
