import { METHODS } from '@/core/methods/names'
import { inFirm, closePool } from '@/db/client'
import { decisionsOfTree } from '@/db/queries/assessment'
import { jobsBetween, jobsToday, subjectsOfJob } from '@/db/queries/job'
import { movesOfJob } from '@/db/queries/moved'
import { stepsOfSubjects } from '@/db/queries/workStep'
import { planned, type WeekLine } from '@/server/read/week'
import { askedStops, openWeek } from '@/server/week'
import { nowOf } from '@/server/verb'
import { dateIn } from '@/core/time/calendar'
import {
  act,
  decideAsh,
  decideTree,
  done,
  keepWeather,
  makeFirm,
  measuredTree,
  NOON,
  problemOf,
  putOnShelf,
  typedRecord,
  uuidv7,
  type TestFirm,
} from './scenario'

/** A firm's own week: crews, what waits for a day, what each day says to it, and the week as it is taken. */
let firm: TestFirm
const spokes = uuidv7()
const captan = uuidv7()
const [tansy, yarrow] = [uuidv7(), uuidv7()]
const DAY = 86_400_000
const at = (days: number, minutes = 0) => new Date(NOON.getTime() + days * DAY + minutes * 60_000)
const office = (days = 0) => firm.person('office', at(days))
const arborist = (days = 0) => firm.person('arborist', at(days))
const read = <T>(work: Parameters<typeof inFirm<T>>[1]) => inFirm(firm.id, work)
const apples: string[] = []
let spokesJob: string

/** What a person who looks reads with. */
const looking = <T>(
  look: (context: Parameters<typeof askedStops>[0]) => Promise<T>,
  days = 0,
): Promise<T> => {
  const person = office(days)
  const now = nowOf(person)
  return read((sql) => look({ sql, person, now, today: dateIn(person.timeZone, now) }))
}
const stops = (days = 0) => looking(openWeek, days).then((w) => w.stops)
const crewOf = (crewId: string, more: Record<string, unknown> = {}) => ({
  crewId,
  name: 'Tansy',
  truck: 'truck 1',
  people: [office().id],
  methods: METHODS,
  begins: 420,
  minutes: [480, 480, 480, 480, 480, 480, 480],
  ...more,
})
const jobs = () => read((sql) => jobsBetween(sql, '2026-06-01', '2026-07-30'))
type Stop = Awaited<ReturnType<typeof stops>>[number]
const placed = (
  s: Stop,
  to: { crewId: string | null; onDate: string },
  more: Record<string, unknown> = {},
) => ({
  stop: s.id,
  trees: s.trees,
  from: { crewId: s.crewId, onDate: s.onDate },
  to,
  pinned: false,
  why: 'rain until noon',
  ...more,
})
const take = (list: unknown[], order: unknown[] = []) => ({ id: uuidv7(), placed: list, order })

beforeAll(async () => {
  firm = await makeFirm('Weeks')
  await putOnShelf(firm, { 'HC-SPOKES': spokes, CP4: captan })
  const subjects = []
  for (let i = 0; i < 6; i++) {
    const treeId = await measuredTree(firm, { tag: `E0${i + 1}`, host: 'elm', inches: '60', eastM: i })
    const decisionId = await decideTree(arborist(), treeId, {
      seen: { 'soil-hard': 'there', 'crown-thin-even': 'there', 'grade-or-dig-recent': 'there' },
      cause: 'soil-compaction',
      action: 'care',
      due: '2026-08-10',
    })
    subjects.push({ treeId, decisionId, given: { hand: { start: '3 ft', end: '8 ft' } } })
  }
  ;({ jobId: spokesJob } = await done<{ jobId: string }>(arborist(), 'hand-to-crew', {
    id: uuidv7(),
    items: [{ useId: spokes, choice: 0, subjects }],
    onDate: '2026-06-15',
  }))
  for (let i = 0; i < 2; i++) {
    const treeId = await measuredTree(firm, { tag: `A0${i + 1}`, host: 'apple', inches: '30', eastM: 50 + i })
    await decideTree(arborist(), treeId, {
      seen: { 'leaf-spots-olive': 'there', 'cool-wet-spring': 'there', 'fruit-scabs': 'there' },
      cause: 'apple-scab',
      action: 'treat',
      due: '2026-07-10',
    })
    apples.push(treeId)
  }
  await done(arborist(), 'hand-to-crew', {
    id: uuidv7(),
    items: [
      {
        useId: captan,
        choice: 1,
        times: 2,
        subjects: await Promise.all(
          apples.map(async (treeId) => ({
            treeId,
            decisionId: (await read((sql) => decisionsOfTree(sql, treeId)))[0]!.id,
            given: {
              crownHeight: '10 ft',
              crownWidth: '10 ft',
              crownShape: 'ellipsoid',
              crownDensity: 'medium',
            },
          })),
        ),
      },
    ],
    onDate: '2026-06-16',
    eaten: null,
  })
})
afterAll(() => closePool())

describe('crews', () => {
  test('are written down and changed, and what they were is kept', async () => {
    await done(office(), 'set-crew', crewOf(tansy, { people: [arborist().id] }))
    await done(
      office(),
      'set-crew',
      crewOf(yarrow, {
        name: 'Yarrow',
        people: [firm.person('technician').id],
        minutes: [240, 240, 240, 240, 240, 0, 0],
      }),
    )
    await done(
      office(),
      'set-crew',
      crewOf(tansy, { people: [arborist().id, firm.person('crew lead').id], truck: null }),
    )
    const { roster } = await looking(openWeek)
    expect(roster.crews.map((c) => [c.name, c.truck, c.people.length])).toEqual([
      ['Tansy', null, 2],
      ['Yarrow', 'truck 1', 1],
    ])
    expect(
      await read((sql) => sql`select was->>'truck' as truck from change where in_table = 'crew'`),
    ).toMatchObject([{ truck: 'truck 1' }])
  })

  test('what cannot be is refused beside its field', async () => {
    for (const [more, field] of [
      [{ name: 'yarrow' }, 'name'],
      [{ name: ' ' }, 'name'],
      [{ people: [firm.person('technician').id] }, 'people'],
      [{ people: [uuidv7()] }, 'people'],
      [{ methods: ['singing'] }, 'methods[0]'],
      [{ begins: 1000, minutes: [480, 0, 0, 0, 0, 0, 0] }, 'minutes'],
      [{ minutes: [480] }, 'minutes'],
      [{ minutes: [-1, 0, 0, 0, 0, 0, 0] }, 'minutes[0]'],
      [{ begins: 'early' }, 'begins'],
    ] as const)
      expect(await problemOf(office(), 'set-crew', crewOf(tansy, more))).toMatchObject({ field })
    expect(await problemOf(firm.person('technician'), 'set-crew', crewOf(tansy))).toMatchObject({
      field: 'role',
    })
  })

  test('are away from one day to another, until that is taken back', async () => {
    const id = uuidv7()
    const away = {
      id,
      personId: null,
      crewId: yarrow,
      from: '2026-06-16',
      to: '2026-06-17',
      why: 'inspection',
    }
    for (const [more, field] of [
      [{ personId: office().id }, 'who'],
      [{ crewId: null }, 'who'],
      [{ to: '2026-06-15' }, 'to'],
      [{ crewId: uuidv7() }, 'crewId'],
      [{ from: '2026-02-30' }, 'from'],
      [{ why: '' }, 'why'],
    ] as const)
      expect(await problemOf(office(), 'set-absence', { ...away, ...more })).toMatchObject({ field })
    await done(office(), 'set-absence', away)
    const outside = await makeFirm('Beside')
    expect(await problemOf(outside.person('office'), 'end-absence', { absenceId: id })).toMatchObject({
      code: 'unknown',
    })
    expect((await looking(openWeek)).roster.absences).toHaveLength(1)
    await done(office(), 'end-absence', { absenceId: id })
    expect(await problemOf(office(), 'end-absence', { absenceId: id })).toMatchObject({ code: 'unknown' })
    expect((await looking(openWeek)).roster.absences).toEqual([])
  })
})

describe('what each day says to a stop', () => {
  test('the gate, the days between and the weather close days, and hours that are open are said', async () => {
    await keepWeather(firm, ['2026-06-13', '2026-06-14', '2026-06-15'], { temperature: 20, wind: 2 })
    await keepWeather(firm, ['2026-06-16'], { temperature: 20, wind: 2, rain: 0.004 })
    const week = await looking(openWeek)
    const asked = await looking((c) => askedStops(c, week, week.stops))
    const spray = asked.find((a) => a.stop.methods[0] === 'crown-spray')!
    const on = (date: string) => spray.days.find((d) => d.date === date)!
    expect(on('2026-06-16').closed).toMatch(/^Weather: .*rain/)
    expect(on('2026-06-14')).toMatchObject({ closed: null, open: [{ from: 300, to: 1260 }] })
    // What is not forecast is not made up.
    expect(on('2026-06-22')).toMatchObject({ closed: null, open: null })
  })

  test('hours of the site hold for all of it, and a day without any is closed', async () => {
    const hours = 'Mon, Tue 5:30-7:40'
    for (const wrong of ['Mon', 'Mon 5:30', 'Mon 7:40 to 5:30', 'Fri to Mon 5:30 to 7:40', '25:00 to 26:00'])
      expect(await problemOf(office(), 'set-site-hours', { siteId: firm.site, hours: wrong })).toMatchObject({
        field: 'hours',
      })
    await done(office(), 'set-site-hours', { siteId: firm.site, hours })
    const week = await looking(openWeek)
    const [first] = await looking((c) => askedStops(c, week, week.stops))
    expect(first!.days.find((d) => d.date === '2026-06-17')!.closed).toBe(
      'Work is done there Mon, Tue 05:30 to 07:40.',
    )
    expect(first!.days.find((d) => d.date === '2026-06-22')!.open).toEqual([{ from: 330, to: 460 }])
    await done(office(), 'set-site-hours', { siteId: firm.site, hours: '' })
  })
})

describe('a week that is taken', () => {
  test('gives stops to crews and days, each crew its own job of a site and day, with the reason where the day is another', async () => {
    const all = await stops()
    const [digging, spray] = [
      all.filter((s) => s.methods[0] === 'trenches'),
      all.find((s) => s.methods[0] === 'crown-spray')!,
    ]
    expect(digging.length).toBe(1)
    const asked = take(
      [
        placed(digging[0]!, { crewId: tansy, onDate: '2026-06-15' }),
        placed(spray, { crewId: tansy, onDate: '2026-06-15' }, { why: 'Weather: rain.' }),
      ],
      [{ crewId: tansy, onDate: '2026-06-15', stops: [spray.id, digging[0]!.id] }],
    )
    expect(await done(office(), 'take-week', asked)).toEqual({ moved: 2 })
    // The answer was lost and it is pressed again: the same, once.
    expect(await done(office(), 'take-week', asked)).toEqual({ moved: 2 })
    const after = await jobs()
    expect(after.filter((j) => j.trees > 0)).toMatchObject([
      { onDate: '2026-06-15', crew: 'Tansy', trees: 8, place: 1 },
    ])
    const id = after.find((j) => j.trees > 0)!.id
    expect(id).not.toBe(spokesJob)
    expect((await read((sql) => movesOfJob(sql, id))).here).toMatchObject([
      { fromOn: '2026-06-16', why: 'Weather: rain.', trees: 2 },
    ])
    expect((await stops()).map((s) => [s.crewId, s.onDate, s.pinned])).toEqual([
      [tansy, '2026-06-15', false],
      [tansy, '2026-06-15', false],
    ])
  })

  test('is refused whole where a stop was changed since, and says which', async () => {
    const [digging, spray] = await stops()
    await done(arborist(), 'move-day', {
      jobSubjectIds: spray!.subjects,
      onDate: '2026-06-18',
      why: 'the client asks for it',
    })
    const problem = await problemOf(
      office(),
      'take-week',
      take([
        placed(digging!, { crewId: yarrow, onDate: '2026-06-18' }),
        placed(spray!, { crewId: tansy, onDate: '2026-06-17' }),
      ]),
    )
    expect(problem).toMatchObject({ code: 'conflict', field: 'placed' })
    expect((await stops()).find((s) => s.id === digging!.id)).toMatchObject({
      crewId: tansy,
      onDate: '2026-06-15',
    })
    // It kept its crew, which is out on that day.
    expect((await stops()).find((s) => s.id === spray!.id)).toMatchObject({
      crewId: tansy,
      onDate: '2026-06-18',
    })
    expect(
      await problemOf(
        office(),
        'take-week',
        take([placed({ ...digging!, trees: 5 }, { crewId: null, onDate: '2026-06-18' })]),
      ),
    ).toMatchObject({ code: 'conflict' })
    expect(
      await problemOf(
        office(),
        'take-week',
        take([placed({ ...digging!, id: uuidv7() }, { crewId: null, onDate: '2026-06-18' })]),
      ),
    ).toMatchObject({ code: 'conflict' })
  })

  test('stands on Today: one’s own first, as many as asked for, counted over all there is', async () => {
    const today = (day: string, personId: string, limit = 12) =>
      read((sql) => jobsToday(sql, day, personId, limit))
    const [own, other] = [arborist().id, firm.person('technician').id]
    expect(await today('2026-06-14', own)).toEqual({ jobs: [], inAll: 0, open: 0, openTrees: 0 })
    expect(await today('2026-06-15', own)).toMatchObject({
      jobs: [{ onDate: '2026-06-15', own: true, crew: 'Tansy', trees: 6, inTrees: 0 }],
      inAll: 1,
      open: 1,
      openTrees: 6,
    })
    // What was left open of an earlier day is still there, and counted where it is not shown.
    const later = await today('2026-06-18', other, 1)
    expect(later).toMatchObject({ jobs: [{ own: false, onDate: '2026-06-15' }], inAll: 2, openTrees: 8 })
    const all = await read((sql) => jobsBetween(sql, '2026-06-18', '2026-06-18', { personId: own }))
    const mine = (await today('2026-06-18', own)).jobs
    expect(mine.map((j) => j.id).sort()).toEqual(all.map((j) => j.id).sort())
    expect(mine.find((j) => j.onDate === '2026-06-18')).toEqual(all.find((j) => j.onDate === '2026-06-18'))
  })

  test('gives nothing to a crew that cannot: not out, not its work, no licence, not there any more', async () => {
    const [digging, spray] = await stops()
    const refused = async (s: Stop, to: { crewId: string; onDate: string }) =>
      (await problemOf(office(), 'take-week', take([placed(s, to)])))?.message
    expect(await refused(spray!, { crewId: yarrow, onDate: '2026-06-18' })).toContain(
      'Nobody with a licence is in Yarrow then.',
    )
    expect(await refused(digging!, { crewId: yarrow, onDate: '2026-06-20' })).toContain('not a day of theirs')
    expect(await refused(digging!, { crewId: uuidv7(), onDate: '2026-06-18' })).toContain('no such crew')
    await done(
      office(),
      'set-crew',
      crewOf(yarrow, { name: 'Yarrow', people: [firm.person('technician').id], methods: ['prune'] }),
    )
    expect(await refused(digging!, { crewId: yarrow, onDate: '2026-06-18' })).toContain(
      'Yarrow does not do radial trenches.',
    )
    await done(
      office(),
      'set-crew',
      crewOf(yarrow, { name: 'Yarrow', people: [firm.person('technician').id] }),
    )
    // Two days, and the past.
    expect(await refused(spray!, { crewId: tansy, onDate: '2026-06-11' })).toContain('past')
  })

  test('two crews work at one site on one day, and each tree is in one job', async () => {
    const [digging, spray] = await stops()
    await done(
      office(),
      'take-week',
      take([placed(digging!, { crewId: yarrow, onDate: '2026-06-18' }, { pinned: true })]),
    )
    expect((await jobs()).filter((j) => j.trees > 0)).toMatchObject([
      { onDate: '2026-06-18' },
      { onDate: '2026-06-18' },
    ])
    expect(new Set((await jobs()).filter((j) => j.trees > 0).map((j) => j.crew))).toEqual(
      new Set(['Tansy', 'Yarrow']),
    )
    expect((await stops()).find((s) => s.id === digging!.id)).toMatchObject({ pinned: true, crewId: yarrow })
    expect((await stops()).find((s) => s.id === spray!.id)).toMatchObject({ pinned: false, crewId: tansy })
    // Kept, then let go, where it stands.
    const kept = (await stops()).find((s) => s.id === digging!.id)!
    expect(
      await done(office(), 'take-week', take([placed(kept, { crewId: yarrow, onDate: '2026-06-18' })])),
    ).toEqual({ moved: 0 })
    expect((await stops()).find((s) => s.id === digging!.id)).toMatchObject({ pinned: false })
  })

  test('an ended crew has no more work to come', async () => {
    expect(await problemOf(office(), 'end-crew', { crewId: yarrow })).toMatchObject({
      code: 'conflict',
      message: expect.stringContaining('1 job to come') as string,
    })
    const digging = (await stops()).find((s) => s.methods[0] === 'trenches')!
    await done(office(), 'take-week', take([placed(digging, { crewId: null, onDate: '2026-06-18' })]))
    await done(office(), 'end-crew', { crewId: yarrow })
    expect(await problemOf(office(), 'end-crew', { crewId: yarrow })).toMatchObject({ code: 'conflict' })
    expect(await problemOf(office(), 'set-crew', crewOf(yarrow, { name: 'Yarrow' }))).toMatchObject({
      code: 'conflict',
    })
    expect((await looking(openWeek)).roster.crews.map((c) => c.name)).toEqual(['Tansy'])
  })
})

test('what is due again is put on its day by the week, after its card’s days and not before', async () => {
  const spray = (await stops()).find((s) => s.methods[0] === 'crown-spray')!
  await done(firm.person('crew lead', at(6)), 'begin-work', {
    jobSubjectIds: spray.subjects,
    gear: true,
    seen: { soil: 'moist' as const },
    noBloom: true,
  })
  const begun = (await stops(6)).find((s) => s.id === spray.id)!
  expect(begun.begun).toBe(false)
  for (const s of await read((sql) => stepsOfSubjects(sql, spray.subjects)))
    await done(firm.person('technician', at(6, 10)), 'mark-step', {
      eventId: uuidv7(),
      stepId: s.id,
      kind: 'do',
    })
  const running = (await stops(6)).find((s) => s.id === spray.id)!
  expect(running.begun).toBe(true)
  expect(
    await problemOf(office(6), 'take-week', take([placed(running, { crewId: tansy, onDate: '2026-06-19' })])),
  ).toMatchObject({ message: expect.stringContaining('has begun') as string })
  await done(firm.person('crew lead', at(6, 40)), 'sign-record', {
    ...typedRecord(spray.subjects, 'CP4-6000'),
    accepted: ['wind', 'temperature'],
  })
  const due = (await stops(6)).find((s) => s.occurrenceId !== null)!
  expect(due).toMatchObject({ onDate: null, trees: 2, methods: ['crown-spray'] })
  const week = await looking(openWeek, 6)
  const [asked] = await looking((c) => askedStops(c, week, [due]), 6)
  expect(asked!.days[0]!.closed).toMatch(/^The ground is closed until/)
  expect(
    await problemOf(office(6), 'take-week', take([placed(due, { crewId: tansy, onDate: '2026-06-19' })])),
  ).toMatchObject({ message: expect.stringContaining('due from') as string })
  await done(
    office(6),
    'take-week',
    take([placed(due, { crewId: tansy, onDate: due.dueFrom! }, { pinned: true })]),
  )
  const job = (await jobs()).find((j) => j.onDate === due.dueFrom)!
  expect(job).toMatchObject({ crew: 'Tansy', trees: 2 })
  expect((await read((sql) => subjectsOfJob(sql, job.id))).map((s) => s.tag)).toEqual(['A01', 'A02'])
})

test('the week is planned in a thread, tells how it goes on, and keeps what is kept', async () => {
  const ash = await decideAsh(firm, 'B01')
  await done(arborist(), 'hand-to-crew', { ...ash.prescription, onDate: '2026-06-17' })
  const lines: WeekLine[] = []
  await planned(office(), { anew: false, stopped: new AbortController().signal }, (line) => lines.push(line))
  expect(lines.map((l) => l.kind).filter((k, i, all) => k !== all[i - 1])).toEqual([
    'looking',
    'days',
    'plan',
  ])
  const last = lines.at(-1)!
  if (last.kind !== 'plan') throw new Error('no plan')
  expect(last.done).toBe(true)
  const all = await stops()
  expect(last.plan.assignments.length + last.plan.unassigned.length).toBe(all.length)
  const kept = all.find((s) => s.pinned)!
  expect(last.plan.assignments.find((a) => a.job === kept.id)).toMatchObject({
    crew: tansy,
    date: kept.onDate,
  })
  // The ground is closed until the 19th by what went on.
  const injection = all.find((s) => s.methods[0] === 'trunk-injection')!
  expect(last.plan.assignments.find((a) => a.job === injection.id)).toMatchObject({ date: '2026-06-19' })
}, 60_000)

test('another firm sees and moves nothing of it', async () => {
  const other = await makeFirm('Neighbours')
  const [mine] = await stops()
  expect(
    await problemOf(
      other.person('office'),
      'take-week',
      take([placed(mine!, { crewId: null, onDate: '2026-06-20' })]),
    ),
  ).toMatchObject({ code: 'conflict' })
  expect(
    await problemOf(other.person('office'), 'set-site-hours', { siteId: firm.site, hours: '' }),
  ).toMatchObject({ code: 'unknown' })
  expect((await act(other.person('office'), 'end-crew', { crewId: tansy })).ok).toBe(false)
})
