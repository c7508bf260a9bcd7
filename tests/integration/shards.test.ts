import { createWriteStream } from 'node:fs'
import { mkdtemp } from 'node:fs/promises'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import postgres from 'postgres'
import { FirmIsMoved, inFirm, inPassing, lookingAtFirm, signingIn } from '@/db/client'
import { claimAddress, homeOf } from '@/db/directory'
import { makeDirectory, migrate } from '@/db/migrate'
import { finishLeaving, leaving, stayed, whereAway } from '@/db/movingFirm'
import { archive } from '@/server/archive/archive'
import { DOORS } from '@/server/archive/kinds'
import { restoreFirm } from '@/server/archive/restoreFirm'
import { moveFirm, NotMoved } from '@/server/archive/moveFirm'
import { personOfToken } from '@/server/apiToken'
import { checkLedger } from '@/server/ledger/check'
import {
  act,
  closePool,
  done,
  makeAsh,
  makeFirm,
  ownerSql,
  recordedAsh,
  uuidv7,
  type TestFirm,
} from './scenario'

/** Firms in two databases with a directory; one is moved while it and another are worked for. */

const names = { two: `shard_${process.pid}`, directory: `directory_${process.pid}` }
const at = (url: string, database: string) => {
  const other = new URL(url)
  other.pathname = `/${database}`
  return other.href
}
const [web, owner] = [process.env.DATABASE_URL!, process.env.DATABASE_OWNER_URL!]
const urls = (url: string) => `one=${url} two=${at(url, names.two)}`
const inDatabase = async <T>(url: string, work: (sql: postgres.Sql) => Promise<T>): Promise<T> => {
  const sql = postgres(url, { max: 1, onnotice: () => {} })
  try {
    return await work(sql)
  } finally {
    await sql.end({ timeout: 2 })
  }
}
/** Rows of a firm in a database, as its owner sees them. */
const rowsOf = (url: string, firmId: string) =>
  inDatabase(url, (sql) =>
    sql.begin(async (sql) => {
      await sql`select set_config('elmhorn.firm', ${firmId}, true)`
      const [row] = await sql<{ n: number }[]>`select (select count(*) from firm where id = ${firmId})::int
        + (select count(*) from tree where firm_id = ${firmId})::int + (select count(*) from record where firm_id = ${firmId})::int
        + (select count(*) from api_token where firm_id = ${firmId})::int + (select count(*) from change where firm_id = ${firmId})::int as n`
      return row!.n
    }),
  )

let a: TestFirm
let b: TestFirm
let token: string

beforeAll(async () => {
  const sql = ownerSql()
  const user = new URL(web).username
  await sql.unsafe(`create database ${names.two}`)
  await sql.unsafe(`create database ${names.directory} owner ${user}`)
  await sql.end()
  process.env.DATABASE_URLS = urls(web)
  process.env.DATABASE_OWNER_URLS = urls(owner)
  process.env.DIRECTORY_URL = at(web, names.directory)
  await migrate(at(owner, names.two))
  await makeDirectory(process.env.DIRECTORY_URL)
  a = await makeFirm('Moving firm')
  b = await makeFirm('Staying firm')
  await recordedAsh(a, 'Ash 1')
  ;({ token } = await done<{ token: string }>(a.person('arborist'), 'make-token', {
    id: uuidv7(),
    name: 'office',
  }))
}, 120_000)
afterAll(async () => {
  await closePool()
  const sql = ownerSql()
  await sql.unsafe(`drop database if exists ${names.two} with (force)`)
  await sql.unsafe(`drop database if exists ${names.directory} with (force)`)
  await sql.end()
}, 60_000)

const addTree = (firm: TestFirm, tag: string) =>
  act(firm.person('arborist'), 'add-tree', {
    id: uuidv7(),
    siteId: firm.site,
    tag,
    host: 'ash',
    eastM: 1,
    northM: 2,
    note: null,
  })

/** Adds trees one after another until told to stop; answers the tags that were acknowledged and how often the move refused one. */
function keepWriting(firm: TestFirm, name: string) {
  let go = true
  const run = (async () => {
    const acknowledged: string[] = []
    let moved = 0
    for (let i = 0; go; i++)
      try {
        const r = await addTree(firm, `${name} ${i}`)
        if (!r.ok) throw new Error(r.problem.message)
        acknowledged.push(`${name} ${i}`)
      } catch (error) {
        if (!(error instanceof FirmIsMoved)) throw error
        moved++
        await new Promise((next) => setTimeout(next, 5))
      }
    return { acknowledged, moved }
  })()
  return { stop: () => ((go = false), run) }
}
const tags = (firm: TestFirm) =>
  inFirm(firm.id, (sql) => sql<{ tag: string }[]>`select tag from tree where site_id = ${firm.site}`).then(
    (rows) => new Set(rows.map((r) => r.tag)),
  )

test('a firm begins in the first database, and is found there by its address and its token', async () => {
  expect((await homeOf(a.id))!.name).toBe('one')
  expect((await personOfToken(token))!.person.firmId).toBe(a.id)
  const email = `arborist.${a.id}@test.example`
  const found = await signingIn(
    email,
    (sql) => sql<{ firmId: string }[]>`select firm_id as "firmId" from person where email = ${email}`,
  )
  expect(found[0]!.firmId).toBe(a.id)
  expect(
    await signingIn(
      'nobody@test.example',
      (sql) => sql`select 1 from person where email = 'nobody@test.example'`,
    ),
  ).toHaveLength(0)
})

test('moved while it and another are worked for, nothing acknowledged is lost, and the other notices nothing', async () => {
  const [own, other] = [keepWriting(a, 'A'), keepWriting(b, 'B')]
  await new Promise((next) => setTimeout(next, 300))
  const moved = await moveFirm(a.id, 'two')
  await new Promise((next) => setTimeout(next, 300))
  const [mine, theirs] = [await own.stop(), await other.stop()]
  console.log(
    `moved ${moved.rows} rows; ${mine.acknowledged.length} of its writes acknowledged, ${mine.moved} told to wait; ${theirs.acknowledged.length} of another`,
  )
  expect(moved).toMatchObject({ from: 'one', cleared: true })
  expect((await homeOf(a.id))!.name).toBe('two')
  const kept = await tags(a)
  expect(mine.acknowledged.filter((t) => !kept.has(t))).toEqual([])
  expect(kept.size).toBe(mine.acknowledged.length + 1)
  // It was written before, told to wait meanwhile, and written again after.
  expect(mine.moved).toBeGreaterThan(0)
  expect((await addTree(a, 'after')).ok).toBe(true)
  expect(theirs.moved).toBe(0)
  expect((await tags(b)).size).toBe(theirs.acknowledged.length)
  expect(await checkLedger(a.id)).toBeNull()
  expect((await personOfToken(token))!.person.firmId).toBe(a.id)
  expect(await rowsOf(owner, a.id)).toBe(0)
  expect(await rowsOf(at(owner, names.two), a.id)).toBeGreaterThan(0)
  expect(await rowsOf(at(owner, names.two), b.id)).toBe(0)
}, 120_000)

test('a copy of the app that does not know yet is sent on, and a token that is called back stays called back', async () => {
  // As another copy remembers it: from the directory of before.
  const { foundMoved } = await import('@/db/directory')
  foundMoved(a.id, 'one')
  expect((await addTree(a, 'from a copy that is behind')).ok).toBe(true)
  expect((await homeOf(a.id))!.name).toBe('two')
  const id = uuidv7()
  const second = await done<{ token: string }>(a.person('arborist'), 'make-token', { id, name: 'second' })
  await done(a.person('arborist'), 'revoke-token', { id })
  expect(await personOfToken(second.token)).toBeNull()
})

test('and back again; a move that fails leaves it where it was, to be written', async () => {
  expect(await moveFirm(a.id, 'one')).toMatchObject({ from: 'two', cleared: true })
  expect((await addTree(a, 'home again')).ok).toBe(true)
  await expect(moveFirm(a.id, 'one')).rejects.toThrow(NotMoved)
  await expect(moveFirm(a.id, 'three')).rejects.toThrow(/does not name three/)
  await expect(moveFirm(uuidv7(), 'two')).rejects.toThrow(/knows no firm/)
  // Somebody has put a row in its way.
  await inDatabase(at(owner, names.two), async (sql) => {
    await sql.begin(async (sql) => {
      await sql`select set_config('elmhorn.firm', ${a.id}, true)`
      await sql`insert into firm (id, name, town, time_zone) values (${a.id}, 'Left over', 'Testham', 'UTC')`
    })
  })
  await expect(moveFirm(a.id, 'two')).rejects.toThrow(/holds Moving firm already/)
  expect((await homeOf(a.id))!.name).toBe('one')
  expect((await addTree(a, 'still here')).ok).toBe(true)
  await makeAsh(b, 'Ash of the other')
}, 120_000)

test('while it is being moved it can be read, and nothing in passing is refused', async () => {
  await leaving(owner, a.id)
  expect((await tags(a)).size).toBeGreaterThan(1)
  await expect(addTree(a, 'too soon')).rejects.toThrow(FirmIsMoved)
  await inPassing(a.id, (sql) => sql`update api_token set last_used_at = now() where firm_id = ${a.id}`)
  await stayed(owner, a.id)
  expect((await addTree(a, 'in time')).ok).toBe(true)
})

describe('a move whose process died', () => {
  const two = at(owner, names.two)
  /** A firm taken over as far as that its rows lie in both databases. */
  async function takenOver(firm: TestFirm) {
    const file = path.join(await mkdtemp(path.join(tmpdir(), 'elmhorn-died-')), 'firm.zip')
    await leaving(owner, firm.id)
    await lookingAtFirm(firm.id, (sql) =>
      pipeline(Readable.from(archive(sql, firm.id, { moving: true })), createWriteStream(file)),
    )
    await restoreFirm(two, file, true)
  }
  let c: TestFirm
  beforeEach(async () => {
    c = await makeFirm('Broken off')
    expect((await addTree(c, 'before')).ok).toBe(true)
  })
  async function isWhole(in_: string) {
    expect((await homeOf(c.id))!.name).toBe(in_)
    expect(await tags(c)).toEqual(new Set(['before']))
    expect((await addTree(c, 'after')).ok).toBe(true)
    expect(await rowsOf(in_ === 'two' ? owner : two, c.id)).toBe(0)
    expect(await whereAway(in_ === 'two' ? two : owner, c.id)).toBeUndefined()
  }

  test('before anything was taken over is gone on with', async () => {
    await leaving(owner, c.id)
    await expect(addTree(c, 'too soon')).rejects.toThrow(FirmIsMoved)
    expect(await moveFirm(c.id, 'two')).toMatchObject({ from: 'one', cleared: true })
    await isWhole('two')
  })

  test('or given up: moved to where it lives, it stays and is written again', async () => {
    await leaving(owner, c.id)
    expect(await moveFirm(c.id, 'one')).toMatchObject({ from: 'one', rows: 0 })
    await isWhole('one')
    await expect(moveFirm(c.id, 'one')).rejects.toThrow(/lives in one already/)
  })

  test('with its rows in both databases takes them over anew', async () => {
    await takenOver(c)
    expect(await moveFirm(c.id, 'two')).toMatchObject({ from: 'one', cleared: true })
    await isWhole('two')
  })

  test('before the directory was turned is only ended; nothing of its doors is lost', async () => {
    const { token } = await done<{ token: string }>(c.person('arborist'), 'make-token', {
      id: uuidv7(),
      name: 'one',
    })
    await takenOver(c)
    await finishLeaving(owner, c.id, 'two', DOORS)
    expect(await moveFirm(c.id, 'two')).toMatchObject({ from: 'one', rows: 0, cleared: true })
    await isWhole('two')
    expect((await personOfToken(token))!.person.firmId).toBe(c.id)
  })
})

test('one address is one firm’s, in whichever database', async () => {
  const email = `new.${uuidv7()}@test.example`
  expect(await claimAddress(email, a.id)).toBe(true)
  expect(await claimAddress(email, a.id)).toBe(true)
  expect(await claimAddress(email, b.id)).toBe(false)
})
