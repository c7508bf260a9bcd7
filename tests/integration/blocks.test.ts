import { inFirm } from '@/db/client'
import { addCard, addLot } from '@/db/queries/card'
import { decisionsOfTree, diagnosesOfTree } from '@/db/queries/assessment'
import { jobSubjects, subjectsOfJob } from '@/db/queries/job'
import { dueAgain, type DueRow } from '@/db/queries/occurrence'
import { prescriptionsOfTree } from '@/db/queries/prescription'
import { recordById } from '@/db/queries/record'
import { treeById } from '@/db/queries/tree'
import { stepsOfSubjects } from '@/db/queries/workStep'
import { readRecord, type Application } from '@/server/ledger/body'
import { CARDS } from '../../demo/cards'
import {
  measuredTree,
  typedRecord,
  closePool,
  done,
  makeFirm,
  NOON,
  problemOf,
  uuidv7,
  type TestFirm,
} from './scenario'

/** A bank of apples looked at by sample, covered as one, recorded by itself, and due again by its card. */
let firm: TestFirm
const captan = uuidv7()
const DAY = 86_400_000
const at = (days: number, minutes = 0) => new Date(NOON.getTime() + days * DAY + minutes * 60_000)
const arborist = (days = 0, minutes = 0) => firm.person('arborist', at(days, minutes))
const rows = <T>(work: Parameters<typeof inFirm<T>>[1]) => inFirm(firm.id, work)
const trees: { tag: string; treeId: string }[] = []

async function apple(tag: string) {
  const treeId = await measuredTree(firm, { tag, host: 'apple', inches: '30', eastM: trees.length })
  return { tag, treeId }
}

async function sign(treeId: string, more: Record<string, string> = {}) {
  const assessmentId = uuidv7()
  const findings = {
    'leaf-spots-olive': 'there',
    'cool-wet-spring': 'there',
    'fruit-scabs': 'there',
    ...more,
  }
  for (const [finding, state] of Object.entries(findings))
    await done(arborist(), 'set-finding', { treeId, assessmentId, finding, state })
  const diagnosisId = uuidv7()
  await done(arborist(), 'sign-diagnosis', { id: diagnosisId, treeId, assessmentId, cause: 'apple-scab' })
  await done(arborist(), 'sign-decision', {
    id: uuidv7(),
    treeId,
    diagnosisId,
    action: 'treat',
    due: '2026-07-10',
  })
}

async function covers(onDate: string, times: number, onTrees = trees) {
  const subjects = await Promise.all(
    onTrees.map(async ({ treeId }) => ({
      treeId,
      decisionId: (await rows((sql) => decisionsOfTree(sql, treeId)))[0]!.id,
      given: { crownHeight: '10 ft', crownWidth: '10 ft', crownShape: 'ellipsoid', crownDensity: 'medium' },
    })),
  )
  return { id: uuidv7(), items: [{ useId: captan, choice: 1, times, subjects }], onDate, eaten: null }
}

/** Works every step of a job and signs the trees together. */
async function runAll(jobId: string, days: number): Promise<string> {
  const ids = (await rows((sql) => subjectsOfJob(sql, jobId)))
    .filter((s) => s.status === 'open')
    .map((s) => s.id)
  const tech = firm.person('technician', at(days, 60))
  await done(tech, 'begin-work', {
    jobSubjectIds: ids,
    gear: true,
    seen: { soil: 'moist' as const },
    noBloom: true,
  })
  const steps = await rows((sql) => stepsOfSubjects(sql, ids))
  for (const s of steps) await done(tech, 'mark-step', { eventId: uuidv7(), stepId: s.id, kind: 'do' })
  const { recordId } = await done<{ recordId: string }>(
    firm.person('crew lead', at(days, 120)),
    'sign-record',
    {
      ...typedRecord(ids, 'CP4-6000'),
      accepted: ['wind', 'temperature', 'outside', 'short'],
    },
  )
  return recordId
}

beforeAll(async () => {
  firm = await makeFirm('Orchard firm')
  const { card } = CARDS.find((c) => c.card.code === 'CP4')!
  await rows(async (sql) => {
    await addCard(sql, {
      id: uuidv7(),
      firmId: firm.id,
      version: 1,
      card,
      useIds: [captan],
      at: NOON,
      by: null,
    })
    await addLot(sql, { id: uuidv7(), firmId: firm.id, code: 'CP4', number: 'CP4-6000', expiresOn: null })
  })
  for (let i = 1; i <= 7; i++) trees.push(await apple(`A0${i}`))
})
afterAll(() => closePool())

const byBlock = (block: string) => ({ id: uuidv7(), siteId: firm.site, block })

test('a block is named; too few looked at, or a strange tree, are refused', async () => {
  const ids = trees.map((t) => t.treeId)
  const name = { siteId: firm.site, treeIds: ids, name: 'Bank A' }
  expect(await problemOf(arborist(), 'set-block', { ...name, treeIds: [uuidv7()] })).toMatchObject({
    field: 'treeIds',
  })
  expect(await problemOf(arborist(), 'set-block', { ...name, name: ' ' })).toMatchObject({ field: 'name' })
  await done(firm.person('office'), 'set-block', name)
  for (const { treeId } of trees.slice(0, 3)) await sign(treeId)
  expect(await problemOf(arborist(), 'sign-block', byBlock('Bank A'))).toMatchObject({
    field: 'block',
    message: expect.stringMatching(/Examine 1 more/),
  })
  expect(await problemOf(arborist(), 'sign-block', byBlock('Bank Z'))).toMatchObject({ code: 'unknown' })
})

test('the others are signed with those that were looked at, and say so', async () => {
  await sign(trees[3]!.treeId, { 'soil-wet': 'not-there' })
  const signed = byBlock('Bank A')
  expect(await done(arborist(0, 5), 'sign-block', signed)).toEqual({ signed: 3, looked: 4 })
  expect(await done(arborist(0, 5), 'sign-block', signed)).toEqual({ signed: 3, looked: 4 })
  const other = trees[5]!.treeId
  const [diagnosis] = await rows((sql) => diagnosesOfTree(sql, other))
  expect(diagnosis).toMatchObject({
    cause: 'apple-scab',
    overrideReason: expect.stringMatching(/^By sample: 4 of 7 trees of Bank A .*A01, A02, A03, A04/),
  })
  expect((await rows((sql) => decisionsOfTree(sql, other)))[0]).toMatchObject({
    action: 'treat',
    reasons: [{ code: 'sample' }],
  })
  // What only some of the sample say of the site is said of none of the others.
  const said = await rows(
    (sql) =>
      sql<
        { finding: string }[]
      >`select finding from finding where assessment_id = ${diagnosis!.assessmentId}`,
  )
  expect(said.map((f) => f.finding)).toEqual(['cool-wet-spring'])
  expect(await problemOf(arborist(0, 6), 'sign-block', byBlock('Bank A'))).toMatchObject({
    message: expect.stringMatching(/signed already/),
  })
})

let jobId: string
test('more covers than the label allows are refused; three are signed for the block, one record of it', async () => {
  expect(await problemOf(arborist(), 'hand-to-crew', await covers('2026-06-12', 9))).toMatchObject({
    code: 'over-label',
    field: 'times',
    message: expect.stringMatching(/at most 8 times/),
  })
  ;({ jobId } = await done<{ jobId: string }>(arborist(0, 10), 'hand-to-crew', await covers('2026-06-12', 3)))
  const recordId = await runAll(jobId, 0)
  const body = readRecord((await rows((sql) => recordById(sql, recordId)))!).body as Application
  expect(body.place.block).toBe('Bank A')
  expect(body.subjects).toHaveLength(7)
  // It is looked at afterwards by sample, as it was before.
  const checks = await rows(
    (sql) =>
      sql<{ treeId: string }[]>`select tree_id as "treeId" from follow_up where prescription_id is not null`,
  )
  expect(checks.map((c) => trees.findIndex((t) => t.treeId === c.treeId)).sort()).toEqual([0, 1, 3, 5])
})

test('the next cover is due by the card’s days, and is put on a day of them', async () => {
  const [due] = await rows((sql) => dueAgain(sql, '2026-07-01'))
  expect(due).toMatchObject({
    n: 2,
    times: 3,
    dueFrom: '2026-06-19',
    dueTo: '2026-06-22',
    trees: 7,
    blocks: ['Bank A'],
  })
  const put = (onDate: string, more = {}) => ({ occurrenceId: due!.id, onDate, ...more })
  expect(await problemOf(arborist(1), 'put-on-day', put('2026-06-18'))).toMatchObject({
    field: 'onDate',
    message: expect.stringMatching(/due from 19 Jun 2026/),
  })
  expect(await problemOf(arborist(9), 'put-on-day', put('2026-06-20'))).toMatchObject({ field: 'onDate' })
  // A cover of June is put on no day after the leaves are down.
  expect(due!.endsOn).toBe('2026-11-15')
  expect(await problemOf(arborist(150), 'put-on-day', put('2026-11-16'))).toMatchObject({
    field: 'onDate',
    message: expect.stringMatching(/season ends on 15 Nov 2026/),
  })
  // One was decided anew meanwhile, one is left out by hand.
  const anew = trees[6]!.treeId
  const [diagnosis] = await rows((sql) => diagnosesOfTree(sql, anew))
  await done(arborist(2), 'sign-decision', {
    id: uuidv7(),
    treeId: anew,
    diagnosisId: diagnosis!.id,
    action: 'watch',
    due: '2026-07-01',
    words: 'the client takes this one out of the covers',
  })
  const { jobId: second, trees: worked } = await done<{ jobId: string; trees: number }>(
    arborist(3),
    'put-on-day',
    put('2026-06-19', { leaveOut: [trees[5]!.treeId] }),
  )
  expect(worked).toBe(5)
  expect(await problemOf(arborist(3), 'put-on-day', put('2026-06-20'))).toMatchObject({ code: 'conflict' })
  expect((await rows((sql) => treeById(sql, trees[0]!.treeId)))!.stage).toBe('run')
  const subjects = await rows((sql) => subjectsOfJob(sql, second))
  expect(subjects.map((s) => s.plan.product)).toEqual(subjects.map(() => subjects[0]!.plan.product))
  await runAll(second, 7)
  expect(await rows((sql) => dueAgain(sql, '2026-07-01'))).toMatchObject([
    { n: 3, dueFrom: '2026-06-26', trees: 6 },
  ])
})

test('taken back before the last cover, what was done stands, and the gate still knows it', async () => {
  const [due] = await rows((sql) => dueAgain(sql, '2026-07-01'))
  await done(arborist(8), 'put-on-day', { occurrenceId: due!.id, onDate: '2026-06-27', leaveOut: [] })
  const treeId = trees[0]!.treeId
  const [p] = await rows((sql) => prescriptionsOfTree(sql, treeId))
  expect(p).toMatchObject({ status: 'handed', onDate: '2026-06-27' })
  await done(arborist(9), 'withdraw-prescription', { treeId, prescriptionId: p!.id, words: 'rain all week' })
  const after = await rows((sql) => prescriptionsOfTree(sql, treeId))
  expect(after.every((q) => q.status === 'done')).toBe(true)
  expect((await rows((sql) => jobSubjects(sql, [p!.jobSubjectId!])))[0]!.status).toBe('withdrawn')
  expect((await rows((sql) => treeById(sql, treeId)))!.stage).toBe('check')
})

test('what is due again is read a page at a time, each once and none left out', async () => {
  for (const tag of ['K01', 'K02', 'K03']) {
    const one = await apple(tag)
    await sign(one.treeId)
    const { jobId } = await done<{ jobId: string }>(
      arborist(0, 15),
      'hand-to-crew',
      await covers('2026-06-12', 2, [one]),
    )
    await runAll(jobId, 0)
  }
  const all = (await rows((sql) => dueAgain(sql, '2026-06-30'))).map((d) => d.id)
  const pageAfter = (after: DueRow | null) => rows((sql) => dueAgain(sql, '2026-06-30', { limit: 2, after }))
  const walked: string[] = []
  for (let page = await pageAfter(null); page.length > 0; page = await pageAfter(page.at(-1)!))
    walked.push(...page.map((d) => d.id))
  expect(all.length).toBeGreaterThanOrEqual(3)
  expect(walked).toEqual(all)
  for (const id of all)
    await done(arborist(1), 'end-repeats', { occurrenceId: id, words: 'shown by the page' })
})

test('what is due again can be ended with a reason, once', async () => {
  const more = [await apple('B01')]
  await sign(more[0]!.treeId)
  const { jobId: own } = await done<{ jobId: string }>(
    arborist(0, 20),
    'hand-to-crew',
    await covers('2026-06-12', 2, more),
  )
  await runAll(own, 0)
  const [due] = await rows((sql) => dueAgain(sql, '2026-06-20'))
  const end = { occurrenceId: due!.id, words: 'no spot on young leaves' }
  expect(await problemOf(arborist(1), 'end-repeats', { ...end, words: '' })).toMatchObject({ field: 'words' })
  await done(arborist(1), 'end-repeats', end)
  expect(
    await problemOf(arborist(1), 'put-on-day', { occurrenceId: due!.id, onDate: '2026-06-20' }),
  ).toMatchObject({
    code: 'conflict',
  })
})

test('a card that keeps days before the harvest asks for it, and holds the day of the work against it', async () => {
  const { card } = CARDS.find((c) => c.card.code === 'MY3')!
  const useId = uuidv7()
  await rows((sql) =>
    addCard(sql, { id: uuidv7(), firmId: firm.id, version: 1, card, useIds: [useId], at: NOON, by: null }),
  )
  const tree = await apple('B02')
  await sign(tree.treeId)
  const asked = async (harvestOn: string | null) => {
    const { items, ...rest } = await covers('2026-06-12', 1, [tree])
    return { ...rest, harvestOn, items: [{ ...items[0]!, useId }] }
  }
  expect(await problemOf(arborist(0, 30), 'hand-to-crew', await asked(null))).toMatchObject({
    code: 'missing',
    field: 'harvestOn',
  })
  expect(await problemOf(arborist(0, 30), 'hand-to-crew', await asked('2026-06-25'))).toMatchObject({
    field: 'onDate',
    message: expect.stringMatching(/Last day: 11 Jun 2026/),
  })
  const { jobId: own } = await done<{ jobId: string }>(
    arborist(0, 30),
    'hand-to-crew',
    await asked('2026-07-01'),
  )
  const subject = (await rows((sql) => subjectsOfJob(sql, own))).find((s) => s.tag === 'B02')!
  // Left lying until the harvest is too near, it is not begun any more.
  const begin = { jobSubjectIds: [subject.id], gear: true, seen: { soil: 'moist' as const }, noBloom: true }
  expect(await problemOf(firm.person('technician', at(6)), 'begin-work', begin)).toMatchObject({
    message: expect.stringMatching(/keeps 14 days before the harvest/),
  })
  await done(firm.person('technician', at(5)), 'begin-work', { ...begin, otherDay: true })
})

test('weeks between two times are chosen, never fewer days than the card keeps; what its season ends is said', async () => {
  const more = [await apple('A21'), await apple('A22')]
  for (const { treeId } of more) await sign(treeId)
  const asked = await covers('2026-06-16', 3, more)
  const apart = (days: number) => ({ ...asked, items: asked.items.map((i) => ({ ...i, apart: days })) })
  expect(await problemOf(arborist(), 'hand-to-crew', apart(6))).toMatchObject({
    code: 'over-label',
    field: 'apart',
    message: expect.stringMatching(/keeps 7 days/),
  })
  const { jobId: first } = await done<{ jobId: string }>(arborist(), 'hand-to-crew', apart(28))
  await runAll(first, 4)
  const { treeId } = more[0]!
  expect(await rows((sql) => dueAgain(sql, '2027-01-01', { treeId }))).toMatchObject([
    { n: 2, dueFrom: '2026-07-14', dueTo: '2026-07-21', endsOn: '2026-11-15', tags: ['A21', 'A22'] },
  ])
})
