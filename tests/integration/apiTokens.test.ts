import { closePool, inFirm, presenting } from '@/db/client'
import { addToken, namedTokens, tokenPresented } from '@/db/queries/apiToken'
import { personOfToken } from '@/server/apiToken'
import { act, done, makeFirm, ownerSql, uuidv7, type TestFirm } from './scenario'

let a: TestFirm
let b: TestFirm
beforeAll(async () => {
  a = await makeFirm('Token firm A')
  b = await makeFirm('Token firm B')
})
afterAll(() => closePool())

const make = async (firm: TestFirm, name: string) => {
  const id = uuidv7()
  return { id, ...(await done<{ token: string }>(firm.person('arborist'), 'make-token', { id, name })) }
}

test('a token is its person until it is revoked, and only its hash is kept', async () => {
  const { id, token } = await make(a, 'dose sheet')
  expect(token).toMatch(/^elm_[\w-]{43}$/)
  expect((await personOfToken(token))?.person).toMatchObject({
    id: a.person('arborist').id,
    firmId: a.id,
    role: 'arborist',
  })
  const owner = ownerSql()
  const [row] = await owner`select to_jsonb(t) as kept from api_token t where id = ${id}`
  await owner.end()
  expect(JSON.stringify(row)).not.toContain(token)
  expect(row!['kept']).toMatchObject({ hint: token.slice(0, 9), last_used_at: expect.any(String) })
  await done(a.person('arborist'), 'revoke-token', { id })
  expect(await personOfToken(token)).toBeNull()
  expect(await inFirm(a.id, (sql) => namedTokens(sql, a.person('arborist').id))).toEqual([])
})

test('an expired token, a changed one and a made-up one are nobody', async () => {
  const { token } = await make(a, 'another')
  expect(await personOfToken(`${token.slice(0, -1)}${token.endsWith('A') ? 'B' : 'A'}`)).toBeNull()
  expect(await personOfToken('elm_' + 'x'.repeat(43))).toBeNull()
  const person = a.person('arborist')
  await inFirm(a.id, (sql) =>
    addToken(sql, {
      id: uuidv7(),
      firmId: a.id,
      personId: person.id,
      name: 'old',
      kind: 'session',
      tokenHash: 'spent',
      hint: 'elm_spent',
      hours: -1,
    }),
  )
  expect(await presenting('spent', (sql) => tokenPresented(sql, 'spent'))).toBeUndefined()
})

test('firm B neither sees nor revokes firm A’s tokens, nor does a colleague', async () => {
  const { id, token } = await make(a, 'fenced')
  expect(await inFirm(b.id, (sql) => namedTokens(sql, a.person('arborist').id))).toEqual([])
  for (const person of [b.person('arborist'), a.person('office')])
    expect(await act(person, 'revoke-token', { id })).toMatchObject({
      ok: false,
      problem: { code: 'unknown', field: 'id' },
    })
  expect(await personOfToken(token)).not.toBeNull()
  const others = await presenting('no such hash', (sql) => sql`select count(*)::int as n from api_token`)
  expect(others?.[0]!['n']).toBe(0)
})

test('names are asked for, kept apart and bounded', async () => {
  await make(b, 'One')
  const problem = async (name: string) => {
    const r = await act(b.person('arborist'), 'make-token', { id: uuidv7(), name })
    return r.ok ? null : r.problem.field
  }
  expect(await problem('one')).toBe('name')
  expect(await problem('')).toBe('name')
  expect(await problem('x'.repeat(81))).toBe('name')
  for (let i = 0; i < 49; i++) await make(b, `n${i}`)
  expect(await problem('one too many')).toBe('name')
})
