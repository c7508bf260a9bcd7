import { inFirm } from '@/db/client'
import { eventsOfSubject } from '@/db/queries/workStep'
import { eveningOf } from '@/server/read/evening'
import {
  closePool,
  done,
  makeFirm,
  NOON,
  problemOf,
  runAsh,
  stepPorts,
  uuidv7,
  type TestFirm,
} from './scenario'

/** The evening: what is still in trees, and the day that is put away only once nothing is left by oversight. */
let firm: TestFirm
const lead = () => firm.person('crew lead', NOON)
const evening = () =>
  inFirm(firm.id, (sql) => eveningOf({ sql, person: lead(), today: '2026-06-12' }, undefined))
const away = (left: { jobSubjectId: string; words: string }[] = [], more = {}) => ({
  id: uuidv7(),
  crewId: null,
  onDate: '2026-06-12',
  left,
  ...more,
})
beforeAll(async () => (firm = await makeFirm('Evening firm')))
afterAll(() => closePool())

test('what is in trees is listed by tree and site, with since when, and how the day stands', async () => {
  const run = await runAsh(firm, 'V1')
  expect((await evening()).still).toEqual([])
  await stepPorts(firm, [run.ports[0]!.id, run.ports[1]!.id], ['drill', 'start'])
  await stepPorts(firm, [run.ports[0]!.id], ['stop'])
  const events = await inFirm(firm.id, (sql) => eventsOfSubject(sql, run.subject.id))
  const started = [...events.values()].flat().filter((e) => e.kind === 'start')
  expect(started).toHaveLength(2)
  const { still, jobs, crew } = await evening()
  expect(crew).toMatchObject({ id: null })
  expect(still).toMatchObject([
    {
      id: run.subject.id,
      tag: 'V1',
      ports: 2,
      taking: 1,
      siteName: 'Evening firm site',
      words: null,
      since: Math.min(...started.map((e) => e.at)),
    },
  ])
  expect(still[0]!.until).toBeGreaterThan(NOON.getTime())
  expect(jobs).toMatchObject([{ siteName: 'Evening firm site', trees: 1, recorded: 0, begun: 1 }])
})

test('a day with a port uncounted is not put away, and no word is no decision', async () => {
  const [tree] = (await evening()).still
  for (const left of [[], [{ jobSubjectId: uuidv7(), words: 'tomorrow' }]])
    expect(await problemOf(lead(), 'put-day-away', away(left))).toMatchObject({
      field: 'left[0].words',
      message: expect.stringMatching(/^2 ports are still in V1\. Pull and count them/) as string,
    })
  expect(
    await problemOf(lead(), 'put-day-away', away([{ jobSubjectId: tree!.id, words: ' ' }])),
  ).toMatchObject({
    field: 'left[0].words',
  })
  expect((await evening()).ended).toBeNull()
})

test('what was decided instead stays with the tree until its ports are out', async () => {
  const [tree] = (await evening()).still
  const once = away([{ jobSubjectId: tree!.id, words: 'Wren pulls them at seven' }])
  const pressed = { at: NOON.getTime() - 1000 }
  await done(lead(), 'put-day-away', once, pressed)
  await done(lead(), 'put-day-away', once, pressed)
  const after = await evening()
  expect(after.ended).toEqual({ by: lead().name, at: pressed.at })
  expect(after.still[0]).toMatchObject({ words: 'Wren pulls them at seven', ports: 2 })
  const rows = await inFirm(firm.id, (sql) => sql`select ports from left_in`)
  expect(rows).toHaveLength(1)
})

test('once all are counted the day is put away without a word', async () => {
  const [tree] = (await evening()).still
  const ports = await inFirm(
    firm.id,
    (sql) =>
      sql<
        { id: string }[]
      >`select step_id as id from step_state where job_subject_id = ${tree!.id} and is_in order by state->>'number'`,
  )
  await stepPorts(firm, [ports[1]!.id], ['stop', 'out'])
  await stepPorts(firm, [ports[0]!.id], ['out'])
  expect((await evening()).still).toEqual([])
  await done(lead(), 'put-day-away', away())
})

test('another day, and a crew that is not there, are refused', async () => {
  expect(await problemOf(lead(), 'put-day-away', away([], { onDate: '2026-06-13' }))).toMatchObject({
    field: 'onDate',
  })
  expect(await problemOf(lead(), 'put-day-away', away([], { onDate: '2026-06-10' }))).toMatchObject({
    field: 'onDate',
  })
  expect(await problemOf(lead(), 'put-day-away', away([], { crewId: uuidv7() }))).toMatchObject({
    field: 'crewId',
  })
})
