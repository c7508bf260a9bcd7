import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { hoursOf } from '@/core/time/zone'
import { inFirm } from '@/db/client'
import { keptOfCell, weatherOfSite } from '@/db/queries/weather'
import type { PersonRow } from '@/db/queries/person'
import { nowOf } from '@/server/verb'
import { hoursAhead, knownRain, knownWeather } from '@/server/weather/known'
import { askAtOnce, refreshWeather } from '@/server/weather/refresh'
import { weatherServer } from '@/standins/weather/service'
import { closePool, done, makeFirm, NOON, problemOf, uuidv7, type TestFirm } from './scenario'

const HOUR = 3_600_000
const ZONE = 'America/New_York'
const CELL = { north: 846, east: -1504, timeZone: ZONE }

/** What the service says to the next questions; the stand-in answers where nothing is set. */
let answer: ((url: string) => { status?: number; body: string; afterMs?: number }) | null = null
let asked: string[] = []
const told = new Map<string, Promise<{ status: number; body: string }>>()
let server: Server
let standin: Server
const listen = (s: Server) => new Promise<void>((up) => s.listen(0, '127.0.0.1', up))
const portOf = (s: Server) => (s.address() as AddressInfo).port

let firm: TestFirm
beforeAll(async () => {
  standin = weatherServer([{ date: '2026-06-15', kind: 'storm' }])
  await listen(standin)
  server = createServer((request, response) => {
    asked.push(request.url!)
    const own = answer?.(request.url!)
    if (own) {
      setTimeout(() => {
        response.writeHead(own.status ?? 200, { 'content-type': 'application/json' })
        response.end(own.body)
      }, own.afterMs ?? 0)
      return
    }
    // The same question has the same answer; four years of hours take a while to make up.
    const answered = told.get(request.url!)
    const telling =
      answered ??
      fetch(`http://127.0.0.1:${portOf(standin)}${request.url}`).then(async (r) => ({
        status: r.status,
        body: await r.text(),
      }))
    told.set(request.url!, telling)
    void telling.then(({ status, body }) => {
      response.writeHead(status, { 'content-type': 'application/json' })
      response.end(body)
    })
  })
  await listen(server)
  // Read once, when it is first asked for.
  process.env.WEATHER_URL = `http://127.0.0.1:${portOf(server)}`
})
beforeEach(async () => {
  answer = null
  asked = []
  firm = await makeFirm('Weather')
})
afterAll(async () => {
  for (const s of [server, standin]) {
    s.closeAllConnections()
    s.close()
  }
  await closePool()
})

const known = (at = NOON, site: string | null = firm.site) => {
  const person = firm.person('office', at)
  return inFirm(firm.id, (sql) => knownWeather({ sql, person, now: nowOf(person) }, site))
}
const refresh = (at = NOON) => refreshWeather(firm.id, CELL, at)
const kept = () => inFirm(firm.id, (sql) => keptOfCell(sql, CELL))
const office = (at = NOON): PersonRow => firm.person('office', at)
const days = (from: string, to: string) =>
  inFirm(firm.id, (sql) =>
    weatherOfSite(sql, firm.site, { from, to, hoursFrom: from, hoursTo: to }).then((w) => w.days),
  )

test('past years and ten days ahead are fetched and kept, by the days of the place', async () => {
  await refresh()
  expect((await kept()).first).toBe('2022-07-01')
  const all = await days('2022-07-01', '2026-07-01')
  expect(all.at(-1)!.date).toBe('2026-06-22')
  expect(all.length).toBeGreaterThan(1440)
  const on = (date: string) => all.find((d) => d.date === date)!
  for (const date of ['2026-03-08', '2025-11-02', '2024-02-29', '2026-06-12'])
    expect([date, on(date).hours!.temperature!.length]).toEqual([date, hoursOf(ZONE, date)])
  expect(all.slice(0, -1).filter((d) => d.min === null || d.rain === null)).toEqual([])
  // One question gives some days to look at, the others the years.
  expect(asked.length).toBeLessThan(6)
  // Nothing is asked twice.
  asked = []
  await refresh(new Date(NOON.getTime() + 2 * HOUR))
  expect(asked).toHaveLength(1)
})

test('this hour is known, with the soil, and the hours ahead follow one another', async () => {
  await refresh()
  const weather = await known()
  expect(weather.at(NOON)).toMatchObject({
    soil: expect.any(String) as string,
    sky: expect.any(String) as string,
  })
  expect(weather.madeUp).toBe(true)
  const ahead = hoursAhead(weather, NOON, 96)
  expect(ahead).toHaveLength(96)
  expect(ahead[0]!.time).toBe('2026-06-12T12:00')
  const storm = ahead.filter((h) => h.time.startsWith('2026-06-15') && (h.rain ?? 0) > 0)
  expect(storm.length).toBeGreaterThan(4)
  // In the autumn an hour is said once, in spring none is left out.
  for (const [at, zoneDay] of [
    ['2025-11-02T03:00:00Z', '2025-11-02'],
    ['2026-03-08T03:00:00Z', '2026-03-08'],
  ] as const) {
    const then = new Date(at)
    await refresh(then)
    const times = hoursAhead(await known(then), then, 40).map((h) => h.time)
    expect(times).toHaveLength(40)
    expect(new Set(times).size).toBe(40)
    expect(times).toContain(`${zoneDay}T02:00`)
  }
})

test('a forecast changes as time goes on, and what was forecast becomes what was measured', async () => {
  await refresh()
  const before = await days('2026-06-14', '2026-06-20')
  const later = new Date(NOON.getTime() + 30 * HOUR)
  await refresh(later)
  const after = await days('2026-06-14', '2026-06-20')
  expect(after.map((d) => d.hours)).not.toEqual(before.map((d) => d.hours))
  expect((await known(later)).hours.find((h) => h.time === '2026-06-13T12:00')).toMatchObject({
    measured: true,
  })
})

test('a place that was not looked at for two years has no gap afterwards', async () => {
  await refresh(new Date('2024-06-12T16:00:00Z'))
  await refresh()
  const all = await days('2022-07-01', '2026-06-22')
  expect(all).toHaveLength(1453)
  expect(all.filter((d) => d.knownUntil < d.begins && d.date < '2026-06-12')).toEqual([])
})

test('a service that is down, slow, wrong or says a part takes nothing away and keeps nobody', async () => {
  await refresh()
  const before = await known()
  const later = new Date(NOON.getTime() + 5 * HOUR)
  for (const bad of [
    { status: 503, body: '' },
    { body: '<html>' },
    { body: '{"hours":{"rain":"wet"}}' },
    {
      body: JSON.stringify({
        from: NOON.toISOString(),
        measuredUntil: NOON.toISOString(),
        hours: { rain: [0, 0], wind: [1] },
      }),
    },
  ]) {
    answer = () => bad
    askAtOnce()
    asked = []
    await refresh(later)
    expect(asked).toHaveLength(1)
    expect((await known(later)).askedAt).toBe(before.askedAt)
  }
  askAtOnce()
  answer = () => ({ body: '{}', afterMs: 1500 })
  const began = Date.now()
  const slow = await known(later)
  expect(Date.now() - began).toBeLessThan(1000)
  expect(slow.askedAt).toBe(before.askedAt)
  expect(slow.at(later)).not.toBeNull()
  await refresh(later)
  // It is left alone for a while.
  asked = []
  await refresh(later)
  expect(asked).toHaveLength(0)
  // Hours without a wind: they are closed for it, the others stand.
  askAtOnce()
  answer = (url) => {
    const from = new URL(url, 'http://x').searchParams.get('from')!
    const hours = {
      temperature: Array(48).fill(20),
      rain: Array(48).fill(0),
      wind: Array(48).fill(null),
      gust: Array(48).fill(3),
    }
    return { body: JSON.stringify({ from, measuredUntil: later.toISOString(), hours }) }
  }
  await refresh(later)
  expect((await known(later)).hours.some((h) => h.temperature === 20 && h.wind === undefined)).toBe(true)
})

test('without a service or a place nothing is known, and every step goes on', async () => {
  answer = () => ({ status: 500, body: '' })
  const nothing = await known()
  expect(nothing).toMatchObject({ askedAt: null, hours: [] })
  expect(nothing.at(NOON)).toBeNull()
  expect(hoursAhead(nothing, NOON, 72)).toEqual([])
})

test('a site has the weather of its firm’s town until it says where it lies', async () => {
  await refresh()
  expect((await known()).place).toEqual({ ...CELL, own: false })
  await done(office(), 'place-site', { siteId: firm.site, spot: { latitude: -36.5, longitude: 149.9 } })
  const there = await known()
  expect(there.place).toEqual({ north: -730, east: 2998, timeZone: ZONE, own: true })
  expect(await known(NOON, null)).toMatchObject({ place: { north: 846 } })
  await done(office(), 'place-site', { siteId: firm.site, spot: null })
  expect((await known()).place).toMatchObject({ north: 846, own: false })
  const place = (latitude: unknown) =>
    problemOf(office(), 'place-site', { siteId: firm.site, spot: { latitude, longitude: 0 } })
  expect(await place(91)).toMatchObject({
    field: expect.stringMatching(/latitude/),
    message: expect.stringMatching(/90/),
  })
  expect(await place('north')).toMatchObject({ message: expect.stringMatching(/42\.31/) })
  expect(await problemOf(office(), 'place-site', { siteId: uuidv7(), spot: null })).toMatchObject({
    field: 'siteId',
  })
})

test('sites of one square are read together, each by its own place', async () => {
  await refresh()
  const [near, far] = [uuidv7(), uuidv7()]
  await inFirm(
    firm.id,
    (sql) => sql`insert into site (id, firm_id, client_id, name, place, time_zone, latitude, longitude)
      select x.id, s.firm_id, s.client_id, 'Another', s.place, s.time_zone, x.north / 20.0, x.east / 20.0
      from site s, (values (${near}::uuid, ${CELL.north}::int, ${CELL.east}::int), (${far}::uuid, -730, 2998)) x (id, north, east)
      where s.id = ${firm.site}`,
  )
  const person = office()
  const rains = await inFirm(firm.id, (sql) =>
    knownRain({ sql, person, now: nowOf(person) }, [firm.site, near, far], '2026-06-01'),
  )
  expect([...rains.keys()].sort()).toEqual([firm.site, near, far].sort())
  const alone = (await known(NOON, near)).hours.map(({ at, rain }) => ({ at, rain }))
  const rain = rains.get(near)!
  // What was kept of the days before, and the same as read alone.
  expect(rain[0]!.at).toBe(Date.parse('2026-06-01T04:00:00Z'))
  expect(rain.slice(-alone.length)).toEqual(alone)
  // One square, one rain; nothing is known of the other one yet, and nobody waited for it.
  expect(rains.get(firm.site)).toBe(rain)
  expect(rains.get(far)).toEqual([])
})

test('a clock that was moved back asks once for what is known then, and not at every look', async () => {
  // Another square may still be asked for in the background.
  const ofSquare = () => asked.filter((url) => url.includes(`latitude=${CELL.north / 20}&`)).length
  await refresh(new Date(NOON.getTime() + 30 * 24 * HOUR))
  const before = ofSquare()
  expect(before).toBeGreaterThan(0)
  await known()
  await refresh()
  const after = ofSquare()
  expect(after).toBeGreaterThan(before)
  for (let look = 0; look < 3; look++) await known()
  // What a look asks for is asked for at once, beside it.
  await new Promise((done) => setTimeout(done, 300))
  expect(ofSquare()).toBe(after)
})

test('a stage that was seen is noted once, not for tomorrow, and can be taken back once', async () => {
  const id = uuidv7()
  const see = { id, siteId: firm.site, kind: 'apple', stage: 'bloom', on: '2026-05-04' }
  const crew = firm.person('technician')
  await done(crew, 'see-stage', see)
  expect(await done(crew, 'see-stage', see)).toEqual({ id })
  expect(await problemOf(crew, 'see-stage', { ...see, on: '2026-05-05' })).toMatchObject({ code: 'conflict' })
  const other = (part: object) => problemOf(crew, 'see-stage', { ...see, id: uuidv7(), ...part })
  expect(await other({ on: '2026-06-13' })).toMatchObject({
    field: 'on',
    message: expect.stringMatching(/still to come/),
  })
  expect(await other({ on: '2025-06-01' })).toMatchObject({ field: 'on' })
  expect(await other({ on: 'May' })).toMatchObject({ field: 'on' })
  expect(await other({ stage: 'picking' })).toMatchObject({ field: 'stage' })
  expect(await other({ kind: 'elm' })).toMatchObject({ field: 'stage' })
  // What every object has by nature is no kind of tree.
  for (const kind of ['constructor', 'toString', '__proto__'])
    expect(await other({ kind })).toMatchObject({ code: 'unknown', field: 'stage' })
  expect(
    await done(crew, 'see-stage', {
      ...see,
      id: uuidv7(),
      kind: 'ash-borer-first',
      stage: 'first seen',
      on: '2026-05-30',
    }),
  ).toBeTruthy()
  await done(crew, 'take-stage-back', { seenId: id })
  expect(await problemOf(crew, 'take-stage-back', { seenId: id })).toMatchObject({ field: 'seenId' })
})

test('what is read at a site holds there for an hour, before the service, and can be taken back', async () => {
  await refresh()
  // The firm's clock goes on while the test does.
  const soon = new Date(NOON.getTime() + 60_000)
  const service = (await known()).at(soon)!
  expect(service.readBy).toBeNull()
  const id = uuidv7()
  const reading = { id, siteId: firm.site, temperature: '71', wind: '3 mph' }
  const tech = firm.person('technician')
  // Far from what the service has: asked once.
  expect(await problemOf(tech, 'read-weather', { ...reading, wind: '45' })).toMatchObject({
    code: 'doubt',
    field: 'wind',
  })
  expect(await problemOf(tech, 'read-weather', { ...reading, temperature: 'warm' })).toMatchObject({
    code: 'bad-quantity',
    field: 'temperature',
  })
  await done(tech, 'read-weather', { ...reading, accepted: ['temperature', 'wind'] })
  const read = (await known()).at(soon)!
  expect(read.temperature).toBeCloseTo((71 - 32) / 1.8, 9)
  expect(read.wind).toBeCloseTo(3 * 0.44704, 9)
  expect(read.readBy!.at - NOON.getTime()).toBeLessThan(60_000)
  // The hour it was read in says the same to what is planned by the hour; the town and the next hour do not.
  const { hours } = await known()
  const own = hours.find((h) => h.at <= NOON.getTime() && NOON.getTime() < h.at + HOUR)!
  expect(own.wind).toBeCloseTo(3 * 0.44704, 9)
  expect((await known(NOON, null)).at(soon)!.readBy).toBeNull()
  const past = new Date(soon.getTime() + HOUR)
  expect((await known(past)).at(past)!.readBy).toBeNull()
  await done(firm.person('office'), 'take-weather-back', { readingId: id })
  expect((await known()).at(soon)).toEqual(service)
  expect(await problemOf(tech, 'take-weather-back', { readingId: id })).toMatchObject({ code: 'unknown' })
})

test('a reading is weather where no service says anything', async () => {
  answer = () => ({ status: 503, body: '' })
  askAtOnce()
  expect((await known()).at(NOON)).toBeNull()
  await done(firm.person('crew lead'), 'read-weather', {
    id: uuidv7(),
    siteId: firm.site,
    temperature: '62 F',
    wind: '4',
  })
  expect((await known()).at(new Date(NOON.getTime() + 60_000))).toMatchObject({
    sky: null,
    windFrom: null,
    soil: 'moist',
  })
})

test('hours of a file are kept over what was known, and nothing else of it changes', async () => {
  await refresh()
  const [before] = await days('2026-06-10', '2026-06-10')
  const from = before!.begins + 6 * HOUR
  const put = (hours: object, at = from) =>
    done<{ id: string; days: number; place: string }>(office(), 'enter-hours', {
      id: uuidv7(),
      siteId: firm.site,
      from: at,
      hours,
    })
  const first = await put({ temperature: [30, null, 31], rain: [1, 2, 3] })
  expect(first).toMatchObject({ days: 1, place: 'town' })
  const [after] = await days('2026-06-10', '2026-06-10')
  expect(after!.hours!.temperature!.slice(6, 9)).toEqual([30, before!.hours!.temperature![7], 31])
  expect(after!.hours!.rain!.slice(6, 9)).toEqual([1, 2, 3])
  expect(after!.hours!.wind).toEqual(before!.hours!.wind)
  expect(after!.max).toBe(Math.max(...after!.hours!.temperature!.map((t) => t!)))
  expect(after!.rain).toBeCloseTo(after!.hours!.rain!.reduce<number>((a, b) => a + b!, 0) / 1000, 12)
  // A year nobody has asked the service for.
  const old = Date.parse('2023-03-01T05:00:00Z')
  const was = await days('2023-03-01', '2023-03-02')
  const ago = await put({ temperature: Array.from({ length: 48 }, (_, i) => i) }, old)
  expect(ago).toMatchObject({ days: 2 })
  expect((await days('2023-03-01', '2023-03-02')).map((d) => [d.min, d.max])).toEqual([
    [0, 23],
    [24, 47],
  ])
  const no = (part: object) =>
    problemOf(office(), 'enter-hours', {
      id: uuidv7(),
      siteId: firm.site,
      from,
      hours: { rain: [0] },
      ...part,
    })
  expect(await no({ hours: { rain: [0], wind: [1, 2] } })).toMatchObject({ field: 'hours' })
  expect(await no({ hours: {} })).toMatchObject({ field: 'hours' })
  expect(await no({ from: NOON.getTime() + 12 * 24 * HOUR })).toMatchObject({ field: 'file' })
  expect(await no({ from: Date.parse('2019-01-01T00:00:00Z') })).toMatchObject({ field: 'file' })
  expect(await no({ siteId: uuidv7() })).toMatchObject({ code: 'unknown' })
  expect(
    await problemOf(firm.person('technician'), 'enter-hours', {
      id: uuidv7(),
      siteId: firm.site,
      from,
      hours: {},
    }),
  ).toMatchObject({
    field: 'role',
  })
  // Taken back each day is as it was before, and a day that nothing was known of is not known again.
  const back = (enteredId: string) => done(office(), 'take-hours-back', { enteredId })
  expect(await back(ago.id)).toEqual({ days: 2, left: 0 })
  expect(await days('2023-03-01', '2023-03-02')).toEqual(was)
  const unknown = await put({ temperature: [1, 2] }, Date.parse('2022-02-01T15:00:00Z'))
  expect(await days('2022-02-01', '2022-02-01')).toHaveLength(1)
  expect(await back(unknown.id)).toEqual({ days: 1, left: 0 })
  expect(await days('2022-02-01', '2022-02-01')).toEqual([])
  const second = await put({ temperature: [12] })
  // What was told anew since stays.
  expect(await back(first.id)).toEqual({ days: 0, left: 1 })
  expect(await back(second.id)).toEqual({ days: 1, left: 0 })
  expect((await days('2026-06-10', '2026-06-10'))[0]).toEqual(after)
  expect(await problemOf(office(), 'take-hours-back', { enteredId: second.id })).toMatchObject({
    code: 'unknown',
  })
})
