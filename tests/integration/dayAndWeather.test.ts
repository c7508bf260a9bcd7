import { inFirm } from '@/db/client'
import { subjectsOfJob } from '@/db/queries/job'
import { recordById } from '@/db/queries/record'
import { readRecord, type Application } from '@/server/ledger/body'
import {
  closePool,
  decideAsh,
  done,
  emptiedAsh,
  makeFirm,
  NOON,
  ownerSql,
  problemOf,
  recordInput,
  runAsh,
  type TestFirm,
  keepWeather,
} from './scenario'

let firm: TestFirm
beforeAll(async () => {
  firm = await makeFirm('Day firm')
})
afterAll(() => closePool())

const DAY = 86_400_000
const bodyOf = async (id: string) =>
  readRecord((await inFirm(firm.id, (sql) => recordById(sql, id)))!).body as Application

describe('the day is the site’s', () => {
  test('a day that is over where the tree stands is past, though the firm still has it', async () => {
    const far = await makeFirm('Far firm')
    const owner = ownerSql()
    await owner`update site set time_zone = 'Pacific/Auckland' where id = ${far.site}`
    await owner.end()
    // Noon in New York is four in the morning of the next day there.
    const { prescription } = await decideAsh(far, 'F-1')
    expect(await problemOf(far.person('arborist'), 'hand-to-crew', prescription)).toMatchObject({
      code: 'out-of-range',
      field: 'onDate',
    })
    const run = await runAsh(far, 'F-2').catch((error: Error) => error)
    expect(run).toBeInstanceOf(Error)
    const { jobId } = await done<{ jobId: string }>(far.person('arborist'), 'hand-to-crew', {
      ...prescription,
      onDate: '2026-06-13',
    })
    expect(await inFirm(far.id, (sql) => subjectsOfJob(sql, jobId))).toMatchObject([
      { timeZone: 'Pacific/Auckland' },
    ])
  })
})

describe('the weather of the record', () => {
  test('a wind of 45 against a measured 4 is asked about, degrees of the other scale too, and kept as typed', async () => {
    await keepWeather(firm, ['2026-06-12', '2026-06-13'], { temperature: 21, wind: 2 })
    const run = await emptiedAsh(firm, 'W-1')
    const lead = firm.person('crew lead', new Date(NOON.getTime() + 3_600_000))
    const slip = { ...recordInput(run.subject.id, run.ports.length), wind: '45', temperature: '21 F' }
    expect(await problemOf(lead, 'sign-record', slip)).toMatchObject({
      code: 'doubt',
      field: 'wind',
      message: expect.stringMatching(/^You noted a wind of 45 mph; the service has \d mph/),
    })
    expect(
      await problemOf(lead, 'sign-record', { ...slip, accepted: ['wind', 'outside', 'short'] }),
    ).toMatchObject({
      code: 'doubt',
      field: 'temperature',
    })
    const { recordId } = await done<{ recordId: string }>(lead, 'sign-record', {
      ...slip,
      accepted: ['wind', 'temperature', 'outside', 'short'],
    })
    const { weather } = await bodyOf(recordId)
    expect(weather.typed).toEqual({ temperature: '21 F', wind: '45' })
    expect(weather.windMs).toBeCloseTo(45 * 0.44704, 9)
  })

  test.each([
    ['wind', 'strong', 'bad-quantity'],
    ['wind', '300 mph', 'out-of-range'],
    ['wind', '-3 mph', 'out-of-range'],
    ['temperature', 'warm', 'bad-quantity'],
    ['temperature', '300 F', 'out-of-range'],
    ['temperature', '-60 C', 'out-of-range'],
  ])('a %s of "%s" is refused at its field', async (field, typed, code) => {
    const run = await emptiedAsh(firm, `W-${field}-${typed}`)
    const lead = firm.person('crew lead', new Date(NOON.getTime() + 3_600_000))
    const input = { ...recordInput(run.subject.id, run.ports.length), [field]: typed }
    expect(await problemOf(lead, 'sign-record', input)).toMatchObject({ code, field })
  })
})

describe('a reading that is too old', () => {
  test('stops the crew at the tree, a year and more after it was taken', async () => {
    const { prescription } = await decideAsh(firm, 'OLD-1')
    const { jobId } = await done<{ jobId: string }>(firm.person('arborist'), 'hand-to-crew', {
      ...prescription,
      onDate: '2027-06-10',
    })
    const [item] = await inFirm(firm.id, (sql) => subjectsOfJob(sql, jobId))
    const confirm = { jobSubjectId: item!.id, tag: 'OLD-1', gear: true, seen: { soil: 'moist' as const } }
    const after = (days: number) => firm.person('technician', new Date(NOON.getTime() + days * DAY))
    expect(await problemOf(after(380), 'confirm-tree', confirm)).toMatchObject({
      code: 'out-of-range',
      field: 'reading',
    })
    await done(after(363), 'confirm-tree', confirm)
  })
})

describe('what happened is what is written', () => {
  test('work in an hour outside its card, and presses made in no time, are asked about and stand in the record', async () => {
    const hot = await makeFirm('Hot firm')
    const run = await emptiedAsh(hot, 'H-1')
    // What was measured in that hour came in afterwards.
    await keepWeather(hot, ['2026-06-11', '2026-06-12', '2026-06-13'], { temperature: 39, wind: 2 })
    const lead = hot.person('crew lead', new Date(NOON.getTime() + 3_600_000))
    const slip = { ...recordInput(run.subject.id, run.ports.length), temperature: '102 F', accepted: [] }
    const outside = await problemOf(lead, 'sign-record', slip)
    expect(outside).toMatchObject({ code: 'doubt', field: 'outside' })
    expect(outside!.message).toMatch(/From 12:00 to 12:01: air 102 °F, of at most 90 °F on the card\./)
    const asked = { ...slip, accepted: ['outside'] }
    expect(await problemOf(lead, 'sign-record', asked)).toMatchObject({
      code: 'doubt',
      field: 'short',
      message: expect.stringMatching(
        /^The steps were pressed within (a minute|\d+ min), \d+ min were planned\./,
      ),
    })
    for (const [times, problem] of [
      [{ began: '10:00' }, { code: 'missing', field: 'ended' }],
      [
        { began: '12:30', ended: '12:10' },
        { code: 'out-of-range', field: 'ended' },
      ],
      [
        { began: '12:30', ended: '23:10' },
        { code: 'out-of-range', field: 'ended' },
      ],
      [{ began: '25:30', ended: '12:10' }, { field: 'began' }],
    ] as const)
      expect(await problemOf(lead, 'sign-record', { ...asked, ...times })).toMatchObject(problem)
    const { recordId } = await done<{ recordId: string }>(lead, 'sign-record', {
      ...asked,
      began: '11:20',
      ended: '12:40',
    })
    const body = readRecord((await inFirm(hot.id, (sql) => recordById(sql, recordId)))!).body as Application
    expect(body).toMatchObject({ startedAt: '2026-06-12T15:20:00.000Z', endedAt: '2026-06-12T16:40:00.000Z' })
    // What was seen when it was begun is kept with it.
    expect(body.subjects[0]!.seen).toEqual([{ label: 'Soil', value: 'moist' }])
    expect(body.subjects[0]!.deviations).toEqual(
      expect.arrayContaining([
        'From 12:00 to 12:01: air 102 °F, of at most 90 °F on the card.',
        expect.stringMatching(/^Steps were pressed within/),
        'Began and ended as told at the signature.',
      ]),
    )
  })
})
