import sharp from 'sharp'
import { closePool, inFirm } from '@/db/client'
import type { PersonRow } from '@/db/queries/person'
import { photosOfApplication, workPhotos } from '@/db/queries/photo'
import { recordById } from '@/db/queries/record'
import { readRecord, type Application } from '@/server/ledger/body'
import { keepPhoto, keepWorkPhoto, readPhoto, reencode } from '@/server/photograph'
import {
  act,
  done,
  makeAsh,
  makeFirm,
  NOON,
  recordInput,
  runAsh,
  stepPorts,
  uuidv7,
  type TestFirm,
} from './scenario'

let a: TestFirm
let b: TestFirm
beforeAll(async () => {
  a = await makeFirm('Photo firm A')
  b = await makeFirm('Photo firm B')
})
afterAll(() => closePool())

const IN_REACH = { at: NaN, away: false }

/** A sideways picture with a place and a camera written into it. */
const sideways = () =>
  sharp({ create: { width: 400, height: 200, channels: 3, background: '#4a3b2a' } })
    .jpeg()
    .withExif({
      IFD0: { Make: 'Nobody', Model: 'N1' },
      IFD3: { GPSLatitudeRef: 'N', GPSLatitude: '51/1 30/1 0/1' },
    })
    .withMetadata({ orientation: 6 })
    .toBuffer()

test('a picture is turned upright and loses place and camera; what is none is refused', async () => {
  const before = await sharp(await sideways()).metadata()
  expect(before.orientation).toBe(6)
  const r = await reencode('firm', await sideways())
  if (!r.ok) throw new Error(r.problem.message)
  expect([r.value.width, r.value.height]).toEqual([200, 400])
  const after = await sharp(r.value.jpeg).metadata()
  expect(after.format).toBe('jpeg')
  expect(after.exif).toBeUndefined()
  expect(after.orientation ?? 1).toBe(1)
  expect(r.value.jpeg.includes(Buffer.from('Nobody'))).toBe(false)
  for (const bytes of [Buffer.from('no picture'), Buffer.alloc(0), Buffer.alloc(5000, 7)])
    expect(await reencode('firm', bytes)).toMatchObject({ ok: false, problem: { field: 'photo' } })
})

test('a large picture is made small', async () => {
  const large = await sharp({ create: { width: 4000, height: 3000, channels: 3, background: '#777' } })
    .png()
    .toBuffer()
  const r = await reencode('firm', large)
  expect(r.ok && [r.value.width, r.value.height]).toEqual([1600, 1200])
})

test('photographs belong to the firm and the open examination', async () => {
  const treeId = await makeAsh(a, 'P-1')
  const wren = a.person('technician')
  const [id, assessmentId] = [uuidv7(), uuidv7()]
  const keep = (person = wren, photo = id) =>
    sideways().then((bytes) =>
      keepPhoto(person, { id: photo, treeId, assessmentId, finding: null }, IN_REACH, bytes),
    )
  expect(await keep()).toMatchObject({ ok: true })
  expect((await readPhoto(wren, id))?.length).toBeGreaterThan(100)
  expect(await readPhoto(b.person('arborist'), id)).toBeUndefined()
  expect(await keep(b.person('arborist'), uuidv7())).toMatchObject({
    ok: false,
    problem: { field: 'treeId' },
  })
  expect(await keep(a.person('office'), uuidv7())).toMatchObject({ ok: false, problem: { field: 'role' } })
  expect(await act(b.person('arborist'), 'remove-photo', { id })).toMatchObject({ ok: false })
  await done(wren, 'set-finding', { treeId, assessmentId, finding: 'exit-hole-d', state: 'there' })
  await done(wren, 'set-detail', { treeId, assessmentId, finding: 'exit-hole-d', detail: { bearing: 90 } })
  expect(
    await act(wren, 'set-detail', { treeId, assessmentId, finding: 'galleries-s', detail: { bearing: 90 } }),
  ).toMatchObject({ ok: false, problem: { field: 'finding' } })
  expect(
    await act(wren, 'set-detail', { treeId, assessmentId, finding: 'exit-hole-d', detail: { count: 3 } }),
  ).toMatchObject({ ok: false, problem: { field: 'sample' } })
  await done(a.person('arborist'), 'sign-diagnosis', {
    id: uuidv7(),
    treeId,
    assessmentId,
    cause: 'emerald-ash-borer',
    reason: 'seen before on this street',
  })
  expect(await act(wren, 'remove-photo', { id })).toMatchObject({ ok: false, problem: { code: 'conflict' } })
  expect(await keep(wren, uuidv7())).toMatchObject({ ok: false, problem: { code: 'conflict' } })
})

test('a photograph of work is of its tree on the job and of its task, by the time it was taken, whatever became of the tree', async () => {
  const run = await runAsh(a, 'P-2')
  const id = uuidv7()
  const taken = NOON.getTime() - 3_600_000
  const keep = async (person: PersonRow, more: Partial<Parameters<typeof keepWorkPhoto>[1]> = {}) =>
    keepWorkPhoto(
      person,
      { id, jobSubjectId: run.subject.id, task: 'dig', ...more },
      { at: taken, away: true },
      await sideways(),
    )
  const wren = a.person('technician', NOON)
  expect(await keep(wren)).toMatchObject({ ok: true })
  // The answer was lost: it is the same picture.
  expect(await keep(wren)).toMatchObject({ ok: true })
  expect(await keep(wren, { task: 'fill' })).toMatchObject({ ok: false, problem: { code: 'conflict' } })
  const kept = () => inFirm(a.id, (sql) => workPhotos(sql, [run.subject.id]))
  expect(await kept()).toMatchObject([{ id, task: 'dig', takenAt: new Date(taken), by: 'technician' }])
  expect(await keep(b.person('arborist'), { id: uuidv7() })).toMatchObject({
    problem: { field: 'jobSubjectId' },
  })
  expect(await keep(a.person('office'), { id: uuidv7() })).toMatchObject({ problem: { field: 'role' } })
  await stepPorts(
    a,
    run.ports.map((p) => p.id),
    ['drill', 'start', 'stop', 'out'],
  )
  const { recordId } = await done<{ recordId: string }>(
    a.person('crew lead', new Date(NOON.getTime() + 3_600_000)),
    'sign-record',
    recordInput(run.subject.id, run.ports.length),
  )
  // Taken before, sent after the signature.
  expect(await keep(wren, { id: uuidv7(), task: null })).toMatchObject({ ok: true })
  const { applicationId } = (await inFirm(a.id, (sql) => recordById(sql, recordId)))!
  expect(await inFirm(a.id, (sql) => photosOfApplication(sql, applicationId!))).toHaveLength(2)
  expect(await act(wren, 'remove-photo', { id })).toMatchObject({ ok: false, problem: { code: 'conflict' } })
})

test('a record of what went into a trunk says how the tree was marked', async () => {
  const run = await runAsh(a, 'P-3')
  await stepPorts(
    a,
    run.ports.map((p) => p.id),
    ['drill', 'start', 'stop', 'out'],
  )
  const lead = a.person('crew lead', new Date(NOON.getTime() + 3_600_000))
  const typed = recordInput(run.subject.id, run.ports.length)
  expect(await act(lead, 'sign-record', { ...typed, mark: null })).toMatchObject({
    problem: { field: 'mark', message: expect.stringContaining('white') as string },
  })
  const { recordId } = await done<{ recordId: string }>(lead, 'sign-record', { ...typed, mark: 'not marked' })
  const body = readRecord((await inFirm(a.id, (sql) => recordById(sql, recordId)))!).body as Application
  expect(body.mark).toBe('not marked')
})
