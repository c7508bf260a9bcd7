import { pack } from '@/core/packed'
import type { JobView } from '@/server/read/work'
import { askJob } from './askJob'

const view = (tag: string) => ({ job: { id: 'j' }, trees: [{ tag }] }) as unknown as JobView

/** A server that says what it is told to, and keeps what it was asked. */
function server(...answers: { status?: number; tag?: string; etag?: string; now?: number }[]) {
  const asked: { url: string; etag: string | undefined }[] = []
  globalThis.fetch = ((url: string, init: RequestInit) => {
    asked.push({ url, etag: (init.headers as Record<string, string>)['if-none-match'] })
    const { status = 200, tag = '', etag = '', now = 0 } = answers.shift()!
    return Promise.resolve({
      status,
      ok: status < 300,
      headers: new Headers({ etag, 'elmhorn-now': String(now) }),
      json: () => Promise.resolve({ value: pack(view(tag)) }),
    })
  }) as unknown as typeof fetch
  return asked
}

test('what came last is named, and stands while nothing has changed', async () => {
  const asked = server(
    { tag: 'Ash 1', etag: '"a"', now: 5 },
    { status: 304, now: 6 },
    { tag: 'Ash 2', etag: '"b"' },
  )
  const ask = askJob('j')
  const first = await ask()
  expect(first).toEqual({ ...view('Ash 1'), now: 5 })
  // The hour goes on; the trees are the very same, so that none is drawn anew.
  const second = await ask()
  expect(second).toEqual({ ...first, now: 6 })
  expect(second!.trees).toBe(first!.trees)
  expect(await ask()).toMatchObject(view('Ash 2'))
  expect(asked.map((a) => a.etag)).toEqual([undefined, '"a"', '"a"'])
  expect(asked[0]!.url).toBe('/api/run/j')
})

test.each([401, 404, 500, 503])(
  'an answer of %d says nothing, and does not put an older one in its place',
  async (status) => {
    const asked = server({ tag: 'Ash 1', etag: '"a"' }, { status }, { status: 304 })
    const ask = askJob('j')
    const first = await ask()
    expect(await ask()).toBeNull()
    expect(await ask()).toEqual(first)
    expect(asked.at(-1)!.etag).toBe('"a"')
  },
)
