import { inFirm } from '@/db/client'
import { addCard, addLot } from '@/db/queries/card'
import { subjectsOfJob } from '@/db/queries/job'
import { groundUse } from '@/db/queries/limit'
import { recordById, recordsOfTree } from '@/db/queries/record'
import { stepsOfSubjects } from '@/db/queries/workStep'
import { readRecord, type Application } from '@/server/ledger/body'
import { toSI } from '@/core/quantity/units'
import { CARDS } from '../../demo/cards'
import {
  measuredTree,
  act,
  closePool,
  decideTree,
  done,
  makeFirm,
  NOON,
  problemOf,
  uuidv7,
  type TestFirm,
} from './scenario'

/** One prescription, one application and one record for many trees, under a yearly limit of the ground. */

let firm: TestFirm
const drench = uuidv7()
const bark = uuidv7()
const HOUR = 3_600_000
const arborist = () => firm.person('arborist')
const lead = (hours = 3) => firm.person('crew lead', new Date(NOON.getTime() + hours * HOUR))
const tech = (hours = 1) => firm.person('technician', new Date(NOON.getTime() + hours * HOUR))
const rows = <T>(work: Parameters<typeof inFirm<T>>[1]) => inFirm(firm.id, work)

interface Hemlock {
  tag: string
  treeId: string
  decisionId: string
}

async function hemlock(
  tag: string,
  inches: number,
  east = 1,
  more: Record<string, string> = {},
): Promise<Hemlock> {
  const treeId = await measuredTree(firm, {
    tag,
    host: 'hemlock',
    inches: `${inches * Math.PI}`.slice(0, 8),
    eastM: east,
  })
  const decisionId = await decideTree(arborist(), treeId, {
    seen: { 'needle-wool-base': 'there', 'needle-grey-thin': 'there', ...more },
    cause: 'hemlock-woolly-adelgid',
    action: 'treat',
    words: 'the owner wants it kept',
  })
  return { tag, treeId, decisionId }
}
const forAll = (trees: readonly Hemlock[], useId = drench, choice = 1) => ({
  id: uuidv7(),
  items: [
    {
      useId,
      choice,
      subjects: trees.map(({ treeId, decisionId }) => ({ treeId, decisionId, given: {} })),
    },
  ],
  onDate: '2026-06-12',
})
const recordFor = (jobSubjectIds: string[], more = {}) => ({
  id: uuidv7(),
  jobSubjectIds,
  lot: 'SD2-1',
  temperature: '70 F',
  wind: '5 mph',
  windFrom: 'SW',
  sky: 'clear',
  soil: 'moist',
  notices: 'warden told',
  accepted: ['outside', 'short'],
  ...more,
})
const LB = toSI(1, 'lb')

beforeAll(async () => {
  firm = await makeFirm('Ravine firm')
  const of = (code: string) => CARDS.find((c) => c.card.code === code)!.card
  await rows(async (sql) => {
    await addCard(sql, {
      id: uuidv7(),
      firmId: firm.id,
      version: 1,
      card: of('SD2'),
      useIds: [drench, uuidv7()],
      at: NOON,
      by: null,
    })
    await addLot(sql, { id: uuidv7(), firmId: firm.id, code: 'SD2', number: 'SD2-1', expiresOn: null })
    await addCard(sql, {
      id: uuidv7(),
      firmId: firm.id,
      version: 1,
      card: of('DN7'),
      useIds: [uuidv7(), bark],
      at: NOON,
      by: null,
    })
    await sql`insert into site_feature (id, firm_id, site_id, kind, name, geometry)
      values (${uuidv7()}, ${firm.id}, ${firm.site}, 'water', 'spring', '{"type":"Point","coordinates":[40,0]}')`
  })
})
afterAll(() => closePool())

describe('a drench for several trees', () => {
  let trees: Hemlock[]
  let jobId: string
  beforeAll(async () => {
    trees = []
    for (const [i, inches] of [8, 12, 20].entries()) trees.push(await hemlock(`Hem ${i + 1}`, inches))
  })

  test('without the size of the ground no yearly limit can be kept, and nothing that has one is signed', async () => {
    expect(await problemOf(arborist(), 'hand-to-crew', forAll(trees))).toMatchObject({
      code: 'missing',
      field: 'area',
    })
    expect(await problemOf(arborist(), 'set-area', { siteId: firm.site, area: '0 acre' })).toMatchObject({
      field: 'area',
    })
    // 0.4 lb an acre on an acre and a quarter: half a pound.
    await done(arborist(), 'set-area', { siteId: firm.site, area: '1.25 acre' })
  })

  test('what others put on counts; all trees together may not go beyond what is left', async () => {
    const note = (more: object) => ({
      id: uuidv7(),
      siteId: firm.site,
      active: 'imidacloprid',
      amount: '0.41 lb',
      onDate: '2026-04-02',
      source: 'the gardener’s receipt',
      ...more,
    })
    for (const [more, field] of [
      [{ amount: '0 lb' }, 'amount'],
      [{ amount: '3 gal' }, 'amount'],
      [{ active: 'moonwater' }, 'active'],
      [{ onDate: '2026-07-01' }, 'onDate'],
    ] as const)
      expect(await problemOf(arborist(), 'note-applied', note(more))).toMatchObject({ field })
    await done(firm.person('office'), 'note-applied', note({}))
    // 40 in at 0.2 fl oz an in: 8 fl oz, 0.125 lb of active; 0.09 lb are left.
    expect(await problemOf(arborist(), 'hand-to-crew', forAll(trees))).toMatchObject({
      code: 'over-label',
      field: 'limit',
      message: expect.stringMatching(
        /0\.125 lb of imidacloprid is more than the 0\.09 lb .* 2026: 0\.5 lb allowed, 0\.41 lb by others/,
      ),
    })
  })

  test('signed once for those that fit, with each tree’s own dose', async () => {
    const two = trees.slice(0, 2)
    const prescription = forAll(two)
    ;({ jobId } = await done<{ jobId: string }>(arborist(), 'hand-to-crew', prescription))
    expect(await done(arborist(), 'hand-to-crew', prescription)).toEqual({ jobId })
    const subjects = await rows((sql) => subjectsOfJob(sql, jobId))
    expect(subjects.map((s) => [s.tag, s.plan.product / toSI(1, 'fl oz')])).toEqual([
      ['Hem 1', expect.closeTo(1.6, 4) as number],
      ['Hem 2', expect.closeTo(2.4, 4) as number],
    ])
    const used = await rows((sql) => groundUse(sql, firm.site, '2026'))
    expect(used).toMatchObject([
      {
        active: 'imidacloprid',
        applied: 0,
        others: expect.closeTo(0.41 * LB, 9) as number,
        planned: expect.closeTo((4 / 128) * 2 * LB, 5) as number,
      },
    ])
    // What is planned counts as well: the third no longer fits.
    expect(await problemOf(arborist(), 'hand-to-crew', forAll(trees.slice(2)))).toMatchObject({
      field: 'limit',
      message: expect.stringMatching(/planned/),
    })
    // And no decision is prescribed twice, in whatever company.
    expect(
      await problemOf(arborist(), 'hand-to-crew', forAll([trees[2]!, trees[0]!], drench, 0)),
    ).toMatchObject({
      code: 'conflict',
      message: expect.stringMatching(/^Hem 1: .*already/),
    })
  })

  test('begun for all at once, ticked by one press, taken back by its id', async () => {
    const subjects = await rows((sql) => subjectsOfJob(sql, jobId))
    const ids = subjects.map((s) => s.id)
    const steps = await rows((sql) => stepsOfSubjects(sql, ids))
    const basins = steps.filter((s) => s.what.kind === 'task' && s.what.task === 'basin')
    const presses = basins.map((s) => ({ eventId: uuidv7(), stepId: s.id, kind: 'do' }))
    expect(await problemOf(tech(), 'mark-steps', { id: uuidv7(), presses })).toMatchObject({
      message: expect.stringMatching(/Confirm the tag/),
    })
    expect(await problemOf(tech(), 'begin-work', { jobSubjectIds: ids, gear: false })).toMatchObject({
      field: 'gear',
    })
    // The card is never used in bloom: somebody has looked.
    expect(
      await problemOf(tech(), 'begin-work', {
        jobSubjectIds: ids,
        gear: true,
        seen: { soil: 'moist' as const },
      }),
    ).toMatchObject({
      code: 'missing',
      field: 'noBloom',
    })
    expect(
      await done(tech(), 'begin-work', {
        jobSubjectIds: ids,
        gear: true,
        seen: { soil: 'moist' as const },
        noBloom: true,
      }),
    ).toEqual({
      begun: 2,
      closed: [],
    })
    expect(await done(tech(), 'mark-steps', { id: uuidv7(), presses })).toEqual({ marked: 2 })
    const one = { eventId: uuidv7(), stepId: basins[0]!.id, kind: 'undo', of: presses[0]!.eventId }
    await done(tech(), 'mark-step', one)
    // Two at once: the second finds it taken back already.
    expect(await problemOf(tech(), 'mark-step', { ...one, eventId: uuidv7() })).toMatchObject({
      code: 'conflict',
    })
    await done(tech(), 'mark-step', { eventId: uuidv7(), stepId: basins[0]!.id, kind: 'do' })
    // All of a press, or nothing of it.
    const pours = steps.filter((s) => s.what.kind === 'task' && s.what.task === 'pour')
    expect(
      await problemOf(tech(), 'mark-steps', {
        id: uuidv7(),
        presses: [
          { eventId: uuidv7(), stepId: pours[0]!.id, kind: 'do' },
          { eventId: uuidv7(), stepId: basins[1]!.id, kind: 'do' },
        ],
      }),
    ).toMatchObject({ message: expect.stringMatching(/^Hem 2: This is done already/) })
    const after = await rows((sql) => stepsOfSubjects(sql, ids))
    expect(after.find((s) => s.id === pours[0]!.id)!.state).toMatchObject({ done: 0 })
  })

  test('one record for both, what each got in it, the limit by what really went on', async () => {
    const subjects = await rows((sql) => subjectsOfJob(sql, jobId))
    const ids = subjects.map((s) => s.id)
    expect(await problemOf(lead(), 'sign-record', recordFor(ids))).toMatchObject({
      field: 'steps',
      message: expect.stringMatching(/^Hem 1: Pour is still to be done/),
    })
    const steps = await rows((sql) => stepsOfSubjects(sql, ids))
    const pour = steps.find(
      (s) => s.jobSubjectId === ids[0] && s.what.kind === 'task' && s.what.task === 'pour',
    )!
    const measured = (amount: string) => ({ eventId: uuidv7(), stepId: pour.id, kind: 'do', amount })
    // A measure shows its graduations; never past the label.
    expect(await problemOf(tech(1), 'mark-step', measured('1.7 fl oz'))).toMatchObject({
      code: 'over-label',
      field: 'amount',
      message: expect.stringMatching(/1\.6 fl oz/),
    })
    expect(await problemOf(tech(1), 'mark-step', measured('a cup'))).toMatchObject({ field: 'amount' })
    await done(tech(1), 'mark-step', measured('1.55 fl oz'))
    for (const s of steps) {
      if (s.what.kind !== 'task' || s.what.task === 'basin' || s.id === pour.id) continue
      const late = s.jobSubjectId === ids[1] && s.what.task === 'pour'
      await done(tech(2), 'mark-step', {
        eventId: uuidv7(),
        stepId: s.id,
        ...(late ? { kind: 'give-up', reason: 'rain came', left: '1.8 fl oz' } : { kind: 'do' }),
      })
    }
    const entry = recordFor(ids)
    expect(await problemOf(lead(), 'sign-record', entry)).toMatchObject({
      code: 'doubt',
      field: 'partly treated',
      message: expect.stringMatching(/Hem 2/),
    })
    const { recordId } = await done<{ recordId: string }>(lead(), 'sign-record', {
      ...entry,
      accepted: ['partly treated', 'outside', 'short'],
    })
    const record = (await rows((sql) => recordById(sql, recordId)))!
    expect(record).toMatchObject({ treeId: null, tag: null })
    const body = readRecord(record).body as Application
    expect(body).toMatchObject({
      version: 3,
      method: 'soil-drench',
      countedIn: null,
      hole: null,
      subjects: [
        { tree: { tag: 'Hem 1' }, outcome: 'treated', deviations: [] },
        {
          tree: { tag: 'Hem 2' },
          outcome: 'partly treated',
          deviations: [
            'Pour was given up with 1.8 fl oz of 2.4 fl oz left: rain came.',
            expect.stringMatching(/25 %/),
          ],
        },
      ],
    })
    expect(body.subjects[1]!.amount / toSI(1, 'fl oz')).toBeCloseTo(0.6, 4)
    const [used] = await rows((sql) => groundUse(sql, firm.site, '2026'))
    expect(used!.planned).toBe(0)
    expect(body.subjects[0]!.amount / toSI(1, 'fl oz')).toBeCloseTo(1.55, 4)
    expect(used!.applied / LB).toBeCloseTo(((1.55 + 0.6) / 128) * 2, 5)
    const stages = await rows(
      (sql) => sql<{ tag: string; stage: string; returned: string | null }[]>`
        select tag, stage, returned from tree where id in ${sql(trees.slice(0, 2).map((t) => t.treeId))} order by tag`,
    )
    expect(stages).toMatchObject([
      { stage: 'check', returned: null },
      { stage: 'decide', returned: expect.stringMatching(/^Partly treated/) },
    ])
    // It is found from each of its trees.
    for (const t of trees.slice(0, 2))
      expect((await rows((sql) => recordsOfTree(sql, [t.treeId]))).map((r) => r.id)).toEqual([recordId])
    expect(await problemOf(lead(), 'sign-record', recordFor([ids[0]!]))).toMatchObject({ code: 'conflict' })
  })
})

describe('what stands against one tree of many is said with its name', () => {
  test('a spring inside the setback, a dry tree, an empty list, a tree twice', async () => {
    const near = await hemlock('Near 1', 6, 37)
    const far = await hemlock('Far 1', 6, 2)
    expect(await problemOf(arborist(), 'hand-to-crew', forAll([far, near]))).toMatchObject({
      code: 'not-allowed',
      message: expect.stringMatching(/^Near 1: Spring at 10 ft: the card keeps 25 ft/),
    })
    const dry = await hemlock('Dry 1', 6, 3, { 'soil-dry': 'there' })
    expect(await problemOf(arborist(), 'hand-to-crew', forAll([far, dry]))).toMatchObject({
      message: expect.stringMatching(/^Dry 1: .*Water first/),
    })
    expect(await problemOf(arborist(), 'hand-to-crew', forAll([]))).toMatchObject({
      message: expect.stringMatching(/at least one tree/),
    })
    expect(await problemOf(arborist(), 'hand-to-crew', forAll([far, far]))).toMatchObject({
      code: 'conflict',
    })
    const gone = await hemlock('Gone 1', 6, 4)
    await done(arborist(), 'remove-tree', { treeId: gone.treeId, version: 1, words: 'felled last week' })
    expect(await problemOf(arborist(), 'hand-to-crew', forAll([far, gone]))).toMatchObject({
      message: expect.stringMatching(/Gone 1 was taken from the trees/),
    })
  })

  test('two arborists sign for what only one of them has left: the second is refused', async () => {
    const a = await hemlock('Race 1', 9, 5)
    const b = await hemlock('Race 2', 9, 6)
    // 0.09 lb less what went on: room for one of 0.028 lb … and for the other by itself, not for both and the rest.
    const [left] = await rows((sql) => groundUse(sql, firm.site, '2026'))
    const room = 0.5 - (left!.applied + left!.others + left!.planned) / LB
    const each = (9 * 0.2 * 2) / 128
    const fit = Math.floor(room / each)
    const results = await Promise.all([a, b].map((t) => act(arborist(), 'hand-to-crew', forAll([t]))))
    expect(results.filter((r) => r.ok)).toHaveLength(Math.min(2, fit))
    const [after] = await rows((sql) => groundUse(sql, firm.site, '2026'))
    expect((after!.applied + after!.others + after!.planned) / LB).toBeLessThanOrEqual(0.5 + 1e-9)
  })

  test('several ways in one prescription go to one job, each with its own record', async () => {
    const c = await hemlock('Both 1', 7, 7)
    const d = await hemlock('Both 2', 7, 8)
    const one = forAll([c], bark, 0)
    const two = forAll([d], bark, 1)
    const { jobId } = await done<{ jobId: string }>(arborist(), 'hand-to-crew', {
      ...one,
      items: [...one.items, { ...two.items[0]!, choice: 0 }],
    })
    const subjects = (await rows((sql) => subjectsOfJob(sql, jobId))).filter((s) => s.tag.startsWith('Both'))
    expect(subjects.map((s) => [s.tag, s.method])).toEqual([
      ['Both 1', 'bark-spray'],
      ['Both 2', 'bark-spray'],
    ])
    // A record is of one product by one method: the drench of the same job is not signed with it.
    const all = await rows((sql) => subjectsOfJob(sql, jobId))
    const other = all.find((s) => s.method === 'soil-drench' && s.status === 'open')
    if (other)
      expect(await problemOf(lead(), 'sign-record', recordFor([subjects[0]!.id, other.id]))).toMatchObject({
        code: 'not-allowed',
        field: 'jobSubjectIds',
      })
  })

  test('what a measure shows above the plan needs room on the ground as well', async () => {
    await done(arborist(), 'set-area', { siteId: firm.site, area: '2 acre' })
    const last = await hemlock('Last 1', 8, 9)
    const { jobId } = await done<{ jobId: string }>(arborist(), 'hand-to-crew', forAll([last], drench, 0))
    const subject = (await rows((sql) => subjectsOfJob(sql, jobId))).find((s) => s.tag === 'Last 1')!
    const used = (await rows((sql) => groundUse(sql, firm.site, '2026'))).find(
      (u) => u.active === 'imidacloprid',
    )
    const room = 0.8 - (used!.applied + used!.others + used!.planned) / LB
    await done(firm.person('office'), 'note-applied', {
      id: uuidv7(),
      siteId: firm.site,
      active: 'imidacloprid',
      amount: `${(room - 1e-4).toFixed(6)} lb`,
      onDate: '2026-05-02',
      source: 'the gardener’s receipt',
    })
    await done(tech(), 'begin-work', {
      jobSubjectIds: [subject.id],
      gear: true,
      seen: { soil: 'moist' as const },
      noBloom: true,
    })
    const [basin, pour] = await rows((sql) => stepsOfSubjects(sql, [subject.id]))
    await done(tech(), 'mark-step', { eventId: uuidv7(), stepId: basin!.id, kind: 'do' })
    const measured = (amount: string) => ({ eventId: uuidv7(), stepId: pour!.id, kind: 'do', amount })
    // The label allows it 1.6 fl oz, the ground does not.
    expect(await problemOf(tech(1), 'mark-step', measured('1 fl oz'))).toMatchObject({
      code: 'over-label',
      field: 'limit',
    })
    await done(tech(1), 'mark-step', measured('0.79 fl oz'))
  })
})
