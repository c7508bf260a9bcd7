import { inFirm, closePool } from '@/db/client'
import { CARDS } from '../../demo/cards'
import { decisionsOfTree } from '@/db/queries/assessment'
import { followUpById, followUpsOfTree } from '@/db/queries/followUp'
import { jobsBetween, subjectsOfJob } from '@/db/queries/job'
import { movesOfCheck, movesOfJob } from '@/db/queries/moved'
import { dueAgain } from '@/db/queries/occurrence'
import { treeById } from '@/db/queries/tree'
import { stepsOfSubjects } from '@/db/queries/workStep'
import { addDays } from '@/core/time/calendar'
import { renewalsOf } from '@/server/renewals'
import { nowOf } from '@/server/verb'
import { openWeek } from '@/server/week'
import {
  decideAsh,
  decideTree,
  done,
  keepWeather,
  makeFirm,
  measuredTree,
  NOON,
  problemOf,
  putOnShelf,
  typedRecord,
  uuidv7,
  type TestFirm,
} from './scenario'

/** What does not come to its day goes to another one with the reason, and nothing of it is lost on the way. */
let firm: TestFirm
const captan = uuidv7()
const DAY = 86_400_000
const at = (days: number, minutes = 0) => new Date(NOON.getTime() + days * DAY + minutes * 60_000)
const arborist = (days = 0) => firm.person('arborist', at(days))
const read = <T>(work: Parameters<typeof inFirm<T>>[1]) => inFirm(firm.id, work)
const treeIds: string[] = []
let jobId: string

beforeAll(async () => {
  firm = await makeFirm('Rained off')
  await putOnShelf(firm, { CP4: captan })
  for (let i = 0; i < 4; i++) {
    const treeId = await measuredTree(firm, { tag: `M0${i + 1}`, host: 'apple', inches: '30', eastM: i })
    await decideTree(arborist(), treeId, {
      seen: { 'leaf-spots-olive': 'there', 'cool-wet-spring': 'there', 'fruit-scabs': 'there' },
      cause: 'apple-scab',
      action: 'treat',
    })
    treeIds.push(treeId)
  }
  const subjects = await Promise.all(
    treeIds.map(async (treeId) => ({
      treeId,
      decisionId: (await read((sql) => decisionsOfTree(sql, treeId)))[0]!.id,
      given: { crownHeight: '10 ft', crownWidth: '10 ft', crownShape: 'ellipsoid', crownDensity: 'medium' },
    })),
  )
  ;({ jobId } = await done<{ jobId: string }>(arborist(), 'hand-to-crew', {
    id: uuidv7(),
    items: [{ useId: captan, choice: 1, times: 2, subjects }],
    onDate: '2026-06-12',
    eaten: null,
  }))
})
afterAll(() => closePool())

const openOf = (job: string) =>
  read((sql) => subjectsOfJob(sql, job)).then((s) => s.filter((x) => x.status === 'open'))
const jobs = () => read((sql) => jobsBetween(sql, '2026-06-01', '2026-07-30'))
async function work(job: string, tags: string[], days: number) {
  const ids = (await openOf(job)).filter((s) => tags.includes(s.tag)).map((s) => s.id)
  const tech = firm.person('technician', at(days, 60))
  await done(tech, 'begin-work', {
    jobSubjectIds: ids,
    gear: true,
    seen: { soil: 'moist' as const },
    noBloom: true,
  })
  for (const s of await read((sql) => stepsOfSubjects(sql, ids)))
    await done(tech, 'mark-step', { eventId: uuidv7(), stepId: s.id, kind: 'do' })
  return {
    ids,
    sign: () =>
      done(firm.person('crew lead', at(days, 120)), 'sign-record', {
        ...typedRecord(ids, 'CP4-6000'),
        accepted: ['wind', 'temperature', 'outside', 'short'],
      }),
  }
}

test('a day that cannot be, a missing reason and another job’s tree are refused', async () => {
  const ids = (await openOf(jobId)).map((s) => s.id)
  const move = { jobSubjectIds: ids, onDate: '2026-06-14', why: 'rain all day' }
  for (const [more, field] of [
    [{ why: 'x' }, 'why'],
    [{ onDate: '2026-06-12' }, 'onDate'],
    [{ onDate: '2026-06-11' }, 'onDate'],
    [{ onDate: '2026-02-30' }, 'onDate'],
    [{ onDate: '2028-06-14' }, 'onDate'],
    [{ jobSubjectIds: [ids[0], uuidv7()] }, 'jobSubjectId'],
    [{ jobSubjectIds: [] }, 'jobSubjectIds'],
  ] as const)
    expect(await problemOf(arborist(), 'move-day', { ...move, ...more })).toMatchObject({ field })
  expect(await openOf(jobId)).toHaveLength(4)
})

let second: string
test('trees at which something was done stay; the others go, with their steps, and both days say so', async () => {
  const first = await work(jobId, ['M01', 'M02'], 0)
  const all = await openOf(jobId)
  expect(
    await problemOf(arborist(), 'move-day', {
      jobSubjectIds: all.map((s) => s.id),
      onDate: '2026-06-14',
      why: 'rain all day',
    }),
  ).toMatchObject({ code: 'conflict', message: expect.stringMatching(/M01 has begun|M02 has begun/) })
  const rest = all.filter((s) => !first.ids.includes(s.id))
  const before = await read((sql) =>
    stepsOfSubjects(
      sql,
      rest.map((s) => s.id),
    ),
  )
  const moved = await done<{ jobId: string; trees: number }>(
    firm.person('crew lead', at(0, 90)),
    'move-day',
    {
      jobSubjectIds: rest.map((s) => s.id),
      onDate: '2026-06-14',
      why: 'rain from noon',
    },
  )
  second = moved.jobId
  expect(moved.trees).toBe(2)
  expect(second).not.toBe(jobId)
  expect((await openOf(second)).map((s) => s.tag)).toEqual(['M03', 'M04'])
  expect(
    await read((sql) =>
      stepsOfSubjects(
        sql,
        rest.map((s) => s.id),
      ),
    ),
  ).toEqual(before)
  expect(await jobs()).toMatchObject([
    { id: jobId, trees: 2, recorded: 0, methods: ['crown-spray'] },
    { id: second, onDate: '2026-06-14', trees: 2, recorded: 0, methods: ['crown-spray'] },
  ])
  expect(await read((sql) => movesOfJob(sql, jobId))).toMatchObject({
    away: [{ fromOn: '2026-06-12', toOn: '2026-06-14', trees: 2, why: 'rain from noon', by: 'crew lead' }],
    here: [],
  })
  expect((await read((sql) => movesOfJob(sql, second))).here).toHaveLength(1)
  await first.sign()
})

test('what is half done is not due again before the other half is done', async () => {
  expect(await read((sql) => dueAgain(sql, '2026-08-01'))).toEqual([])
  // Once more, as a whole: the day is empty then, and gone from the list.
  const ids = (await openOf(second)).map((s) => s.id)
  const { jobId: third } = await done<{ jobId: string }>(arborist(1), 'move-day', {
    jobSubjectIds: ids,
    onDate: '2026-06-15',
    why: 'the sprayer is in repair',
  })
  expect((await jobs()).map((j) => j.id)).toEqual([jobId, third])
  await (await work(third, ['M03', 'M04'], 3)).sign()
  expect(await read((sql) => dueAgain(sql, '2026-08-01'))).toMatchObject([
    { n: 2, trees: 4, dueFrom: '2026-06-22' },
  ])
})

test('a cover that stays is renewed at the end of its card’s days, one that rain takes as soon as they let it', async () => {
  const person = arborist(5)
  const renewed = async () => {
    const found = await read(async (sql) =>
      renewalsOf({ sql, person, now: nowOf(person) }, await dueAgain(sql, '2026-08-01')),
    )
    expect(found.size).toBe(1)
    return [...found.values()][0]!
  }
  expect(await renewed()).toMatchObject({ left: null, by: '2026-06-25', why: 'the longest its card allows' })
  const dates = Array.from({ length: 16 }, (_, i) => addDays('2026-06-12', i))
  await keepWeather(firm, dates, { temperature: 18, wind: 2 })
  const stays = await renewed()
  expect(stays).toMatchObject({ by: '2026-06-25', bare: false })
  expect(stays.left! > 80 && stays.left! < 100).toBe(true)
  await keepWeather(firm, ['2026-06-19'], { temperature: 18, wind: 2, rain: 4 })
  expect(await renewed()).toMatchObject({ by: '2026-06-22', why: 'washed or grown off', bare: true })
  await keepWeather(firm, ['2026-06-19'], { temperature: 18, wind: 2 })
  await keepWeather(firm, ['2026-06-24'], { temperature: 18, wind: 2, rain: 4 })
  expect(await renewed()).toMatchObject({ by: '2026-06-24', why: 'washed or grown off', bare: false })
  // The week is planned by it.
  const week = await read((sql) => openWeek({ sql, person, now: nowOf(person), today: '2026-06-17' }))
  expect(week.stops.filter((s) => s.occurrenceId !== null).map((s) => s.dueTo)).toEqual(['2026-06-24'])
})

test('what is due again is not moved before it is due, nor is what is recorded', async () => {
  const [due] = await read((sql) => dueAgain(sql, '2026-08-01'))
  const put = await done<{ jobId: string }>(arborist(4), 'put-on-day', {
    occurrenceId: due!.id,
    onDate: '2026-06-23',
    leaveOut: [],
  })
  const ids = (await openOf(put.jobId)).map((s) => s.id)
  expect(
    await problemOf(arborist(4), 'move-day', { jobSubjectIds: ids, onDate: '2026-06-20', why: 'a dry day' }),
  ).toMatchObject({ field: 'onDate', message: expect.stringMatching(/due from 22 Jun 2026/) })
  const recorded = (await read((sql) => subjectsOfJob(sql, jobId)))[0]!.id
  expect(
    await problemOf(arborist(4), 'move-day', {
      jobSubjectIds: [recorded],
      onDate: '2026-06-24',
      why: 'rain',
    }),
  ).toMatchObject({ code: 'conflict', message: expect.stringMatching(/recorded/) })
  expect((await read((sql) => treeById(sql, treeIds[0]!)))!.stage).toBe('run')
})

test('a promised check is put off with a reason, again and again, and ended by the arborist alone', async () => {
  const own = (await read((sql) => followUpsOfTree(sql, treeIds[0]!))).find((c) => c.prescriptionId !== null)!
  const move = { followUpId: own.id, onDate: '2026-07-20', why: 'the client is away' }
  expect(await problemOf(arborist(5), 'move-check', { ...move, why: '' })).toMatchObject({ field: 'why' })
  expect(await problemOf(arborist(5), 'move-check', { ...move, onDate: '2026-06-01' })).toMatchObject({
    field: 'onDate',
  })
  expect(await problemOf(arborist(5), 'move-check', { ...move, onDate: own.dueOn })).toMatchObject({
    code: 'conflict',
  })
  expect(await problemOf(arborist(5), 'move-check', { ...move, onDate: '2031-06-01' })).toMatchObject({
    field: 'onDate',
  })
  await done(firm.person('office', at(5)), 'move-check', move)
  await done(arborist(6), 'move-check', { ...move, onDate: '2026-07-25', why: 'still away' })
  expect((await read((sql) => followUpById(sql, own.id)))!.dueOn).toBe('2026-07-25')
  expect(
    await problemOf(firm.person('crew lead', at(7)), 'move-check', { ...move, onDate: null }),
  ).toMatchObject({
    code: 'not-allowed',
  })
  await done(arborist(8), 'move-check', { ...move, onDate: null, why: 'the tree was felled by the wind' })
  expect((await read((sql) => followUpById(sql, own.id)))!.dropped).toBe('the tree was felled by the wind')
  expect(await problemOf(arborist(9), 'move-check', move)).toMatchObject({ code: 'conflict' })
  expect((await read((sql) => movesOfCheck(sql, own.id))).map((m) => [m.fromOn, m.toOn])).toEqual([
    [own.dueOn, '2026-07-20'],
    ['2026-07-20', '2026-07-25'],
    ['2026-07-25', null],
  ])
})

test('what a decision waits for is put off, never ended', async () => {
  const cared = await measuredTree(firm, { tag: 'M05', host: 'apple', inches: '30', eastM: 20 })
  await decideTree(arborist(), cared, {
    seen: { 'leaf-spots-olive': 'there' },
    cause: 'apple-scab',
    action: 'care',
    due: '2026-07-10',
  })
  const decided = (await read((sql) => followUpsOfTree(sql, cared))).find(
    (c) => c.decisionId !== null && c.dropped === null,
  )!
  const move = { followUpId: decided.id, onDate: null as string | null, why: 'nobody asks any more' }
  expect(await problemOf(arborist(5), 'move-check', move)).toMatchObject({
    code: 'not-allowed',
    message: expect.stringMatching(/decide anew/),
  })
  await done(arborist(5), 'move-check', { ...move, onDate: '2026-07-30' })
})

test('an injection is moved before it is begun', async () => {
  const { prescription } = await decideAsh(firm, 'M-ash')
  const { jobId: own } = await done<{ jobId: string }>(arborist(), 'hand-to-crew', prescription)
  const subject = (await openOf(own)).find((s) => s.tag === 'M-ash')
  const { jobId: other } = await done<{ jobId: string }>(arborist(), 'move-day', {
    jobSubjectIds: [subject!.id],
    onDate: '2026-06-18',
    why: 'the street is closed',
  })
  expect(await openOf(other)).toMatchObject([{ tag: 'M-ash', id: subject!.id }])
})

test('what repels and is sprayed goes on again after rain; what hangs stays', async () => {
  const [sprayed, hung] = [uuidv7(), uuidv7()]
  await putOnShelf(firm, { 'HC-EGG': sprayed, 'HC-SCENT': hung })
  const ids: string[] = []
  for (const [useId, tag] of [
    [sprayed, 'R1'],
    [hung, 'R2'],
  ] as const) {
    const treeId = await measuredTree(firm, { tag, host: 'apple', inches: '12', eastM: 50 })
    const decisionId = await decideTree(arborist(), treeId, {
      seen: { 'browse-torn': 'there' },
      cause: 'deer-browse',
      reason: 'seen at it',
      action: 'care',
      due: '2026-09-10',
      words: 'as talked over',
    })
    const { jobId } = await done<{ jobId: string }>(arborist(), 'hand-to-crew', {
      id: uuidv7(),
      items: [
        { useId, choice: 0, times: 3, subjects: [{ treeId, decisionId, given: { hand: { pieces: '1' } } }] },
      ],
      onDate: '2026-06-12',
      eaten: null,
    })
    const { sign } = await work(jobId, [tag], 0)
    await sign()
    ids.push(treeId)
  }
  const person = arborist(8)
  const dates = Array.from({ length: 16 }, (_, i) => addDays('2026-06-12', i))
  const renewed = async () => {
    const due = await read((sql) => dueAgain(sql, '2026-12-01'))
    const found = await read((sql) => renewalsOf({ sql, person, now: nowOf(person) }, due))
    return ids.map((_, i) => found.get(due.find((d) => d.useId === [sprayed, hung][i])!.id) ?? null)
  }
  await keepWeather(firm, dates, { temperature: 18, wind: 2 })
  expect(await renewed()).toMatchObject([{ left: 100, why: 'the longest its card allows' }, null])
  await keepWeather(firm, ['2026-06-19'], { temperature: 18, wind: 2, rain: 1 })
  expect(await renewed()).toMatchObject([{ left: 0, by: '2026-06-19', why: 'washed or grown off' }, null])
})

test('what is due again by a card that was replaced says so, in the list and in the week, and is done no more', async () => {
  const { card } = CARDS.find((c) => c.card.code === 'HC-SCENT')!
  await done(arborist(8), 'enter-card', {
    id: uuidv7(),
    card: { ...card, name: 'Hung scent, new' },
    after: 1,
  })
  const due = await read((sql) => dueAgain(sql, '2026-12-01'))
  const old = due.find((d) => d.method === 'repel' && d.replaced)!
  expect(due.filter((d) => d.method === 'repel' && !d.replaced)).toHaveLength(1)
  const person = arborist(32)
  const week = await read((sql) => openWeek({ sql, person, now: nowOf(person), today: '2026-07-14' }))
  expect(week.stops.find((s) => s.occurrenceId === old.id)).toMatchObject({ trees: 1, anew: 1 })
  expect(
    await problemOf(person, 'put-on-day', { occurrenceId: old.id, onDate: '2026-07-20', leaveOut: [] }),
  ).toMatchObject({ code: 'conflict', message: expect.stringMatching(/was replaced by v2/) })
})
