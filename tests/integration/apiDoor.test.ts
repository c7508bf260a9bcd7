process.env['API_REQUESTS_PER_MINUTE'] = '5'
process.env['SESSION_SECRET'] ??= 'a secret of at least thirty-two characters'

import { closePool } from '@/db/client'
import { atTheDoor } from '@/server/apiDoor'
import type { askedTooOften } from '@/server/askedTooOften'
import { done, makeFirm, uuidv7 } from './scenario'

afterAll(() => closePool())

test('a token that asks too often waits, and another does not wait for it', async () => {
  const firm = await makeFirm('Busy firm')
  const make = async (name: string) =>
    (await done<{ token: string }>(firm.person('arborist'), 'make-token', { id: uuidv7(), name })).token
  const [busy, calm] = [await make('busy'), await make('calm')]
  const ask = async (token: string) => {
    const door = await atTheDoor(
      new Request('http://localhost/api/v1/calc/water', {
        method: 'POST',
        headers: { authorization: `Bearer ${token}` },
      }),
    )
    return 'refused' in door ? door.refused : null
  }
  for (let i = 0; i < 5; i++) expect(await ask(busy)).toBeNull()
  const refused = await ask(busy)
  expect(refused?.status).toBe(429)
  expect(Number(refused?.headers.get('retry-after'))).toBeGreaterThan(0)
  expect(await refused?.json()).toMatchObject({ error: { field: 'authorization' } })
  expect(await ask(calm)).toBeNull()
})

test('two copies of the app count together, and a stretch that is over is forgotten', async () => {
  const { firmId } = (await makeFirm('Counted')).person('arborist')
  const often = { most: 6, seconds: 2 }
  // Each copy of the module is as another copy of the app: they share nothing but the database.
  const copies: (typeof askedTooOften)[] = []
  for (let i = 0; i < 2; i++)
    await jest.isolateModulesAsync(async () => {
      copies.push((await import('@/server/askedTooOften')).askedTooOften)
    })
  const answers = await Promise.all(
    Array.from({ length: 20 }, (_, i) => copies[i % 2]!(firmId, 'a token', often)),
  )
  expect(answers.filter((a) => a === null)).toHaveLength(6)
  expect(answers.every((a) => a === null || (a >= 1 && a <= 2))).toBe(true)
  expect(await copies[0]!(firmId, 'another', often)).toBeNull()
  await new Promise((done) => setTimeout(done, 2100))
  for (const copy of copies) expect(await copy(firmId, 'a token', often)).toBeNull()
})
