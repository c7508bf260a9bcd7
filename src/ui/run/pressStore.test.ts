import 'fake-indexeddb/auto'
import { batchesOf, forgetBatches, keepBatch, type KeptBatch } from './pressStore'

const batch = (id: string, person: string, n: number): KeptBatch => ({
  id,
  person,
  job: 'job',
  n,
  at: 5,
  presses: [{ eventId: `e-${id}`, stepId: 's', kind: 'drill' }],
})

test('a device keeps presses by person, in their order, until they are answered', async () => {
  for (const b of [batch('b', 'maren', 2), batch('a', 'maren', 1), batch('c', 'teodor', 0)])
    expect(await keepBatch(b)).toBe(true)
  expect((await batchesOf('maren')).map((b) => b.id)).toEqual(['a', 'b'])
  expect(await batchesOf('teodor')).toEqual([batch('c', 'teodor', 0)])
  expect(await batchesOf('nobody')).toEqual([])
  await keepBatch({ ...batch('a', 'maren', 1), at: 9 })
  expect((await batchesOf('maren'))[0]!.at).toBe(9)
  await forgetBatches(['a', 'not there'])
  expect((await batchesOf('maren')).map((b) => b.id)).toEqual(['b'])
})
