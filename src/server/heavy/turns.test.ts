import { Turns } from './turns'

const later = () => {
  let end = () => {}
  const done = new Promise<void>((resolve) => (end = resolve))
  return { done, end }
}

test('a few at a time, the rest in order, beyond that nobody', async () => {
  const turns = new Turns(2, 2)
  const gates = [later(), later(), later(), later()]
  const order: number[] = []
  const all = gates.map((g, i) =>
    turns.take(async () => {
      order.push(i)
      await g.done
      return i
    }),
  )
  expect(order).toEqual([0, 1])
  expect(turns.waiting).toBe(2)
  expect(await turns.take(async () => 'fifth')).toBeNull()
  gates[1]!.end()
  await all[1]
  await Promise.resolve()
  expect(order).toEqual([0, 1, 2])
  gates.forEach((g) => g.end())
  expect(await Promise.all(all)).toEqual([0, 1, 2, 3].map((value) => ({ value })))
  expect(turns.waiting).toBe(0)
})

test('a turn that fails gives way to the next', async () => {
  const turns = new Turns(1, 5)
  await expect(turns.take(() => Promise.reject(new Error('broken')))).rejects.toThrow('broken')
  expect(await turns.take(async () => 7)).toEqual({ value: 7 })
})
