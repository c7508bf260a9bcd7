import { inFirm } from '@/db/client'
import { heldAt } from '@/server/verb'
import {
  act,
  closePool,
  decideAsh,
  done,
  makeAsh,
  makeFirm,
  NOON,
  problemOf,
  recordInput,
  runAsh,
  stepPorts,
  type TestFirm,
  uuidv7,
  otherwise,
} from './scenario'

let firm: TestFirm
beforeAll(async () => {
  firm = await makeFirm('Steps firm')
})
afterAll(() => closePool())

const rows = <T>(query: (sql: Parameters<Parameters<typeof inFirm>[1]>[0]) => Promise<T>) =>
  inFirm(firm.id, query)

describe('a repeat is the same id and the same content', () => {
  test('a reading sent again is kept once; with another number it is a conflict that shows both', async () => {
    const treeId = await makeAsh(firm, 'S-1')
    const reading = { id: uuidv7(), treeId, tape: 'girth', bareUnit: 'in', stems: ['52 1/4'] }
    const first = await done(firm.person('arborist'), 'add-reading', reading)
    expect(await done(firm.person('arborist'), 'add-reading', reading)).toEqual(first)
    const other = await problemOf(firm.person('arborist'), 'add-reading', { ...reading, stems: ['61 1/2'] })
    expect(other).toMatchObject({
      code: 'conflict',
      stands: { by: 'arborist', input: { stems: ['52 1/4'] } },
    })
    const kept = await rows((sql) => sql`select typed from stem_reading where id = ${reading.id}`)
    expect(kept.map((k) => k.typed)).toEqual(['52 1/4 in'])
  })

  test('fields in another order are the same content; another person or another step is not', async () => {
    const treeId = await makeAsh(firm, 'S-2')
    const id = uuidv7()
    await done(firm.person('arborist'), 'add-reading', {
      id,
      treeId,
      tape: 'girth',
      bareUnit: 'in',
      stems: ['52 1/4'],
    })
    await done(firm.person('arborist'), 'add-reading', {
      stems: ['52 1/4'],
      bareUnit: 'in',
      tape: 'girth',
      treeId,
      id,
    })
    expect(
      await problemOf(firm.person('technician'), 'add-reading', {
        id,
        treeId,
        tape: 'girth',
        bareUnit: 'in',
        stems: ['52 1/4'],
      }),
    ).toMatchObject({ code: 'conflict', message: expect.stringMatching(/^arborist has used/) })
    expect(
      await problemOf(firm.person('arborist'), 'write-note', { id, entry: 'host:ash', words: 'x' }),
    ).toMatchObject({ code: 'conflict' })
  })

  test('a tree, a decision, a correction, a port’s step: other content under the same id is never dropped in silence', async () => {
    const arborist = firm.person('arborist')
    const tree = { id: uuidv7(), siteId: firm.site, tag: 'S-3', host: 'ash', eastM: 1, northM: 1, note: null }
    await done(arborist, 'add-tree', tree)
    expect(await problemOf(arborist, 'add-tree', { ...tree, host: 'maple' })).toMatchObject({
      code: 'conflict',
      stands: { input: { host: 'ash' } },
    })
    const run = await runAsh(firm, 'S-4')
    expect(
      await problemOf(arborist, 'hand-to-crew', { ...run.prescription, onDate: '2026-06-13' }),
    ).toMatchObject({ code: 'conflict', stands: { input: { onDate: '2026-06-12' } } })
    const event = { eventId: uuidv7(), stepId: run.ports[0]!.id, kind: 'drill' }
    await done(firm.person('technician'), 'mark-step', event)
    expect(
      await problemOf(firm.person('technician'), 'mark-step', { ...event, stepId: run.ports[1]!.id }),
    ).toMatchObject({ code: 'conflict' })
  })

  test('a change carries the id of its press: a lost answer does not read as somebody else’s change', async () => {
    const treeId = await makeAsh(firm, 'S-5')
    const change = { treeId, version: 3, tag: 'S-5', host: 'ash', note: 'by the gate', liveCrownPercent: 75 }
    const sent = { step: uuidv7() }
    const first = await act(firm.person('arborist'), 'change-tree', change, sent)
    expect(first).toEqual({ ok: true, value: { version: 4 } })
    expect(await act(firm.person('arborist'), 'change-tree', change, sent)).toEqual(first)
    expect(await problemOf(firm.person('arborist'), 'change-tree', change)).toMatchObject({
      field: 'version',
    })
  })

  test('the same press sent six times at once is one step with one answer', async () => {
    const treeId = await makeAsh(firm, 'S-6')
    const reading = { id: uuidv7(), treeId, tape: 'girth', bareUnit: 'in', stems: ['52 1/4'] }
    const answers = await Promise.all(
      Array.from({ length: 6 }, () => act(firm.person('arborist'), 'add-reading', reading)),
    )
    expect(new Set(answers.map((a) => JSON.stringify(a))).size).toBe(1)
    expect(answers[0]!.ok).toBe(true)
    const noted = await rows((sql) => sql`select 1 from audit_event where step = ${reading.id}`)
    expect(noted).toHaveLength(1)
  })

  test('a token’s answer is never kept, and told only once', async () => {
    const input = { id: uuidv7(), name: 'a program' }
    const { token } = await done<{ token: string }>(firm.person('office'), 'make-token', input)
    expect(await problemOf(firm.person('office'), 'make-token', input)).toMatchObject({ code: 'conflict' })
    const noted = await rows(
      (sql) =>
        sql<
          { all: string }[]
        >`select row_to_json(e)::text as all from audit_event e where step = ${input.id}`,
    )
    expect(noted[0]!.all).not.toContain(token)
  })
})

describe('what two ids name must belong together', () => {
  test('findings, details and photographs go into no examination but the tree’s own, and only while it is open', async () => {
    const mine = await decideAsh(firm, 'X-1')
    const other = await makeAsh(firm, 'X-2')
    const signed = (
      await rows((sql) => sql<{ id: string }[]>`select id from assessment where tree_id = ${mine.treeId}`)
    )[0]!.id
    const before = await rows(
      (sql) => sql`select finding, state from finding where assessment_id = ${signed}`,
    )
    for (const treeId of [other, mine.treeId])
      for (const [verb, more] of [
        ['set-finding', { finding: 'exit-hole-d', state: 'not-there' }],
        ['set-finding', { finding: 'exit-hole-d', state: null }],
        ['set-detail', { finding: 'exit-hole-d', detail: { amount: 'much' } }],
      ] as const)
        expect([
          verb,
          await problemOf(firm.person('arborist'), verb, { treeId, assessmentId: signed, ...more }),
        ]).toMatchObject([verb, { code: 'conflict', field: 'assessmentId' }])
    expect(
      await rows((sql) => sql`select finding, state from finding where assessment_id = ${signed}`),
    ).toEqual(before)
    // Signing names them together too.
    expect(
      await problemOf(firm.person('arborist'), 'sign-diagnosis', {
        id: uuidv7(),
        treeId: other,
        assessmentId: signed,
        cause: 'emerald-ash-borer',
      }),
    ).toMatchObject({ code: 'conflict' })
    expect(
      await problemOf(firm.person('arborist'), 'hand-to-crew', {
        ...otherwise(mine.prescription, { treeId: other }),
        id: uuidv7(),
      }),
    ).toMatchObject({ code: 'conflict', field: 'decisionId' })
    expect(
      await problemOf(firm.person('arborist'), 'withdraw-prescription', {
        treeId: other,
        prescriptionId: mine.prescription.id,
        words: 'not this one',
      }),
    ).toMatchObject({ code: 'unknown' })
  })
})

describe('pairs of hands at the same moment', () => {
  test('five examinations begun at once are one; the others are told', async () => {
    const treeId = await makeAsh(firm, 'P-1')
    const results = await Promise.all(
      Array.from({ length: 5 }, () =>
        act(firm.person('arborist'), 'set-finding', {
          treeId,
          assessmentId: uuidv7(),
          finding: 'exit-hole-d',
          state: 'there',
        }),
      ),
    )
    expect(results.filter((r) => r.ok)).toHaveLength(1)
    for (const r of results) if (!r.ok) expect(r.problem.code).toBe('conflict')
    expect(await rows((sql) => sql`select 1 from assessment where tree_id = ${treeId}`)).toHaveLength(1)
  })

  test('ten signatures under one examination are one cause', async () => {
    const treeId = await makeAsh(firm, 'P-2')
    const assessmentId = uuidv7()
    for (const finding of ['exit-hole-d', 'crown-thin-top'])
      await done(firm.person('arborist'), 'set-finding', { treeId, assessmentId, finding, state: 'there' })
    const results = await Promise.all(
      Array.from({ length: 10 }, () =>
        act(firm.person('arborist'), 'sign-diagnosis', {
          id: uuidv7(),
          treeId,
          assessmentId,
          cause: 'emerald-ash-borer',
        }),
      ),
    )
    expect(results.filter((r) => r.ok)).toHaveLength(1)
    expect(await rows((sql) => sql`select 1 from diagnosis where tree_id = ${treeId}`)).toHaveLength(1)
  })

  test('one decision is handed over once, whoever presses, and the second is told where the first is', async () => {
    const t = await decideAsh(firm, 'P-3')
    const results = await Promise.all(
      Array.from({ length: 5 }, () =>
        act(firm.person('arborist'), 'hand-to-crew', { ...t.prescription, id: uuidv7() }),
      ),
    )
    expect(results.filter((r) => r.ok)).toHaveLength(1)
    const refused = results.find((r) => !r.ok)!
    expect(!refused.ok && refused.problem.message).toMatch(
      /arborist has handed this decision to the crew already, for 12 Jun 2026/,
    )
    expect(await rows((sql) => sql`select 1 from job_subject where tree_id = ${t.treeId}`)).toHaveLength(1)
  })

  test('five results for one check: one stands, nobody is told that theirs was kept when it was not', async () => {
    const treeId = await makeAsh(firm, 'P-4')
    const followUpId = uuidv7()
    await rows(
      (sql) => sql`insert into follow_up (id, firm_id, site_id, tree_id, due_on, what, expectation) values
        (${followUpId}, ${firm.id}, ${firm.site}, ${treeId}, '2026-06-12', 'look', ${sql.json({ kind: 'share', question: '', unit: '%', sense: 'at-least', expected: 75, tolerated: 65, least: 0, most: 100 })})`,
    )
    const results = await Promise.all(
      [80, 81, 82, 83, 84].map((value) =>
        act(firm.person('crew lead'), 'enter-result', {
          id: uuidv7(),
          followUpId,
          value,
          nextStep: 'go on as planned',
        }),
      ),
    )
    expect(results.filter((r) => r.ok)).toHaveLength(1)
    for (const r of results) if (!r.ok) expect(r.problem.message).toMatch(/has entered 8\d % for this check/)
  })

  test('handing over and deciding to remove: whichever comes second knows of the first', async () => {
    const t = await decideAsh(firm, 'P-5')
    const diagnosisId = (
      await rows((sql) => sql<{ id: string }[]>`select id from diagnosis where tree_id = ${t.treeId}`)
    )[0]!.id
    const [handed] = await Promise.all([
      act(firm.person('arborist'), 'hand-to-crew', t.prescription),
      act(firm.person('arborist', new Date(NOON.getTime() + 60_000)), 'sign-decision', {
        id: uuidv7(),
        treeId: t.treeId,
        diagnosisId,
        action: 'remove',
        words: 'the client wants it gone',
        due: '2026-06-30',
      }),
    ])
    const items = await rows(
      (sql) => sql<{ id: string }[]>`select id from job_subject where tree_id = ${t.treeId}`,
    )
    if (!handed.ok) expect(items).toHaveLength(0)
    else
      expect(
        await problemOf(firm.person('technician'), 'confirm-tree', {
          jobSubjectId: items[0]!.id,
          tag: 'P-5',
          gear: true,
          seen: { soil: 'moist' as const },
        }),
      ).toMatchObject({ field: 'prescription', message: expect.stringMatching(/decided anew.*remove/) })
  })

  test('signing and undoing at once: the record says what the rows say', async () => {
    const run = await runAsh(firm, 'P-6')
    await stepPorts(
      firm,
      run.ports.map((p) => p.id),
      ['drill', 'start', 'stop', 'out'],
    )
    const later = new Date(NOON.getTime() + 3_600_000)
    const [signed, undone] = await Promise.all([
      act(firm.person('crew lead', later), 'sign-record', recordInput(run.subject.id, run.ports.length)),
      act(firm.person('technician', later), 'mark-step', {
        eventId: uuidv7(),
        stepId: run.ports[0]!.id,
        kind: 'undo',
      }),
    ])
    expect([signed.ok, undone.ok].filter(Boolean)).toHaveLength(1)
    const out = await rows(
      (sql) =>
        sql`select 1 from step_state where job_subject_id = ${run.subject.id} and state->>'outAt' is not null`,
    )
    expect(out).toHaveLength(signed.ok ? run.ports.length : run.ports.length - 1)
  })

  test('two signatures of one tree at once are one record and one refusal', async () => {
    const run = await runAsh(firm, 'P-7')
    await stepPorts(
      firm,
      run.ports.map((p) => p.id),
      ['drill', 'start', 'stop', 'out'],
    )
    const lead = firm.person('crew lead', new Date(NOON.getTime() + 3_600_000))
    const results = await Promise.all(
      [0, 1].map(() => act(lead, 'sign-record', recordInput(run.subject.id, run.ports.length))),
    )
    expect(results.filter((r) => r.ok)).toHaveLength(1)
    expect(results.find((r) => !r.ok)).toMatchObject({ problem: { code: 'conflict' } })
    // The id of another record does not close this tree's work without one.
    const other = await runAsh(firm, 'P-8')
    await stepPorts(
      firm,
      other.ports.map((p) => p.id),
      ['drill', 'start', 'stop', 'out'],
    )
    const taken = results.find((r) => r.ok) as { value: { recordId: string } }
    expect(
      await problemOf(lead, 'sign-record', {
        ...recordInput(other.subject.id, other.ports.length),
        id: taken.value.recordId,
      }),
    ).toMatchObject({ code: 'conflict' })
    const item = await rows((sql) => sql`select status from job_subject where id = ${other.subject.id}`)
    expect(item[0]!.status).toBe('open')
  })

  test('a tag taken at the same moment is a conflict by name', async () => {
    const results = await Promise.all(
      Array.from({ length: 4 }, () =>
        act(firm.person('arborist'), 'add-tree', {
          id: uuidv7(),
          siteId: firm.site,
          tag: 'same tag',
          host: 'ash',
          eastM: 0,
          northM: 0,
          note: null,
        }),
      ),
    )
    expect(results.filter((r) => r.ok)).toHaveLength(1)
    for (const r of results) if (!r.ok) expect(r.problem).toMatchObject({ code: 'conflict', field: 'tag' })
  })
})

describe('what was there before', () => {
  test('every change notes what stood before it, in the course of which step', async () => {
    const treeId = await makeAsh(firm, 'W-1')
    const step = uuidv7()
    await act(
      firm.person('crew lead'),
      'change-tree',
      { treeId, version: 3, tag: 'W-1', host: 'ash', note: 'now', liveCrownPercent: 60 },
      { step },
    )
    const was = await rows(
      (sql) => sql<{ table: string; was: Record<string, unknown>; verb: string; person: string }[]>`
        select c.in_table as table, c.was, e.verb, p.name as person
        from audit_event e join change c on c.event = e.id join person p on p.id = e.person_id where e.step = ${step}`,
    )
    expect(was).toMatchObject([
      {
        table: 'tree',
        verb: 'change-tree',
        person: 'crew lead',
        was: { live_crown_percent: 80, note: null },
      },
    ])
    await done(firm.person('arborist'), 'set-units', { units: 'metric' })
    await done(firm.person('arborist'), 'set-units', { units: 'us' })
    const units = await rows(
      (sql) =>
        sql<
          { units: string }[]
        >`select was->>'units' as units from change where in_table = 'person' order by id`,
    )
    expect(units.slice(-2).map((u) => u.units)).toEqual(['us', 'metric'])
    expect(await rows((sql) => sql`select 1 from change where was ? 'password_hash'`)).toHaveLength(0)
  })

  test('every table that can be changed notes it', async () => {
    const free = new Set([
      // Facts worked out from others, or nothing of a firm's work.
      'session',
      'ledger_check',
      'sign_in_attempt',
      'weather_day',
      'search_entry',
      'step_state',
      'asked',
    ])
    const tables = await rows(
      (sql) => sql<{ name: string; noted: boolean }[]>`
        select c.relname as name, exists (
          select 1 from pg_trigger t where t.tgrelid = c.oid and t.tgname = 'note_change') as noted
        from pg_class c join pg_namespace n on n.oid = c.relnamespace
        where n.nspname = 'public' and c.relkind in ('r', 'p') and not c.relispartition
          and (has_table_privilege('elmhorn_app', c.oid, 'update') or has_table_privilege('elmhorn_app', c.oid, 'delete')
            or has_any_column_privilege('elmhorn_app', c.oid, 'update'))`,
    )
    expect(tables.length).toBeGreaterThan(15)
    for (const t of tables) if (!free.has(t.name)) expect([t.name, t.noted]).toEqual([t.name, true])
  })

  test('a step keeps the device’s time where it can be', () => {
    const now = new Date('2026-06-12T12:00:00Z')
    const at = (ms: number) => heldAt(now, now.getTime() + ms).getTime() - now.getTime()
    expect(at(-3_600_000)).toBe(-3_600_000)
    expect(at(30_000)).toBe(0)
    expect(at(3_600_000)).toBe(0)
    expect(at(-30 * 86_400_000)).toBe(0)
    expect(heldAt(now, Number.NaN)).toBe(now)
    expect(heldAt(now, null)).toBe(now)
  })
})
