import type { Envelope } from '@/asks/envelopes'
import { oneToExamine } from '@/core/diagnose/toExamine'
import { inFirm } from '@/db/client'
import { assessmentsOfTree, findingsOf } from '@/db/queries/assessment'
import type { PersonRow } from '@/db/queries/person'
import { takeEnvelopes } from '@/server/field/takeEnvelopes'
import { keepPhoto } from '@/server/photograph'
import { treesToExamine, waitingOf } from '@/server/read/examine'
import { photosOf } from '@/db/queries/photo'
import sharp from 'sharp'
import { closePool, done, makeAsh, makeFirm, NOON, uuidv7, type TestFirm } from './scenario'

/** Trees looked at without a signal: what was seen goes into the examination that is open when it comes, and is never lost. */
let firm: TestFirm
beforeAll(async () => (firm = await makeFirm('Walk firm')))
afterAll(() => closePool())

const at = (minutes: number) => NOON.getTime() + minutes * 60_000
const wren = () => firm.person('technician', new Date(at(240)))
const maren = (minutes = 60) => firm.person('arborist', new Date(at(minutes)))
const envelope = (step: Envelope['step'], minutes: number, content: { treeId: string }): Envelope => ({
  id: uuidv7(),
  step,
  content,
  at: at(minutes),
  away: true,
  trees: [content.treeId],
})
const saw = (treeId: string, assessmentId: string, finding: string, state: string | null, minutes: number) =>
  envelope('set-finding', minutes, { treeId, assessmentId, finding, state } as never)
const send = async (...envelopes: Envelope[]) =>
  (await takeEnvelopes(wren(), { device: uuidv7(), envelopes })).map((a) => a.came)
/** The arborist, in reach, sees exit holes. */
const holesSeen = (minutes: number, treeId: string, assessmentId: string) =>
  done(maren(minutes), 'set-finding', { treeId, assessmentId, finding: 'exit-hole-d', state: 'there' })
const examined = (treeId: string) =>
  inFirm(firm.id, async (sql) =>
    Promise.all(
      (await assessmentsOfTree(sql, treeId)).map(async (a) => ({
        ...a,
        seen: Object.fromEntries((await findingsOf(sql, a.id)).map((f) => [f.finding, f.state])),
      })),
    ),
  )
const contextOf = (person: PersonRow) => ({ person, now: new Date(at(240)), today: '2026-06-12' })
const kept = (ids: string[]) => inFirm(firm.id, (sql) => treesToExamine({ sql, ...contextOf(wren()) }, ids))

test('what was seen without a signal goes into the examination that somebody else began, the later look counts', async () => {
  const treeId = await makeAsh(firm, 'W-1')
  const theirs = uuidv7()
  const set = (finding: string, state: string) =>
    done(maren(100), 'set-finding', { treeId, assessmentId: theirs, finding, state })
  await set('crown-thin-top', 'there')
  await set('woodpecker-blond', 'there')
  const own = uuidv7()
  expect(
    await send(
      saw(treeId, own, 'crown-thin-top', 'not-there', 40),
      saw(treeId, own, 'woodpecker-blond', 'not-there', 120),
      saw(treeId, own, 'exit-hole-d', 'there', 121),
      envelope('set-detail', 122, {
        treeId,
        assessmentId: own,
        finding: 'exit-hole-d',
        detail: { amount: 'much' },
      } as never),
    ),
  ).toEqual(['taken', 'taken', 'taken', 'taken'])
  const [one, ...others] = await examined(treeId)
  expect(others).toEqual([])
  expect(one!.seen).toEqual({
    'crown-thin-top': 'there',
    'woodpecker-blond': 'not-there',
    'exit-hole-d': 'there',
  })
})

test('taken back without a signal stays where it was seen again after it', async () => {
  const treeId = await makeAsh(firm, 'W-2')
  const theirs = uuidv7()
  await holesSeen(100, treeId, theirs)
  await send(saw(treeId, theirs, 'exit-hole-d', null, 40))
  expect((await examined(treeId))[0]!.seen).toEqual({ 'exit-hole-d': 'there' })
  await send(saw(treeId, theirs, 'exit-hole-d', null, 140))
  expect((await examined(treeId))[0]!.seen).toEqual({})
})

test('where it was signed meanwhile a new one is opened, once, and all of it goes there with its photographs', async () => {
  const treeId = await makeAsh(firm, 'W-3')
  const signed = uuidv7()
  await holesSeen(30, treeId, signed)
  await done(maren(60), 'sign-diagnosis', {
    id: uuidv7(),
    treeId,
    assessmentId: signed,
    cause: 'emerald-ash-borer',
    reason: 'seen on the day',
  })
  expect(
    await send(
      saw(treeId, signed, 'galleries-s', 'there', 50),
      saw(treeId, signed, 'exit-hole-d', 'unsure', 51),
    ),
  ).toEqual(['taken', 'taken'])
  const bytes = await sharp({ create: { width: 20, height: 10, channels: 3, background: '#777' } })
    .jpeg()
    .toBuffer()
  const photo = uuidv7()
  expect(
    await keepPhoto(
      wren(),
      { id: photo, treeId, assessmentId: signed, finding: null },
      { at: at(52), away: true },
      bytes,
    ),
  ).toMatchObject({ ok: true })
  const all = await examined(treeId)
  expect(all).toHaveLength(2)
  expect(all.find((a) => a.id === signed)!.seen).toEqual({ 'exit-hole-d': 'there' })
  const opened = all.find((a) => a.id !== signed)!
  expect(opened).toMatchObject({
    closedAt: null,
    seen: { 'galleries-s': 'there', 'exit-hole-d': 'unsure' },
  })
  const photos = await inFirm(firm.id, (sql) => photosOf(sql, opened.id))
  expect(photos.map((p) => [p.id, p.takenAt.getTime()])).toEqual([[photo, at(52)]])
})

test('in reach nothing of it changes: a signed examination and somebody else’s are refused', async () => {
  const treeId = await makeAsh(firm, 'W-4')
  await holesSeen(30, treeId, uuidv7())
  const [answer] = await takeEnvelopes(wren(), {
    device: uuidv7(),
    envelopes: [{ ...saw(treeId, uuidv7(), 'galleries-s', 'there', 40), away: false }],
  })
  expect(answer).toMatchObject({ came: 'refused', problem: { field: 'assessmentId' } })
})

test('a device keeps the trees that wait, each with its own and what it shares, and the way from one to the next', async () => {
  const trees = await Promise.all(['V-1', 'V-2', 'V-3'].map((tag) => makeAsh(firm, tag)))
  const seen = uuidv7()
  await holesSeen(200, trees[1]!, seen)
  const all = await kept(trees)
  expect(all.trees.map((t) => t.tree.tag)).toEqual(['V-1', 'V-2', 'V-3'])
  const [first, second] = [oneToExamine(all, trees[0]!)!, oneToExamine(all, trees[1]!)!]
  expect(first).toMatchObject({
    previous: null,
    next: trees[1],
    seen: {},
    assessment: null,
    kindName: 'Ash',
  })
  expect(second).toMatchObject({ seen: { 'exit-hole-d': 'there' }, assessment: { id: seen } })
  expect(first.asked).toContain('exit-hole-d')
  expect(first.causes.length).toBeGreaterThan(3)
  // What was seen last at another tree of the site is offered; at that tree itself what was seen before.
  expect(first.lastOnSite?.tag).toBe('V-2')
  expect(second.lastOnSite?.tag).not.toBe('V-2')
  expect(oneToExamine(all, uuidv7())).toBeNull()
  const waiting = await inFirm(firm.id, (sql) => waitingOf({ sql, ...contextOf(wren()) }))
  expect(waiting.trees.map((t) => t.tree.tag)).toEqual(expect.arrayContaining(['V-1', 'V-2', 'V-3']))
})
