import 'fake-indexeddb/auto'
import {
  deviceId,
  emptyStore,
  envelopesOf,
  forgetEnvelopes,
  forgetRefused,
  keepEnvelope,
  keepOnlyViews,
  keepRefused,
  keepView,
  lastPerson,
  refusedOf,
  setLastPerson,
  viewOf,
  type KeptEnvelope,
} from './deviceStore'

const envelope = (id: string, person: string, n: number): KeptEnvelope => ({
  id,
  person,
  job: 'job',
  n,
  at: 5,
  away: true,
  step: 'mark-step',
  content: { eventId: id, stepId: 's', kind: 'drill' },
  trees: ['t'],
})

test('a device keeps presses by person, in their order, until they are answered', async () => {
  for (const e of [envelope('b', 'maren', 2), envelope('a', 'maren', 1), envelope('c', 'teodor', 0)])
    expect(await keepEnvelope(e)).toBe(true)
  expect((await envelopesOf('maren')).map((e) => e.id)).toEqual(['a', 'b'])
  expect(await envelopesOf('teodor')).toEqual([envelope('c', 'teodor', 0)])
  expect(await envelopesOf('nobody')).toEqual([])
  await keepEnvelope({ ...envelope('a', 'maren', 1), at: 9 })
  expect((await envelopesOf('maren'))[0]!.at).toBe(9)
  await forgetEnvelopes('maren', ['a', 'not there'])
  expect((await envelopesOf('maren')).map((e) => e.id)).toEqual(['b'])
})

test('a refusal is kept until it was seen', async () => {
  const refused = {
    id: 'r',
    job: 'job',
    trees: ['t'],
    stepIds: ['s'],
    problem: { code: 'conflict' as const, field: 'lot', message: 'Not on the shelf.' },
  }
  await keepRefused('maren', refused)
  expect(await refusedOf('maren')).toEqual([refused])
  expect(await refusedOf('teodor')).toEqual([])
  await forgetRefused('maren', 'r')
  expect(await refusedOf('maren')).toEqual([])
})

test('the device has one id, and knows who was here last', async () => {
  expect(await deviceId()).toBe(await deviceId())
  expect(await lastPerson()).toBeNull()
  await setLastPerson('maren')
  expect(await lastPerson()).toBe('maren')
  await setLastPerson(null)
  expect(await lastPerson()).toBeNull()
})

test('views are kept by name; those of other people and those that are over are not there', async () => {
  const view = (key: string) => ({ key, value: { of: key }, etag: null, at: 1, ahead: 0 })
  for (const key of ['day', 'job 1', 'job 2']) await keepView('maren', view(key))
  expect(await viewOf('maren', 'job 1')).toEqual(view('job 1'))
  expect(await viewOf('teodor', 'job 1')).toBeNull()
  await keepOnlyViews('maren', ['day', 'job 2'])
  expect([await viewOf('maren', 'job 1'), await viewOf('maren', 'job 2')]).toEqual([null, view('job 2')])
  await emptyStore('maren')
  expect(await viewOf('maren', 'day')).toBeNull()
})
