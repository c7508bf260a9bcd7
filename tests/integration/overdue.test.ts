import { closePool, inFirm } from '@/db/client'
import { decisionsOfTree } from '@/db/queries/assessment'
import { subjectsOfJob } from '@/db/queries/job'
import { overdue, overdueCounts } from '@/db/queries/overdue'
import { stepsOfSubjects } from '@/db/queries/workStep'
import {
  decideTree,
  done,
  makeFirm,
  measuredTree,
  NOON,
  putOnShelf,
  typedRecord,
  uuidv7,
  type TestFirm,
} from './scenario'

/** Nothing that was promised is forgotten: it stays overdue until it is done, moved with a reason, or ended with one. */
let firm: TestFirm
const captan = uuidv7()
const DAY = 86_400_000
const at = (days: number, minutes = 0) => new Date(NOON.getTime() + days * DAY + minutes * 60_000)
const read = <T>(work: Parameters<typeof inFirm<T>>[1]) => inFirm(firm.id, work)
const list = (today: string, after: { day: string; id: string } | null = null, limit = 50) =>
  read((sql) => overdue(sql, today, after, limit))
const kinds = async (today: string) => (await list(today)).map((r) => `${r.kind} ${r.day}`)
let jobId: string

beforeAll(async () => {
  firm = await makeFirm('Forgetful')
  await putOnShelf(firm, { CP4: captan })
  const subjects = []
  for (const tag of ['P01', 'P02']) {
    const treeId = await measuredTree(firm, { tag, host: 'apple', inches: '30', eastM: Number(tag.slice(1)) })
    await decideTree(firm.person('arborist'), treeId, {
      seen: { 'leaf-spots-olive': 'there', 'cool-wet-spring': 'there', 'fruit-scabs': 'there' },
      cause: 'apple-scab',
      action: 'treat',
    })
    subjects.push({
      treeId,
      decisionId: (await read((sql) => decisionsOfTree(sql, treeId)))[0]!.id,
      given: { crownHeight: '10 ft', crownWidth: '10 ft', crownShape: 'ellipsoid', crownDensity: 'medium' },
    })
  }
  // Two more are cared for by hand, and looked at again.
  for (const tag of ['P03', 'P04'])
    await decideTree(
      firm.person('arborist'),
      await measuredTree(firm, { tag, host: 'apple', inches: '30', eastM: 9 }),
      { seen: { 'leaf-spots-olive': 'there' }, cause: 'apple-scab', action: 'care', due: '2026-06-20' },
    )
  ;({ jobId } = await done<{ jobId: string }>(firm.person('arborist'), 'hand-to-crew', {
    id: uuidv7(),
    items: [{ useId: captan, choice: 1, times: 2, subjects }],
    onDate: '2026-06-12',
    eaten: null,
  }))
})
afterAll(() => closePool())

test('what is due today is not overdue; tomorrow what was not done is', async () => {
  expect(await kinds('2026-06-12')).toEqual([])
  expect(await kinds('2026-06-13')).toEqual(['job 2026-06-12'])
  expect(await list('2026-06-13')).toMatchObject([{ id: jobId, trees: 2, methods: ['crown-spray'] }])
  expect(await read((sql) => overdueCounts(sql, '2026-06-21'))).toEqual({ jobs: 1, again: 0, checks: 2 })
  expect(await kinds('2026-06-21')).toEqual(['job 2026-06-12', 'check 2026-06-20', 'check 2026-06-20'])
})

test('a page goes on after its last row, whatever kind it is', async () => {
  const all = await list('2026-06-21')
  let seen: string[] = []
  let after: { day: string; id: string } | null = null
  for (let i = 0; i < 5; i++) {
    const [row] = await list('2026-06-21', after, 1)
    if (!row) break
    seen = [...seen, row.id]
    after = { day: row.day, id: row.id }
  }
  expect(seen).toEqual(all.map((r) => r.id))
})

test('a job leaves the list when it is moved with a reason, and comes back when that day is over', async () => {
  const open = (await read((sql) => subjectsOfJob(sql, jobId))).map((s) => s.id)
  const moved = await done<{ jobId: string }>(firm.person('crew lead', at(1)), 'move-day', {
    jobSubjectIds: open,
    onDate: '2026-06-14',
    why: 'rain all day',
  })
  expect(await kinds('2026-06-14')).toEqual([])
  expect(await kinds('2026-06-15')).toEqual(['job 2026-06-14'])
  jobId = moved.jobId
})

test('it leaves when it is done; what is due again after it is overdue once its days are over, until it is put on one or ended', async () => {
  const subjects = (await read((sql) => subjectsOfJob(sql, jobId))).map((s) => s.id)
  await done(firm.person('crew lead', at(2)), 'begin-work', {
    jobSubjectIds: subjects,
    gear: true,
    seen: { soil: 'moist' as const },
    noBloom: true,
  })
  for (const s of await read((sql) => stepsOfSubjects(sql, subjects)))
    await done(firm.person('technician', at(2, 10)), 'mark-step', {
      eventId: uuidv7(),
      stepId: s.id,
      kind: 'do',
    })
  await done(firm.person('crew lead', at(2, 40)), 'sign-record', {
    ...typedRecord(subjects, 'CP4-6000'),
    accepted: ['wind', 'temperature', 'outside', 'short'],
  })
  expect((await list('2026-06-16')).filter((r) => r.kind === 'job')).toEqual([])
  const again = (await list('2026-12-01')).find((r) => r.kind === 'again')!
  expect(again).toMatchObject({ methods: ['crown-spray'], trees: 2 })
  expect((await list(again.day)).some((r) => r.kind === 'again')).toBe(false)
  await done(firm.person('arborist', at(3)), 'end-repeats', {
    occurrenceId: again.id,
    words: 'no more spots to be seen',
  })
  expect((await list('2026-12-01')).some((r) => r.kind === 'again')).toBe(false)
})

test('a promised look leaves when it is put off, and when it is ended', async () => {
  const looks = (await list('2026-06-21')).filter((r) => r.kind === 'check')
  expect(looks).toHaveLength(2)
  await done(firm.person('office', at(9)), 'move-check', {
    followUpId: looks[0]!.id,
    onDate: '2026-06-25',
    why: 'the client is away',
  })
  expect((await list('2026-06-22')).map((r) => r.id)).toEqual([looks[1]!.id])
  expect((await list('2026-06-26')).map((r) => r.id)).toEqual([looks[1]!.id, looks[0]!.id])
})
