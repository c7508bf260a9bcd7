/** @jest-environment node */
import type { AddressInfo } from 'node:net'
import type { Server } from 'node:http'
import { weatherServer, type HoursAnswer } from './service'

let server: Server
let base: string
beforeAll(async () => {
  server = weatherServer([{ date: '06-15', kind: 'storm' }])
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done))
  base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`
})
afterAll(() => {
  server.closeAllConnections()
  server.close()
})

const PLACE = 'latitude=42.3&longitude=-75.2'
const ask = async (query: string) => {
  const answer = await fetch(`${base}/v1/hours?${query}`)
  return { status: answer.status, body: (await answer.json()) as HoursAnswer & { error: { field: string } } }
}

test('past and forecast hours come as columns of one length', async () => {
  const { body } = await ask(`${PLACE}&from=2026-06-12T00:00Z&to=2026-06-14T00:00Z&at=2026-06-12T12:40Z`)
  expect(Object.values(body.hours).map((c) => c.length)).toEqual(Array(8).fill(48))
  expect(body).toMatchObject({
    from: '2026-06-12T00:00:00.000Z',
    measuredUntil: '2026-06-12T12:00:00.000Z',
    madeUp: true,
  })
  expect(body.hours.chance[12]).toBeNull()
  expect(body.hours.chance[13]).not.toBeNull()
})

test('nothing is said beyond ten days', async () => {
  const { body } = await ask(`${PLACE}&from=2026-06-20T00:00Z&to=2026-07-20T00:00Z&at=2026-06-12T00:00Z`)
  expect(body.hours.rain).toHaveLength(48)
})

test.each([
  ['latitude=95&longitude=0&from=2026-06-12T00:00Z&to=2026-06-13T00:00Z', 'latitude'],
  ['latitude=42&from=2026-06-12T00:00Z&to=2026-06-13T00:00Z', 'longitude'],
  [`${PLACE}&from=yesterday&to=2026-06-13T00:00Z`, 'from'],
  [`${PLACE}&from=2020-06-12T00:00Z&to=2026-06-13T00:00Z&at=2026-06-13T00:00Z`, 'to'],
])('%s is refused at %s', async (query, field) => {
  expect(await ask(query)).toMatchObject({ status: 400, body: { error: { field } } })
})

test('a day is ordered, and what cannot be is refused', async () => {
  const order = async (body: string) => (await fetch(`${base}/v1/orders`, { method: 'POST', body })).status
  const wetDay = async () =>
    (await ask(`${PLACE}&from=2026-04-02T05:00Z&to=2026-04-03T05:00Z&at=2026-06-12T00:00Z`)).body.hours.rain
  const before = await wetDay()
  expect(await order('{"date":"2026-04-02","kind":"soak"}')).toBe(200)
  expect(await wetDay()).not.toEqual(before)
  expect(await order('{"date":"soon","kind":"soak"}')).toBe(400)
  expect(await order('{"date":"2026-04-02","kind":"hail"}')).toBe(400)
  expect(await order('nonsense')).toBe(400)
  expect((await (await fetch(`${base}/v1/orders`)).json()) as unknown).toEqual({
    orders: [
      { date: '2026-04-02', kind: 'soak' },
      { date: '06-15', kind: 'storm' },
    ],
  })
  expect((await fetch(`${base}/elsewhere`)).status).toBe(404)
})
