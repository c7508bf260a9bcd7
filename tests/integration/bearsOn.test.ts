import { inFirm } from '@/db/client'
import { CARDS } from '../../demo/cards'
import { toSI } from '@/core/quantity/units'
import { addCard, addLot } from '@/db/queries/card'
import { subjectsOfJob, type JobSubjectRow } from '@/db/queries/job'
import { groundUse } from '@/db/queries/limit'
import { amountsOf, correctionsOf, recordById } from '@/db/queries/record'
import { treeById, treesOfSite } from '@/db/queries/tree'
import { stepsOfSubjects } from '@/db/queries/workStep'
import { readRecord } from '@/server/ledger/body'
import { openWeek } from '@/server/week'
import {
  closePool,
  typedRecord,
  decideAsh,
  done,
  makeFirm,
  NOON,
  problemOf,
  runAsh,
  uuidv7,
  type TestFirm,
} from './scenario'

/** What bears on work with the crew after it was signed, and on a record after it stands. */
let firm: TestFirm
const drench = uuidv7()
const HOUR = 3_600_000
const at = (hours: number) => new Date(NOON.getTime() + hours * HOUR)
const arborist = (hours = 0) => firm.person('arborist', at(hours))
const tech = (hours: number) => firm.person('technician', at(hours))
const lead = (hours: number) => firm.person('crew lead', at(hours))
const rows = <T>(work: Parameters<typeof inFirm<T>>[1]) => inFirm(firm.id, work)

beforeAll(async () => {
  firm = await makeFirm('Bearing firm')
  const { card } = CARDS.find((c) => c.card.code === 'SD2')!
  await rows(async (sql) => {
    await addCard(sql, {
      id: uuidv7(),
      firmId: firm.id,
      version: 1,
      card,
      useIds: [drench, uuidv7()],
      at: NOON,
      by: null,
    })
    await addLot(sql, { id: uuidv7(), firmId: firm.id, code: 'SD2', number: 'SD2-1', expiresOn: null })
  })
  await done(arborist(), 'set-area', { siteId: firm.site, area: '40 acre' })
})
afterAll(() => closePool())

type Decided = Awaited<ReturnType<typeof decideAsh>>
async function handOver(t: Decided): Promise<{ treeId: string; jobId: string; subject: JobSubjectRow }> {
  const { jobId } = await done<{ jobId: string }>(arborist(), 'hand-to-crew', {
    id: uuidv7(),
    items: [
      { useId: drench, choice: 1, subjects: [{ treeId: t.treeId, decisionId: t.decisionId, given: {} }] },
    ],
    onDate: '2026-06-12',
    eaten: null,
  })
  const subject = (await rows((sql) => subjectsOfJob(sql, jobId))).find((s) => s.treeId === t.treeId)!
  return { treeId: t.treeId, jobId, subject }
}
const drenched = async (tag: string) => handOver(await decideAsh(firm, tag))
const marked = async (jobId: string, id: string) =>
  (await rows((sql) => subjectsOfJob(sql, jobId))).find((s) => s.id === id)!
const closedSites = () =>
  rows(
    (sql) =>
      sql<
        { at: Date }[]
      >`select closed_from as at from job_subject where status = 'open' and closed_from is not null`,
  )

test('another size, and its striking out, mark the dose and take the mark off; the lists say so', async () => {
  const { treeId, jobId, subject } = await drenched('B-1')
  const readingId = uuidv7()
  await done(tech(1), 'add-reading', {
    id: readingId,
    treeId,
    tape: 'girth',
    bareUnit: 'in',
    stems: ['52 1/8'],
  })
  expect((await marked(jobId, subject.id)).anew).toBeNull()
  const second = uuidv7()
  await done(tech(2), 'add-reading', {
    id: second,
    treeId,
    tape: 'girth',
    bareUnit: 'in',
    stems: ['54'],
    accepted: ['grew-fast'],
  })
  expect((await marked(jobId, subject.id)).anew).toBe('size')
  const listed = await rows((sql) => treesOfSite(sql, firm.site))
  expect(listed.find((t) => t.id === treeId)!.anew).toBe(true)
  expect(
    await problemOf(tech(2), 'begin-work', {
      jobSubjectIds: [subject.id],
      gear: true,
      seen: { soil: 'moist' as const },
      noBloom: true,
    }),
  ).toMatchObject({
    message: expect.stringMatching(/worked out again/),
  })
  await done(arborist(3), 'strike-reading', { treeId, readingId: second, words: 'read at the wrong height' })
  expect((await marked(jobId, subject.id)).anew).toBeNull()
})

// Twelve hand-overs take a slow machine more than a minute.
test('a rule in the same moment as a hand-over closes the one or marks the other', async () => {
  for (let round = 0; round < 12; round++) {
    const decided = await decideAsh(firm, `M-${round}`)
    const id = uuidv7()
    const handing = handOver(decided).catch((refused: Error) => refused.message)
    // Somewhere in the middle of it.
    await new Promise((go) => setTimeout(go, round * 4))
    await done(arborist(1), 'set-local-rule', {
      id,
      name: `No drenches ${round}`,
      text: 'Nothing is drenched here in June.',
      source: 'order of 2 June',
      district: null,
      rule: { kind: 'closed-season', methods: ['soil-drench'], hosts: 'any', from: '06-01', to: '06-30' },
    })
    const work = await handing
    if (typeof work === 'string') expect(work).toMatch(/No drenches/)
    else expect((await marked(work.jobId, work.subject.id)).anew).toBe('rule')
    await done(arborist(2), 'end-local-rule', { id, words: 'it was for the test' })
  }
}, 240_000)

test('another kind marks it, and so does a newer card', async () => {
  const { treeId, jobId, subject } = await drenched('B-2')
  const tree = (await rows((sql) => treeById(sql, treeId)))!
  await done(arborist(1), 'change-tree', {
    treeId,
    version: tree.version,
    tag: 'B-2',
    host: 'linden',
    note: null,
    liveCrownPercent: 80,
  })
  expect((await marked(jobId, subject.id)).anew).toBe('kind')
  const other = await drenched('B-3')
  const { card } = CARDS.find((c) => c.card.code === 'SD2')!
  await done(arborist(2), 'enter-card', {
    id: uuidv7(),
    card: { ...card, storage: 'dry and locked' },
    after: 1,
  })
  expect((await marked(other.jobId, other.subject.id)).anew).toBe('card')
  // The week says it too, at the stop.
  const person = arborist(2)
  const week = await rows((sql) => openWeek({ sql, person, now: at(2), today: '2026-06-12' }))
  const stop = week.stops.find((s) => s.subjects.includes(other.subject.id))!
  expect(stop.anew).toBe(stop.trees)
})

test('handed back before anything is done, with the reason; not once it has begun', async () => {
  const run = await runAsh(firm, 'B-4')
  const jobSubjectIds = [run.subject.id]
  const stepIds = run.ports.map((p) => p.id)
  const back = { jobSubjectIds, words: 'the gate is locked' }
  expect(await problemOf(tech(1), 'hand-back', { ...back, words: '' })).toMatchObject({ field: 'words' })
  await done(tech(1), 'hand-back', back)
  const tree = (await rows((sql) => treeById(sql, run.treeId)))!
  expect(tree).toMatchObject({
    stage: 'prescribe',
    returned: expect.stringMatching(/Handed back by technician .*gate is locked/),
  })
  expect(await problemOf(tech(1), 'hand-back', back)).toMatchObject({ code: 'conflict' })
  expect(
    await problemOf(tech(1), 'mark-step', { eventId: uuidv7(), stepId: stepIds[0]!, kind: 'drill' }),
  ).toMatchObject({ code: 'conflict' })
  const begun = await runAsh(firm, 'B-5')
  await done(tech(2), 'mark-step', { eventId: uuidv7(), stepId: begun.ports[0]!.id, kind: 'drill' })
  expect(
    await problemOf(tech(2), 'hand-back', { jobSubjectIds: [begun.subject.id], words: 'rain has come' }),
  ).toMatchObject({ message: expect.stringMatching(/B-5 has begun/) })
})

test('the ground is closed from the first drop, and open again when it was taken back', async () => {
  const run = await runAsh(firm, 'B-6')
  const [port] = run.ports
  expect(await closedSites()).toHaveLength(0)
  await done(tech(1), 'mark-step', { eventId: uuidv7(), stepId: port!.id, kind: 'drill' })
  expect(await closedSites()).toHaveLength(0)
  const start = uuidv7()
  await done(tech(2), 'mark-step', { eventId: start, stepId: port!.id, kind: 'start' })
  const reenters = CARDS[0]!.card.uses[0]!.reentryHours > 0
  // A made-up clock goes on while the step is done.
  expect((await closedSites()).map((c) => Math.round((c.at.getTime() - at(2).getTime()) / 1000))).toEqual(
    reenters ? [0] : [],
  )
  await done(tech(2.1), 'mark-step', { eventId: uuidv7(), stepId: port!.id, kind: 'undo', of: start })
  expect(await closedSites()).toHaveLength(0)
})

test('a correction of an amount counts toward the limit, and the first entry stands', async () => {
  // The card was replaced above; this one is worked by its newest version.
  const useId = (
    await rows(
      (sql) => sql<{ id: string }[]>`
        select u.id from card_use u join card c on c.id = u.card_id where c.code = 'SD2' and u.method = 'soil-drench'
        order by c.version desc limit 1`,
    )
  )[0]!.id
  const t = await decideAsh(firm, 'B-7')
  const { jobId } = await done<{ jobId: string }>(arborist(), 'hand-to-crew', {
    id: uuidv7(),
    items: [{ useId, choice: 1, subjects: [{ treeId: t.treeId, decisionId: t.decisionId, given: {} }] }],
    onDate: '2026-06-12',
    eaten: null,
  })
  const subject = (await rows((sql) => subjectsOfJob(sql, jobId))).find((s) => s.treeId === t.treeId)!
  await done(tech(1), 'begin-work', {
    jobSubjectIds: [subject.id],
    gear: true,
    seen: { soil: 'moist' as const },
    noBloom: true,
  })
  for (const s of await rows((sql) => stepsOfSubjects(sql, [subject.id])))
    await done(tech(1), 'mark-step', { eventId: uuidv7(), stepId: s.id, kind: 'do' })
  const { recordId } = await done<{ recordId: string }>(lead(2), 'sign-record', {
    ...typedRecord([subject.id], 'SD2-1'),
  })
  const used = async () =>
    (await rows((sql) => groundUse(sql, firm.site, '2026'))).find((u) => u.applied > 0)!
  const before = (await used()).applied
  const record = (await rows((sql) => recordById(sql, recordId)))!
  const [amount] = await rows((sql) => amountsOf(sql, record.applicationId!))
  const correct = (value: string, subjectId = amount!.subjectId) => ({
    id: uuidv7(),
    recordId,
    reason: 'the can was half full when it was counted',
    correction: 'half of the amount went on',
    amounts: [{ subjectId, amount: value }],
  })
  for (const [bad, code] of [
    [correct('-1 fl oz'), 'out-of-range'],
    [correct('9000 gal'), 'out-of-range'],
    [correct('half'), 'invalid'],
    [correct('1 fl oz', uuidv7()), 'unknown'],
  ] as const)
    expect(await problemOf(lead(3), 'correct-record', bad)).toMatchObject({
      field: 'amounts',
      ...(code !== 'invalid' && { code }),
    })
  const half = amount!.amount / 2 / toSI(1, 'fl oz')
  await done(lead(3), 'correct-record', correct(`${half} fl oz`))
  expect((await used()).applied).toBeCloseTo(before / 2, 9)
  const [correction] = (await rows((sql) => correctionsOf(sql, recordId))).map(readRecord)
  expect(correction).toMatchObject({
    body: { amounts: [{ tag: 'B-7', was: amount!.amount, kind: 'liquid', method: 'soil-drench' }] },
  })
  // A second one takes the place of the first.
  await done(lead(4), 'correct-record', correct(`${half * 2} fl oz`))
  expect((await used()).applied).toBeCloseTo(before, 9)
  expect(
    await rows((sql) => sql`select 1 from application_subject where amount = ${amount!.amount}`),
  ).toHaveLength(1)
})
