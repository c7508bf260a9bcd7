import { inFirm } from '@/db/client'
import { decisionsOfTree } from '@/db/queries/assessment'
import { subjectsOfJob } from '@/db/queries/job'
import { recordById } from '@/db/queries/record'
import { stepsOfSubjects } from '@/db/queries/workStep'
import { readRecord, type Application } from '@/server/ledger/body'
import {
  measuredTree,
  closePool,
  decideTree,
  done,
  makeFirm,
  NOON,
  problemOf,
  putOnShelf,
  typedRecord,
  uuidv7,
  type TestFirm,
} from './scenario'

/** Two sprays out of one tank on two apples: allowed by both labels, walked once, a record each. */
let firm: TestFirm
const uses = { CP4: uuidv7(), MY3: uuidv7(), CU5: uuidv7() }
const arborist = () => firm.person('arborist', NOON)
const rows = <T>(work: Parameters<typeof inFirm<T>>[1]) => inFirm(firm.id, work)
const trees: string[] = []

let standing = 0
/** An apple with scab, signed, that is cared for. */
async function apple(tag: string): Promise<string> {
  const treeId = await measuredTree(firm, { tag, host: 'apple', inches: '30', eastM: standing++ })
  await decideTree(arborist(), treeId, {
    seen: { 'leaf-spots-olive': 'there', 'cool-wet-spring': 'there', 'fruit-scabs': 'there' },
    cause: 'apple-scab',
    action: 'treat',
    due: '2026-07-10',
  })
  return treeId
}

beforeAll(async () => {
  firm = await makeFirm('Tank firm')
  await putOnShelf(firm, uses)
  trees.push(await apple('T1'), await apple('T2'))
})
afterAll(() => closePool())

interface Asked {
  code: keyof typeof uses
  tank?: number | null
  times?: number
  on?: string[]
}

async function prescription(asked: Asked[]) {
  const given = { crownHeight: '11 ft', crownWidth: '10 ft', crownShape: 'ellipsoid', crownDensity: 'medium' }
  const subjects = async (on: string[]) =>
    Promise.all(
      on.map(async (treeId) => ({
        treeId,
        decisionId: (await rows((sql) => decisionsOfTree(sql, treeId)))[0]!.id,
        given,
      })),
    )
  return {
    id: uuidv7(),
    items: await Promise.all(
      asked.map(async ({ code, tank = 1, times = 1, on = trees }) => ({
        useId: uses[code],
        choice: 0,
        times,
        tank,
        subjects: await subjects(on),
      })),
    ),
    onDate: '2026-06-12',
    eaten: true,
    harvestOn: '2026-09-20',
  }
}

test.each([
  // Copper has its days, in whatever tank.
  [[{ code: 'CP4' }, { code: 'CU5' }], /silver tip to half-inch green: 1 Mar to 10 May/],
  [[{ code: 'CP4' }, { code: 'MY3', times: 2 }], /equally often/],
  [[{ code: 'CP4', on: ['first'] }, { code: 'MY3' }], /the same trees/],
] as [Asked[], RegExp][])('%j is no tank', async (asked, why) => {
  const named = asked.map((a) => ({ ...a, ...(a.on && { on: [trees[0]!] }) }))
  expect(await problemOf(arborist(), 'hand-to-crew', await prescription(named))).toMatchObject({
    message: expect.stringMatching(why),
  })
})

test('it is walked once and signed once, with a record for each product that names the other', async () => {
  const { jobId } = await done<{ jobId: string }>(
    arborist(),
    'hand-to-crew',
    await prescription([{ code: 'CP4' }, { code: 'MY3' }]),
  )
  const subjects = await rows((sql) => subjectsOfJob(sql, jobId))
  expect(subjects).toHaveLength(4)
  expect(new Set(subjects.map((s) => s.tank)).size).toBe(1)
  expect(subjects[0]!.tank).not.toBeNull()
  const of = (code: string) => subjects.filter((s) => s.product.code === code)
  expect(of('MY3').map((s) => s.plan.minutes)).toEqual([0, 0])
  const ids = subjects.map((s) => s.id)
  await done(firm.person('technician', NOON), 'begin-work', {
    jobSubjectIds: ids,
    gear: true,
    seen: { soil: 'moist' as const },
    noBloom: true,
  })
  for (const s of await rows((sql) => stepsOfSubjects(sql, ids)))
    await done(firm.person('technician', NOON), 'mark-step', { eventId: uuidv7(), stepId: s.id, kind: 'do' })

  const lead = firm.person('crew lead', new Date(NOON.getTime() + 3_600_000))
  const [captan, other] = [of('CP4').map((s) => s.id), of('MY3').map((s) => s.id)]
  const record = {
    ...typedRecord(captan, 'CP4-6000'),
    accepted: ['wind', 'temperature'],
    also: [{ id: uuidv7(), jobSubjectIds: other, lot: 'no such' }],
  }
  // A lot that is wrong is told at its own field, and nothing at all is signed.
  expect(await problemOf(lead, 'sign-record', record)).toMatchObject({
    code: 'unknown',
    field: 'also[0].lot',
  })
  expect((await rows((sql) => subjectsOfJob(sql, jobId))).map((s) => s.status)).toEqual(Array(4).fill('open'))
  // The same tree twice would be recorded twice.
  expect(
    await problemOf(lead, 'sign-record', {
      ...record,
      also: [{ id: uuidv7(), jobSubjectIds: captan, lot: 'CP4-6000' }],
    }),
  ).toMatchObject({ code: 'not-allowed', field: 'also' })
  const also = [{ ...record.also[0]!, lot: 'MY3-0815' }]
  const { recordId } = await done<{ recordId: string }>(lead, 'sign-record', { ...record, also })
  const body = async (id: string) =>
    readRecord((await rows((sql) => recordById(sql, id)))!).body as Application
  const [first, second] = [await body(recordId), await body(also[0]!.id)]
  expect(first.product.code).toBe('CP4')
  expect(first.tankWith).toEqual(['Example MY3, DEMO-1028-1'])
  expect(second.product.code).toBe('MY3')
  expect(second.tankWith).toEqual(['Example CP4, DEMO-1027-1'])
  // Both say the water that was in the tank.
  expect(second.subjects[0]!.waterM3).toBeCloseTo(first.subjects[0]!.waterM3!, 12)
  expect((await rows((sql) => subjectsOfJob(sql, jobId))).map((s) => s.status)).toEqual(
    Array(4).fill('recorded'),
  )
})

test('what did not come out of one tank is signed by itself', async () => {
  const on = [await apple('T3'), await apple('T4')]
  const { jobId } = await done<{ jobId: string }>(arborist(), 'hand-to-crew', {
    ...(await prescription([
      { code: 'CP4', tank: null, on },
      { code: 'MY3', tank: 3, on },
    ])),
    onDate: '2026-06-22',
  })
  const subjects = await rows((sql) => subjectsOfJob(sql, jobId))
  // One alone under its number has no tank to share.
  expect(subjects.map((s) => s.tank)).toEqual([null, null, null, null])
  const of = (code: string) => subjects.filter((s) => s.product.code === code).map((s) => s.id)
  const lead = firm.person('crew lead', new Date('2026-06-22T16:00:00Z'))
  expect(
    await problemOf(lead, 'sign-record', {
      ...typedRecord(of('CP4'), 'CP4-6000'),
      also: [{ id: uuidv7(), jobSubjectIds: of('MY3'), lot: 'MY3-0815' }],
    }),
  ).toMatchObject({ code: 'not-allowed', field: 'also' })
})
