import { inFirm, closePool } from '@/db/client'
import { jobSubjects, subjectsOfJob } from '@/db/queries/job'
import { stepsOfSubjects } from '@/db/queries/workStep'
import { act, decideAsh, done, makeFirm, NOON, problemOf, runAsh, uuidv7, type TestFirm } from './scenario'

/** Work is begun on its day, by whoever stands there, whatever the clocks of their devices say. */
let firm: TestFirm
const DAY = 86_400_000
const at = (days: number, minutes = 0) => new Date(NOON.getTime() + days * DAY + minutes * 60_000)
const technician = (days = 0, minutes = 0) => firm.person('technician', at(days, minutes))
beforeAll(async () => (firm = await makeFirm('On its day')))
afterAll(() => closePool())

/** An ash handed over for a day. */
async function handed(tag: string, onDate: string) {
  const ash = await decideAsh(firm, tag)
  const { jobId } = await done<{ jobId: string }>(firm.person('arborist', NOON), 'hand-to-crew', {
    ...ash.prescription,
    onDate,
  })
  const subject = await inFirm(firm.id, async (sql) => {
    const all = await subjectsOfJob(sql, jobId)
    return all.find((s) => s.tag === tag)!
  })
  return { jobId, subject }
}
const confirm = (jobSubjectId: string, tag: string, more = {}) => ({
  jobSubjectId,
  tag,
  gear: true,
  seen: { soil: 'moist' as const },
  ...more,
})
const now = async (id: string) => (await inFirm(firm.id, (sql) => jobSubjects(sql, [id])))[0]!

test('work of another day is begun today only by whoever says so', async () => {
  const { subject } = await handed('D-1', '2026-06-19')
  const refused = await problemOf(technician(), 'confirm-tree', confirm(subject.id, 'D-1'))
  expect(refused).toMatchObject({
    code: 'missing',
    field: 'otherDay',
    message: expect.stringMatching(/stands on .*19 Jun.*today is .*12 Jun/),
  })
  expect((await now(subject.id)).confirmedAt).toBeNull()
  await done(technician(), 'confirm-tree', confirm(subject.id, 'D-1', { otherDay: true }))
  expect((await now(subject.id)).confirmedAt).not.toBeNull()
  // On its own day nothing is asked.
  const other = await handed('D-2', '2026-06-19')
  await done(technician(7), 'confirm-tree', confirm(other.subject.id, 'D-2'))
})

test('a tree that was confirmed and is moved is confirmed anew', async () => {
  const { subject, jobId } = await handed('D-3', '2026-06-12')
  await done(technician(), 'confirm-tree', confirm(subject.id, 'D-3'))
  await done(firm.person('crew lead', NOON), 'move-day', {
    jobSubjectIds: [subject.id],
    onDate: '2026-06-15',
    why: 'rain until evening',
  })
  const moved = await now(subject.id)
  expect(moved.jobId).not.toBe(jobId)
  expect([moved.confirmedAt, moved.seen]).toEqual([null, {}])
  const [port] = await inFirm(firm.id, (sql) => stepsOfSubjects(sql, [subject.id]))
  const drill = { eventId: uuidv7(), stepId: port!.id, kind: 'drill' }
  expect((await problemOf(technician(3), 'mark-step', drill))!.message).toMatch(/Confirm the tag/)
  await done(technician(3), 'confirm-tree', confirm(subject.id, 'D-3'))
  await done(technician(3), 'mark-step', drill)
})

test('a clock far behind another makes no second hole', async () => {
  const { ports } = await runAsh(firm, 'D-4')
  const port = ports[0]!.id
  const press = (kind: string, minutes: number) =>
    act(
      technician(0, 30),
      'mark-step',
      { eventId: uuidv7(), stepId: port, kind },
      { at: at(0, minutes).getTime() },
    )
  expect(await press('drill', 29)).toMatchObject({ ok: true })
  // The other device is a quarter of an hour behind.
  const set = await press('start', 14)
  expect(set).toMatchObject({ ok: true })
  const { state } = (set as { value: { state: { drilledAt: number; startedAt: number } } }).value
  expect(state.startedAt).toBeGreaterThan(state.drilledAt)
  expect(await press('stop', 16)).toMatchObject({ ok: true })
  expect(await press('out', 17)).toMatchObject({ ok: true })
  // What was truly not done is refused as before.
  expect(
    await problemOf(technician(0, 30), 'mark-step', {
      eventId: uuidv7(),
      stepId: ports[1]!.id,
      kind: 'start',
    }),
  ).toMatchObject({
    message: expect.stringContaining('is not drilled yet'),
  })
})
