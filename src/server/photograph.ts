import sharp from 'sharp'
import { z } from 'zod'
import { ok, refuse, type Result } from '@/core/problem'
import { inFirm } from '@/db/client'
import { assessmentOfTree, openAssessment } from '@/db/queries/assessment'
import { addPhoto, photoBytes, photosOf, removePhoto } from '@/db/queries/photo'
import type { PersonRow } from '@/db/queries/person'
import { treeById } from '@/db/queries/tree'
import { id, nowOf, verb } from './verb'

/** The longest side a kept picture has, pixels: enough to see an exit hole on a hand's width of bark. */
const LONGEST = 1600
/** The largest picture taken in, bytes. */
export const MOST_PHOTO_BYTES = 15_000_000
/** More pixels than any camera in a pocket has; a picture that unpacks to more is refused. */
const MOST_PIXELS = 120_000_000
/** Photographs of one examination. */
const MOST_PHOTOS = 40

/**
 * Makes a picture fit to keep: turned upright as it was taken, at most 1,600 pixels long, JPEG, without place, camera
 * or anything else written into it. Problems: `bad-quantity` for what is no picture.
 */
export async function reencode(
  bytes: Uint8Array,
): Promise<Result<{ jpeg: Buffer; width: number; height: number }>> {
  try {
    const { data, info } = await sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' })
      .rotate()
      .resize({ width: LONGEST, height: LONGEST, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: 80, mozjpeg: false })
      .toBuffer({ resolveWithObject: true })
    return ok({ jpeg: data, width: info.width, height: info.height })
  } catch {
    return refuse(
      'bad-quantity',
      'photo',
      'This is no picture that can be read; take it again as JPEG, PNG or WebP.',
    )
  }
}

/** Keeps a photograph with the running examination; the first thing noted opens it. */
export async function keepPhoto(
  person: PersonRow,
  input: { id: string; treeId: string; assessmentId: string; finding: string | null },
  bytes: Uint8Array,
): Promise<Result<{ id: string }>> {
  if (person.role === 'office')
    return refuse(
      'not-allowed',
      'role',
      'Photographs are taken by those who examine; you are signed in as office.',
    )
  const picture = await reencode(bytes)
  if (!picture.ok) return picture
  const now = nowOf(person)
  return inFirm(person.firmId, async (sql) => {
    if (!(await treeById(sql, input.treeId))) return refuse('unknown', 'treeId', 'There is no such tree.')
    const last = await assessmentOfTree(sql, input.treeId)
    if (last?.id === input.assessmentId && last.closedAt)
      return refuse(
        'conflict',
        'assessmentId',
        'This examination is signed and closed. Begin a new one to record more.',
      )
    if (last && !last.closedAt && last.id !== input.assessmentId)
      return refuse(
        'conflict',
        'assessmentId',
        'Somebody else has begun an examination of this tree. Load the page again.',
      )
    if (last?.id !== input.assessmentId)
      await openAssessment(sql, {
        id: input.assessmentId,
        firmId: person.firmId,
        treeId: input.treeId,
        at: now,
        by: person.id,
      })
    if ((await photosOf(sql, input.assessmentId)).length >= MOST_PHOTOS)
      return refuse(
        'out-of-range',
        'photo',
        `An examination holds ${MOST_PHOTOS} photographs; take one away first.`,
      )
    await addPhoto(sql, { ...input, ...picture.value, firmId: person.firmId, at: now, by: person.id })
    return ok({ id: input.id })
  })
}

/** A kept picture's bytes, for whoever may see the firm's trees. */
export function readPhoto(person: PersonRow, photoId: string): Promise<Uint8Array | undefined> {
  return inFirm(person.firmId, (sql) => photoBytes(sql, photoId))
}

/** Takes a photograph away while its examination is open. */
export const removePhotoVerb = verb({
  roles: ['arborist', 'crew lead', 'technician'],
  input: z.strictObject({ id: id() }),
  about: (input) => input.id,
  run: async ({ sql }, input): Promise<Result<{ removed: true }>> =>
    (await removePhoto(sql, input.id)) === 1
      ? ok({ removed: true })
      : refuse('conflict', 'id', 'This photograph belongs to a signed examination and stays with it.'),
})
