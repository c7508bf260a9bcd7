import { createHash } from 'node:crypto'
import { z } from 'zod'
import { placePictureAsks } from '@/asks/plan'
import { id } from '@/asks/text'
import { ok, refuse, type Result } from '@/core/problem'
import { inFirm, type FirmSql } from '@/db/client'
import { siteForChange } from '@/db/queries/limit'
import {
  addPlanPicture,
  groundOfSite,
  planPicture,
  planPictureBytes,
  setPicture,
  type PictureLies,
} from '@/db/queries/plan'
import type { PersonRow } from '@/db/queries/person'
import { siteById } from '@/db/queries/site'
import { reencode } from '../photograph'
import { mayDo, nowOf, verb } from '../verb'
import { noteChange } from './planStep'

const drawers = ['arborist', 'crew lead', 'office'] as const
const noSite = refuse('unknown', 'siteId', 'There is no such site. Load the page again.')

/** Keeps a picture for a plan, re-encoded as photographs are: no place, camera or anything else stays written in it. */
export async function keepPlanPicture(
  person: PersonRow,
  input: { id: string; siteId: string },
  bytes: Uint8Array,
): Promise<Result<{ id: string; width: number; height: number }>> {
  if (!mayDo(person, { roles: drawers }))
    return refuse('not-allowed', 'role', 'Plans are drawn by arborists, crew leads and the office.')
  const picture = await reencode(person.firmId, bytes)
  if (!picture.ok) return picture
  const sent = { ...input, sha256: createHash('sha256').update(bytes).digest('hex') }
  return keepPictureVerb.perform(
    'keep-plan-picture',
    person,
    { ...sent, ...picture.value },
    { at: nowOf(person).getTime() },
  )
}

/** The step of keeping a picture: its content is known by the hash of what was sent, its bytes are not noted again. */
const keepPictureVerb = verb({
  roles: drawers,
  about: (i) => i.siteId,
  makes: (i) => i.id,
  noted: ({ jpeg: _, ...rest }) => rest,
  input: z.strictObject({
    id: id(),
    siteId: id('siteId'),
    sha256: z.string(),
    jpeg: z.instanceof(Buffer),
    width: z.int(),
    height: z.int(),
  }),
  run: async ({ sql, person, at }, input): Promise<Result<{ id: string; width: number; height: number }>> => {
    if (!(await siteById(sql, input.siteId))) return noSite
    await addPlanPicture(sql, { ...input, firmId: person.firmId, at, by: person.id })
    return ok({ id: input.id, width: input.width, height: input.height })
  },
})

/** Lays a picture under the plan of a site, lays it otherwise, or takes it away (`lies` null). */
export const placePictureVerb = verb({
  roles: drawers,
  about: (i) => i.siteId,
  input: placePictureAsks,
  run: async (context, input): Promise<Result<{ lies: boolean }>> => {
    const { sql } = context
    if (!(await siteById(sql, input.siteId))) return noSite
    await siteForChange(sql, input.siteId)
    if (input.lies !== null && (await planPicture(sql, input.lies.id))?.siteId !== input.siteId)
      return refuse('unknown', 'lies.id', 'There is no such picture of this site; choose it again.')
    const before = await liesNow(context.sql, input.siteId)
    if (before === null && input.lies === null) return ok({ lies: false })
    await setPicture(sql, input.siteId, input.lies)
    await noteChange(context, {
      siteId: input.siteId,
      what: 'picture',
      of: (input.lies ?? before)!.id,
      before,
      after: input.lies,
    })
    return ok({ lies: input.lies !== null })
  },
})

/** How the picture of a plan lies now, without its size. */
export async function liesNow(sql: FirmSql, siteId: string): Promise<PictureLies | null> {
  const { picture } = await groundOfSite(sql, siteId)
  if (!picture) return null
  const { width: _, height: __, ...lies } = picture
  return lies
}

/** A picture of a plan for whoever of its firm asks; undefined for anybody else. */
export function readPlanPicture(person: PersonRow, pictureId: string): Promise<Uint8Array | undefined> {
  return inFirm(person.firmId, (sql) => planPictureBytes(sql, pictureId))
}
