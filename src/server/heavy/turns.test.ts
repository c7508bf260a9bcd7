import fc from 'fast-check'
import { Turns } from './turns'

const later = () => {
  let end = () => {}
  const done = new Promise<void>((resolve) => (end = resolve))
  return { done, end }
}
const settled = () => new Promise((resolve) => setImmediate(resolve))

test('a few at a time, the rest in order, beyond that nobody', async () => {
  const turns = new Turns({ atOnce: 2, waitingEach: 2 })
  const gates = [later(), later(), later(), later()]
  const order: number[] = []
  const all = gates.map((g, i) =>
    turns.take('a', async () => {
      order.push(i)
      await g.done
      return i
    }),
  )
  expect(order).toEqual([0, 1])
  expect(turns.waiting).toBe(2)
  expect(turns.isFull('a')).toBe(true)
  expect(await turns.take('a', async () => 'fifth')).toBeNull()
  gates[1]!.end()
  await all[1]
  await settled()
  expect(order).toEqual([0, 1, 2])
  gates.forEach((g) => g.end())
  expect(await Promise.all(all)).toEqual([0, 1, 2, 3].map((value) => ({ value })))
  expect(turns.waiting).toBe(0)
})

test('a turn that fails gives way to the next', async () => {
  const turns = new Turns({ atOnce: 1, waitingEach: 5 })
  await expect(turns.take('a', () => Promise.reject(new Error('broken')))).rejects.toThrow('broken')
  expect(await turns.take('a', async () => 7)).toEqual({ value: 7 })
})

test('whoever asks a hundred times stands before nobody who asks once, and fills no place but its own', async () => {
  const turns = new Turns({ atOnce: 1, waitingEach: 99, waitingAll: 1000 })
  const order: string[] = []
  const ask = (whose: string) => turns.take(whose, async () => void order.push(whose))
  const loud = Array.from({ length: 100 }, () => ask('loud'))
  const full = turns.take('loud', async () => 1)
  const quiet = [ask('quiet'), ask('other'), ask('quiet')]
  expect(await full).toBeNull()
  await Promise.all([...loud, ...quiet])
  expect(order.indexOf('quiet')).toBeLessThanOrEqual(2)
  expect(order.indexOf('other')).toBeLessThanOrEqual(3)
  expect(order.lastIndexOf('quiet')).toBeLessThanOrEqual(5)
  expect(order).toHaveLength(103)
})

test('one at a time of each, however many are free, and some ahead of their own', async () => {
  const turns = new Turns({ atOnce: Infinity, each: 1, waitingEach: 10, waitingAll: 100 })
  const gate = later()
  const order: string[] = []
  const first = turns.take('a', () => gate.done)
  const others = [
    turns.take('a', async () => void order.push('a2')),
    turns.take('a', async () => void order.push('known'), { ahead: true }),
    turns.take('b', async () => void order.push('b1')),
  ]
  await settled()
  expect(order).toEqual(['b1'])
  gate.end()
  await Promise.all([first, ...others])
  expect(order).toEqual(['b1', 'known', 'a2'])
})

test('never more than may, never one forgotten, whatever comes', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.record({ atOnce: fc.integer({ min: 1, max: 3 }), each: fc.integer({ min: 1, max: 3 }) }),
      fc.array(fc.tuple(fc.constantFrom('a', 'b', 'c'), fc.integer({ min: 0, max: 3 }), fc.boolean()), {
        maxLength: 40,
      }),
      async (limits, asks) => {
        const turns = new Turns({ ...limits, waitingEach: 8, waitingAll: 15 })
        let [running, sent, done] = [0, 0, 0]
        const of: Record<string, number> = {}
        await Promise.all(
          asks.map(async ([whose, ticks, ahead]) => {
            const took = await turns.take(
              whose,
              async () => {
                running++
                of[whose] = (of[whose] ?? 0) + 1
                expect(running).toBeLessThanOrEqual(limits.atOnce)
                expect(of[whose]).toBeLessThanOrEqual(limits.each)
                for (let i = 0; i < ticks; i++) await Promise.resolve()
                running--
                of[whose]--
                done++
              },
              { ahead },
            )
            if (took === null) sent++
          }),
        )
        expect(done + sent).toBe(asks.length)
        expect(turns.waiting).toBe(0)
      },
    ),
    { numRuns: 200 },
  )
})
