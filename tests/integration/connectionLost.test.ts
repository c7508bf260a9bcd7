import { inFirm } from '@/db/client'
import { closePool, makeFirm, ownerSql } from './scenario'

/** Connections that end under the app, as with a database that is started anew. */

const owner = ownerSql()
afterAll(async () => {
  await owner.end()
  await closePool()
})

const kill = (most: number) =>
  owner`select pg_terminate_backend(pid) from pg_stat_activity
    where application_name = 'elmhorn' and datname = current_database() limit ${most}`

test.each([1, 3, 100])('%i that end cost nobody else more than a moment', async (most) => {
  const firm = await makeFirm(`Lost ${most}`)
  const ask = (seconds = 0) =>
    inFirm(firm.id, async (sql) => {
      await sql`select pg_sleep(${seconds})`
      return 'answered'
    })
  await Promise.all(Array.from({ length: 10 }, () => ask(0.01)))
  // While they lie idle: whoever asks next is answered all the same.
  await kill(most)
  await new Promise((rested) => setTimeout(rested, 50))
  const began = performance.now()
  expect(await Promise.all(Array.from({ length: 20 }, () => ask()))).toEqual(Array(20).fill('answered'))
  expect(performance.now() - began).toBeLessThan(4000)
  // In the middle of something: that is refused at once, the others end, and the next are answered.
  const middle = Array.from({ length: 10 }, () => ask(0.6).catch((e: Error) => e.message))
  await new Promise((rested) => setTimeout(rested, 200))
  await kill(most)
  const after = performance.now()
  expect(await Promise.all(Array.from({ length: 10 }, () => ask()))).toEqual(Array(10).fill('answered'))
  expect(performance.now() - after).toBeLessThan(4000)
  const ended = await Promise.all(middle)
  // One that ended may have lain idle beside them.
  const refused = ended.filter((e) => e !== 'answered').length
  expect(refused).toBeLessThanOrEqual(Math.min(most, 10))
  if (most > 10) expect(refused).toBeGreaterThan(0)
})

test('what was begun on a connection that ended is not kept, and is said', async () => {
  const firm = await makeFirm('Lost in between')
  const work = inFirm(firm.id, async (sql) => {
    await sql`update firm set town = 'Elsewhere'`
    await kill(100)
    await sql`select 1`
  })
  await expect(work).rejects.toThrow()
  // Those that lay idle end a blink later.
  await new Promise((rested) => setTimeout(rested, 300))
  expect(await inFirm(firm.id, (sql) => sql`select 1 from firm where town = 'Elsewhere'`)).toHaveLength(0)
})
