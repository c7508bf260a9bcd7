import { inFirm } from '@/db/client'
import { addLot } from '@/db/queries/card'
import { decisionsOfTree } from '@/db/queries/assessment'
import { subjectsOfJob, type JobSubjectRow } from '@/db/queries/job'
import { followUpsOfTree, openFollowUps } from '@/db/queries/followUp'
import { dueAgain } from '@/db/queries/occurrence'
import { prescriptionsOfTree } from '@/db/queries/prescription'
import { recordById } from '@/db/queries/record'
import { treeById } from '@/db/queries/tree'
import { stepsOfSubjects } from '@/db/queries/workStep'
import { inOneLine, readRecord, type Application } from '@/server/ledger/body'
import {
  measuredTree,
  closePool,
  decideTree,
  act,
  done,
  makeFirm,
  NOON,
  problemOf,
  putOnShelf,
  typedRecord,
  uuidv7,
  type TestFirm,
} from './scenario'

/** A buried oak: its collar opened, water in the same week, food weeks later, roots cut only if they are found. */
let firm: TestFirm
const uses = { 'HC-FLARE': uuidv7(), 'HC-SPOKES': uuidv7(), 'HC-WATER': uuidv7() }
const DAY = 86_400_000
const at = (days: number, minutes = 0) => new Date(NOON.getTime() + days * DAY + minutes * 60_000)
const arborist = (days = 0) => firm.person('arborist', at(days))
const rows = <T>(work: Parameters<typeof inFirm<T>>[1]) => inFirm(firm.id, work)

beforeAll(async () => {
  firm = await makeFirm('Line firm')
  await putOnShelf(firm, uses)
  await rows((sql) =>
    addLot(sql, { id: uuidv7(), firmId: firm.id, code: 'HC-FLARE', number: 'none', expiresOn: null }),
  )
})
afterAll(() => closePool())

let standing = 0
async function buriedOak(tag: string): Promise<string> {
  const treeId = await measuredTree(firm, { tag, host: 'oak-red-group', inches: '66', eastM: standing++ })
  await done(arborist(), 'confirm-identity', { treeId, host: 'oak-red-group' })
  await toCare(treeId, 0, '2026-09-10')
  return treeId
}
const toCare = (treeId: string, days: number, due: string) =>
  decideTree(arborist(days), treeId, {
    seen: { 'flare-hidden': 'there' },
    cause: 'buried-flare',
    reason: 'no flare to be seen',
    action: 'care',
    due,
    words: 'as seen on site',
  })

interface Asked {
  code: keyof typeof uses
  hand: Record<string, string>
  after?: { item: number; days: number }
  onlyIf?: string
  who?: 'client'
}
const FLARE: Asked = { code: 'HC-FLARE', hand: { north: '5 in' } }
const SPOKES: Asked = { code: 'HC-SPOKES', hand: { start: '4 ft', end: '14 ft' } }

async function prescription(treeId: string, asked: Asked[]) {
  const decisionId = (await rows((sql) => decisionsOfTree(sql, treeId)))[0]!.id
  return {
    id: uuidv7(),
    items: asked.map(({ code, hand, after = null, onlyIf = null, who = 'crew' }) => ({
      useId: uses[code],
      choice: 0,
      after,
      onlyIf,
      who,
      subjects: [{ treeId, decisionId, given: { hand } }],
    })),
    onDate: '2026-06-12',
    eaten: null,
  }
}

const open = async (jobId: string, treeId: string) =>
  (await rows((sql) => subjectsOfJob(sql, jobId))).filter((s) => s.status === 'open' && s.treeId === treeId)

/** Does every step of a tree's work, noting what is asked for. */
async function work(s: JobSubjectRow, notes: Record<string, string>, days = 0) {
  const tech = firm.person('technician', at(days, 30))
  await done(tech, 'begin-work', { jobSubjectIds: [s.id], gear: true, seen: { soil: 'moist' as const } })
  for (const step of await rows((sql) => stepsOfSubjects(sql, [s.id]))) {
    if (step.what.kind !== 'task') continue
    await done(tech, 'mark-step', {
      eventId: uuidv7(),
      stepId: step.id,
      kind: 'do',
      ...(step.what.note && { noted: notes[step.what.task] }),
    })
  }
}
const SOUND = { open: '6 in', found: 'girdling root', anchors: 'all sound', roots: '1' }
const sign = (ids: string[], days = 0) =>
  done<{ recordId: string }>(firm.person('crew lead', at(days, 90)), 'sign-record', {
    ...typedRecord(ids, 'house card'),
    accepted: ['wind', 'temperature', 'outside', 'short'],
  })

test('what waits stands on no day; once the first is done it is due, and is put on its day', async () => {
  const treeId = await buriedOak('Oak 1')
  const { jobId } = await done<{ jobId: string }>(
    arborist(),
    'hand-to-crew',
    await prescription(treeId, [FLARE, { ...SPOKES, after: { item: 0, days: 21 } }]),
  )
  const [collar, ...more] = await open(jobId, treeId)
  expect(more).toEqual([])
  expect(collar!.method).toBe('collar')
  expect(await rows((sql) => dueAgain(sql, '2027-01-01'))).toEqual([])
  // What is to be noted is asked for, and held to its line.
  const steps = await rows((sql) => stepsOfSubjects(sql, [collar!.id]))
  const tech = firm.person('technician', at(0, 30))
  await done(tech, 'begin-work', {
    jobSubjectIds: [collar!.id],
    gear: true,
    seen: { soil: 'moist' as const },
  })
  const press = { eventId: uuidv7(), stepId: steps[0]!.id, kind: 'do' }
  expect(await problemOf(tech, 'mark-step', press)).toMatchObject({ code: 'missing', field: 'noted' })
  expect(await problemOf(tech, 'mark-step', { ...press, noted: 'rather deep' })).toMatchObject({
    field: 'noted',
  })
  await work(collar!, SOUND)
  const { recordId } = await sign([collar!.id])
  const body = readRecord((await rows((sql) => recordById(sql, recordId)))!).body as Application
  expect(body).toMatchObject({
    method: 'collar',
    product: { name: 'Open the flare', lot: 'none, a house card' },
    subjects: [
      {
        outcome: 'treated',
        amount: 0,
        deviations: [
          'Cut roots: it dried for less than a minute, of at least 2 days.',
          'Steps were pressed within a minute, 1 h 11 min were planned.',
        ],
      },
    ],
  })
  expect(inOneLine(readRecord((await rows((sql) => recordById(sql, recordId)))!))).toBe(
    'Open the flare, root collar',
  )
  expect(body.subjects[0]!.tasks.flatMap((t) => (t.noted ? [t.noted.value] : []))).toEqual([
    '6 in',
    'girdling root',
    'all sound',
    '1',
  ])
  const [due] = await rows((sql) => dueAgain(sql, '2027-01-01'))
  expect(due).toMatchObject({
    cardName: 'Spokes and mulch bed',
    after: 'Open the flare',
    trees: 1,
    dueFrom: '2026-07-03',
    dueTo: '2026-07-17',
  })
  // Still with the crew while a step of its line is to come.
  expect((await rows((sql) => treeById(sql, treeId)))!.stage).toBe('run')
  expect(
    await problemOf(arborist(1), 'put-on-day', { occurrenceId: due!.id, onDate: '2026-06-20', leaveOut: [] }),
  ).toMatchObject({ message: expect.stringMatching(/waits some days after Open the flare.*3 Jul 2026/) })
  const put = await done<{ jobId: string }>(arborist(1), 'put-on-day', {
    occurrenceId: due!.id,
    onDate: '2026-07-06',
    leaveOut: [],
  })
  const [spokes] = await open(put.jobId, treeId)
  await work(spokes!, {}, 24)
  await sign([spokes!.id], 24)
  expect((await rows((sql) => treeById(sql, treeId)))!.stage).toBe('check')
  expect(await rows((sql) => dueAgain(sql, '2027-01-01'))).toEqual([])
})

test('a step waits only for one before it, and some days, not years', async () => {
  const treeId = await buriedOak('Oak 2')
  const with_ = async (after: object) =>
    problemOf(arborist(), 'hand-to-crew', {
      ...(await prescription(treeId, [FLARE])),
      items: [
        (await prescription(treeId, [FLARE])).items[0],
        { ...(await prescription(treeId, [SPOKES])).items[0], after },
      ],
    })
  expect(await with_({ item: 1, days: 3 })).toMatchObject({ code: 'out-of-range', field: 'after' })
  expect(await with_({ item: 0, days: -1 })).toMatchObject({ field: expect.stringMatching(/days/) })
  expect(await with_({ item: 0, days: 900 })).toMatchObject({ field: expect.stringMatching(/days/) })
  // The first of a line is done on the day: there is nothing it could wait for.
  expect(
    await problemOf(
      arborist(),
      'hand-to-crew',
      await prescription(treeId, [{ ...FLARE, after: { item: 0, days: 3 } }]),
    ),
  ).toMatchObject({ field: 'after' })
})

test('what is only done if something is found waits for the crew lead’s words', async () => {
  const treeId = await buriedOak('Oak 3')
  const { jobId } = await done<{ jobId: string }>(
    arborist(),
    'hand-to-crew',
    await prescription(treeId, [FLARE, { ...SPOKES, onlyIf: 'the soil is packed hard' }]),
  )
  const subjects = await open(jobId, treeId)
  const [collar, spokes] = [
    subjects.find((s) => s.method === 'collar')!,
    subjects.find((s) => s.method === 'trenches')!,
  ]
  const tech = firm.person('technician', at(0, 10))
  expect(
    await problemOf(tech, 'begin-work', {
      jobSubjectIds: [spokes.id],
      gear: true,
      seen: { soil: 'moist' as const },
    }),
  ).toMatchObject({
    message: expect.stringMatching(/only done if: the soil is packed hard/),
  })
  const lead = firm.person('crew lead', at(0, 20))
  const release = (id: string, found = 'probe stops at two inches') => ({ jobSubjectIds: [id], found })
  expect(await problemOf(lead, 'release-line', release(collar.id))).toMatchObject({ code: 'not-allowed' })
  expect(await problemOf(lead, 'release-line', release(spokes.id, ''))).toMatchObject({ field: 'found' })
  expect(await problemOf(lead, 'release-line', release(uuidv7()))).toMatchObject({ code: 'unknown' })
  await done(lead, 'release-line', release(spokes.id))
  expect(await problemOf(lead, 'release-line', release(spokes.id, 'again and again'))).toMatchObject({
    code: 'conflict',
  })
  await work(spokes, {})
  const { recordId } = await sign([spokes.id])
  const body = readRecord((await rows((sql) => recordById(sql, recordId)))!).body as Application
  expect(body.subjects[0]!.released).toEqual({
    onlyIf: 'the soil is packed hard',
    found: 'probe stops at two inches',
  })
})

test('a soft anchor sends the tree back to be referred, and what waited stays where it is', async () => {
  const treeId = await buriedOak('Oak 4')
  const { jobId } = await done<{ jobId: string }>(
    arborist(),
    'hand-to-crew',
    await prescription(treeId, [FLARE]),
  )
  const [collar] = await open(jobId, treeId)
  await work(collar!, { ...SOUND, anchors: 'one soft', roots: '0' })
  await sign([collar!.id])
  expect(await rows((sql) => treeById(sql, treeId))).toMatchObject({
    stage: 'decide',
    returned: expect.stringMatching(/anchor root was found soft.*qualified risk assessor/),
  })
})

test('roots are cut over years: what was cut within the year counts, what is left is looked at in a year', async () => {
  const treeId = await buriedOak('Oak 12')
  const roots = { code: 'HC-FLARE', hand: { north: '5 in', roots: '10, 20, 5' } } as const
  const { jobId } = await done<{ jobId: string }>(
    arborist(),
    'hand-to-crew',
    await prescription(treeId, [roots]),
  )
  const [collar] = await open(jobId, treeId)
  expect(collar!.plan.shape).toMatchObject({ room: 25, now: '10 + 5', cut: 15, later: '20 %' })
  await work(collar!, { ...SOUND, roots: '15' })
  await sign([collar!.id])
  expect(
    (await rows((sql) => followUpsOfTree(sql, treeId))).map((f) => [f.what, f.dueOn.slice(0, 4)]),
  ).toContainEqual(['Girdling roots left for this year', '2027'])
  // Another hand a season later has only what is left of the year's share.
  await toCare(treeId, 100, '2027-01-10')
  const later = await done<{ jobId: string }>(arborist(100), 'hand-to-crew', {
    ...(await prescription(treeId, [roots])),
    onDate: '2026-09-20',
  })
  const [second] = await open(later.jobId, treeId)
  expect(second!.plan.shape).toMatchObject({ room: 10, now: '10', later: '20 + 5 %' })
})

test('what waits is handed back with the step it waits for', async () => {
  const treeId = await buriedOak('Oak 5')
  const { jobId } = await done<{ jobId: string }>(
    arborist(),
    'hand-to-crew',
    await prescription(treeId, [
      FLARE,
      { ...SPOKES, after: { item: 0, days: 7 } },
      { ...SPOKES, onlyIf: 'the soil is packed hard' },
    ]),
  )
  const subjects = await open(jobId, treeId)
  const only = subjects.find((s) => s.method === 'trenches')!
  const collar = subjects.find((s) => s.method === 'collar')!
  const statuses = async () =>
    (await rows((sql) => prescriptionsOfTree(sql, treeId))).map((p) => `${p.method} ${p.status}`).sort()
  const lead = firm.person('crew lead', at(0, 20))
  await done(lead, 'hand-back', { jobSubjectIds: [only.id], words: 'the soil is loose' })
  expect(await statuses()).toEqual(['collar handed', 'trenches handed', 'trenches withdrawn'])
  await done(lead, 'hand-back', { jobSubjectIds: [collar.id], words: 'a pipe lies there' })
  expect(await statuses()).toEqual(['collar withdrawn', 'trenches withdrawn', 'trenches withdrawn'])
  expect(await rows((sql) => dueAgain(sql, '2027-01-01'))).toEqual([])
})

test('what waits for a finding that was not made ends with it, with the reason', async () => {
  const treeId = await buriedOak('Oak 71')
  const { jobId } = await done<{ jobId: string }>(
    arborist(),
    'hand-to-crew',
    await prescription(treeId, [
      FLARE,
      { ...SPOKES, onlyIf: 'a girdling root is found' },
      { ...SPOKES, after: { item: 1, days: 7 } },
      { ...SPOKES, after: { item: 2, days: 7 } },
    ]),
  )
  const only = (await open(jobId, treeId)).find((s) => s.onlyIf !== null)!
  await done(firm.person('crew lead', at(0, 20)), 'hand-back', {
    jobSubjectIds: [only.id],
    words: 'no girdling root found',
  })
  const found = await rows((sql) => prescriptionsOfTree(sql, treeId))
  expect(found.map((p) => `${p.method} ${p.status}`).sort()).toEqual([
    'collar handed',
    'trenches withdrawn',
    'trenches withdrawn',
    'trenches withdrawn',
  ])
  expect((await rows((sql) => treeById(sql, treeId)))!.returned).toMatch(/no girdling root found$/)
  expect(await rows((sql) => dueAgain(sql, '2027-01-01', { treeId }))).toEqual([])
})

test('conditional lines against each other: one falls and the other stands, two hands at once are one, both are released apart', async () => {
  const treeId = await buriedOak('Oak 72')
  const { jobId } = await done<{ jobId: string }>(
    arborist(),
    'hand-to-crew',
    await prescription(treeId, [
      { ...FLARE, onlyIf: 'the flare is buried' },
      { ...SPOKES, onlyIf: 'the soil is packed hard' },
      { ...SPOKES, onlyIf: 'water stands after rain' },
    ]),
  )
  const lead = (minutes: number) => firm.person('crew lead', at(0, minutes))
  const found = async (onlyIf: string) => (await open(jobId, treeId)).find((s) => s.onlyIf === onlyIf)
  const buried = (await found('the flare is buried'))!
  const packed = (await found('the soil is packed hard'))!
  const release = (ids: string[], words: string) =>
    act(lead(21), 'release-line', { jobSubjectIds: ids, found: words })
  const answers = await Promise.all([
    release([buried.id], 'six inches of soil'),
    release([buried.id], 'five inches of soil'),
    act(lead(21), 'hand-back', { jobSubjectIds: [packed.id], words: 'a rod goes in by hand' }),
  ])
  expect(answers.map((a) => a.ok).sort()).toEqual([false, true, true])
  expect(answers[2].ok).toBe(true)
  // What was not found falls alone.
  expect(await found('the soil is packed hard')).toBeUndefined()
  expect(await found('water stands after rain')).toMatchObject({ releasedAt: null, status: 'open' })
  expect((await found('the flare is buried'))!.found).toMatch(/^(six|five) inches of soil$/)
  // What was handed back is not released any more, and what is not released is not begun.
  expect((await release([packed.id], 'hard as a road')).ok).toBe(false)
  const wet = (await found('water stands after rain'))!
  expect(
    await problemOf(firm.person('technician', at(0, 30)), 'begin-work', {
      jobSubjectIds: [wet.id],
      gear: true,
      seen: { soil: 'moist' as const },
    }),
  ).toMatchObject({ message: expect.stringMatching(/only done if: water stands after rain/) })
})

test('two lines that are due alike are told apart by tree and condition', async () => {
  const ids: string[] = []
  for (const [tag, onlyIf] of [
    ['Oak 81', null],
    ['Oak 91', 'roots press on the trunk'],
  ] as const) {
    const treeId = await buriedOak(tag)
    ids.push(treeId)
    const { jobId } = await done<{ jobId: string }>(
      arborist(),
      'hand-to-crew',
      await prescription(treeId, [
        FLARE,
        { ...SPOKES, after: { item: 0, days: 7 }, ...(onlyIf !== null && { onlyIf }) },
      ]),
    )
    const [collar] = await open(jobId, treeId)
    await work(collar!, SOUND)
    await sign([collar!.id])
  }
  const due = await Promise.all(ids.map((treeId) => rows((sql) => dueAgain(sql, '2027-01-01', { treeId }))))
  expect(due.map(([d]) => [d!.tags, d!.onlyIf])).toEqual([
    [['Oak 81'], null],
    [['Oak 91'], 'roots press on the trunk'],
  ])
})

test('what the client does stands on no day of the crew; somebody asks whether it was done', async () => {
  const treeId = await buriedOak('Oak 6')
  const all = await prescription(treeId, [
    FLARE,
    { code: 'HC-WATER', hand: { emitters: '4', flow: '1 gal' }, who: 'client' },
  ])
  const water = all.items[1]!
  const { jobId } = await done<{ jobId: string | null }>(arborist(), 'hand-to-crew', {
    ...all,
    items: [all.items[0], { ...water, times: 3 }],
  })
  expect((await open(jobId!, treeId)).map((s) => s.method)).toEqual(['collar'])
  const checks = await rows((sql) => openFollowUps(sql, '2027-12-31', null, 200))
  // Three times, ten days at most between two.
  expect(checks.find((c) => c.what.startsWith('Whether the client has done it'))).toMatchObject({
    treeId,
    dueOn: '2026-07-02',
    expectation: { kind: 'care' },
  })
  await work((await open(jobId!, treeId))[0]!, SOUND)
  await sign([(await prescriptionsOfTreeJob(treeId))!])
  expect((await rows((sql) => treeById(sql, treeId)))!.stage).toBe('check')
})

const prescriptionsOfTreeJob = async (treeId: string) =>
  (await rows((sql) => prescriptionsOfTree(sql, treeId))).find((p) => p.method === 'collar')!.jobSubjectId

test('a tree may be the client’s alone; what has a label, or must be released, may not', async () => {
  const treeId = await buriedOak('Oak 7')
  const alone = await prescription(treeId, [
    { code: 'HC-WATER', hand: { emitters: '4', flow: '1 gal' }, who: 'client' },
  ])
  expect(
    await problemOf(arborist(), 'hand-to-crew', {
      ...alone,
      items: [{ ...alone.items[0]!, onlyIf: 'it stands dry' }],
    }),
  ).toMatchObject({ code: 'not-allowed', field: 'who' })
  // Nobody signs when the client is done: nothing of the crew waits for it.
  expect(
    await problemOf(
      arborist(),
      'hand-to-crew',
      await prescription(treeId, [
        { code: 'HC-WATER', hand: { emitters: '4', flow: '1 gal' }, who: 'client' },
        { ...SPOKES, after: { item: 0, days: 7 } },
      ]),
    ),
  ).toMatchObject({ code: 'not-allowed', field: 'after' })
  expect(await done(arborist(), 'hand-to-crew', alone)).toEqual({ jobId: null })
  expect((await rows((sql) => treeById(sql, treeId)))!.stage).toBe('check')
  // Taken back, nobody asks any more, and the tree waits for another.
  const asked = async () =>
    (await rows((sql) => openFollowUps(sql, '2027-12-31', null, 200))).filter(
      (c) => c.treeId === treeId && c.what.startsWith('Whether the client has done it'),
    )
  expect(await asked()).toHaveLength(1)
  await done(arborist(), 'withdraw-prescription', {
    treeId,
    prescriptionId: alone.id,
    words: 'they have sold the house',
  })
  expect(await asked()).toEqual([])
  expect((await rows((sql) => treeById(sql, treeId)))!.stage).toBe('otherwise')
})

test('work that is broken off is asked about in its own words, and goes back partly done', async () => {
  const treeId = await buriedOak('Oak 8')
  const { jobId } = await done<{ jobId: string }>(
    arborist(),
    'hand-to-crew',
    await prescription(treeId, [{ code: 'HC-WATER', hand: { emitters: '4', flow: '1 gal' } }]),
  )
  const [water] = await open(jobId, treeId)
  const tech = firm.person('technician', at(0, 30))
  await done(tech, 'begin-work', { jobSubjectIds: [water!.id], gear: true, seen: { soil: 'moist' as const } })
  const steps = await rows((sql) => stepsOfSubjects(sql, [water!.id]))
  const press = (n: number, more: object) => ({ eventId: uuidv7(), stepId: steps[n]!.id, ...more })
  await done(tech, 'mark-step', press(0, { kind: 'do', noted: 'dry, crumbles' }))
  await done(tech, 'mark-step', press(1, { kind: 'do' }))
  await done(tech, 'mark-step', press(2, { kind: 'give-up', reason: 'the hydrant is shut', left: '0' }))
  const lead = firm.person('crew lead', at(0, 90))
  const record = {
    ...typedRecord([water!.id], 'house card'),
    accepted: ['wind', 'temperature', 'outside', 'short'],
  }
  expect(await problemOf(lead, 'sign-record', record)).toMatchObject({
    code: 'doubt',
    message: 'This is recorded as partly done and goes back to the arborist. Is that so?',
  })
  const { recordId } = await done<{ recordId: string }>(lead, 'sign-record', {
    ...record,
    id: uuidv7(),
    accepted: [...record.accepted, 'partly treated'],
  })
  const body = readRecord((await rows((sql) => recordById(sql, recordId)))!).body as Application
  expect(body.subjects[0]).toMatchObject({
    outcome: 'partly treated',
    waterM3: null,
    // What it came to is said in the record of work by hand too.
    said: expect.stringMatching(/gal/) as string,
    deviations: [
      'Run was not done: the hydrant is shut.',
      'Steps were pressed within a minute, 12 min were planned.',
    ],
  })
  expect((await rows((sql) => treeById(sql, treeId)))!.returned).toMatch(
    /^Partly done on 12 Jun 2026: Run was not done/,
  )
})
