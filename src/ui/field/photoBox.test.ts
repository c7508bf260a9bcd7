import 'fake-indexeddb/auto'
import { photosOf } from './deviceStore'
import { drainPhotoBox, forgetPhotoBox, openPhotoBox, photoBoxNow, seenPhoto, takePhoto } from './photoBox'

type Answer = { status: number; error?: object } | 'lost'
let answers: Answer[] = []
let sent: { url: string; headers: Record<string, string> }[] = []
const picture = new Blob([new Uint8Array(2000)], { type: 'image/jpeg' })
const of = { jobSubjectId: 'subject', task: 'dig' }
const waiting = () => photoBoxNow().waiting
const refused = () => photoBoxNow().refused
const settled = () => new Promise((resolve) => setTimeout(resolve, 30))

beforeEach(async () => {
  answers = []
  sent = []
  globalThis.fetch = (async (url: string, init: RequestInit) => {
    sent.push({ url, headers: init.headers as Record<string, string> })
    const answer = answers.shift() ?? { status: 200 }
    if (answer === 'lost') throw new TypeError('network')
    return {
      ok: answer.status < 400,
      status: answer.status,
      json: async () => ({ error: answer.error, value: {} }),
    }
  }) as unknown as typeof fetch
  forgetPhotoBox()
  await openPhotoBox('wren')
})
afterEach(() => forgetPhotoBox())

test('a picture is on the device before it is sent, under its task, and is forgotten once it is kept', async () => {
  expect(await takePhoto(picture, of)).toBe(true)
  await settled()
  expect(sent[0]!.url).toMatch(/^\/api\/photos\/[0-9a-f-]{36}\?job=subject&task=dig$/)
  expect(Number(sent[0]!.headers['elmhorn-at'])).toBeGreaterThan(1e12)
  expect(waiting()).toEqual([])
  expect(await photosOf('wren')).toEqual([])
})

test('a picture of a tree that is examined says of which examination it is', async () => {
  await takePhoto(picture, { treeId: 'tree', assessmentId: 'examination' })
  await settled()
  expect(sent[0]!.url).toMatch(/\?tree=tree&assessment=examination$/)
  expect(photoBoxNow().sent).toMatchObject([{ of: { treeId: 'tree' } }])
})

test.each([
  ['lost'],
  [{ status: 503, error: { code: 'conflict', field: 'server' } }],
  [{ status: 401, error: {} }],
  [{ status: 409, error: { code: 'conflict', field: 'photo' } }],
] as [Answer][])(
  'an answer that refuses nothing (%j) leaves it where it is, and it goes again as the same one',
  async (answer) => {
    answers = [answer]
    await takePhoto(picture, of)
    await settled()
    expect(waiting()).toHaveLength(1)
    expect(await photosOf('wren')).toHaveLength(1)
    await drainPhotoBox()
    await settled()
    expect(sent[1]!.url).toBe(sent[0]!.url)
    expect(sent[1]!.headers['elmhorn-away']).toBe('yes')
    expect(waiting()).toEqual([])
  },
)

test('what a rule refuses is given back with its reason until it was seen; the next goes on', async () => {
  answers = [{ status: 422, error: { code: 'bad-quantity', field: 'photo', message: 'This is no picture.' } }]
  await takePhoto(picture, of)
  await takePhoto(picture, { ...of, task: 'fill' })
  await settled()
  expect(sent.map((s) => s.url.replace(/.*task=/, ''))).toEqual(['dig', 'fill'])
  expect(refused()).toMatchObject([{ problem: { message: 'This is no picture.' } }])
  seenPhoto(refused()[0]!.id)
  expect(refused()).toEqual([])
})

test('what one person took is not seen or sent by another, and waits until they are back', async () => {
  answers = ['lost']
  await takePhoto(picture, of)
  await settled()
  await openPhotoBox('teodor')
  expect(waiting()).toEqual([])
  expect(sent).toHaveLength(1)
  await openPhotoBox('wren')
  await settled()
  expect(sent).toHaveLength(2)
})
