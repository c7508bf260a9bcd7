import { METHODS } from '@/core/methods/names'
import ICAL from 'ical.js'
import { closePool, inFirm } from '@/db/client'
import { calendarFeed } from '@/server/calendar/feed'
import { calendarOfLink } from '@/server/calendar/link'
import { openWeek } from '@/server/week'
import { nowOf } from '@/server/verb'
import { dateIn } from '@/core/time/calendar'
import { siteById } from '@/db/queries/site'
import { decideAsh, done, makeFirm, ownerSql, problemOf, uuidv7, type TestFirm } from './scenario'

/** Calendars are written by one library and read here by another. */
let firm: TestFirm
let client: string
const [crewId, otherCrew] = [uuidv7(), uuidv7()]
const office = () => firm.person('office')
const read = <T>(work: Parameters<typeof inFirm<T>>[1]) => inFirm(firm.id, work)
const week = () => {
  const person = office()
  const now = nowOf(person)
  return read((sql) => openWeek({ sql, person, now, today: dateIn(person.timeZone, now) }))
}
async function eventsOf(link: string) {
  const found = (await calendarOfLink(link))!
  const text = (await calendarFeed({ ...found.madeBy, clockOffsetMs: office().clockOffsetMs }, found.of))!
  // Lines end and fold as the format has it.
  expect(text.split('\r\n').every((l) => !l.includes('\n') && Buffer.byteLength(l) <= 75)).toBe(true)
  const calendar = new ICAL.Component(ICAL.parse(text) as unknown[])
  return calendar.getAllSubcomponents('vevent').map((e) => {
    const event = new ICAL.Event(e)
    return {
      uid: event.uid,
      says: event.summary,
      where: event.location,
      allDay: event.startDate.isDate,
      from: event.startDate.isDate ? event.startDate.toString() : event.startDate.toJSDate().toISOString(),
      to: event.endDate.isDate ? event.endDate.toString() : event.endDate.toJSDate().toISOString(),
      status: String(e.getFirstPropertyValue('status')),
      sequence: event.sequence,
    }
  })
}
const linkTo = async (of: { crewId: string | null; clientId: string | null }) =>
  (await done<{ link: string }>(office(), 'make-calendar-link', { id: uuidv7(), ...of })).link
async function put(onDate: string, to: string | null) {
  const stop = (await week()).stops[0]!
  await done(office(), 'take-week', {
    id: uuidv7(),
    placed: [
      {
        stop: stop.id,
        trees: stop.trees,
        from: { crewId: stop.crewId, onDate: stop.onDate },
        to: { crewId: to, onDate },
        pinned: false,
        why: 'the street is closed, until noon',
      },
    ],
    order: [],
  })
}

beforeAll(async () => {
  firm = await makeFirm('Calendars; and, commas')
  client = (await read((sql) => siteById(sql, firm.site)))!.clientId
  for (const [id, name, role] of [
    [crewId, 'Tansy', 'crew lead'],
    [otherCrew, 'Yarrow', 'arborist'],
  ] as const)
    await done(office(), 'set-crew', {
      crewId: id,
      name,
      truck: null,
      people: [firm.person(role).id],
      methods: METHODS,
      begins: 420,
      minutes: [480, 480, 480, 480, 480, 0, 0],
    })
  await done(office(), 'set-site-hours', { siteId: firm.site, hours: 'Mon to Fri 09:00 to 17:00' })
  const ash = await decideAsh(firm, 'Ash 1')
  await done(firm.person('arborist'), 'hand-to-crew', { ...ash.prescription, onDate: '2026-06-16' })
})
afterAll(() => closePool())

test('a crew’s day stands with its times, from when the site’s hours open; a client’s as a whole day', async () => {
  await put('2026-06-16', crewId)
  const [own] = await eventsOf(await linkTo({ crewId, clientId: null }))
  expect(own).toMatchObject({ allDay: false, from: '2026-06-16T13:00:00.000Z', status: 'CONFIRMED' })
  expect(own!.says).toMatch(/: trunk injection$/)
  expect(Date.parse(own!.to)).toBeGreaterThan(Date.parse(own!.from) + 20 * 60_000)
  const clients = await eventsOf(await linkTo({ crewId: null, clientId: client }))
  // The day as it was handed over, without a crew, is empty now.
  expect(clients.map((e) => [e.from, e.allDay, e.status]).sort()).toEqual([
    ['2026-06-16', true, 'CANCELLED'],
    ['2026-06-16', true, 'CONFIRMED'],
  ])
  expect(clients.find((e) => e.status === 'CONFIRMED')!.says).toBe('Calendars; and, commas: trunk injection')
  expect(await eventsOf(await linkTo({ crewId: otherCrew, clientId: null }))).toEqual([])
})

test('an event keeps its id; what is moved away is cancelled under it, and comes back under it', async () => {
  const link = await linkTo({ crewId, clientId: null })
  const [before] = await eventsOf(link)
  await put('2026-06-18', crewId)
  const after = await eventsOf(link)
  expect(after.map((e) => [e.uid === before!.uid, e.status, e.sequence])).toEqual([
    [true, 'CANCELLED', before!.sequence + 1],
    [false, 'CONFIRMED', 1],
  ])
  expect(after[1]!.from).toBe('2026-06-18T13:00:00.000Z')
  await put('2026-06-16', crewId)
  const back = await eventsOf(link)
  expect(back.map((e) => [e.uid === before!.uid, e.status])).toEqual([
    [true, 'CONFIRMED'],
    [false, 'CANCELLED'],
  ])
  expect(back[0]!.sequence).toBeGreaterThan(after[0]!.sequence)
})

test('what is noted of a site stays with the job, and no name makes an event of its own', async () => {
  const owner = ownerSql()
  const [was] = await owner<
    { name: string; note: string | null }[]
  >`select name, note from site where id = ${firm.site}`
  await owner`update site set note = 'Gate 4711, ring 555-0142', gate_code = '4711', contact_on_day = '555-0142',
    name = ${'Elm\r\nEND:VEVENT\r\nBEGIN:VEVENT\r\nSUMMARY:forged'} where id = ${firm.site}`
  for (const of of [
    { crewId, clientId: null },
    { crewId: null, clientId: client },
  ]) {
    const text = (await calendarFeed(firm.person('office'), of))!
    expect(text).not.toMatch(/4711|555-0142/)
    expect(text).not.toMatch(/^SUMMARY:forged/m)
    expect(text.match(/^BEGIN:VEVENT/gm)).toHaveLength(text.match(/^UID:/gm)!.length)
  }
  await owner`update site set name = ${was!.name}, note = ${was!.note}, gate_code = null, contact_on_day = null where id = ${firm.site}`
  await owner.end()
})

test('a link holds until it is ended, is shown once and leads to its own firm only', async () => {
  const id = uuidv7()
  const { link } = await done<{ link: string }>(office(), 'make-calendar-link', {
    id,
    crewId,
    clientId: null,
  })
  expect(await calendarOfLink(link)).toMatchObject({ of: { crewId, clientId: null } })
  expect(await calendarOfLink(`${link.slice(0, -1)}${link.endsWith('A') ? 'B' : 'A'}`)).toBeNull()
  expect(await problemOf(office(), 'make-calendar-link', { id, crewId, clientId: null })).toMatchObject({
    code: 'conflict',
  })
  const kept = JSON.stringify(await read((sql) => sql`select * from calendar_link`))
  const noted = JSON.stringify(await read((sql) => sql`select input, answer from audit_event`))
  expect([kept.includes(link), noted.includes(link)]).toEqual([false, false])
  const other = await makeFirm('Beside')
  expect(await problemOf(other.person('office'), 'end-calendar-link', { linkId: id })).toMatchObject({
    code: 'unknown',
  })
  expect(
    await problemOf(other.person('office'), 'make-calendar-link', { id: uuidv7(), crewId, clientId: null }),
  ).toMatchObject({ code: 'unknown', field: 'crewId' })
  await done(office(), 'end-calendar-link', { linkId: id })
  expect(await calendarOfLink(link)).toBeNull()
  expect(await problemOf(office(), 'end-calendar-link', { linkId: id })).toMatchObject({ code: 'unknown' })
  for (const of of [
    { crewId, clientId: client },
    { crewId: null, clientId: null },
  ])
    expect(await problemOf(office(), 'make-calendar-link', { id: uuidv7(), ...of })).toMatchObject({
      code: 'missing',
    })
})
