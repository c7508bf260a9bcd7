import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
process.env['LEDGER_FILE'] = path.join(mkdtempSync(path.join(tmpdir(), 'seals-')), 'ledger.seals')

import { CARDS } from '../../demo/cards'
import { subjectsOfJob } from '@/db/queries/job'
import { addCard } from '@/db/queries/card'
import { inFirm, onWatch } from '@/db/client'
import { chainFrom, recordById, type RecordRow } from '@/db/queries/record'
import { sealedFirms, troubles } from '@/db/queries/seal'
import { checkLedger, checkTail } from '@/server/ledger/check'
import {
  closePool,
  decideAsh,
  emptiedAsh,
  done,
  makeFirm,
  NOON,
  ownerSql,
  problemOf,
  recordedAsh,
  recordInput,
  runAsh,
  stepPorts,
  type TestFirm,
  uuidv7,
  otherwise,
} from './scenario'
import { readRecord } from '@/server/ledger/body'

afterAll(() => closePool())

const HOUR = 3_600_000
const FILE = process.env['LEDGER_FILE']

/** A firm with three records: a tree and two corrections. */
async function firmWithRecords(name: string): Promise<{ firm: TestFirm; first: string }> {
  const firm = await makeFirm(name)
  const { recordId } = await recordedAsh(firm, 'L-1')
  for (const lot of ['LOT-3', 'LOT-2'])
    await done(firm.person('crew lead'), 'correct-record', {
      id: uuidv7(),
      recordId,
      reason: 'read the wrong package',
      correction: `lot ${lot}`,
    })
  return { firm, first: recordId }
}

/** Does something to the tables behind the product's back, as their owner, past the guard of the records. */
async function behindItsBack(work: (sql: ReturnType<typeof ownerSql>) => Promise<unknown>) {
  const owner = ownerSql()
  await owner`alter table record disable trigger user`
  try {
    await work(owner)
  } finally {
    await owner`alter table record enable trigger user`
    await owner.end()
  }
}

/** What went otherwise, as the record says it. */
function deviationsOf(row: RecordRow): string[] {
  const read = readRecord(row)
  return read.kind === 'application' ? (read.body?.subjects[0]!.deviations ?? []) : []
}

describe('the record stands', () => {
  test('it cannot be changed or deleted by the application, nor by the owner of the table', async () => {
    const { firm } = await firmWithRecords('Standing firm')
    const app = (q: Parameters<typeof inFirm>[1]) => inFirm(firm.id, q)
    await expect(app((sql) => sql`update record set body = '{}'`)).rejects.toThrow(/permission denied/)
    await expect(app((sql) => sql`delete from record`)).rejects.toThrow(/permission denied/)
    await expect(app((sql) => sql`truncate record`)).rejects.toThrow(/permission denied/)
    await expect(app((sql) => sql`delete from seal`)).rejects.toThrow(/permission denied/)
    const owner = ownerSql()
    await expect(owner`update record set body = '{}'`).rejects.toThrow(/never changed or deleted/)
    await expect(owner`delete from record`).rejects.toThrow(/never changed or deleted/)
    await expect(owner`truncate record cascade`).rejects.toThrow(/never changed or deleted/)
    await owner.end()
  })

  test('a whole chain checks out, and each entry is sealed here and outside the database', async () => {
    const { firm } = await firmWithRecords('Whole firm')
    expect(await checkLedger(firm.id)).toBeNull()
    expect(await inFirm(firm.id, checkTail)).toBeNull()
    const outside = readFileSync(FILE, 'utf8')
      .split('\n')
      .filter((l) => l.includes(firm.id))
    expect(outside.map((l) => (JSON.parse(l) as { seq: number }).seq)).toEqual([1, 2, 3])
    expect((await onWatch(sealedFirms)).find((f) => f.firmId === firm.id)?.seq).toBe(3)
  })

  test('entries signed at the same moment are still one chain', async () => {
    const { firm, first } = await firmWithRecords('Busy ledger')
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
    expect(await checkLedger(firm.id)).toBeNull()
    expect(await inFirm(firm.id, (sql) => chainFrom(sql, 0, 50))).toHaveLength(9)
  })
})

describe('what was done behind its back is found, at its place', () => {
  test.each<[string, (sql: ReturnType<typeof ownerSql>, firm: string) => Promise<unknown>, object]>([
    [
      'a changed body',
      (sql, firm) =>
        sql`update record set body = jsonb_set(body, '{product,lot}', '"LOT-9"') where firm_id = ${firm} and seq = 1`,
      { seq: 1, kind: 'changed' },
    ],
    [
      'an amount that counts less than was signed',
      (sql, firm) => sql`update application_subject set amount = amount / 2 where firm_id = ${firm}`,
      { seq: 1, kind: 'changed' },
    ],
    [
      'an amount of active that nobody signed',
      (sql, firm) => sql`update application_subject set active_kg = 0.001 where firm_id = ${firm}`,
      { seq: 1, kind: 'changed' },
    ],
    [
      'a day of another year',
      (sql, firm) => sql`update application_subject set on_date = on_date - 365 where firm_id = ${firm}`,
      { seq: 1, kind: 'changed' },
    ],
    [
      'a row that is gone',
      (sql, firm) => sql`delete from application_subject where firm_id = ${firm}`,
      { seq: 1, kind: 'changed' },
    ],
    [
      'a signature that is garbled',
      (sql, firm) =>
        sql`update seal set signature = 'x' || substr(signature, 2) where firm_id = ${firm} and seq = 3`,
      { seq: 3, kind: 'false seal' },
    ],
    [
      'a missing middle',
      (sql, firm) => sql`delete from record where firm_id = ${firm} and seq = 2`,
      { seq: 2, kind: 'missing' },
    ],
    [
      'a cut tail',
      (sql, firm) => sql`delete from record where firm_id = ${firm} and seq = 3`,
      { seq: 3, kind: 'cut' },
    ],
    [
      'a cut tail with its seal',
      async (sql, firm) => {
        await sql`delete from record where firm_id = ${firm} and seq = 3`
        await sql`delete from seal where firm_id = ${firm} and seq = 3`
      },
      { seq: 3, kind: 'cut' },
    ],
    [
      'a tail chained anew',
      async (sql, firm) => {
        await sql`update record set body = jsonb_set(body, '{correction}', '"nothing was wrong"') where firm_id = ${firm} and seq = 3`
        await sql`update record r set hash = record_hash(r) where firm_id = ${firm} and seq = 3`
      },
      { seq: 3, kind: 'chained anew' },
    ],
    [
      'a forged entry',
      async (sql, firm) => {
        await sql`insert into record (id, firm_id, seq, kind, corrects, tree_id, site_id, signed_at, signed_by, body, prev_hash, hash)
          select gen_random_uuid(), firm_id, 4, 'correction', corrects, tree_id, site_id, now(), signed_by, body, hash, '' from record where firm_id = ${firm} and seq = 3`
        await sql`update record r set hash = record_hash(r) where firm_id = ${firm} and seq = 4`
      },
      { seq: 4, kind: 'not sealed' },
    ],
    [
      'a forged seal',
      async (sql, firm) => {
        await sql`insert into record (id, firm_id, seq, kind, corrects, tree_id, site_id, signed_at, signed_by, body, prev_hash, hash)
          select gen_random_uuid(), firm_id, 4, 'correction', corrects, tree_id, site_id, now(), signed_by, body, hash, '' from record where firm_id = ${firm} and seq = 3`
        await sql`update record r set hash = record_hash(r) where firm_id = ${firm} and seq = 4`
        await sql`insert into seal select firm_id, 4, (select hash from record where firm_id = ${firm} and seq = 4), now(), key, signature from seal where firm_id = ${firm} and seq = 3`
      },
      { seq: 4, kind: 'false seal' },
    ],
  ])('%s', async (what, attack, trouble) => {
    const { firm } = await firmWithRecords(`Attacked, ${what}`)
    await behindItsBack((sql) => attack(sql, firm.id))
    expect(await checkLedger(firm.id)).toMatchObject(trouble)
    // Whoever watches over the app is told the place, not whose it is.
    const seen = await onWatch(troubles)
    expect(seen.map((t) => t.trouble)).toContainEqual(expect.objectContaining(trouble))
    expect(JSON.stringify(seen)).not.toContain(firm.id)
  })

  test('opening the ledger finds what happened to its end at once', async () => {
    const { firm } = await firmWithRecords('Opened firm')
    await behindItsBack((sql) => sql`delete from record where firm_id = ${firm.id} and seq = 3`)
    expect(await inFirm(firm.id, checkTail)).toMatchObject({ seq: 3, kind: 'cut' })
  })

  test('a seal that never reached the file is added by the first check; one that was in it does not go by itself', async () => {
    const { firm } = await firmWithRecords('Cut-off firm')
    const without = (seq: number) =>
      readFileSync(FILE, 'utf8')
        .split('\n')
        .filter((l) => !(l.includes(firm.id) && l.includes(`"seq":${seq}`)))
        .join('\n')
    writeFileSync(FILE, without(3))
    expect(await checkLedger(firm.id)).toBeNull()
    expect(readFileSync(FILE, 'utf8')).toMatch(new RegExp(`${firm.id}","seq":3`))
    const whole = readFileSync(FILE, 'utf8')
    writeFileSync(FILE, without(2))
    for (let i = 0; i < 2; i++)
      expect(await checkLedger(firm.id)).toMatchObject({
        seq: 2,
        kind: 'seal file',
        words: expect.stringMatching(/gone from the file/),
      })
    writeFileSync(FILE, whole)
    expect(await checkLedger(firm.id)).toBeNull()
  })

  test.each<[string, (lines: string[]) => string[], RegExp]>([
    ['a line that is no seal', (l) => [...l, 'FIRM not a seal'], /is no seal/],
    [
      'a garbled signature',
      (l) => l.map((x) => (x.includes('"seq":2') ? x.replace(/"signature":"../, '"signature":"zz') : x)),
      /record 2 was not made with our key|gone from the file/,
    ],
    [
      'two lines for one entry',
      (l) => [...l, l.find((x) => x.includes('"seq":3'))!.replace('"seq":3', '"seq":2')],
      /two different ones for record 2|record 2 was not made with our key/,
    ],
    ['a file that is gone', () => [], /gone from the file/],
  ])('%s is trouble', async (name, change, words) => {
    const { firm } = await firmWithRecords(`Garbled firm ${name}`)
    expect(await checkLedger(firm.id)).toBeNull()
    const all = readFileSync(FILE, 'utf8').split('\n').filter(Boolean)
    const own = all.filter((l) => l.includes(firm.id))
    const others = all.filter((l) => !l.includes(firm.id))
    writeFileSync(FILE, [...others, ...change(own).map((l) => l.replace('FIRM', firm.id)), ''].join('\n'))
    expect(await checkLedger(firm.id)).toMatchObject({
      kind: 'seal file',
      words: expect.stringMatching(words),
    })
    writeFileSync(FILE, [...all, ''].join('\n'))
    expect(await checkLedger(firm.id)).toBeNull()
  })
})

describe('the record says what happened', () => {
  let firm: TestFirm
  beforeAll(async () => {
    firm = await makeFirm('Telling firm')
  })
  const lead = () => firm.person('crew lead', new Date(NOON.getTime() + 2 * HOUR))

  test('nine ports given up for rain: partly treated, asked first, back to the arborist, nothing promised', async () => {
    const run = await runAsh(firm, 'T-1')
    for (const p of run.ports) {
      await stepPorts(firm, [p.id], ['drill', 'start'])
      await done(lead(), 'mark-step', {
        eventId: uuidv7(),
        stepId: p.id,
        kind: 'give-up',
        reason: 'rain',
        left: '9.13 mL',
      })
      await done(lead(), 'mark-step', { eventId: uuidv7(), stepId: p.id, kind: 'out' })
    }
    const entry = recordInput(run.subject.id, 9)
    expect(await problemOf(lead(), 'sign-record', entry)).toMatchObject({
      code: 'doubt',
      field: 'partly treated',
      message: expect.stringMatching(/0\.6 mL went in, less than the label’s least of 82\.8 mL/),
    })
    const { recordId } = await done<{ recordId: string }>(lead(), 'sign-record', {
      ...entry,
      accepted: ['partly treated', 'outside', 'short'],
    })
    const record = await inFirm(firm.id, (sql) => recordById(sql, recordId))
    expect(record!.body).toMatchObject({ subjects: [{ outcome: 'partly treated' }] })
    expect(deviationsOf(record!)[0]).toBe('Port 1 was given up with 9.1 mL of 9.2 mL left: rain.')
    const [tree] = await inFirm(
      firm.id,
      (sql) =>
        sql<{ stage: string; returned: string }[]>`select stage, returned from tree where id = ${run.treeId}`,
    )
    expect(tree).toMatchObject({
      stage: 'decide',
      returned: expect.stringMatching(/^Partly treated on 12 Jun 2026/),
    })
    const promised = await inFirm(
      firm.id,
      (sql) =>
        sql<{ what: string }[]>`select what from follow_up where tree_id = ${run.treeId} order by due_on`,
    )
    expect(promised.map((p) => p.what).join()).not.toMatch(/again|summer/)
  })

  test('a port moved is said; the reading is the one the dose rests on, not the newest', async () => {
    const run = await runAsh(firm, 'T-2')
    await done(firm.person('technician'), 'mark-step', {
      eventId: uuidv7(),
      stepId: run.ports[1]!.id,
      kind: 'move',
      bearing: 43,
    })
    await stepPorts(
      firm,
      run.ports.map((p) => p.id),
      ['drill', 'start', 'stop', 'out'],
    )
    const tomorrow = new Date(NOON.getTime() + 24 * HOUR)
    await done(firm.person('technician', tomorrow), 'add-reading', {
      id: uuidv7(),
      treeId: run.treeId,
      tape: 'girth',
      bareUnit: 'in',
      stems: ['52 1/4'],
    })
    const { recordId } = await done<{ recordId: string }>(
      firm.person('crew lead', tomorrow),
      'sign-record',
      recordInput(run.subject.id, 9),
    )
    const record = await inFirm(firm.id, (sql) => recordById(sql, recordId))
    expect(record!.body).toMatchObject({
      subjects: [
        {
          outcome: 'treated',
          // Ports that are empty within a minute are said too.
          deviations: expect.arrayContaining([
            'Port 2 was moved from 40° to 43°.',
            'Port 9 took 1 min, far less than the 20 min expected at least.',
          ]) as string[],
          tree: { readOn: '2026-06-12' },
        },
      ],
    })
  })

  test('an expired lot, a licence that ran out and a replaced card are refused, each with its way out', async () => {
    const run = await runAsh(firm, 'T-3')
    await stepPorts(
      firm,
      run.ports.map((p) => p.id),
      ['drill', 'start', 'stop', 'out'],
    )
    await inFirm(
      firm.id,
      (sql) => sql`insert into lot (id, firm_id, card_code, number, expires_on)
        values (${uuidv7()}, ${firm.id}, ${run.subject.product.code}, 'LOT-OLD', '2026-06-11')`,
    )
    const entry = recordInput(run.subject.id, 9)
    expect(await problemOf(lead(), 'sign-record', { ...entry, lot: 'lot-old' })).toMatchObject({
      field: 'lot',
      message: expect.stringMatching(/expired on 11 Jun 2026\. Use another: LOT-1/),
    })
    expect(await problemOf({ ...lead(), licenceUntil: '2026-06-11' }, 'sign-record', entry)).toMatchObject({
      field: 'role',
      message: expect.stringMatching(/ran out on 11 Jun 2026/),
    })
    // Handed over by the first version, not begun yet.
    const waiting = await decideAsh(firm, 'T-4')
    const { jobId } = await done<{ jobId: string }>(
      firm.person('arborist'),
      'hand-to-crew',
      waiting.prescription,
    )
    await inFirm(firm.id, (sql) =>
      addCard(sql, {
        id: uuidv7(),
        firmId: firm.id,
        version: 2,
        card: CARDS[0]!.card,
        useIds: [uuidv7()],
        at: NOON,
        by: null,
      }),
    )
    expect(await problemOf(lead(), 'sign-record', entry)).toMatchObject({
      field: 'label',
      message: expect.stringMatching(/v1 was replaced by v2\. The arborist signs/),
    })
    await done(firm.person('arborist', new Date(NOON.getTime() + 2 * HOUR)), 'sign-record', {
      ...entry,
      deviations: 'v2 only adds a picture',
    })
    // And before anything is opened, it is not opened at all.
    const item = (await inFirm(firm.id, (sql) => subjectsOfJob(sql, jobId))).find((i) => i.tag === 'T-4')!
    expect(
      await problemOf(firm.person('technician'), 'confirm-tree', {
        jobSubjectId: item.id,
        tag: 'T-4',
        gear: true,
        seen: { soil: 'moist' as const },
      }),
    ).toMatchObject({ message: expect.stringMatching(/v1 was replaced by v2\. Open nothing/) })
  })

  test('a trunk measured otherwise since is not opened by the old dose; prescribed anew it is', async () => {
    const other = await makeFirm('Measuring firm')
    const t = await decideAsh(other, 'T-9')
    const { jobId } = await done<{ jobId: string }>(other.person('arborist'), 'hand-to-crew', t.prescription)
    const read = (stem: string, hours: number) =>
      done(other.person('technician', new Date(NOON.getTime() + hours * HOUR)), 'add-reading', {
        id: uuidv7(),
        treeId: t.treeId,
        tape: 'girth',
        bareUnit: 'in',
        stems: [stem],
        accepted: ['grew-fast'],
      })
    const [subject] = await inFirm(other.id, (sql) => subjectsOfJob(sql, jobId))
    const confirm = { jobSubjectId: subject!.id, tag: 'T-9', gear: true, seen: { soil: 'moist' as const } }
    await read('53', 1)
    const later = other.person('technician', new Date(NOON.getTime() + 2 * HOUR))
    expect(await problemOf(later, 'confirm-tree', confirm)).toMatchObject({
      code: 'conflict',
      field: 'reading',
      message: expect.stringMatching(/measured anew.*must be worked out again/),
    })
    await done(other.person('arborist'), 'withdraw-prescription', {
      treeId: t.treeId,
      prescriptionId: t.prescription.id,
      words: 'measured anew',
    })
    const again = await done<{ jobId: string }>(
      other.person('arborist', new Date(NOON.getTime() + 2 * HOUR)),
      'hand-to-crew',
      { ...t.prescription, id: uuidv7() },
    )
    const fresh = (await inFirm(other.id, (sql) => subjectsOfJob(sql, again.jobId))).at(-1)!
    await done(later, 'confirm-tree', { ...confirm, jobSubjectId: fresh.id })
  })

  test('after a newer decision nothing is opened, what is in comes out, and it is recorded with the reason', async () => {
    const other = await makeFirm('Changing firm')
    const run = await runAsh(other, 'T-5')
    await stepPorts(other, [run.ports[0]!.id], ['drill', 'start'])
    const diagnosisId = (
      await inFirm(
        other.id,
        (sql) => sql<{ id: string }[]>`select id from diagnosis where tree_id = ${run.treeId}`,
      )
    )[0]!.id
    await done(other.person('arborist', new Date(NOON.getTime() + HOUR)), 'sign-decision', {
      id: uuidv7(),
      treeId: run.treeId,
      diagnosisId,
      action: 'remove',
      words: 'the client wants it gone',
      due: '2026-06-30',
    })
    const at = new Date(NOON.getTime() + 2 * HOUR)
    const tech = other.person('technician', at)
    expect(
      await problemOf(tech, 'mark-step', { eventId: uuidv7(), stepId: run.ports[1]!.id, kind: 'drill' }),
    ).toMatchObject({ field: 'prescription', message: expect.stringMatching(/decided anew/) })
    await stepPorts(other, [run.ports[0]!.id], ['stop', 'out'], at)
    for (const p of run.ports.slice(1))
      await done(tech, 'mark-step', {
        eventId: uuidv7(),
        stepId: p.id,
        kind: 'give-up',
        reason: 'told to stop',
      })
    const { recordId } = await done<{ recordId: string }>(
      other.person('crew lead', new Date(at.getTime() + HOUR)),
      'sign-record',
      { ...recordInput(run.subject.id, 1), accepted: ['partly treated', 'outside', 'short'] },
    )
    const record = await inFirm(other.id, (sql) => recordById(sql, recordId))
    expect(deviationsOf(record!).join(' ')).toMatch(/decided anew/)
  })

  test('a prescription is taken back before a hole, not after; then the decision can be handed over again', async () => {
    const other = await makeFirm('Withdrawing firm')
    const run = await runAsh(other, 'T-6')
    const back = {
      treeId: run.treeId,
      prescriptionId: run.prescription.id,
      words: 'the wrong rate',
    }
    await stepPorts(other, [run.ports[0]!.id], ['drill'])
    expect(await problemOf(other.person('arborist'), 'withdraw-prescription', back)).toMatchObject({
      code: 'conflict',
      message: expect.stringMatching(/1 port is drilled/),
    })
    await stepPorts(other, [run.ports[0]!.id], ['undo'], new Date(NOON.getTime() + HOUR))
    await done(other.person('arborist'), 'withdraw-prescription', back)
    expect(
      await problemOf(other.person('technician'), 'mark-step', {
        eventId: uuidv7(),
        stepId: run.ports[0]!.id,
        kind: 'drill',
      }),
    ).toMatchObject({ message: expect.stringMatching(/taken this prescription back/) })
    await done(other.person('arborist'), 'hand-to-crew', { ...run.prescription, id: uuidv7() })
  })

  test('with what went in already, a dose above the label’s most is refused', async () => {
    const other = await makeFirm('Doubling firm')
    const run = await recordedAsh(other, 'T-7')
    const later = new Date(NOON.getTime() + 30 * 24 * HOUR)
    const assessmentId = uuidv7()
    const arborist = other.person('arborist', later)
    for (const finding of ['exit-hole-d', 'crown-thin-top'])
      await done(arborist, 'set-finding', { treeId: run.treeId, assessmentId, finding, state: 'there' })
    const diagnosisId = uuidv7()
    await done(arborist, 'sign-diagnosis', {
      id: diagnosisId,
      treeId: run.treeId,
      assessmentId,
      cause: 'emerald-ash-borer',
    })
    const decisionId = uuidv7()
    await done(arborist, 'sign-decision', {
      id: decisionId,
      treeId: run.treeId,
      diagnosisId,
      action: 'treat',
    })
    const again = {
      ...otherwise(run.prescription, {
        decisionId,
        choice: 1,
        given: { bearings: [20, 60, 100, 140, 180, 220, 260, 300, 340] },
      }),
      id: uuidv7(),
      onDate: '2026-07-12',
    }
    // What went in is let work, until a check says that it does not; the label’s most holds even then.
    expect(await problemOf(arborist, 'hand-to-crew', again)).toMatchObject({
      message: expect.stringMatching(/at work in this tree .*or when a check finds/),
    })
    const followUpId = uuidv7()
    await inFirm(other.id, async (sql) => {
      await sql`insert into follow_up (id, firm_id, site_id, tree_id, prescription_id, due_on, what, expectation)
        values (${followUpId}, ${other.id}, ${other.site}, ${run.treeId}, ${run.prescription.id}, '2026-07-01', 'look', ${sql.json({ kind: 'share', question: '', unit: '%', sense: 'at-least', expected: 75, tolerated: 65, least: 0, most: 100 })})`
    })
    await done(arborist, 'enter-result', {
      id: uuidv7(),
      followUpId,
      value: 20,
      nextStep: 'reopen the diagnosis',
    })
    expect(await problemOf(arborist, 'hand-to-crew', again)).toMatchObject({
      code: 'over-label',
      field: 'choice',
      message: expect.stringMatching(/82\.8 mL of .* went into this tree already/),
    })
  })
})

test('what was done counts from the day it was done, however late it is signed', async () => {
  const firm = await makeFirm('Signed late')
  const run = await emptiedAsh(firm, 'Late 1')
  await done(
    firm.person('crew lead', new Date(NOON.getTime() + 50 * HOUR)),
    'sign-record',
    recordInput(run.subject.id, run.ports.length),
  )
  const days = await inFirm(
    firm.id,
    (sql) => sql<{ on: string }[]>`select on_date::text as on from application_subject`,
  )
  expect(days.map((d) => d.on)).toEqual(['2026-06-12'])
  expect(await checkLedger(firm.id)).toBeNull()
})
