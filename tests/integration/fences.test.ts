import * as assessments from '@/db/queries/assessment'
import { inFirm, signingIn } from '@/db/client'
import * as tokens from '@/db/queries/apiToken'
import * as find from '@/db/queries/find'
import * as followUps from '@/db/queries/followUp'
import * as people from '@/db/queries/person'
import * as records from '@/db/queries/record'
import * as sites from '@/db/queries/site'
import * as plans from '@/db/queries/plan'
import * as readings from '@/db/queries/reading'
import * as ring from '@/db/queries/ring'
import * as trees from '@/db/queries/tree'
import * as weather from '@/db/queries/weather'
import * as jobs from '@/db/queries/job'
import * as labels from '@/db/queries/card'
import * as limits from '@/db/queries/limit'
import * as ports from '@/db/queries/workStep'
import * as prescriptions from '@/db/queries/prescription'
import type { FirmSql } from '@/db/client'
import {
  act,
  closePool,
  decideAsh,
  done,
  makeFirm,
  ownerSql,
  uuidv7,
  type TestFirm,
  type Treated,
} from './scenario'

let a: TestFirm
let b: TestFirm
let treated: Treated
let ids: {
  job: string
  item: string
  port: string
  followUp: string
  assessment: string
  person: string
  session: string
}

beforeAll(async () => {
  a = await makeFirm('Firm A')
  b = await makeFirm('Firm B')
  treated = await decideAsh(a, 'A-1')
  const { jobId } = await done<{ jobId: string }>(a.person('arborist'), 'hand-to-crew', treated.prescription)
  const session = uuidv7()
  ids = await inFirm(a.id, async (sql) => {
    const item = (await jobs.subjectsOfJob(sql, jobId))[0]!
    const port = (await ports.stepsOfSubjects(sql, [item.id]))[0]!
    const followUp = uuidv7()
    await followUps.addFollowUp(sql, {
      id: followUp,
      firmId: a.id,
      treeId: treated.treeId,
      prescriptionId: null,
      decisionId: null,
      dueOn: '2026-06-12',
      what: 'look',
      turn: 'us',
      expectation: {
        kind: 'share',
        question: '',
        unit: '%',
        sense: 'at-least',
        expected: 1,
        tolerated: 0,
        least: 0,
        most: 100,
      },
    })
    await tokens.addToken(sql, {
      id: uuidv7(),
      firmId: a.id,
      personId: a.person('arborist').id,
      name: 'token',
      kind: 'named',
      tokenHash: uuidv7(),
      hint: 'elm_',
      hours: null,
    })
    await people.openSession(sql, { id: session, firmId: a.id, personId: a.person('arborist').id })
    return {
      job: jobId,
      item: item.id,
      port: port.id,
      followUp,
      assessment: (await assessments.assessmentOfTree(sql, treated.treeId))!.id,
      person: a.person('arborist').id,
      session,
    }
  })
})
afterAll(() => closePool())

const asB = <T>(work: (sql: FirmSql) => Promise<T>) => inFirm(b.id, work)
const count = (r: unknown) => (Array.isArray(r) ? r.length : r === undefined ? 0 : r === 0 ? 0 : 1)

test('every query function answers firm B with nothing of firm A', async () => {
  const t = treated.treeId
  const reads: Record<string, (sql: FirmSql) => Promise<unknown>> = {
    treesOfSite: (s) => trees.treesOfSite(s, a.site),
    treeById: (s) => trees.treeById(s, t),
    findCalled: (s) => find.findCalled(s, 'A-1', 5),
    treesOfHosts: (s) => find.treesOfHosts(s, ['ash'], 5),
    countTreesOfSite: (s) => trees.countTreesOfSite(s, a.site, {}),
    spreadOfTrees: (s) => trees.spreadOfTrees(s, a.site).then((b) => b ?? undefined),
    treesInBox: (s) => trees.treesInBox(s, a.site, { west: 0, south: 0, east: 9, north: 9 }, 5),
    clustersInBox: (s) => trees.clustersInBox(s, a.site, { west: 0, south: 0, east: 9, north: 9 }, 5),
    readingsOfTree: (s) => readings.readingsOfTree(s, t),
    marksOfTree: (s) => ring.marksOfTree(s, t),
    marksOfTrees: (s) => ring.marksOfTrees(s, [t]),
    holesOfTree: (s) => ring.holesOfTree(s, t),
    run: (s) => trees.treesWaiting(s, 'run').then((w) => w.trees),
    siteById: (s) => sites.siteById(s, a.site),
    featuresOfSite: (s) => plans.featuresOfSite(s, a.site),
    assessmentOfTree: (s) => assessments.assessmentOfTree(s, t),
    findingsOf: (s) => assessments.findingsOf(s, ids.assessment),
    diagnosesOfTree: (s) => assessments.diagnosesOfTree(s, t),
    decisionsOfTree: (s) => assessments.decisionsOfTree(s, t),
    useById: (s) => labels.useById(s, a.label),
    usesByIds: (s) => labels.usesByIds(s, [a.label]).then((m) => m.size),
    prescriptionsOfTree: (s) => prescriptions.prescriptionsOfTree(s, t),
    jobsBetween: (s) => jobs.jobsBetween(s, '2000-01-01', '2100-01-01'),
    jobsToday: (s) => jobs.jobsToday(s, '2100-01-01', a.person('arborist').id, 12).then((t) => t.jobs),
    jobById: (s) => jobs.jobById(s, ids.job),
    subjectsOfJob: (s) => jobs.subjectsOfJob(s, ids.job),
    crewSubjects: (s) => jobs.crewSubjects(s, [ids.job]),
    jobSubjects: (s) => jobs.jobSubjects(s, [ids.item]),
    earlierWork: (s) => prescriptions.earlierWork(s, [t]),
    decidedOfTrees: (s) => assessments.decidedOfTrees(s, [t]),
    newestReadings: (s) => readings.newestReadings(s, [t]),
    treesById: (s) => trees.treesById(s, [t]),
    eventsOfSubject: (s) => ports.eventsOfSubject(s, ids.item).then((m) => [...m]),
    groundUse: (s) => limits.groundUse(s, a.site, '2026'),
    appliedByOthers: (s) => limits.appliedByOthers(s, a.site),
    openSubjects: (s) => prescriptions.openSubjects(s, treated.prescription.id),
    stepsOfSubjects: (s) => ports.stepsOfSubjects(s, [ids.item]),
    plannedSteps: (s) => ports.plannedSteps(s, [ids.item]).then((m) => [...m]),
    rainOfSites: (s) => weather.rainOfSites(s, [a.site], { from: '2026-01-01', to: '2026-12-31' }),
    subjectsOfSteps: (s) => ports.subjectsOfSteps(s, [ids.port]).then((m) => [...m]),
    jobSubjectForChange: (s) => jobs.jobSubjectForChange(s, ids.item),
    prescriptionsOn: (s) => prescriptions.prescriptionsOn(s, [treated.decisionId]),
    ringsOfJobs: (s) => jobs.ringsOfJobs(s, [ids.job]),
    assessmentById: (s) => assessments.assessmentById(s, ids.assessment),
    treeForChange: (s) => trees.treeForChange(s, t),
    countOpenFollowUps: (s) => followUps.countOpenFollowUps(s),
    records: (s) => records.records(s),
    recordsOfTree: (s) => records.recordsOfTree(s, [t]),
    chainFrom: (s) => records.chainFrom(s, 0, 10),
    openFollowUps: (s) => followUps.openFollowUps(s),
    followUpsOfTree: (s) => followUps.followUpsOfTree(s, t),
    followUpById: (s) => followUps.followUpById(s, ids.followUp),
    personOfSession: (s) => people.personOfSession(s, ids.session),
    personById: (s) => people.personById(s, ids.person),
    namedTokens: (s) => tokens.namedTokens(s, ids.person),
  }
  for (const [name, read] of Object.entries(reads)) expect([name, count(await asB(read))]).toEqual([name, 0])
  // The same functions do answer firm A, so that the test cannot pass by asking wrongly.
  const empty = new Set([
    'marksOfTree',
    'marksOfTrees',
    'holesOfTree',
    'eventsOfSubject',
    'groundUse',
    'appliedByOthers',
    'featuresOfSite',
    'records',
    'recordsOfTree',
    'chainFrom',
  ])
  for (const [name, read] of Object.entries(reads))
    if (!empty.has(name)) expect([name, count(await inFirm(a.id, read)) > 0]).toEqual([name, true])
})

test('no table lets firm B see a row of firm A, whatever is asked', async () => {
  const owner = ownerSql()
  const tables = await owner<{ name: string; rls: boolean; forced: boolean; firm: boolean }[]>`
    select c.relname as name, c.relrowsecurity as rls, c.relforcerowsecurity as forced,
      exists (select 1 from information_schema.columns k where k.table_name = c.relname and k.column_name = 'firm_id') as firm
    from pg_class c join pg_namespace n on n.oid = c.relnamespace
    where n.nspname = 'public' and c.relkind in ('r', 'p') and not c.relispartition and c.relname <> 'schema_version'`
  await owner.end()
  expect(tables.length).toBeGreaterThan(20)
  for (const t of tables) {
    // What is searched is read by one function that runs as its owner, on the transaction's own firm.
    expect(t).toEqual({ name: t.name, rls: true, forced: t.name !== 'search_entry', firm: true })
    const rows = await asB(
      (sql) => sql`select count(*)::int as n from ${sql(t.name)} where firm_id = ${a.id}`,
    )
    expect([t.name, rows[0]!.n]).toEqual([t.name, 0])
  }
})

test('firm B can write nothing into firm A, by verb or by query', async () => {
  const arboristB = b.person('arborist')
  const t = treated.treeId
  const attempts: [string, unknown][] = [
    ['add-tree', { id: uuidv7(), siteId: a.site, tag: 'X', host: 'ash', eastM: 0, northM: 0, note: null }],
    ['change-tree', { treeId: t, version: 3, tag: 'X', host: 'ash', note: null, liveCrownPercent: null }],
    ['confirm-identity', { treeId: t, host: 'ash' }],
    ['add-reading', { id: uuidv7(), treeId: t, tape: 'girth', bareUnit: 'in', stems: ['50'] }],
    ['save-ring', { treeId: t, version: 3, marks: [] }],
    ['set-finding', { treeId: t, assessmentId: ids.assessment, finding: 'exit-hole-d', state: null }],
    ['sign-diagnosis', { id: uuidv7(), treeId: t, assessmentId: ids.assessment, cause: 'emerald-ash-borer' }],
    ['sign-decision', { id: uuidv7(), treeId: t, diagnosisId: uuidv7(), action: 'treat' }],
    ['hand-to-crew', { ...treated.prescription, id: uuidv7() }],
    ['confirm-tree', { jobSubjectId: ids.item, tag: 'A-1', gear: true, seen: { soil: 'moist' as const } }],
    ['mark-step', { eventId: uuidv7(), stepId: ids.port, kind: 'drill' }],
    [
      'sign-record',
      {
        id: uuidv7(),
        jobSubjectIds: [ids.item],
        lot: 'LOT-1',
        temperature: '70',
        wind: '4',
        windFrom: 'N',
        sky: 'clear',
        soil: 'moist',
        counted: 9,
        notices: 'told',
      },
    ],
    ['enter-result', { id: uuidv7(), followUpId: ids.followUp, value: 1, nextStep: 'stop' }],
  ]
  for (const [verb, input] of attempts) {
    const r = await act(arboristB, verb, input)
    expect([verb, r.ok]).toEqual([verb, false])
  }
  await expect(
    asB((sql) => sql`update tree set tag = 'stolen' where id = ${t} returning id`),
  ).resolves.toHaveLength(0)
  await expect(
    asB((sql) => sql`insert into client (id, firm_id, name) values (${uuidv7()}, ${a.id}, 'smuggled')`),
  ).rejects.toThrow(/row-level security/)
  // A row of B's own may not point at A's either.
  await expect(
    asB(
      (sql) =>
        sql`insert into job (id, firm_id, site_id, on_date) values (${uuidv7()}, ${b.id}, ${a.site}, '2026-06-12')`,
    ),
  ).rejects.toThrow(/foreign key/)
})

test('without a firm nothing is seen; a sign-in sees its own e-mail only', async () => {
  const emailB = `arborist.${b.id}@test.example`
  const seen = await signingIn(emailB, (sql) => sql`select email from person`)
  expect(seen.map((r) => r.email)).toEqual([emailB])
  expect(await signingIn('nobody@test.example', (sql) => sql`select 1 from tree`)).toHaveLength(0)
})

test('the application’s own role owns nothing and cannot pass the fences', async () => {
  const owner = ownerSql()
  const [role] =
    await owner`select rolsuper, rolbypassrls, rolcreaterole from pg_roles where rolname = 'elmhorn_app'`
  const owned =
    await owner`select 1 from pg_class where relowner = (select oid from pg_roles where rolname = 'elmhorn_app')`
  await owner.end()
  expect(role).toEqual({ rolsuper: false, rolbypassrls: false, rolcreaterole: false })
  expect(owned).toHaveLength(0)
})
