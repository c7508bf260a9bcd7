process.env['API_REQUESTS_PER_MINUTE'] = '5'
process.env['SESSION_SECRET'] ??= 'a secret of at least thirty-two characters'

import { closePool } from '@/db/client'
import { atTheDoor } from '@/server/apiDoor'
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
