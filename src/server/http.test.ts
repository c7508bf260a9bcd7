import { gzipSync } from 'node:zlib'
import { isOwnOrigin, problemResponse, readBytes, readJson, readPackedJson } from './http'

const post = (body: BodyInit | null, headers: Record<string, string> = {}) =>
  new Request('http://elmhorn.example/api/do/x', {
    method: 'POST',
    body,
    headers: { 'content-type': 'application/json', ...headers },
    duplex: 'half',
  } as RequestInit)

/** A body that comes in pieces and says nothing of its length; how many were taken of it. */
function inPieces(pieces: number, of: number) {
  let sent = 0
  const body = new ReadableStream<Uint8Array>({
    pull(control) {
      if (sent === pieces) return control.close()
      sent++
      control.enqueue(new Uint8Array(of))
    },
  })
  return { body, sent: () => sent }
}

async function refused(request: Request): Promise<[number, string, string]> {
  const read = await readJson(request)
  if (!('response' in read)) throw new Error('it was read')
  const { error } = (await read.response.json()) as { error: { field: string; message: string } }
  return [read.response.status, error.field, error.message]
}

describe('a body', () => {
  test('is read as JSON whatever the media type says besides', async () => {
    for (const type of ['application/json', 'application/json; charset=utf-8', 'Application/Problem+JSON'])
      expect(await readJson(post('{"a":[1]}', { 'content-type': type }))).toEqual({ body: { a: [1] } })
  })

  test.each([
    ['no JSON', '{"a":', {}, 400],
    ['a form', 'a=1', { 'content-type': 'application/x-www-form-urlencoded' }, 415],
    ['text that only begins like JSON', '{}', { 'content-type': 'application/jsonlines' }, 415],
    ['not UTF-8', new Uint8Array([0x22, 0xff, 0xfe, 0x22]), {}, 400],
    ['a field given twice', '{"a":1,"a":2}', {}, 422],
  ] as const)('%s is said to be unreadable, with what to do', async (_, body, headers, status) => {
    const [is, field, message] = await refused(post(body, headers))
    expect(is).toBe(status)
    expect(field).not.toBe('')
    expect(message).toMatch(/\.$/)
  })

  test('that says it is too large is not read at all', async () => {
    const { body, sent } = inPieces(100, 1000)
    const [status, , message] = await refused(post(body, { 'content-length': '1000001' }))
    expect([status, message]).toEqual([413, 'That is more than 1 MB; send less.'])
    expect(sent()).toBeLessThan(5)
  })

  test('that does not say so is cut off while it streams', async () => {
    const { body, sent } = inPieces(1000, 100_000)
    const [status] = await refused(post(body))
    expect(status).toBe(413)
    expect(sent()).toBeLessThan(20)
  })

  test('of exactly as much as may be is read', async () => {
    const read = await readBytes(post(new Uint8Array(500)), 500)
    expect('bytes' in read && read.bytes.byteLength).toBe(500)
    expect(await readBytes(post(new Uint8Array(501)), 500)).toEqual({ over: true })
  })

  test('that breaks off is not taken for a short one', async () => {
    const body = new ReadableStream<Uint8Array>({
      start(control) {
        control.enqueue(new TextEncoder().encode('{"a":1}'))
        control.error(new Error('the line broke'))
      },
    })
    expect(await readBytes(post(body), 500)).toEqual({ over: false })
  })
})

describe('where a request comes from', () => {
  const from = (headers: Record<string, string>) =>
    isOwnOrigin(new Request('http://elmhorn.example/', { headers: { host: 'elmhorn.example', ...headers } }))

  test('one of our own pages says so, in either way', () => {
    expect(from({ origin: 'https://elmhorn.example', cookie: 'elmhorn=x' })).toBe(true)
    expect(from({ 'sec-fetch-site': 'same-origin', cookie: 'elmhorn=x' })).toBe(true)
  })

  test.each([
    [{ origin: 'https://elsewhere.example' }],
    [{ origin: 'https://elmhorn.example.elsewhere.example' }],
    [{ origin: 'null' }],
    [{ 'sec-fetch-site': 'cross-site' }],
    [{ 'sec-fetch-site': 'same-site' }],
    [{ 'sec-fetch-site': 'none' }],
    [{ cookie: 'elmhorn=x' }],
    [{ cookie: 'a=1; elmhorn=x' }],
  ])('%j is not one of them', (headers) => {
    expect(from(headers as unknown as Record<string, string>)).toBe(false)
  })

  test('a program that carries no cookie of ours may ask', () => {
    expect(from({})).toBe(true)
    expect(from({ cookie: 'notelmhorn=x' })).toBe(true)
  })
})

test('a problem is answered by what it is', () => {
  const status = (code: 'conflict' | 'out-of-range' | 'not-allowed', field: string) =>
    problemResponse({ code, field, message: 'No.' }).status
  expect(status('conflict', 'id')).toBe(409)
  expect(status('not-allowed', 'role')).toBe(403)
  expect(status('not-allowed', 'weather')).toBe(422)
  expect(status('out-of-range', 'role')).toBe(422)
  expect(problemResponse({ code: 'unknown', field: 'id', message: 'No.' }, 404).status).toBe(404)
})

describe('a packed body', () => {
  const packed = (text: string, more: HeadersInit = {}) =>
    new Request('http://here/api/field', {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'content-encoding': 'gzip', ...more },
      body: gzipSync(text),
    })
  test('is read as it was before it was packed', async () => {
    expect(await readPackedJson(packed('{"a":[1]}'))).toEqual({ body: { a: [1] } })
    const plain = new Request('http://here/api/field', {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: '{"a":1}',
    })
    expect(await readPackedJson(plain)).toEqual({ body: { a: 1 } })
  })
  test('that unpacks to more than a megabyte, or is not packed at all, is refused', async () => {
    const large = await readPackedJson(packed(JSON.stringify('x'.repeat(2_000_000))))
    expect('response' in large && large.response.status).toBe(413)
    const not = new Request('http://here/api/field', {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'content-encoding': 'gzip' },
      body: '{"a":1}',
    })
    const broken = await readPackedJson(not)
    expect('response' in broken && broken.response.status).toBe(400)
  })
})
