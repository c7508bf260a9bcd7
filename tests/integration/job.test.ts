import { inFirm } from '@/db/client'
import { migrate } from '@/db/migrate'
import { NEWEST_MIGRATION } from '@/db/newestMigration'
import { readdirSync } from 'node:fs'
import { recordById } from '@/db/queries/record'
import { openFollowUps } from '@/db/queries/followUp'
import {
  act,
  closePool,
  done,
  makeFirm,
  NOON,
  problemOf,
  recordInput as record,
  runAsh,
  stepPorts,
  type TestFirm,
  uuidv7,
} from './scenario'
import { readRecord, type Application } from '@/server/ledger/body'

let firm: TestFirm
beforeAll(async () => {
  firm = await makeFirm('Job firm')
})
afterAll(() => closePool())

const HOUR = 3_600_000

const runTree = (tag: string) => runAsh(firm, tag)
const steps = (stepId: string, kinds: string[]) => stepPorts(firm, [stepId], kinds)

test('a tree goes from reading to signed record; the dose is computed on the server', async () => {
  const run = await runTree('J-1')
  expect(run.subject.plan.product * 1e6).toBeCloseTo((52 / Math.PI) * 5, 9)
  expect(run.ports.map((p) => p.what.kind === 'port' && p.what.bearing)).toEqual(
    run.prescription.items[0]!.subjects[0]!.given['bearings'],
  )
  const lead = firm.person('crew lead', new Date(NOON.getTime() + 2 * HOUR))

  await steps(run.ports[0]!.id, ['drill', 'start'])
  expect((await problemOf(lead, 'sign-record', record(run.subject.id, 1)))?.message).toMatch(
    /1 still in the tree: port 1/,
  )
  await steps(run.ports[0]!.id, ['stop', 'out'])
  expect((await problemOf(lead, 'sign-record', record(run.subject.id, 1)))?.message).toMatch(
    /Nothing was set in ports 2, 3/,
  )
  for (const p of run.ports.slice(1, 8)) await steps(p.id, ['drill', 'start', 'stop', 'out'])
  // The ninth will not take: given up with 3 mL left, and pulled.
  await steps(run.ports[8]!.id, ['drill', 'start'])
  await done(lead, 'mark-step', {
    eventId: uuidv7(),
    stepId: run.ports[8]!.id,
    kind: 'give-up',
    reason: 'leaks at the bark',
    left: '3 mL',
  })
  await done(lead, 'mark-step', { eventId: uuidv7(), stepId: run.ports[8]!.id, kind: 'out' })

  expect(await problemOf(lead, 'sign-record', record(run.subject.id, 8))).toMatchObject({
    code: 'conflict',
    field: 'counted',
  })
  expect(
    await problemOf(lead, 'sign-record', { ...record(run.subject.id, 9), lot: 'NO-SUCH' }),
  ).toMatchObject({
    field: 'lot',
  })
  expect(
    await problemOf(lead, 'sign-record', { ...record(run.subject.id, 9), temperature: '700' }),
  ).toMatchObject({ field: 'temperature' })
  expect(await problemOf(firm.person('technician'), 'sign-record', record(run.subject.id, 9))).toMatchObject({
    field: 'role',
  })

  // 79.8 mL are less than the label's least: asked, not passed over.
  const less = record(run.subject.id, 9)
  expect(await problemOf(lead, 'sign-record', less)).toMatchObject({ code: 'doubt', field: 'partly treated' })
  const entry = { ...less, accepted: ['partly treated', 'outside', 'short'] }
  const first = await done<{ recordId: string }>(lead, 'sign-record', entry)
  // Sent twice, recorded once; sent as another, told.
  expect(await done(lead, 'sign-record', entry)).toEqual(first)
  expect(await problemOf(lead, 'sign-record', { ...entry, id: uuidv7() })).toMatchObject({ code: 'conflict' })
  const kept = await inFirm(firm.id, (sql) => recordById(sql, first.recordId))
  const { body } = readRecord(kept!) as { body: Application }
  expect(body.subjects[0]!.amount).toBeCloseTo(run.subject.plan.product - 3e-6, 12)
  expect(body).toMatchObject({
    countedIn: 9,
    product: { lot: 'LOT-1', registration: 'DEMO-1004-3' },
    applicator: { licence: 'T-1' },
  })
  const due = await inFirm(firm.id, (sql) => openFollowUps(sql))
  expect(due.filter((u) => u.treeId === run.treeId).map((u) => u.dueOn)).toEqual(['2026-06-12', '2026-06-26'])
  expect(
    await problemOf(lead, 'mark-step', { eventId: uuidv7(), stepId: run.ports[0]!.id, kind: 'undo' }),
  ).toMatchObject({ code: 'conflict' })
})

test('an event sent twice from the device counts once', async () => {
  const run = await runTree('J-2')
  const event = { eventId: uuidv7(), stepId: run.ports[0]!.id, kind: 'drill' }
  expect(await done(firm.person('technician'), 'mark-step', event)).toMatchObject({
    state: { startedAt: null },
  })
  expect(await done(firm.person('technician'), 'mark-step', event)).toMatchObject({
    state: { startedAt: null },
  })
})

test('two hands on one port: the second is told', async () => {
  const run = await runTree('J-3')
  const press = () =>
    act(firm.person('technician'), 'mark-step', {
      eventId: uuidv7(),
      stepId: run.ports[0]!.id,
      kind: 'drill',
    })
  const results = await Promise.all([press(), press()])
  expect(results.filter((r) => r.ok)).toHaveLength(1)
})

test('a port may be moved before it is drilled, to a good place only', async () => {
  const run = await runTree('J-4')
  const tech = firm.person('technician')
  const move = (bearing: number) => ({ eventId: uuidv7(), stepId: run.ports[1]!.id, kind: 'move', bearing })
  expect(await problemOf(tech, 'mark-step', move(20))).toMatchObject({ field: 'bearing' })
  await done(tech, 'mark-step', move(43))
  await steps(run.ports[1]!.id, ['drill'])
  expect((await problemOf(tech, 'mark-step', move(42)))?.message).toMatch(/a hole cannot be moved/)
})

test('migrations run again change nothing, and the newest is the one the code names', async () => {
  expect(await migrate(process.env.DATABASE_OWNER_URL!)).toEqual([])
  const files = readdirSync('src/db/migrations')
  expect(Math.max(...files.map((f) => Number(f.slice(0, 3))))).toBe(NEWEST_MIGRATION)
})
