import type { z } from 'zod'
import { changeOutlineAsks, drawOutlinesAsks, type outlineAsks, takeOutlineAsks } from '@/asks/plan'
import { OUTLINE } from '@/core/place/outlineKinds'
import { readOutline } from '@/core/place/readOutline'
import { ok, refuse, type Result } from '@/core/problem'
import type { UnitSystem } from '@/core/quantity/format'
import { readQuantity } from '@/core/quantity/parse'
import type { FirmSql } from '@/db/client'
import { siteForChange } from '@/db/queries/limit'
import {
  addOutline,
  changeOutline,
  featuresOfSite,
  outlineById,
  takeOutline,
  type FeatureRow,
  type OutlineState,
} from '@/db/queries/plan'
import { siteById } from '@/db/queries/site'
import { changedMeanwhile } from '../standing'
import { verb } from '../verb'
import { noteChange, redrawn } from './planStep'

const drawers = ['arborist', 'crew lead', 'office'] as const
/** Corners of all outlines of a plan together. */
const MOST_OF_PLAN = 5000
/** No distance that is kept is longer, m. */
const MOST_SETBACK_M = 2000

const noOutline = refuse(
  'unknown',
  'outlineId',
  'This outline is not on the plan any more. Load the page again.',
)

type Typed = Omit<z.output<typeof outlineAsks>, 'id'>

/** Reads an outline as it was drawn and typed. */
function readTyped(typed: Typed, units: UnitSystem): Result<OutlineState> {
  const geometry = readOutline(typed.kind, typed.geometry)
  if (!geometry.ok) return geometry
  const { name, setback } = OUTLINE[typed.kind]
  if (typed.setback === null || typed.setback.trim() === '') {
    if (setback === 'asked')
      return refuse('missing', 'setback', `How far is kept from a ${name.toLowerCase()}? Type the distance.`)
    return ok({ kind: typed.kind, name: typed.name, geometry: geometry.value, setback: null })
  }
  if (!setback)
    return refuse(
      'not-allowed',
      'setback',
      `No distance is kept from ${name.toLowerCase()}; leave it empty, or draw it as what it is.`,
    )
  const far = readQuantity(typed.setback, 'length', 'setback', {
    bareUnit: units === 'us' ? 'ft' : 'm',
    name: 'Distance kept from it',
  })
  if (!far.ok) return far
  if (!(far.value.si > 0 && far.value.si <= MOST_SETBACK_M))
    return refuse(
      'out-of-range',
      'setback',
      'The distance must be more than zero and less than 2 km; check the unit.',
    )
  return ok({ kind: typed.kind, name: typed.name, geometry: geometry.value, setback: far.value.si })
}

/** The state of an outline, without what belongs to its row. */
export const stateOf = ({ kind, name, geometry, setback }: FeatureRow): OutlineState => ({
  kind,
  name,
  geometry,
  setback,
})

const cornersOf = ({ geometry: { type, coordinates } }: Pick<OutlineState, 'geometry'>): number =>
  type === 'Point'
    ? 1
    : type === 'LineString'
      ? (coordinates as unknown[]).length
      : (coordinates as unknown[][]).reduce((sum, ring) => sum + ring.length, 0)

/** Refuses a plan with more corners than are measured in a blink. */
export function tooMany(drawn: readonly Pick<OutlineState, 'geometry'>[]): Result<never> | null {
  return drawn.reduce((sum, o) => sum + cornersOf(o), 0) > MOST_OF_PLAN
    ? refuse(
        'out-of-range',
        'geometry',
        `A plan holds at most ${MOST_OF_PLAN.toLocaleString('en-US')} corners; draw it simpler, or take outlines away.`,
      )
    : null
}

/** Draws outlines on the plan of a site. Ground that is drawn is measured and becomes what yearly limits are of. */
export const drawOutlinesVerb = verb({
  roles: drawers,
  bearing: 'change',
  about: (i) => i.siteId,
  input: drawOutlinesAsks,
  run: async (context, input): Promise<Result<{ areaM2: number | null }>> => {
    const { sql, person } = context
    const site = await siteById(sql, input.siteId)
    if (!site) return refuse('unknown', 'siteId', 'There is no such site. Load the page again.')
    await siteForChange(sql, site.id)
    const read: (OutlineState & { id: string })[] = []
    for (const [i, { id, ...typed }] of input.outlines.entries()) {
      const outline = readTyped(typed, person.units)
      if (!outline.ok) {
        const { code, field, message } = outline.problem
        return refuse(code, `outlines[${i}].${field}`, message)
      }
      read.push({ id, ...outline.value })
    }
    const many = tooMany([...(await featuresOfSite(sql, site.id)), ...read])
    if (many) return many
    for (const { id, ...after } of read) {
      if (!(await addOutline(sql, { id, ...after, firmId: person.firmId, siteId: site.id })))
        return refuse('conflict', 'id', 'An outline with this id is drawn already. Load the page again.')
      await noteChange(context, { siteId: site.id, what: 'outline', of: id, before: null, after })
    }
    return ok({ areaM2: await redrawn(context, site.id) })
  },
})

/** An outline as it was seen, held with its site; or why it cannot be changed: it is gone, or somebody changed it since. */
async function outlineForChange(
  sql: FirmSql,
  outlineId: string,
  version: number,
): Promise<Result<FeatureRow & { siteId: string }>> {
  const found = await outlineById(sql, outlineId)
  if (!found) return noOutline
  await siteForChange(sql, found.siteId)
  const now = await outlineById(sql, outlineId)
  if (!now) return noOutline
  return now.version === version ? ok(now) : changedMeanwhile('outline')
}

/** Changes an outline, unless somebody changed it since. */
export const changeOutlineVerb = verb({
  roles: drawers,
  bearing: 'change',
  about: (i) => i.outlineId,
  input: changeOutlineAsks,
  run: async (context, { outlineId, version, ...typed }): Promise<Result<{ areaM2: number | null }>> => {
    const { sql, person } = context
    const found = await outlineForChange(sql, outlineId, version)
    if (!found.ok) return found
    const { siteId } = found.value
    const after = readTyped(typed, person.units)
    if (!after.ok) return after
    const others = (await featuresOfSite(sql, siteId)).filter((f) => f.id !== outlineId)
    const many = tooMany([...others, after.value])
    if (many) return many
    await changeOutline(sql, outlineId, after.value)
    const before = stateOf(found.value)
    await noteChange(context, { siteId, what: 'outline', of: outlineId, before, after: after.value })
    return ok({ areaM2: await redrawn(context, siteId) })
  },
})

/** Takes an outline from the plan, unless somebody changed it since. */
export const takeOutlineVerb = verb({
  roles: drawers,
  bearing: 'change',
  about: (i) => i.outlineId,
  input: takeOutlineAsks,
  run: async (context, { outlineId, version }): Promise<Result<{ areaM2: number | null }>> => {
    const found = await outlineForChange(context.sql, outlineId, version)
    if (!found.ok) return found
    const { siteId } = found.value
    await takeOutline(context.sql, outlineId)
    const before = stateOf(found.value)
    await noteChange(context, { siteId, what: 'outline', of: outlineId, before, after: null })
    return ok({ areaM2: await redrawn(context, siteId) })
  },
})
