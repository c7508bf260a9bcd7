import { CARDS } from '../../demo/cards'
import { stepsOfSubjects } from '@/db/queries/workStep'
import { usesOnShelf } from '@/db/queries/card'
import { subjectsOfJob } from '@/db/queries/job'
import { dueAgain } from '@/db/queries/occurrence'
import { recordById } from '@/db/queries/record'
import { holesOfTree, marksOfTree } from '@/db/queries/ring'
import { treesById } from '@/db/queries/tree'
import { inFirm } from '@/db/client'
import { gateOf } from '@/server/mayGoOn'
import { treesAtHand } from '@/server/treesAtHand'
import { waysFor } from '@/server/waysFor'
import { readRecord, type Application } from '@/server/ledger/body'
import {
  closePool,
  decideTree,
  done,
  makeFirm,
  measuredTree,
  NOON,
  prescriptionFor,
  problemOf,
  putOnShelf,
  recordInput,
  stepPorts,
  typedRecord,
  uuidv7,
  type TestFirm,
} from './scenario'

let firm: TestFirm
const uses = { CP4: uuidv7(), SD2: uuidv7(), CU5: uuidv7(), HO1: uuidv7() }
const DAY = 86_400_000
const at = (days: number, hours = 0) => new Date(NOON.getTime() + days * DAY + hours * 3_600_000)
const rows = <T>(work: Parameters<typeof inFirm<T>>[1]) => inFirm(firm.id, work)

beforeAll(async () => {
  firm = await makeFirm('Holding firm')
  await putOnShelf(firm, uses)
})
afterAll(() => closePool())

test('a tree of four stems measured apart gets what four trunks get, port by port, to the record and the next visit', async () => {
  const arborist = firm.person('arborist')
  const treeId = await measuredTree(firm, { tag: 'Four 1', host: 'ash', inches: '52', eastM: 0 })
  await done(arborist, 'confirm-identity', { treeId, host: 'ash' })
  await done(arborist, 'change-tree', {
    treeId,
    version: 2,
    tag: 'Four 1',
    host: 'ash',
    note: null,
    liveCrownPercent: 80,
  })
  await done(firm.person('arborist', at(0, 0.1)), 'add-reading', {
    id: uuidv7(),
    treeId,
    tape: 'girth',
    bareUnit: 'in',
    stems: ['22', '26', '27 1/2', '34'],
    accepted: ['grew-fast', 'shrank', 'stems'],
  })
  const decisionId = await decideTree(firm.person('arborist', at(0, 0.2)), treeId, {
    seen: { 'exit-hole-d': 'there', 'crown-thin-top': 'there' },
    cause: 'emerald-ash-borer',
    action: 'treat',
  })
  const four = (portGirth: string) => {
    const p = prescriptionFor(firm, treeId, decisionId)
    return { ...p, items: [{ ...p.items[0]!, subjects: [{ treeId, decisionId, given: { portGirth } }] }] }
  }
  const sign = firm.person('arborist', at(0, 0.3))
  expect(await problemOf(sign, 'hand-to-crew', four('57 in'))).toMatchObject({
    code: 'missing',
    field: 'portGirth',
    message: expect.stringMatching(/4 stems, each a trunk of its own/),
  })
  // What lies on one stem is of that stem alone, and keeps its ports off.
  const dead = { kind: 'dead', from: 340, to: 20, severity: null, notedOn: '2026-06-12', stem: 2 }
  await done(sign, 'save-ring', {
    treeId,
    version: (await rows((sql) => treesById(sql, [treeId])))[0]!.version,
    marks: [dead],
  })
  expect(await rows((sql) => marksOfTree(sql, treeId))).toMatchObject([dead])
  const { jobId } = await done<{ jobId: string }>(sign, 'hand-to-crew', four('23; 27; 28 1/2; 35'))
  const subject = (await rows((sql) => subjectsOfJob(sql, jobId))).find((s) => s.tag === 'Four 1')!
  const { plan } = subject
  if (plan.method !== 'trunk-injection') throw new Error('no injection')
  expect(plan.shape.stems).toHaveLength(4)
  for (const p of plan.shape.ports)
    if (p.stem === 2) expect([p.bearing >= 20, p.bearing <= 340]).toEqual([true, true])
  expect(plan.product).toBeCloseTo(
    plan.shape.stems!.reduce((n, s) => n + s.product, 0),
    12,
  )
  const ports = await rows((sql) => stepsOfSubjects(sql, [subject.id]))
  expect(ports).toHaveLength(plan.steps.length)
  await done(firm.person('technician', at(0, 1)), 'confirm-tree', {
    jobSubjectId: subject.id,
    tag: 'Four 1',
    gear: true,
    seen: { soil: 'moist' },
  })
  await stepPorts(
    firm,
    ports.map((p) => p.id),
    ['drill', 'start', 'stop', 'out'],
    at(0, 1),
  )
  const { recordId } = await done<{ recordId: string }>(
    firm.person('crew lead', at(0, 4)),
    'sign-record',
    recordInput(subject.id, ports.length),
  )
  const body = readRecord((await rows((sql) => recordById(sql, recordId)))!).body as Application
  expect(body.subjects[0]!.tree.stems).toHaveLength(4)
  expect(new Set(body.subjects[0]!.ports.map((p) => p.stem))).toEqual(new Set([1, 2, 3, 4]))
  const holes = await rows((sql) => holesOfTree(sql, treeId))
  expect(holes.map((h) => h.stem)).toEqual([1, 2, 3, 4])
  const promised = await rows(
    (sql) =>
      sql<{ what: string; dueOn: string }[]>`
        select what, due_on::text as "dueOn" from follow_up where tree_id = ${treeId} order by due_on desc limit 1`,
  )
  expect(promised[0]).toMatchObject({ what: 'Treat again, 2 years on', dueOn: '2028-06-12' })
})

test('a decision on a second cause leaves the covers that are due for the first; one that ends in a removal does not', async () => {
  const treeId = await measuredTree(firm, { tag: 'Apple 1', host: 'apple', inches: '30', eastM: 9 })
  const decisionId = await decideTree(firm.person('arborist'), treeId, {
    seen: { 'leaf-spots-olive': 'there', 'cool-wet-spring': 'there', 'fruit-scabs': 'there' },
    cause: 'apple-scab',
    action: 'treat',
    due: '2026-07-30',
  })
  const { jobId } = await done<{ jobId: string }>(firm.person('arborist'), 'hand-to-crew', {
    id: uuidv7(),
    items: [
      {
        useId: uses.CP4,
        choice: 0,
        times: 3,
        subjects: [
          {
            treeId,
            decisionId,
            given: {
              crownHeight: '11 ft',
              crownWidth: '10 ft',
              crownShape: 'ellipsoid',
              crownDensity: 'medium',
            },
          },
        ],
      },
    ],
    onDate: '2026-06-12',
    harvestOn: '2026-09-20',
  })
  const subject = (await rows((sql) => subjectsOfJob(sql, jobId))).find((s) => s.tag === 'Apple 1')
  await done(firm.person('technician', at(0, 1)), 'begin-work', {
    jobSubjectIds: [subject!.id],
    gear: true,
    noBloom: true,
    seen: { soil: 'moist' },
  })
  for (const step of await rows((sql) => stepsOfSubjects(sql, [subject!.id])))
    await done(firm.person('technician', at(0, 2)), 'mark-step', {
      eventId: uuidv7(),
      stepId: step.id,
      kind: 'do',
    })
  await done(firm.person('crew lead', at(0, 3)), 'sign-record', typedRecord([subject!.id], 'CP4-6000'))
  const due = () => rows((sql) => dueAgain(sql, '2026-07-01', { treeId }))
  expect(await due()).toMatchObject([{ n: 2, trees: 1 }])
  // What is promised is history too: nothing goes on that leaves none of its days to it.
  const [apple] = await rows((sql) => treesById(sql, [treeId]))
  const oiled = (on: string) =>
    rows(async (sql) => {
      const shelf = await usesOnShelf(sql)
      const oil = shelf.find((u) => u.id === uses.HO1)!
      const [hand] = await treesAtHand(
        { sql, now: at(1), person: firm.person('arborist', at(1)) },
        [apple!],
        shelf,
      )
      return gateOf(hand!, oil, { on, units: 'us' }).closed.filter((r) => r.rule === 'apart')
    })
  expect(await oiled('2026-07-01')).toMatchObject([
    { why: expect.stringMatching(/captan, which is to go on 19 Jun 2026 \(promised\)/) },
  ])
  const second = await decideTree(firm.person('arborist', at(1)), treeId, {
    seen: { 'gnaw-base': 'there', 'tunnels-mulch': 'there' },
    cause: 'vole-gnawing',
    action: 'care',
    due: '2026-08-01',
  })
  expect(second).not.toBe(decisionId)
  // The cover stands, and is put on its day for the cause it was signed for.
  const [cover] = await due()
  expect(cover).toMatchObject({ n: 2, trees: 1, cause: 'apple-scab' })
  const put = await done<{ jobId: string }>(firm.person('arborist', at(1)), 'put-on-day', {
    occurrenceId: cover!.id,
    onDate: '2026-06-19',
  })
  const [again] = await rows((sql) => subjectsOfJob(sql, put.jobId))
  await done(firm.person('technician', at(7)), 'begin-work', {
    jobSubjectIds: [again!.id],
    gear: true,
    noBloom: true,
    seen: { soil: 'moist' },
  })
  const [diagnosis] = await rows(
    (sql) =>
      sql<
        { id: string }[]
      >`select id from diagnosis where tree_id = ${treeId} order by signed_at desc limit 1`,
  )
  await done(firm.person('arborist', at(7, 1)), 'sign-decision', {
    id: uuidv7(),
    treeId,
    diagnosisId: diagnosis!.id,
    action: 'remove',
    words: 'the client builds there',
    due: '2026-07-30',
  })
  const [step] = await rows((sql) => stepsOfSubjects(sql, [again!.id]))
  expect(
    await problemOf(firm.person('technician', at(7, 2)), 'mark-step', {
      eventId: uuidv7(),
      stepId: step!.id,
      kind: 'do',
    }),
  ).toMatchObject({ message: expect.stringMatching(/decided anew/) })
})

test('what one person pressed is not entered as another’s, and the soil that is seen opens or closes the work', async () => {
  const treeId = await measuredTree(firm, { tag: 'Hem 1', host: 'hemlock', inches: '30', eastM: 20 })
  const decisionId = await decideTree(firm.person('arborist'), treeId, {
    seen: { 'needle-wool-base': 'there', 'needle-grey-thin': 'there' },
    cause: 'hemlock-woolly-adelgid',
    action: 'treat',
    words: 'it stands alone, and the wool is on every twig',
  })
  const p = prescriptionFor(firm, treeId, decisionId)
  await rows((sql) => sql`update site set area_m2 = 40000 where id = ${firm.site}`)
  const { jobId } = await done<{ jobId: string }>(firm.person('arborist'), 'hand-to-crew', {
    ...p,
    items: [{ useId: uses.SD2, choice: 0, subjects: [{ treeId, decisionId, given: {} }] }],
  })
  const subject = (await rows((sql) => subjectsOfJob(sql, jobId))).find((s) => s.tag === 'Hem 1')!
  const begin = (seen: object) => ({ jobSubjectIds: [subject.id], gear: true, noBloom: true, seen })
  const tech = firm.person('technician', at(0, 1))
  expect(await problemOf(tech, 'begin-work', begin({}))).toMatchObject({
    code: 'missing',
    field: 'seen.soil',
    message: expect.stringMatching(/How is the soil/),
  })
  expect(await problemOf(tech, 'begin-work', begin({ soil: 'saturated' }))).toMatchObject({
    message: expect.stringMatching(/saturated/),
  })
  expect(await problemOf(tech, 'begin-work', begin({ soil: 'dry' }))).toMatchObject({
    message: expect.stringMatching(/Water first/),
  })
  await done(tech, 'begin-work', begin({ soil: 'moist' }))
  const kept = await rows(
    (sql) => sql<{ seen: unknown }[]>`select seen from job_subject where id = ${subject.id}`,
  )
  expect(kept[0]!.seen).toEqual({ soil: 'moist' })
  // What comes later in the row waits for what comes before it.
  const [basin, pour] = await rows((sql) => stepsOfSubjects(sql, [subject.id]))
  const press = (stepId: string) => ({ eventId: uuidv7(), stepId, kind: 'do' })
  expect(await problemOf(tech, 'mark-step', press(pour!.id))).toMatchObject({
    code: 'not-allowed',
    message: expect.stringMatching(/^[A-Z].* comes before Pour/),
  })
  await done(tech, 'mark-step', press(basin!.id))
  await done(tech, 'mark-step', press(pour!.id))
})

test('a way out of its time is offered for its day, refused for another, and can be signed for it', async () => {
  const arborist = firm.person('arborist')
  const treeId = await measuredTree(firm, { tag: 'Peach 1', host: 'peach', inches: '20', eastM: 30 })
  const decisionId = await decideTree(arborist, treeId, {
    seen: { 'leaf-curl-red-blister': 'there', 'cool-wet-spring': 'there', 'leaf-drop-early': 'there' },
    cause: 'peach-leaf-curl',
    action: 'treat',
    due: '2026-07-30',
  })
  const [tree] = await rows((sql) => treesById(sql, [treeId]))
  const offered = await rows(async (sql) => {
    const on = await usesOnShelf(sql)
    const [hand] = await treesAtHand({ sql, now: NOON, person: arborist }, [tree!], on)
    return waysFor(hand!, on, { on: '2026-06-12', units: 'us', action: 'treat' })
  })
  const cared = await rows(async (sql) => {
    const on = await usesOnShelf(sql)
    const [hand] = await treesAtHand({ sql, now: NOON, person: arborist }, [tree!], on)
    return waysFor(hand!, on, { on: '2026-06-12', units: 'us', action: 'care' })
  })
  // Care is by hand, water and soil: a spray is offered only once it is decided anew.
  expect(cared.find((w) => w.id === uses.CU5)!.closed.map((c) => c.rule)).toContain('decision')
  const copper = offered.find((w) => w.id === uses.CU5)!
  expect([copper.closed, copper.opensOn]).toEqual([[], '2026-11-01'])
  const sprayed = (onDate: string) => ({
    id: uuidv7(),
    items: [
      {
        useId: uses.CU5,
        choice: 0,
        subjects: [
          {
            treeId,
            decisionId,
            given: {
              crownHeight: '9 ft',
              crownWidth: '9 ft',
              crownShape: 'ellipsoid',
              crownDensity: 'medium',
            },
          },
        ],
      },
    ],
    onDate,
    harvestOn: '2027-08-01',
  })
  expect(await problemOf(arborist, 'hand-to-crew', sprayed('2026-06-12'))).toMatchObject({
    field: 'onDate',
    message: expect.stringMatching(/Again from 1 Nov 2026/),
  })
  const { jobId } = await done<{ jobId: string }>(arborist, 'hand-to-crew', sprayed('2026-11-10'))
  const [subject] = await rows((sql) => subjectsOfJob(sql, jobId))
  const begin = (seen: object) => ({ jobSubjectIds: [subject!.id], gear: true, noBloom: true, seen })
  const november = firm.person('technician', new Date('2026-11-10T15:00:00Z'))
  expect(await problemOf(november, 'begin-work', begin({ soil: 'moist' }))).toMatchObject({
    field: 'seen.leaf',
  })
  expect(await problemOf(november, 'begin-work', begin({ leaf: 'out' }))).toMatchObject({
    message: expect.stringMatching(/wants a bare tree/),
  })
  await done(november, 'begin-work', begin({ leaf: 'none' }))
})

test('a tree and its cause fall to the first line of a card that fits, in the list, at the signature and in the working', async () => {
  const arborist = firm.person('arborist')
  const drench = CARDS.find((c) => c.card.code === 'SD2')!.card.uses[0]!
  const { limits } = drench
  const wide = {
    ...drench,
    hosts: ['ash', 'birch', 'elm'],
    targets: ['emerald-ash-borer', 'bronze-birch-borer'],
  }
  const line = {
    ...wide,
    hosts: ['ash'],
    targets: ['emerald-ash-borer'],
    limits: { ...limits, leastDays: 350 },
  }
  const card = { ...CARDS.find((c) => c.card.code === 'SD2')!.card, code: 'LN1', uses: [wide, line] }
  const enter = () => ({ id: uuidv7(), card, after: null })
  expect(await problemOf(arborist, 'enter-card', enter())).toMatchObject({
    message: expect.stringMatching(/Put the narrower one before the wider/),
  })
  card.uses = [line, wide]
  await done(arborist, 'enter-card', enter())
  const shelf = await rows((sql) => usesOnShelf(sql))
  const [first, second] = shelf.filter((u) => u.product.code === 'LN1')
  expect([first!.card!.n, second!.card!.n]).toEqual([1, 2])
  expect(shelf.find((u) => u.id === uses.SD2)!.card).toBeUndefined()

  const signed = async (tag: string, host: string, cause: string, seen: Record<string, 'there'>) => {
    const treeId = await measuredTree(firm, { tag, host, inches: '40', eastM: 60 })
    await done(arborist, 'confirm-identity', { treeId, host })
    const decisionId = await decideTree(arborist, treeId, {
      seen,
      cause,
      action: 'treat',
      words: 'as agreed',
    })
    return { treeId, decisionId }
  }
  const ash = await signed('Line 1', 'ash', 'emerald-ash-borer', { 'exit-hole-d': 'there' })
  const birch = await signed('Line 2', 'birch', 'bronze-birch-borer', { 'exit-hole-d': 'there' })
  const drenched = (useId: string, tree: { treeId: string; decisionId: string }) => ({
    id: uuidv7(),
    items: [{ useId, choice: 0, subjects: [{ ...tree, given: {} }] }],
    onDate: '2026-06-13',
    eaten: null,
  })
  expect(await problemOf(arborist, 'hand-to-crew', drenched(second!.id, ash))).toMatchObject({
    message: expect.stringMatching(
      /Line 1 of this card is for this kind of tree and cause.*Choose that line/,
    ),
  })
  const [hand] = await rows(async (sql) =>
    treesAtHand({ sql, now: NOON, person: arborist }, await treesById(sql, [ash.treeId]), shelf),
  )
  const offered = waysFor(hand!, shelf, { on: '2026-06-13', units: 'us', action: 'treat' })
  expect(offered.find((w) => w.id === first!.id)!.closed).toEqual([])
  expect(offered.find((w) => w.id === second!.id)!.closed.map((c) => c.rule)).toEqual(['label'])
  for (const [use, tree, named] of [
    [first!, ash, 'card LN1 v1, line 1'],
    [second!, birch, 'card LN1 v1, line 2'],
  ] as const) {
    const { jobId } = await done<{ jobId: string }>(arborist, 'hand-to-crew', drenched(use.id, tree))
    const subjects = await rows((sql) => subjectsOfJob(sql, jobId))
    const own = subjects.find((s) => s.treeId === tree.treeId)!
    expect(JSON.stringify(own.working)).toContain(named)
  }
})
