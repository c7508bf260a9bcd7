import { inFirm } from '@/db/client'
import { addCard, addLot } from '@/db/queries/card'
import { keepWeatherDays } from '@/db/queries/weather'
import { seasonAtHand } from '@/server/seasonAtHand'
import { addDays } from '@/core/time/calendar'
import { CARDS } from '../../demo/cards'
import { closePool, decideAsh, done, makeFirm, NOON, problemOf, uuidv7, type TestFirm } from './scenario'

/** The days on which a card lets its product go on, held against the day of the work. */
let firm: TestFirm
const drench = uuidv7()
const arborist = () => firm.person('arborist')
const { card: SD2 } = CARDS.find((c) => c.card.code === 'SD2')!

beforeAll(async () => {
  firm = await makeFirm('Firm with windows')
  await inFirm(firm.id, async (sql) => {
    await addCard(sql, {
      id: uuidv7(),
      firmId: firm.id,
      version: 1,
      card: SD2,
      useIds: [drench, uuidv7()],
      at: NOON,
      by: null,
    })
    await addLot(sql, { id: uuidv7(), firmId: firm.id, code: 'SD2', number: 'SD2-1', expiresOn: null })
  })
  await done(arborist(), 'set-area', { siteId: firm.site, area: '40 acre' })
})
afterAll(() => closePool())

const drenched = (t: { treeId: string; decisionId: string }, onDate: string) => ({
  id: uuidv7(),
  items: [
    { useId: drench, choice: 1, subjects: [{ treeId: t.treeId, decisionId: t.decisionId, given: {} }] },
  ],
  onDate,
  eaten: null,
})

test('a day outside is refused at the day, with the next one inside', async () => {
  const t = await decideAsh(firm, 'W-1')
  expect(await problemOf(arborist(), 'hand-to-crew', drenched(t, '2026-07-01'))).toMatchObject({
    code: 'not-allowed',
    field: 'onDate',
    message:
      'Example SD2 goes on 1 Apr to 30 Jun or 1 Sep to 31 Oct; 1 Jul lies outside. Next from 1 Sep 2026.',
  })
  const { jobId } = await done<{ jobId: string }>(arborist(), 'hand-to-crew', drenched(t, '2026-06-30'))
  // Nor is it moved outside.
  expect(
    await problemOf(firm.person('crew lead'), 'move-day', {
      jobSubjectIds: (
        await inFirm(
          firm.id,
          (sql) => sql<{ id: string }[]>`select id from job_subject where job_id = ${jobId}`,
        )
      ).map((r) => r.id),
      onDate: '2026-07-02',
      why: 'the crew is away',
    }),
  ).toMatchObject({ field: 'onDate', message: expect.stringMatching(/lies outside\. Next from 1 Sep 2026/) })
})

test('a card is refused where its days cannot be read, or name a stage that nothing times', async () => {
  const with_ = (window: string) => ({
    id: uuidv7(),
    card: { ...SD2, uses: SD2.uses.map((u) => ({ ...u, window })) },
    after: 1,
  })
  expect(await problemOf(arborist(), 'enter-card', with_('in spring time, mostly'))).toMatchObject({
    field: expect.stringMatching(/^card\.uses\[0\]\.window$/),
  })
  expect(await problemOf(arborist(), 'enter-card', with_('in leaf fall'))).toMatchObject({
    code: 'unknown',
    field: 'card.uses[0].window',
    message: expect.stringMatching(/“leaf fall”; those that are timed: .*bloom/),
  })
  await done(arborist(), 'enter-card', with_('1 Apr to 31 May and not in bloom'))
})

describe('stages', () => {
  const held = (on: string, window = 'in bloom') =>
    inFirm(firm.id, async (sql) =>
      (await seasonAtHand({ sql, now: NOON }, firm.site, [{ use: { window } }])).inWindow(
        'apple',
        window,
        on,
      ),
    )
  test('without weather the tree is looked at', async () => {
    expect(await held('2026-06-12')).toMatchObject({ is: 'maybe' })
    // Nothing is asked for a window by the calendar.
    expect(await held('2026-06-12', '1 Jan to 31 Jan')).toEqual({ is: 'closed', next: '2027-01-01' })
  })
  test('with weather they are reckoned, this year and the next; what was seen moves them', async () => {
    await done(arborist(), 'place-site', { siteId: firm.site, spot: { latitude: 44.1, longitude: -72.6 } })
    await inFirm(firm.id, async (sql) => {
      const [place] = await sql<{ north: number; east: number; timeZone: string }[]>`
        select cell_north as north, cell_east as east, time_zone as "timeZone" from site where id = ${firm.site}`
      for (let year = 2022; year <= 2026; year++) {
        const from = year === 2022 ? '2022-07-01' : `${year}-01-01`
        const days = []
        // It warms from 1 March on by a quarter of a degree a day; one year in three ten days later.
        const late = year === 2024 ? 10 : 0
        for (let day = from; day <= `${year}-12-31` && day <= '2026-06-22'; day = addDays(day, 1)) {
          const since = Math.max(0, (Date.parse(day) - Date.parse(`${year}-03-01`)) / 86_400_000 - late)
          const warm = Math.min(25, since / 4)
          days.push({
            date: day,
            begins: Date.parse(`${day}T04:00:00Z`),
            knownUntil: Date.parse(`${day}T04:00:00Z`) + 90_000_000,
            askedAt: NOON.getTime(),
            madeUp: true,
            min: warm - 5,
            max: warm + 5,
            rain: 0,
            hours: {},
          })
        }
        await keepWeatherDays(sql, place!, days)
      }
    })
    const now = await held('2026-06-12')
    expect(now).toMatchObject({ is: 'closed' })
    const next = (now as { next: string }).next
    expect(next > '2027-03-15' && next < '2027-06-01').toBe(true)
    expect(await held(next)).toMatchObject({ is: 'maybe', why: 'in past years bloom came earlier or later' })
    expect(await held(addDays(next, -1))).toEqual({ is: 'closed', next })
    // The same days, told the other way round.
    expect(await held('2026-06-12', 'not in bloom')).toEqual({ is: 'open' })
    await done(arborist(), 'see-stage', {
      id: uuidv7(),
      siteId: firm.site,
      kind: 'apple',
      stage: 'bloom',
      on: '2026-06-11',
    })
    expect(await held('2026-06-12')).toEqual({ is: 'open' })
    expect(await held('2026-06-10')).toMatchObject({ is: 'closed', next: '2026-06-11' })
  })
})
