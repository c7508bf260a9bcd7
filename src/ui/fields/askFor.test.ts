import { askFor } from './askFor'
import { fakeServer } from './server.testing'

test('answers what the server has', async () => {
  const server = fakeServer()
  server.reply(server.value({ version: 5 }))
  expect(await askFor('/api/trees/t-1')).toEqual({ version: 5 })
  expect(server.asked.map((a) => a.url)).toEqual(['/api/trees/t-1'])
})

test('what is refused, lost or no answer at all is nothing', async () => {
  const server = fakeServer()
  server.reply(server.refusal('session', 'Sign in.'), 'lost', { status: 502, body: 'not ours' })
  for (let i = 0; i < 3; i++) expect(await askFor('/api/trees/t-1')).toBeNull()
})

test('what is not waited for any more is nothing, and no error', async () => {
  const stop = new AbortController()
  globalThis.fetch = ((_: string, { signal }: RequestInit) =>
    new Promise((_resolve, reject) =>
      signal!.addEventListener('abort', () => reject(new DOMException('gone', 'AbortError'))),
    )) as unknown as typeof fetch
  const asked = askFor('/api/trees/t-1', stop.signal)
  stop.abort()
  expect(await asked).toBeNull()
})
