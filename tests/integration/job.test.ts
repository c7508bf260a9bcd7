import { inFirm } from '@/db/client'
import { migrate } from '@/db/migrate'
import { NEWEST_MIGRATION } from '@/db/newestMigration'
import { readdirSync } from 'node:fs'
import { itemsOfJob, portsOfItems } from '@/db/queries/work'
import { recordChain, recordById } from '@/db/queries/record'
import { openFollowUps } from '@/db/queries/followUp'
import { firstBroken } from '@/server/read/work'
import {
  act,
  closePool,
  decideAsh,
  done,
  makeAsh,
  makeFirm,
  NOON,
  ownerSql,
  uuidv7,
  type TestFirm,
} from './scenario'

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

describe('refusals', () => {
  test('roles are checked on the server', async () => {
    for (const [role, verb] of [
      ['technician', 'add-tree'],
      ['office', 'set-finding'],
      ['crew lead', 'sign-diagnosis'],
      ['technician', 'sign-decision'],
      ['crew lead', 'hand-to-crew'],
      ['office', 'mark-port'],
    ] as const)
      expect(await problemOf(firm.person(role), verb, {})).toMatchObject({
        code: 'not-allowed',
        field: 'role',
      })
  })

  test('a reading that looks like a slip is asked about, and kept only when accepted', async () => {
    const treeId = await makeAsh(firm, 'R-1')
    const later = firm.person('arborist', new Date(NOON.getTime() + 360 * 24 * HOUR))
    const reading = (stems: string[], more = {}) => ({
      id: uuidv7(),
      treeId,
      tape: 'diameter',
      bareUnit: 'in',
      stems,
      ...more,
    })
    expect(await problemOf(later, 'add-reading', reading(['52']))).toMatchObject({
      code: 'doubt',
      field: 'girth-as-diameter',
    })
    expect(await problemOf(later, 'add-reading', reading(['42']))).toMatchObject({
      code: 'doubt',
      field: 'cm-as-in',
    })
    expect(await problemOf(later, 'add-reading', reading(['14 in']))).toMatchObject({
      code: 'doubt',
      field: 'shrank',
    })
    await done(later, 'add-reading', reading(['14 in'], { accepted: ['shrank'] }))
    for (const bad of ['', 'abc', '-4', '0', '9999', '🌳', '<script>', '4 gal', '9'.repeat(150), '1e309'])
      expect([bad, (await problemOf(later, 'add-reading', reading([bad])))?.field]).toEqual([bad, 'stems[0]'])
    expect((await problemOf(later, 'add-reading', reading(['9'.repeat(10_000)])))?.field).toBe('stems[0]')
  })

  test('two people editing the same tree: the second is told', async () => {
    const treeId = await makeAsh(firm, 'R-2')
    const change = (note: string) => ({
      treeId,
      version: 3,
      tag: 'R-2',
      host: 'ash',
      note,
      liveCrownPercent: 75,
    })
    await done(firm.person('arborist'), 'change-tree', change('mine'))
    expect(await problemOf(firm.person('crew lead'), 'change-tree', change('yours'))).toMatchObject({
      code: 'conflict',
      field: 'version',
    })
    expect(
      await problemOf(firm.person('crew lead'), 'save-ring', { treeId, version: 3, marks: [] }),
    ).toMatchObject({ code: 'conflict' })
  })

  test('text that cannot be kept is refused by name, never an error', async () => {
    const base = { id: uuidv7(), siteId: firm.site, tag: 'T', host: 'ash', eastM: 0, northM: 0, note: null }
    const cases: [Record<string, unknown>, string][] = [
      [{ tag: '' }, 'tag'],
      [{ tag: ' ' }, 'tag'],
      [{ tag: 'x'.repeat(10_000) }, 'tag'],
      [{ tag: 'a\u0000b' }, 'tag'],
      [{ tag: 7 }, 'tag'],
      [{ host: 'triffid' }, 'host'],
      [{ host: '__proto__' }, 'host'],
      [{ eastM: '3' }, 'eastM'],
      [{ eastM: Number.NaN }, 'eastM'],
      [{ eastM: 1e9 }, 'eastM'],
      [{ note: 'x'.repeat(10_000) }, 'note'],
      [{ id: 'me' }, 'id'],
      [{ extra: 1 }, 'extra'],
      [{ siteId: uuidv7() }, 'siteId'],
    ]
    for (const [part, field] of cases) {
      const p = await problemOf(firm.person('arborist'), 'add-tree', { ...base, ...part })
      expect([part, p?.field]).toEqual([part, field])
      expect(p!.message.length).toBeGreaterThan(10)
    }
    for (const raw of [null, 7, 'x', [], undefined])
      expect((await act(firm.person('arborist'), 'add-tree', raw)).ok).toBe(false)
    // Emoji and markup are only text.
    await done(firm.person('arborist'), 'add-tree', {
      ...base,
      id: uuidv7(),
      tag: '🌳 <b>1</b>',
      note: '<script>alert(1)</script>',
    })
  })

  test('a tree sent twice is one tree; a taken tag is refused', async () => {
    const tree = {
      id: uuidv7(),
      siteId: firm.site,
      tag: 'twice',
      host: 'ash',
      eastM: 0,
      northM: 0,
      note: null,
    }
    await done(firm.person('arborist'), 'add-tree', tree)
    await done(firm.person('arborist'), 'add-tree', tree)
    expect(await problemOf(firm.person('arborist'), 'add-tree', { ...tree, id: uuidv7() })).toMatchObject({
      code: 'conflict',
      field: 'tag',
    })
  })

  test('a prescription that breaks a rule is refused by that rule', async () => {
    const t = await decideAsh(firm, 'P-1')
    const hand = (part: Record<string, unknown>, at = NOON) =>
      problemOf(firm.person('arborist', at), 'hand-to-crew', { ...t.prescription, ...part })
    expect(await hand({ bearings: [0, 10, 80, 120, 160, 200, 240, 280, 320] })).toMatchObject({
      message: expect.stringMatching(/the least is 4 in/),
    })
    expect(await hand({ bearings: [0, 40, 80] })).toMatchObject({ code: 'conflict' })
    expect(await hand({ bearings: [0, 0, 80, 120, 160, 200, 240, 280, 320] })).toMatchObject({
      code: 'conflict',
    })
    expect(await hand({ choice: 1.5 })).toMatchObject({ field: 'choice' })
    expect(await hand({ portGirth: '20 in' })).toMatchObject({ field: 'portGirth' })
    expect(await hand({ portGirth: '54 gal' })).toMatchObject({ field: 'portGirth' })
    expect(await hand({ onDate: '2026-06-11' })).toMatchObject({ field: 'onDate' })
    expect(await hand({ onDate: '2026-02-30' })).toMatchObject({ field: 'onDate' })
    // In January nothing is taken up; a year on the reading is too old.
    expect(await hand({ onDate: '2027-01-12' }, new Date('2027-01-12T16:00:00Z'))).toMatchObject({
      field: 'temperature',
    })
    expect(await hand({ onDate: '2027-07-12' }, new Date('2027-07-12T16:00:00Z'))).toMatchObject({
      field: 'reading',
    })
    const ok = await done<{ jobId: string }>(firm.person('arborist'), 'hand-to-crew', t.prescription)
    expect(await done(firm.person('arborist'), 'hand-to-crew', t.prescription)).toEqual(ok)
  })

  test('a cause on hold is signed only with a reason', async () => {
    const treeId = uuidv7()
    const arborist = firm.person('arborist')
    await done(arborist, 'add-tree', {
      id: treeId,
      siteId: firm.site,
      tag: 'H-1',
      host: 'maple',
      eastM: 0,
      northM: 0,
      note: null,
    })
    const assessmentId = uuidv7()
    for (const finding of ['flagging-limb', 'sapwood-streaks'])
      await done(arborist, 'set-finding', { treeId, assessmentId, finding, state: 'there' })
    const sign = { id: uuidv7(), treeId, assessmentId, cause: 'verticillium-wilt' }
    expect(await problemOf(arborist, 'sign-diagnosis', sign)).toMatchObject({
      code: 'missing',
      field: 'reason',
      message: expect.stringMatching(/laboratory/),
    })
    await done(arborist, 'sign-diagnosis', { ...sign, reason: 'the laboratory is closed this month' })
    expect(
      await problemOf(arborist, 'set-finding', {
        treeId,
        assessmentId,
        finding: 'flagging-limb',
        state: null,
      }),
    ).toMatchObject({ code: 'conflict' })
  })

  test('a check is answered once, on or after its day, with a next step that fits', async () => {
    const treeId = await makeAsh(firm, 'F-1')
    const id = uuidv7()
    await inFirm(firm.id, async (sql) => {
      await sql`insert into follow_up (id, firm_id, tree_id, due_on, what, expectation) values (${id}, ${firm.id}, ${treeId}, '2026-06-14', 'look', ${sql.json({ question: '', unit: '%', sense: 'at-least', expected: 75, tolerated: 65, least: 0, most: 100 })})`
    })
    const enter = (part: Record<string, unknown>, at = new Date('2026-06-14T12:00:00Z')) =>
      problemOf(firm.person('crew lead', at), 'enter-result', {
        id: uuidv7(),
        followUpId: id,
        value: 60,
        nextStep: 'reopen the diagnosis',
        ...part,
      })
    expect(await enter({}, NOON)).toMatchObject({ code: 'not-allowed' })
    expect(await enter({ value: 101 })).toMatchObject({ field: 'value' })
    expect(await enter({ value: '60' })).toMatchObject({ field: 'value' })
    expect(await enter({ nextStep: 'go on as planned' })).toMatchObject({
      field: 'nextStep',
      message: expect.stringMatching(/not working/),
    })
    expect(await enter({})).toBeNull()
    expect(await enter({ value: 55 })).toMatchObject({ code: 'conflict' })
  })

  test('only the demo’s clock can be moved', async () => {
    expect(await problemOf(firm.person('arborist'), 'move-clock', { seconds: 60 })).toMatchObject({
      code: 'not-allowed',
    })
  })
})

test('migrations run again change nothing, and the newest is the one the code names', async () => {
  expect(await migrate(process.env.DATABASE_OWNER_URL!)).toEqual([])
  const files = readdirSync('src/db/migrations')
  expect(Math.max(...files.map((f) => Number(f.slice(0, 3))))).toBe(NEWEST_MIGRATION)
})
