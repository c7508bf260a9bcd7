import { askService } from './service'

const ASKED = { spot: { latitude: 42.5, longitude: -71.25 }, from: 0, to: 7_200_000, at: 3_600_000 }
const GOOD = {
  from: '1970-01-01T00:00:00Z',
  measuredUntil: '1970-01-01T01:00:00Z',
  hours: { temperature: [20, null], rain: [0, 0.001] },
}

/** What a service answers, and the address it was asked at. */
function answers(reply: { status?: number; body?: unknown; text?: string } | Error) {
  const asked: URL[] = []
  globalThis.fetch = ((url: URL) => {
    asked.push(url)
    // What a browser throws is no Error of this realm.
    if ('message' in reply) return Promise.reject(reply as Error)
    const { status = 200, body, text = JSON.stringify(body) } = reply
    return Promise.resolve(new Response(text, { status }))
  }) as unknown as typeof fetch
  return asked
}
const ask = () => askService('http://127.0.0.1:4999', ASKED)

test('a place and its hours are asked for, and come back with what is not known as null', async () => {
  const asked = answers({ body: GOOD })
  expect(await ask()).toEqual({
    from: 0,
    measuredUntil: 3_600_000,
    madeUp: false,
    hours: { temperature: [20, null], rain: [0, 0.001] },
  })
  expect(asked[0]!.pathname).toBe('/v1/hours')
  expect(Object.fromEntries(asked[0]!.searchParams)).toEqual({
    latitude: '42.5',
    longitude: '-71.25',
    from: '1970-01-01T00:00:00.000Z',
    to: '1970-01-01T02:00:00.000Z',
    at: '1970-01-01T01:00:00.000Z',
  })
})

test('weather that is made up says so', async () => {
  answers({ body: { ...GOOD, madeUp: true } })
  expect(await ask()).toMatchObject({ madeUp: true })
})

test.each<[string, Parameters<typeof answers>[0], RegExp]>([
  ['down', new TypeError('fetch failed'), /cannot be reached/],
  ['slow', new DOMException('timed out', 'TimeoutError'), /cannot be reached/],
  ['in trouble', { status: 503, body: {} }, /answered 503/],
  ['not what is meant', { text: '<html>' }, /cannot be read/],
  ['empty', { text: '' }, /cannot be read/],
  ['without its hours', { body: { from: GOOD.from, measuredUntil: GOOD.measuredUntil } }, /cannot be read/],
  ['in words', { body: { ...GOOD, hours: { temperature: ['warm'] } } }, /cannot be read/],
  ['without a date', { body: { ...GOOD, from: 'yesterday' } }, /cannot be read/],
  ['partial', { body: { ...GOOD, hours: { temperature: [20, 21], rain: [0] } } }, /does not fit together/],
  ['endless', { text: ' '.repeat(6_000_001) }, /more than can be read/],
  ['far too long', { body: { ...GOOD, hours: { wind: new Array(10_001).fill(1) } } }, /cannot be read/],
])('a service that is %s is said to be in a sentence, and stops nobody', async (_, reply, says) => {
  answers(reply)
  const told = await ask()
  expect(told).toMatch(says)
  expect(told).toMatch(/\.$/)
})

test('an endless answer is left as soon as it is too long', async () => {
  let sent = 0
  const endless = new ReadableStream<Uint8Array>({
    pull(stream) {
      sent += 1_000_000
      stream.enqueue(new Uint8Array(1_000_000).fill(32))
    },
  })
  globalThis.fetch = () => Promise.resolve(new Response(endless))
  expect(await ask()).toMatch(/more than can be read/)
  expect(sent).toBeLessThan(10_000_000)
})

test('of other hours than were asked for nothing is believed, nor a measurement of what is to come', async () => {
  const eight = [1, 2, 3, 4, 5, 6, 7, 8]
  answers({
    body: {
      from: '1969-12-31T21:00:00Z',
      measuredUntil: '9999-01-01T00:00:00Z',
      hours: { temperature: eight },
    },
  })
  expect(await ask()).toEqual({
    from: 0,
    measuredUntil: 3_600_000,
    madeUp: false,
    hours: { temperature: [4, 5] },
  })
  answers({
    body: {
      from: '9998-12-31T21:00:00Z',
      measuredUntil: '9999-01-01T00:00:00Z',
      hours: { temperature: eight },
    },
  })
  expect(await ask()).toMatchObject({ hours: { temperature: [] } })
})
