/** @jest-environment node */
import 'fake-indexeddb/auto'
import { envelopesOf, keepEnvelope, refusedOf, setLastPerson, type KeptEnvelope } from './deviceStore'
import { sendWithoutPage } from './sendWithoutPage'

/** A signal that comes back while no page is open. */
let asked: { id: string; away: boolean; step: string }[][] = []
let answer: (envelopes: { id: string }[]) => object | 'lost' = (envelopes) =>
  envelopes.map(({ id }) => ({ id, came: 'taken', value: {} }))
const taken = answer

beforeEach(async () => {
  asked = []
  answer = taken
  globalThis.fetch = (async (_: string, init: RequestInit) => {
    const body = init.body as Blob
    const text = await new Response(body.stream().pipeThrough(new DecompressionStream('gzip'))).text()
    const { envelopes } = JSON.parse(text) as { envelopes: (typeof asked)[number] }
    asked.push(envelopes)
    const answers = answer(envelopes)
    if (answers === 'lost') throw new TypeError('network')
    return { ok: true, status: 200, json: async () => ({ value: { answers, now: Date.now() } }) }
  }) as unknown as typeof fetch
  await setLastPerson('wren')
})
const kept = (id: string, n: number, of: Partial<KeptEnvelope> = {}): KeptEnvelope => ({
  id,
  person: 'wren',
  job: null,
  n,
  at: n,
  away: false,
  step: 'set-finding',
  content: { finding: id },
  trees: [`tree of ${id}`],
  ...of,
})

test('what waits goes out in its order and is forgotten once it is taken', async () => {
  await keepEnvelope(kept('b', 2))
  await keepEnvelope(kept('a', 1))
  await sendWithoutPage()
  expect(asked.map((batch) => batch.map((e) => [e.id, e.away]))).toEqual([
    [
      ['a', true],
      ['b', true],
    ],
  ])
  expect(await envelopesOf('wren')).toEqual([])
})

test('what was taken before, whose answer was lost, is forgotten too', async () => {
  answer = (envelopes) => envelopes.map(({ id }) => ({ id, came: 'same', value: {} }))
  await keepEnvelope(kept('s', 1))
  await sendWithoutPage()
  expect(await envelopesOf('wren')).toEqual([])
})

test('nobody answers: it stays, and the browser is told to try again', async () => {
  answer = () => 'lost'
  await keepEnvelope(kept('c', 3))
  await expect(sendWithoutPage()).rejects.toThrow('nobody answered')
  expect(await envelopesOf('wren')).toHaveLength(1)
  answer = taken
  await sendWithoutPage()
  expect(await envelopesOf('wren')).toEqual([])
})

test('what a rule refuses is kept to be seen, with what rests on it; other trees go on', async () => {
  const problem = { code: 'conflict', field: 'assessmentId', message: 'Signed.' }
  answer = (envelopes) =>
    envelopes.map(({ id }) =>
      id === 'd' ? { id, came: 'refused', problem } : { id, came: id === 'e' ? 'waits' : 'taken', value: {} },
    )
  await keepEnvelope(kept('d', 1, { trees: ['one'] }))
  await keepEnvelope(kept('e', 2, { trees: ['one'] }))
  await keepEnvelope(kept('f', 3, { trees: ['two'] }))
  await sendWithoutPage()
  expect(await envelopesOf('wren')).toEqual([])
  expect(await refusedOf('wren')).toMatchObject([{ id: 'd', stepIds: ['d', 'e'], problem }])
})

test('nobody is signed in: nothing is sent', async () => {
  await setLastPerson(null)
  await keepEnvelope(kept('g', 1, { trees: ['three'] }))
  await sendWithoutPage()
  expect(asked).toEqual([])
})
