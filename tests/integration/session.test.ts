import { inFirm } from '@/db/client'
import { endSession, openSession, personOfSession } from '@/db/queries/person'
import { closePool, makeFirm, ownerSql, uuidv7 } from './scenario'

afterAll(() => closePool())

test('a session is believed until it ends, and no longer than any cookie is', async () => {
  const firm = await makeFirm('Session firm')
  const person = firm.person('arborist')
  const id = uuidv7()
  const whose = () => inFirm(firm.id, async (sql) => (await personOfSession(sql, id))?.id)
  await inFirm(firm.id, (sql) => openSession(sql, { id, firmId: firm.id, personId: person.id }))
  expect(await whose()).toBe(person.id)
  const owner = ownerSql()
  const opened = (days: number) =>
    owner`update session set created_at = now() - ${days} * interval '1 day' where id = ${id}`
  await opened(14)
  expect(await whose()).toBe(person.id)
  await opened(16)
  expect(await whose()).toBeUndefined()
  await opened(1)
  await inFirm(firm.id, (sql) => endSession(sql, id))
  expect(await whose()).toBeUndefined()
  await owner.end()
})
