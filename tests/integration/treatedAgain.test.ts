import { v7 as uuidv7 } from 'uuid'
import { inFirm } from '@/db/client'
import { followUpById, followUpsOfTree, sameFollowUps } from '@/db/queries/followUp'
import { prescriptionsOfTree } from '@/db/queries/prescription'
import { subjectsOfJob } from '@/db/queries/job'
import { stepsOfSubjects } from '@/db/queries/workStep'
import { treeById } from '@/db/queries/tree'
import {
  closePool,
  done,
  emptiedAsh,
  makeFirm,
  NOON,
  otherwise,
  problemOf,
  recordInput,
  stepPorts,
  type TestFirm,
} from './scenario'

let firm: TestFirm
beforeAll(async () => {
  firm = await makeFirm('Again firm')
})
afterAll(() => closePool())

const HOUR = 3_600_000
const rows = <T>(read: Parameters<typeof inFirm<T>>[1]) => inFirm(firm.id, read)
const stage = async (treeId: string) => (await rows((sql) => treeById(sql, treeId)))!.stage
const againOf = async (treeId: string) =>
  (await rows((sql) => followUpsOfTree(sql, treeId))).filter(
    (f) => 'treats' in f.expectation && f.verdict === null,
  )

/** An ash that was treated on 12 June 2026, with the date on which it is treated again. */
async function treatedAsh(tag: string) {
  const run = await emptiedAsh(firm, tag)
  await done(
    firm.person('crew lead', new Date(NOON.getTime() + HOUR)),
    'sign-record',
    recordInput(run.subject.id, run.ports.length),
  )
  const [check] = await againOf(run.treeId)
  return { ...run, check: check! }
}

test('an ash in its second treatment: the date leads to the prescription on today’s trunk, to the record, and to the next date', async () => {
  const { treeId, decisionId, prescription, check } = await treatedAsh('A-1')
  expect(check.dueOn).toBe('2028-06-12')
  const then = new Date('2028-06-13T16:00:00Z')
  const arborist = firm.person('arborist', then)
  // Until the date is answered the decision is done with.
  const second = otherwise(
    { ...prescription, id: uuidv7(), onDate: '2028-06-13' },
    { given: { portGirth: '58 in', bearings: undefined } },
  )
  expect(await problemOf(arborist, 'hand-to-crew', second)).toMatchObject({
    code: 'conflict',
    field: 'decisionId',
  })

  await done(firm.person('technician', then), 'enter-result', {
    id: uuidv7(),
    followUpId: check.id,
    value: check.expectation.kind === 'share' ? 90 : null,
    nextStep: 'treat again',
    words: null,
  })
  expect(await stage(treeId)).toBe('prescribe')
  await done(firm.person('technician', then), 'add-reading', {
    id: uuidv7(),
    treeId,
    tape: 'girth',
    bareUnit: 'in',
    stems: ['56'],
    accepted: ['grew-fast'],
  })
  const { jobId } = await done<{ jobId: string }>(arborist, 'hand-to-crew', second)
  expect(await stage(treeId)).toBe('run')
  const signed = await rows((sql) => prescriptionsOfTree(sql, treeId))
  expect(signed.map((p) => [p.decisionId === decisionId, p.status])).toEqual([
    [true, 'handed'],
    [true, 'done'],
  ])
  // The trunk grew by 4 in of girth; the dose is that of today.
  expect(signed[0]!.plan.product).toBeGreaterThan(signed[1]!.plan.product)
  // Once more on the same answer is refused.
  expect(await problemOf(arborist, 'hand-to-crew', { ...second, id: uuidv7() })).toMatchObject({
    code: 'conflict',
  })

  const subject = (await rows((sql) => subjectsOfJob(sql, jobId)))[0]!
  await done(firm.person('technician', then), 'confirm-tree', {
    jobSubjectId: subject.id,
    tag: 'A-1',
    gear: true,
    seen: { soil: 'moist', leaf: 'out' },
  })
  const ports = await rows((sql) => stepsOfSubjects(sql, [subject.id]))
  await stepPorts(
    firm,
    ports.map((p) => p.id),
    ['drill', 'start', 'stop', 'out'],
    then,
  )
  await done(
    firm.person('crew lead', new Date(then.getTime() + HOUR)),
    'sign-record',
    recordInput(subject.id, ports.length),
  )
  expect(await againOf(treeId)).toMatchObject([{ dueOn: '2030-06-13' }])
  expect(await stage(treeId)).toBe('check')
})

test('it is due again until somebody ends it with a reason; another year is another date', async () => {
  const { treeId, check } = await treatedAsh('A-2')
  const then = firm.person('technician', new Date('2028-06-13T16:00:00Z'))
  const answer = { id: uuidv7(), followUpId: check.id, value: 90, words: null }
  expect(await problemOf(then, 'enter-result', { ...answer, nextStep: 'stop treating' })).toMatchObject({
    code: 'missing',
    field: 'words',
  })
  await done(then, 'enter-result', { ...answer, nextStep: 'not this year' })
  const [next] = await againOf(treeId)
  expect(next).toMatchObject({ dueOn: '2029-06-13', what: check.what })
  const later = firm.person('technician', new Date('2029-06-13T16:00:00Z'))
  await done(later, 'enter-result', {
    ...answer,
    id: uuidv7(),
    followUpId: next!.id,
    nextStep: 'stop treating',
    words: 'The client sells the house.',
  })
  expect(await againOf(treeId)).toEqual([])
})

test('checks of a group are answered in one walk: each held against its own, all of them or none', async () => {
  const walked: Awaited<ReturnType<typeof treatedAsh>>[] = []
  for (const tag of ['W-1', 'W-2', 'W-3']) walked.push(await treatedAsh(tag))
  const [first] = walked
  const scorch = (await rows((sql) => followUpsOfTree(sql, first!.treeId))).find((f) =>
    /scorch/.test(f.what),
  )!
  const group = await rows((sql) =>
    sameFollowUps(sql, { siteId: firm.site, dueOn: scorch.dueOn, what: scorch.what }, 400),
  )
  const own = group.filter((c) => walked.some((w) => w.treeId === c.treeId))
  expect(own.map((c) => c.tag)).toEqual(['W-1', 'W-2', 'W-3'])
  const then = firm.person('technician', new Date(`${scorch.dueOn}T16:00:00Z`))
  const results = own.map((c, i) => ({
    id: uuidv7(),
    followUpId: c.id,
    value: [0, 12, 40][i]!,
    nextStep: ['go on as planned', 'note it and go on', 'let it rest and look again'][i]!,
  }))
  const wrong = results.map((r, i) => (i === 2 ? { ...r, value: 140 } : r))
  expect(await problemOf(then, 'enter-results', { id: uuidv7(), results: wrong })).toMatchObject({
    code: 'out-of-range',
    field: 'results[2].value',
    message: expect.stringMatching(/^W-3: /),
  })
  const verdicts = async () =>
    (await Promise.all(own.map((c) => rows((sql) => followUpById(sql, c.id))))).map((c) => c!.verdict)
  // None of a walk is kept while one of it cannot be.
  expect(await verdicts()).toEqual([null, null, null])
  const walk = { id: uuidv7(), results }
  expect(await done(then, 'enter-results', walk)).toEqual({ entered: 3 })
  expect(await verdicts()).toEqual(['as expected', 'harmed', 'harmed'])
  expect(await done(then, 'enter-results', walk)).toEqual({ entered: 3 })
  expect(await problemOf(then, 'enter-results', { ...walk, id: uuidv7() })).toMatchObject({
    code: 'conflict',
  })
})

test('a prescription on a treated tree that is taken back leaves it to be prescribed again', async () => {
  const { treeId, prescription, check } = await treatedAsh('A-3')
  const then = new Date('2028-06-13T16:00:00Z')
  await done(firm.person('technician', then), 'enter-result', {
    id: uuidv7(),
    followUpId: check.id,
    value: 90,
    nextStep: 'treat again',
    words: null,
  })
  await done(firm.person('technician', then), 'add-reading', {
    id: uuidv7(),
    treeId,
    tape: 'girth',
    bareUnit: 'in',
    stems: ['54'],
    accepted: ['grew-fast'],
  })
  const second = otherwise(
    { ...prescription, id: uuidv7(), onDate: '2028-06-13' },
    { given: { portGirth: '56 in', bearings: undefined } },
  )
  await done(firm.person('arborist', then), 'hand-to-crew', second)
  await done(firm.person('arborist', then), 'withdraw-prescription', {
    treeId,
    prescriptionId: second.id,
    words: 'another day',
  })
  expect(await stage(treeId)).toBe('prescribe')
  await done(firm.person('arborist', then), 'hand-to-crew', { ...second, id: uuidv7() })
  expect(await stage(treeId)).toBe('run')
})
