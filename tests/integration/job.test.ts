import { inFirm } from '@/db/client'
import { migrate } from '@/db/migrate'
import { NEWEST_MIGRATION } from '@/db/newestMigration'
import { readdirSync } from 'node:fs'
import { itemsOfJob, portsOfItems } from '@/db/queries/work'
import { recordChain, recordById } from '@/db/queries/record'
import { openFollowUps } from '@/db/queries/followUp'
import { firstBroken } from '@/server/read/work'
import { act, closePool, decideAsh, done, makeFirm, NOON, ownerSql, uuidv7, type TestFirm } from './scenario'

let firm: TestFirm
beforeAll(async () => {
  firm = await makeFirm('Job firm')
})
afterAll(() => closePool())

const HOUR = 3_600_000
const problemOf = async (...args: Parameters<typeof act>) => {
  const r = await act(...args)
  return r.ok ? null : r.problem
}

async function runTree(tag: string) {
  const treated = await decideAsh(firm, tag)
  const { jobId } = await done<{ jobId: string }>(
    firm.person('arborist'),
    'hand-to-crew',
    treated.prescription,
  )
  const found = await inFirm(firm.id, async (sql) => {
    const item = (await itemsOfJob(sql, jobId)).find((i) => i.tag === tag)!
    return { item, ports: await portsOfItems(sql, [item.id]) }
  })
  await done(firm.person('technician'), 'confirm-tree', { jobItemId: found.item.id, tag, gear: true })
  return { ...treated, jobId, ...found }
}
const steps = async (portId: string, kinds: string[], at = NOON) => {
  for (const [i, kind] of kinds.entries())
    await done(firm.person('technician', new Date(at.getTime() + i * 60_000)), 'mark-port', {
      eventId: uuidv7(),
      portId,
      kind,
    })
}
const record = (jobItemId: string, counted: number) => ({
  id: uuidv7(),
  jobItemId,
  lot: 'LOT-1',
  temperature: '70 F',
  wind: '5 mph',
  windFrom: 'SW',
  sky: 'clear',
  soil: 'moist',
  counted,
  notices: 'office told',
})

test('a tree goes from reading to signed record; the dose is computed on the server', async () => {
  const run = await runTree('J-1')
  expect(run.item.dose.volumeM3 * 1e6).toBeCloseTo((52 / Math.PI) * 5, 9)
  expect(run.item.dose.ports.map((p) => p.bearing)).toEqual(run.prescription.bearings)
  const lead = firm.person('crew lead', new Date(NOON.getTime() + 2 * HOUR))

  await steps(run.ports[0]!.id, ['drill', 'start'])
  expect((await problemOf(lead, 'sign-record', record(run.item.id, 1)))?.message).toMatch(
    /1 still in the tree: port 1/,
  )
  await steps(run.ports[0]!.id, ['stop', 'out'])
  expect((await problemOf(lead, 'sign-record', record(run.item.id, 1)))?.message).toMatch(
    /Nothing was set in ports 2, 3/,
  )
  for (const p of run.ports.slice(1, 8)) await steps(p.id, ['drill', 'start', 'stop', 'out'])
  // The ninth will not take: given up with 3 mL left, and pulled.
  await steps(run.ports[8]!.id, ['drill', 'start'])
  await done(lead, 'mark-port', {
    eventId: uuidv7(),
    portId: run.ports[8]!.id,
    kind: 'give-up',
    reason: 'leaks at the bark',
    left: '3 mL',
  })
  await done(lead, 'mark-port', { eventId: uuidv7(), portId: run.ports[8]!.id, kind: 'out' })

  expect(await problemOf(lead, 'sign-record', record(run.item.id, 8))).toMatchObject({
    code: 'conflict',
    field: 'counted',
  })
  expect(await problemOf(lead, 'sign-record', { ...record(run.item.id, 9), lot: 'NO-SUCH' })).toMatchObject({
    field: 'lot',
  })
  expect(
    await problemOf(lead, 'sign-record', { ...record(run.item.id, 9), temperature: '700' }),
  ).toMatchObject({ field: 'temperature' })
  expect(await problemOf(firm.person('technician'), 'sign-record', record(run.item.id, 9))).toMatchObject({
    field: 'role',
  })

  const entry = record(run.item.id, 9)
  const first = await done<{ recordId: string }>(lead, 'sign-record', entry)
  // Sent twice, recorded once.
  expect(await done(lead, 'sign-record', { ...entry, id: uuidv7() })).toEqual(first)
  const kept = await inFirm(firm.id, (sql) => recordById(sql, first.recordId))
  expect(kept!.body.volumeM3).toBeCloseTo(run.item.dose.volumeM3 - 3e-6, 12)
  expect(kept!.body).toMatchObject({
    countedIn: 9,
    product: { lot: 'LOT-1', registration: 'DEMO-1004-3' },
    applicator: { licence: 'T-1' },
  })
  const due = await inFirm(firm.id, (sql) => openFollowUps(sql))
  expect(due.filter((u) => u.treeId === run.treeId).map((u) => u.dueOn)).toEqual([
    '2026-06-12',
    '2026-06-26',
    '2027-06-12',
    '2028-06-12',
  ])
  expect(
    await problemOf(lead, 'mark-port', { eventId: uuidv7(), portId: run.ports[0]!.id, kind: 'undo' }),
  ).toMatchObject({ code: 'conflict' })
})

test('an event sent twice from the device counts once', async () => {
  const run = await runTree('J-2')
  const event = { eventId: uuidv7(), portId: run.ports[0]!.id, kind: 'drill' }
  expect(await done(firm.person('technician'), 'mark-port', event)).toEqual({ repeated: false })
  expect(await done(firm.person('technician'), 'mark-port', event)).toEqual({ repeated: true })
})

test('two hands on one port: the second is told', async () => {
  const run = await runTree('J-3')
  const press = () =>
    act(firm.person('technician'), 'mark-port', {
      eventId: uuidv7(),
      portId: run.ports[0]!.id,
      kind: 'drill',
    })
  const results = await Promise.all([press(), press()])
  expect(results.filter((r) => r.ok)).toHaveLength(1)
})

test('a port may be moved before it is drilled, to a good place only', async () => {
  const run = await runTree('J-4')
  const tech = firm.person('technician')
  const move = (bearing: number) => ({ eventId: uuidv7(), portId: run.ports[1]!.id, kind: 'move', bearing })
  expect(await problemOf(tech, 'mark-port', move(20))).toMatchObject({ field: 'bearing' })
  await done(tech, 'mark-port', move(43))
  await steps(run.ports[1]!.id, ['drill'])
  expect((await problemOf(tech, 'mark-port', move(42)))?.message).toMatch(/a hole cannot be moved/)
})

describe('the record stands', () => {
  test('it cannot be changed or deleted by the application, nor by the owner of the table', async () => {
    const app = (q: (sql: Parameters<Parameters<typeof inFirm>[1]>[0]) => Promise<unknown>) =>
      inFirm(firm.id, q)
    await expect(app((sql) => sql`update record set body = '{}'`)).rejects.toThrow(/permission denied/)
    await expect(app((sql) => sql`delete from record`)).rejects.toThrow(/permission denied/)
    await expect(app((sql) => sql`truncate record`)).rejects.toThrow(/permission denied/)
    const owner = ownerSql()
    await expect(owner`update record set body = '{}'`).rejects.toThrow(/never changed or deleted/)
    await expect(owner`delete from record`).rejects.toThrow(/never changed or deleted/)
    await expect(owner`truncate record cascade`).rejects.toThrow(/never changed or deleted/)
    await owner.end()
  })

  test('each entry carries the hash of the one before; an altered or missing one shows', async () => {
    const lead = firm.person('crew lead')
    const chainNow = () => inFirm(firm.id, (sql) => recordChain(sql))
    const first = (
      await inFirm(firm.id, (sql) => sql<{ id: string }[]>`select id from record order by seq limit 1`)
    )[0]!.id
    await done(lead, 'correct-record', {
      id: uuidv7(),
      recordId: first,
      reason: 'read the wrong package',
      correction: 'lot LOT-2',
    })
    const chain = await chainNow()
    expect(chain.length).toBeGreaterThanOrEqual(2)
    expect(firstBroken(chain)).toBeNull()
    expect(firstBroken(chain.slice(1))).toBe(2)
    expect(
      firstBroken(
        chain.map((e, i) => (i === 0 ? { ...e, covered: e.covered.replace('LOT-1', 'LOT-9') } : e)),
      ),
    ).toBe(1)
    const correction = chain.at(-1)!
    expect(correction.prevHash).toBe(chain.at(-2)!.hash)
  })

  test('entries signed at the same moment are still one chain', async () => {
    const first = (
      await inFirm(firm.id, (sql) => sql<{ id: string }[]>`select id from record order by seq limit 1`)
    )[0]!.id
    await Promise.all(
      Array.from({ length: 6 }, (_, i) =>
        done(firm.person('crew lead'), 'correct-record', {
          id: uuidv7(),
          recordId: first,
          reason: 'trying at the same time',
          correction: `note ${i}`,
        }),
      ),
    )
    expect(firstBroken(await inFirm(firm.id, (sql) => recordChain(sql)))).toBeNull()
  })
})

test('migrations run again change nothing, and the newest is the one the code names', async () => {
  expect(await migrate(process.env.DATABASE_OWNER_URL!)).toEqual([])
  const files = readdirSync('src/db/migrations')
  expect(Math.max(...files.map((f) => Number(f.slice(0, 3))))).toBe(NEWEST_MIGRATION)
})
