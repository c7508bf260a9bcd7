import { createHash } from 'node:crypto'
import { spawn } from 'node:child_process'
import { z } from 'zod'
import { ok, refuse, type Result } from '@/core/problem'
import { inFirm } from '@/db/client'
import { jobSubjects } from '@/db/queries/job'
import { addPhoto, photoBytes, photosOf, removePhoto, treeOfPhoto, workPhotos } from '@/db/queries/photo'
import { treeForChange } from '@/db/queries/tree'
import type { PersonRow } from '@/db/queries/person'
import { runAfter } from './heavy/besidePages'
import { threadFile } from './heavy/threadFile'
import { Turns } from './heavy/turns'
import { openExamination } from './examination'
import { id } from '@/asks/text'
import { verb } from './verb'

/** The largest picture taken in, bytes. */
export const MOST_PHOTO_BYTES = 15_000_000
/** Photographs of one examination. */
const MOST_PHOTOS = 40
/**
 * A picture that takes more of a core than this is given up, s; so is one that is not read after so many ms, however busy the machine: a clock on the wall alone would
 * refuse a good picture where others take the machine.
 */
const [MOST_CPU_S, LONGEST_MS] = [6, 60_000]

// One at a time: a picture is a second of a core, and the pages come first.
const turns = new Turns({ atOnce: 1, waitingEach: 12, waitingAll: 200 })

/**
 * Makes a picture of a firm (`whose`) fit to keep: turned upright as it was taken, at most 1,600 pixels long, JPEG, without place, camera
 * or anything else written into it. Done in a process of its own that is ended when it takes too long.
 * Problems: `bad-quantity` for what is no JPEG, PNG or WebP; `out-of-range` for too many pixels, for a picture that takes
 * too long, and when too many others wait.
 */
export async function reencode(
  whose: string,
  bytes: Uint8Array,
): Promise<Result<{ jpeg: Buffer; width: number; height: number }>> {
  const turn = await turns.take(whose, () => inOwnProcess(bytes))
  if (!turn)
    return refuse(
      'conflict',
      'photo',
      `${turns.waitingOf(whose)} pictures of your firm wait before this one; send it again in a few seconds. It is still on your device.`,
    )
  const { code, said, out } = turn.value
  if (code === 0) {
    const end = out.indexOf(10)
    const [width, height] = out.subarray(0, end).toString().split(' ').map(Number)
    return ok({ jpeg: out.subarray(end + 1), width: width!, height: height! })
  }
  if (code === null)
    return refuse('out-of-range', 'photo', 'This picture takes too long to read; take it smaller, as JPEG.')
  return said === 'pixels'
    ? refuse('out-of-range', 'photo', 'This picture has too many pixels; take it smaller, as JPEG.')
    : refuse(
        'bad-quantity',
        'photo',
        'This is no picture that can be read; take it again as JPEG, PNG or WebP.',
      )
}

function inOwnProcess(bytes: Uint8Array): Promise<{ code: number | null; said: string; out: Buffer }> {
  return new Promise((resolve, reject) => {
    const { filename, execArgv } = threadFile('picture')
    const command = [process.execPath, '--max-old-space-size=256', ...execArgv, filename]
    const child = spawn('/bin/sh', ['-c', `ulimit -t ${MOST_CPU_S}; exec "$@"`, 'sh', ...command], {
      stdio: ['pipe', 'pipe', 'pipe'],
      env: { PATH: process.env.PATH, NODE_ENV: process.env.NODE_ENV },
      timeout: LONGEST_MS,
      killSignal: 'SIGKILL',
    })
    runAfter(child.pid)
    const out: Buffer[] = []
    const said: Buffer[] = []
    child.stdout.on('data', (part: Buffer) => out.push(part))
    child.stderr.on('data', (part: Buffer) => said.push(part))
    // A process that ends before it has read all tells by its code.
    child.stdin.on('error', () => {})
    child.on('error', reject)
    child.on('close', (code) =>
      resolve({ code, said: Buffer.concat(said).toString(), out: Buffer.concat(out) }),
    )
    child.stdin.end(bytes)
  })
}

/** A picture as it is kept, known by the hash of what was sent. */
const encodedPicture = {
  sha256: z.string(),
  jpeg: z.instanceof(Buffer),
  width: z.int(),
  height: z.int(),
}

async function encoded(person: PersonRow, bytes: Uint8Array) {
  const picture = await reencode(person.firmId, bytes)
  return picture.ok
    ? ok({ ...picture.value, sha256: createHash('sha256').update(bytes).digest('hex') })
    : picture
}

/** Its bytes are not noted again: the hash says them. */
function withoutBytes<Input extends { jpeg: Buffer }>({ jpeg: _, ...rest }: Input): Omit<Input, 'jpeg'> {
  return rest
}

/** Keeps a photograph with the running examination, by the time it was taken; the first thing noted opens it. */
export async function keepPhoto(
  person: PersonRow,
  input: { id: string; treeId: string; assessmentId: string; finding: string | null },
  { at, away }: { at: number; away: boolean },
  bytes: Uint8Array,
): Promise<Result<{ id: string }>> {
  if (person.role === 'office')
    return refuse(
      'not-allowed',
      'role',
      'Photographs are taken by those who examine; you are signed in as office.',
    )
  const picture = await encoded(person, bytes)
  if (!picture.ok) return picture
  return keepPhotoVerb.perform('keep-photo', person, { ...input, ...picture.value }, { at, away })
}

/** The step of keeping a picture. */
const keepPhotoVerb = verb({
  roles: ['arborist', 'crew lead', 'technician'],
  about: (i) => i.treeId,
  makes: (i) => i.id,
  noted: withoutBytes,
  input: z.strictObject({
    id: id(),
    treeId: id('treeId'),
    assessmentId: id('assessmentId'),
    finding: z.string().max(60).nullable(),
    ...encodedPicture,
  }),
  run: async (context, input): Promise<Result<{ id: string }>> => {
    const { sql, person, at } = context
    const open = await openExamination(context, input)
    if (!open.ok) return open
    const assessmentId = open.value
    if ((await photosOf(sql, assessmentId)).length >= MOST_PHOTOS)
      return refuse(
        'out-of-range',
        'photo',
        `An examination holds ${MOST_PHOTOS} photographs; take one away first.`,
      )
    const { assessmentId: _, finding, ...picture } = input
    await addPhoto(sql, {
      ...picture,
      of: { assessmentId, finding },
      firmId: person.firmId,
      at,
      by: person.id,
    })
    return ok({ id: input.id })
  },
})

/** Keeps a photograph of work at a tree of a job, by the time it was taken. */
export async function keepWorkPhoto(
  person: PersonRow,
  input: { id: string; jobSubjectId: string; task: string | null },
  { at, away }: { at: number; away: boolean },
  bytes: Uint8Array,
): Promise<Result<{ id: string }>> {
  if (person.role === 'office')
    return refuse(
      'not-allowed',
      'role',
      'Photographs of work are taken by the crew; you are signed in as office.',
    )
  const picture = await encoded(person, bytes)
  if (!picture.ok) return picture
  return keepWorkPhotoVerb.perform('keep-work-photo', person, { ...input, ...picture.value }, { at, away })
}

/** The same as a step: work that was done is shown, whatever was decided about its tree meanwhile. */
const keepWorkPhotoVerb = verb({
  roles: ['arborist', 'crew lead', 'technician'],
  about: (i) => i.jobSubjectId,
  makes: (i) => i.id,
  noted: withoutBytes,
  input: z.strictObject({
    id: id(),
    jobSubjectId: id('jobSubjectId'),
    task: z.string().min(1).max(60).nullable(),
    ...encodedPicture,
  }),
  run: async ({ sql, person, at }, { jobSubjectId, task, ...picture }): Promise<Result<{ id: string }>> => {
    const [subject] = await jobSubjects(sql, [jobSubjectId])
    if (!subject) return refuse('unknown', 'jobSubjectId', 'There is no such tree in this job.')
    if ((await workPhotos(sql, [jobSubjectId])).length >= MOST_PHOTOS)
      return refuse('out-of-range', 'photo', `Work at one tree holds ${MOST_PHOTOS} photographs.`)
    await addPhoto(sql, {
      ...picture,
      treeId: subject.treeId,
      of: { jobSubjectId, task },
      firmId: person.firmId,
      at,
      by: person.id,
    })
    return ok({ id: picture.id })
  },
})

/** A kept picture's bytes, for whoever may see the firm's trees. */
export function readPhoto(person: PersonRow, photoId: string): Promise<Uint8Array | undefined> {
  return inFirm(person.firmId, (sql) => photoBytes(sql, photoId))
}

/** Takes a photograph away while its examination is open. */
export const removePhotoVerb = verb({
  roles: ['arborist', 'crew lead', 'technician'],
  input: z.strictObject({ id: id() }),
  about: (input) => input.id,
  run: async ({ sql }, input): Promise<Result<{ removed: true }>> => {
    const treeId = await treeOfPhoto(sql, input.id)
    if (treeId === undefined)
      return refuse('unknown', 'id', 'There is no such photograph; it may be taken away already.')
    await treeForChange(sql, treeId)
    return (await removePhoto(sql, input.id)) === 1
      ? ok({ removed: true })
      : refuse('conflict', 'id', 'This photograph belongs to a signed examination and stays with it.')
  },
})
