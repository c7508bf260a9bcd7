/** @jest-environment node */
const verify = jest.fn<Promise<boolean>, [string, string]>()
jest.mock('./heavy/besidePages', () => ({ verifyBesidePages: (h: string, p: string) => verify(h, p) }))
jest.mock('./password', () => ({ hashPassword: async () => 'decoy' }))
jest.mock('next/headers', () => ({ cookies: jest.fn() }))
jest.mock('iron-session', () => ({ getIronSession: jest.fn() }))
import { inTurn, lookAt } from './signInTurns'

const TOOK = 20
beforeEach(() => {
  verify.mockReset()
  verify.mockImplementation(
    (hash, password) => new Promise((r) => setTimeout(() => r(hash === password), TOOK)),
  )
})
const timed = async (work: () => Promise<unknown>) => {
  const began = performance.now()
  const value = await work()
  return { value, ms: performance.now() - began }
}

test('a right password is taken at once, a wrong one and an address nobody has as late as each other', async () => {
  const right = await timed(() => lookAt('word', 'word', false))
  expect(right.value).toBe(true)
  expect(right.ms).toBeLessThan(350)
  const wrong = await timed(() => lookAt('word', 'other', false))
  const nobody = await timed(() => lookAt(null, 'decoy', false))
  expect([wrong.value, nobody.value]).toEqual([false, false])
  expect(verify).toHaveBeenCalledWith('decoy', 'decoy')
  for (const { ms } of [wrong, nobody]) expect(ms).toBeGreaterThan(395)
  expect(Math.abs(wrong.ms - nobody.ms)).toBeLessThan(120)
})

test('a flood of addresses nobody has holds neither a known address nor a known device up', async () => {
  const flood = Array.from({ length: 120 }, () => lookAt(null, 'x', false))
  const [address, device] = await Promise.all([
    timed(() => lookAt('word', 'word', false)),
    timed(() => lookAt('word', 'word', true)),
  ])
  // At most two others before each of them.
  expect(address).toMatchObject({ value: true })
  expect(Math.max(address.ms, device.ms)).toBeLessThan(4 * (TOOK + 60) + 150)
  expect((await Promise.all(flood)).every((v) => v === false)).toBe(true)
  // Nobody's password was looked at for a few of them only.
  expect(verify.mock.calls.length).toBeLessThanOrEqual(9)
})

test('one of a source at a time; beyond twenty that wait nobody, but who is known', async () => {
  let running = 0
  let most = 0
  const work = async () => {
    most = Math.max(most, ++running)
    await new Promise((r) => setTimeout(r, 5))
    running--
  }
  const all = Array.from({ length: 70 }, () => inTurn('one', false, work))
  const known = inTurn('one', true, async () => 'known')
  const other = await inTurn('two', false, async () => 'other')
  expect(other).toEqual({ value: 'other' })
  expect(await known).toEqual({ value: 'known' })
  const sent = (await Promise.all(all)).filter((v) => v === null)
  expect(sent).toHaveLength(70 - 21)
  expect(most).toBe(1)
})
