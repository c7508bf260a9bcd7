import { inFirm } from '@/db/client'
import { unseenDoneAway } from '@/db/queries/doneAway'
import { jobSubjects, subjectsOfJob } from '@/db/queries/job'
import { recordById } from '@/db/queries/record'
import { eventsOfSubject, stepsOfSubjects } from '@/db/queries/workStep'
import { readRecord, type Application } from '@/server/ledger/body'
import { takeEnvelopes } from '@/server/field/takeEnvelopes'
import type { Envelope } from '@/asks/envelopes'
import {
  act,
  closePool,
  decideAsh,
  done,
  makeFirm,
  NOON,
  recordInput,
  runAsh,
  stepPorts,
  uuidv7,
  type TestFirm,
} from './scenario'

/** A crew without a signal: what was done is entered whatever the office decided meanwhile, each press once, and what stood against it is shown. */
let firm: TestFirm
const DEVICE = uuidv7()
const at = (minutes: number) => new Date(NOON.getTime() + minutes * 60_000)
const lead = () => firm.person('crew lead', at(240))
const arborist = (minutes = 60) => firm.person('arborist', at(minutes))
beforeAll(async () => (firm = await makeFirm('Away firm')))
afterAll(() => closePool())

let seq = 0
const envelope = (step: Envelope['step'], content: object, more: Partial<Envelope> = {}): Envelope => ({
  id: uuidv7(),
  step,
  content: content as Record<string, unknown>,
  at: at(90).getTime(),
  away: true,
  trees: [],
  ...more,
})
const press = (stepId: string, kind: string, minutes: number, tree: string) => {
  const eventId = uuidv7()
  return envelope(
    'mark-step',
    { eventId, stepId, kind, seq: seq++ },
    { id: eventId, at: at(minutes).getTime(), trees: [tree] },
  )
}
const send = (...envelopes: Envelope[]) => takeEnvelopes(lead(), { device: DEVICE, envelopes })
const came = async (...envelopes: Envelope[]) => (await send(...envelopes)).map((a) => a.came)
const unseen = (tag: string) =>
  inFirm(firm.id, async (sql) => (await unseenDoneAway(sql)).filter((d) => d.tag === tag).map((d) => d.words))
const treesOf = (jobId: string) =>
  inFirm(firm.id, async (sql) => {
    const [job] = await sql<{ trees: number }[]>`select trees from job where id = ${jobId}`
    return job!.trees
  })
const now = async (id: string) => (await inFirm(firm.id, (sql) => jobSubjects(sql, [id])))[0]!

/** All ports set, emptied and pulled by one device away, a minute apart. */
const whole = (run: Awaited<ReturnType<typeof runAsh>>, from: number) =>
  run.ports.flatMap((p, n) =>
    ['drill', 'start', 'stop', 'out'].map((kind, i) => press(p.id, kind, from + n + i * 20, run.subject.id)),
  )
const signature = (run: Awaited<ReturnType<typeof runAsh>>, more: object = {}) => {
  const content = { ...recordInput(run.subject.id, 9), ...more }
  return envelope('sign-record', content, { id: content.id, at: at(200).getTime(), trees: [run.subject.id] })
}
const bodyOf = async (id: string) =>
  readRecord((await inFirm(firm.id, (sql) => recordById(sql, id)))!).body as Application

test('a whole tree comes in late, each press by its own time, and is signed once with both times', async () => {
  const run = await runAsh(firm, 'W-1')
  const presses = whole(run, 60)
  const record = signature(run)
  expect(new Set(await came(...presses, record))).toEqual(new Set(['taken']))
  const events = await inFirm(firm.id, (sql) => eventsOfSubject(sql, run.subject.id))
  expect(events.get(run.ports[0]!.id)).toMatchObject([
    { kind: 'drill', at: at(60).getTime(), device: DEVICE },
    { kind: 'start', at: at(80).getTime() },
    { kind: 'stop', at: at(100).getTime() },
    { kind: 'out', at: at(120).getTime() },
  ])
  // Sent again after a lost answer: nothing is there twice, and the device is told so.
  expect(new Set(await came(...presses, record))).toEqual(new Set(['same']))
  const again = await inFirm(firm.id, (sql) => eventsOfSubject(sql, run.subject.id))
  expect([...again.values()].flat()).toHaveLength(presses.length)
  const { subjects } = await bodyOf(record.id)
  expect(subjects[0]!.deviations.join(' ')).toMatch(
    /Signed on the device at 15:20 without a signal, entered later/,
  )
  expect(await unseen('W-1')).toEqual([])
})

test('what the office took back meanwhile is recorded where it was done, and the arborist sees it until it is seen', async () => {
  const { prescription } = await decideAsh(firm, 'W-2')
  const { jobId } = await done<{ jobId: string }>(firm.person('arborist', NOON), 'hand-to-crew', prescription)
  const subject = (await inFirm(firm.id, (sql) => subjectsOfJob(sql, jobId))).find((s) => s.tag === 'W-2')!
  const ports = await inFirm(firm.id, (sql) => stepsOfSubjects(sql, [subject.id]))
  const trees = await treesOf(jobId)
  await done(arborist(), 'hand-back', { jobSubjectIds: [subject.id], words: 'the client wants to wait' })
  expect(await treesOf(jobId)).toBe(trees - 1)
  const begin = envelope(
    'confirm-tree',
    { jobSubjectId: subject.id, tag: 'W-2', gear: true, seen: { soil: 'moist' } },
    { trees: [subject.id] },
  )
  const run = { subject, ports } as unknown as Awaited<ReturnType<typeof runAsh>>
  // In reach it is refused, and what rests on it waits; other trees go on.
  const [first, second] = whole(run, 60)
  expect(
    await came({ ...begin, id: uuidv7(), away: false }, { ...first!, id: uuidv7(), away: false }),
  ).toEqual(['refused', 'waits'])
  expect(await came(begin, first!, second!)).toEqual(['taken', 'taken', 'taken'])
  expect(await now(subject.id)).toMatchObject({ status: 'open' })
  expect(await treesOf(jobId)).toBe(trees)
  const record = signature(run)
  expect(new Set(await came(...whole(run, 60).slice(2), record))).toEqual(new Set(['taken']))
  expect(await now(subject.id)).toMatchObject({ status: 'recorded' })
  const said = (await bodyOf(record.id)).subjects[0]!.deviations.join(' ')
  expect(said).toMatch(/Done without a signal at 13:30, when this could not be known: .*taken/)
  const shown = await unseen('W-2')
  expect(shown.length).toBeGreaterThan(0)
  const ids = (await inFirm(firm.id, (sql) => unseenDoneAway(sql)))
    .filter((d) => d.tag === 'W-2')
    .map((d) => d.id)
  expect(await done(arborist(300), 'see-away', { ids })).toEqual({ seen: ids.length })
  expect(await unseen('W-2')).toEqual([])
})

test('two devices at one tree: what one pressed on top of the other stays in the history and counts once', async () => {
  const run = await runAsh(firm, 'W-3')
  const port = run.ports[0]!.id
  // In reach, at 13:00 and a minute later.
  await stepPorts(firm, [port], ['drill', 'start'], at(60))
  const other = ['drill', 'start'].map((kind, i) => press(port, kind, 62 + i, run.subject.id))
  expect(await came(...other)).toEqual(['taken', 'taken'])
  const events = await inFirm(firm.id, (sql) => eventsOfSubject(sql, run.subject.id))
  expect(events.get(port)).toHaveLength(4)
  expect((await unseen('W-3')).join(' ')).toMatch(/drilled already/)
})

test('a lot that is not on the shelf, and a press after the signature, are entered and said', async () => {
  const run = await runAsh(firm, 'W-4')
  const record = signature(run, { lot: 'OLD-7' })
  expect(new Set(await came(...whole(run, 60), record))).toEqual(new Set(['taken']))
  const body = await bodyOf(record.id)
  expect(body.product.lot).toBe('OLD-7')
  expect(body.subjects[0]!.deviations.join(' ')).toMatch(/Lot "OLD-7" is not on the shelf/)
  const late = press(run.ports[0]!.id, 'undo', 150, run.subject.id)
  expect(await came(late)).toEqual(['taken'])
  expect((await unseen('W-4')).join(' ')).toMatch(/signed and recorded/)
  expect(await now(run.subject.id)).toMatchObject({ status: 'recorded' })
})

test('something still in the tree is not signed away, without a signal either; nobody signs what is not theirs to sign', async () => {
  const run = await runAsh(firm, 'W-5')
  const [drill, start] = whole(run, 60)
  const [, , answer] = await send(drill!, start!, signature(run))
  expect(answer).toMatchObject({ came: 'refused', problem: { field: 'steps' } })
  const [technicians] = await takeEnvelopes(firm.person('technician', at(240)), {
    device: DEVICE,
    envelopes: [signature(run)],
  })
  expect(technicians).toMatchObject({ came: 'refused', problem: { field: 'role' } })
  expect(await act(lead(), 'see-away', { ids: [uuidv7()] })).toMatchObject({
    ok: false,
    problem: { field: 'role' },
  })
})
