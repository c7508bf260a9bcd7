import { createHash } from 'node:crypto'
import { existsSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import sharp from 'sharp'
import { ZipFile } from 'yazl'
import { z } from 'zod'
import { closePool, inFirm, lookingAtFirm, type FirmSql } from '@/db/client'
import { environment } from '@/db/environment'
import { keptColumns } from '@/db/queries/archive'
import { archive } from '@/server/archive/archive'
import { archiveSchema } from '@/server/archive/archiveSchema'
import { KEPT, LEFT, LEFT_COLUMNS, fileOf, type Manifest } from '@/server/archive/kinds'
import { restoreFirm } from '@/server/archive/restoreFirm'
import { checkLedger } from '@/server/ledger/check'
import { keyNames } from '@/server/ledger/seal'
import { unpacked } from '../unpacked'
import { done, makeFirm, ownerSql, recordedAsh, uuidv7, type TestFirm } from './scenario'

/** What a firm leaves with: whole, the same again after it was put back, and refused where it is not what it was. */

const folder = mkdtempSync(path.join(tmpdir(), 'elmhorn-archive-'))
const url = () => environment().DATABASE_OWNER_URL!
let firm: TestFirm

beforeAll(async () => {
  firm = await makeFirm('Ashby Tree Care')
  await recordedAsh(firm, 'A-1')
  // A change of what was, and a photograph.
  await done(firm.person('office'), 'set-firm', {
    name: 'Ashby Tree Care',
    town: 'Larkwell – “upper”',
    timeZone: 'America/New_York',
    latitude: 42.1,
    longitude: -75.3,
    units: 'metric',
    language: 'en',
  })
  await inFirm(firm.id, async (sql) => {
    const [at] = await sql<{ id: string; treeId: string; by: string }[]>`
      select id, tree_id as "treeId", started_by as by from assessment limit 1`
    const jpeg = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#4a6' } })
      .jpeg()
      .toBuffer()
    await sql`insert into photo (id, firm_id, tree_id, assessment_id, finding, taken_at, by_person, width, height, jpeg)
      values (${uuidv7()}, ${firm.id}, ${at!.treeId}, ${at!.id}, null, now(), ${at!.by}, 1, 1, ${jpeg})`
  })
})
afterAll(async () => {
  rmSync(folder, { recursive: true, force: true })
  await closePool()
})

/** The archive of a firm as a file. */
async function taken(id: string, name: string): Promise<string> {
  const pieces = await lookingAtFirm(id, async (sql) => {
    const all: Uint8Array[] = []
    for await (const piece of archive(sql, id, { now: new Date('2026-06-13T08:00:00Z') })) all.push(piece)
    return all
  })
  const file = path.join(folder, name)
  writeFileSync(file, Buffer.concat(pieces))
  return file
}

/** A zip of these files, with a manifest that agrees with them unless it is among the changed ones. */
function packed(files: Map<string, Buffer>, name: string, honest = true): Promise<string> {
  const zip = new ZipFile()
  const manifest = JSON.parse(files.get('manifest.json')!.toString()) as Manifest
  if (honest)
    for (const f of manifest.files) {
      const bytes = files.get(f.path)
      if (!bytes) continue
      f.sha256 = createHash('sha256').update(bytes).digest('hex')
      if (f.rows !== null) f.rows = bytes.toString().split('\n').length - 1
    }
  for (const [at, bytes] of files)
    zip.addBuffer(at === 'manifest.json' ? Buffer.from(JSON.stringify(manifest)) : bytes, at)
  zip.end()
  const file = path.join(folder, name)
  return new Promise((resolve) => {
    const pieces: Buffer[] = []
    zip.outputStream.on('data', (p: Buffer) => pieces.push(p))
    zip.outputStream.on('end', () => {
      writeFileSync(file, Buffer.concat(pieces))
      resolve(file)
    })
  })
}

/** The database without the firm: what another database is to it. */
async function without(id: string): Promise<void> {
  const sql = ownerSql()
  try {
    await sql.begin(async (own) => {
      await own`set local session_replication_role = replica`
      for (const { t } of await own<
        { t: string }[]
      >`select c.relname as t from pg_class c join pg_attribute a on a.attrelid = c.oid
        where c.relnamespace = 'public'::regnamespace and c.relkind = 'r' and a.attname = 'firm_id'`)
        await own.unsafe(`delete from "${t}" where firm_id = $1`, [id])
    })
  } finally {
    await sql.end()
  }
}

it('names every table that has rows of a firm, kept or left with its reason', async () => {
  const tables = await inFirm(firm.id, (sql) => keptColumns(sql))
  const named = [...Object.keys(KEPT), ...Object.keys(LEFT)]
  expect([...tables.keys()].filter((t) => t !== 'schema_version').sort()).toEqual(named.sort())
  expect(new Set(named).size).toBe(named.length)
  for (const [table, columns] of Object.entries(LEFT_COLUMNS))
    expect(tables.get(table)!.map((c) => c.name)).toEqual(expect.arrayContaining([...columns]))
})

it('is described by a schema that is made from the tables', async () => {
  const made = archiveSchema(await inFirm(firm.id, (sql) => keptColumns(sql)))
  const text = `${JSON.stringify(made, null, 2)}\n`
  const file = 'docs/archive.schema.json'
  if (process.env.WRITE_SCHEMA || !existsSync(file)) writeFileSync(file, text)
  expect(JSON.parse(readFileSync(file, 'utf8'))).toEqual(made)
})

it('holds what was entered, each file with its lines and hash, and nothing that opens a door', async () => {
  const files = await unpacked(await taken(firm.id, 'first.zip'))
  const manifest = JSON.parse(files.get('manifest.json')!.toString()) as Manifest
  expect(manifest).toMatchObject({
    format: 'elmhorn-archive',
    version: 1,
    firm: { id: firm.id, name: 'Ashby Tree Care' },
  })
  expect([...files.keys()].at(-1)).toBe('manifest.json')
  expect(manifest.files.map((f) => f.path).sort()).toEqual(
    [...files.keys()].filter((f) => f !== 'manifest.json').sort(),
  )
  const schema = JSON.parse(readFileSync('docs/archive.schema.json', 'utf8')) as ReturnType<
    typeof archiveSchema
  >
  for (const f of manifest.files) {
    const bytes = files.get(f.path)!
    expect(createHash('sha256').update(bytes).digest('hex')).toBe(f.sha256)
    if (f.rows === null) continue
    const lines = bytes.toString().split('\n').slice(0, -1)
    expect(lines).toHaveLength(f.rows)
    const reader = z.fromJSONSchema(schema.files[f.path]!)
    for (const line of lines) expect(reader.safeParse(JSON.parse(line))).toMatchObject({ success: true })
  }
  const counted = (kind: string) => manifest.files.find((f) => f.path === fileOf(kind))!.rows
  const inDatabase = await inFirm(firm.id, async (sql) => {
    const counts: Record<string, number> = {}
    for (const kind of Object.keys(KEPT))
      counts[kind] = (await sql.unsafe<{ n: number }[]>(`select count(*)::int as n from "${kind}"`))[0]!.n
    return counts
  })
  for (const kind of Object.keys(KEPT)) expect([kind, counted(kind)]).toEqual([kind, inDatabase[kind]])
  expect(inDatabase.record).toBeGreaterThan(0)
  expect(inDatabase.change).toBeGreaterThan(0)
  const all = [...files]
    .filter(([at]) => at.endsWith('.jsonl'))
    .map(([, bytes]) => bytes.toString())
    .join('')
  expect(all).not.toMatch(/\$argon2|password_hash|token_hash|factor_secret|recovery_codes/)
})

it('goes back into a database that does not hold it, and comes out the same byte for byte', async () => {
  const first = await taken(firm.id, 'before.zip')
  const changes = () =>
    inFirm(firm.id, async (sql) => (await sql<{ n: number }[]>`select max(id)::int as n from change`)[0]!.n)
  const newest = await changes()
  await without(firm.id)
  await restoreFirm(url(), first)
  const again = await taken(firm.id, 'after.zip')
  const [before, after] = [await unpacked(first), await unpacked(again)]
  expect([...after.keys()]).toEqual([...before.keys()])
  for (const [at, bytes] of before) expect([at, after.get(at)!.equals(bytes)]).toEqual([at, true])
  expect(await checkLedger(firm.id)).toBeNull()
  // It goes on from there: records follow, changes are numbered above, names are found.
  await recordedAsh(firm, 'A-2')
  expect(await checkLedger(firm.id)).toBeNull()
  expect(await changes()).toBeGreaterThan(newest)
  expect(
    await inFirm(
      firm.id,
      (sql: FirmSql) => sql`select 1 from search_entry where kind = 'tree' and words = 'a-1'`,
    ),
  ).toHaveLength(1)
})

it('is refused where the database holds the firm, and where an address opens another', async () => {
  const file = await taken(firm.id, 'twice.zip')
  await expect(restoreFirm(url(), file)).rejects.toThrow('holds Ashby Tree Care already')
  const id = uuidv7()
  const files = await unpacked(file)
  files.set('manifest.json', Buffer.from(files.get('manifest.json')!.toString().replaceAll(firm.id, id)))
  files.set('firm.jsonl', Buffer.from(files.get('firm.jsonl')!.toString().replaceAll(firm.id, id)))
  await expect(restoreFirm(url(), await packed(files, 'same-address.zip'))).rejects.toThrow(
    /One address opens one firm/,
  )
})

const rewrite = (files: Map<string, Buffer>, at: string, by: (text: string) => string) =>
  files.set(at, Buffer.from(by(files.get(at)!.toString())))

describe('where it is not what it was', () => {
  let whole: string
  beforeAll(async () => {
    whole = await taken(firm.id, 'whole.zip')
    await without(firm.id)
  })
  afterAll(() => restoreFirm(url(), whole))

  it.each<[string, (files: Map<string, Buffer>) => void, RegExp]>([
    [
      'a record whose words were changed',
      (f) => rewrite(f, 'record.jsonl', (t) => t.replace(/"lot": "[^"]*"/, '"lot": "L-999"')),
      /ledger in it was changed/,
    ],
    ['a file that is missing', (f) => f.delete('tree.jsonl'), /tree\.jsonl is missing/],
    [
      'a column nobody keeps',
      (f) => rewrite(f, 'client.jsonl', (t) => t.replace('{', '{"owner": 1, ')),
      /says “owner”/,
    ],
    [
      'a password',
      (f) => rewrite(f, 'person.jsonl', (t) => t.replaceAll('{"id"', '{"password_hash": "x", "id"')),
      /password_hash/,
    ],
    [
      'rows of another firm',
      (f) => rewrite(f, 'client.jsonl', (t) => t.replace('{', `{"firm_id": "${firm.id}", `)),
      /says “firm_id”/,
    ],
    [
      'a tree of a site that is not there',
      (f) => rewrite(f, 'tree.jsonl', (t) => t.replace(/"site_id": "[^"]*"/, `"site_id": "${uuidv7()}"`)),
      /does not fit together/,
    ],
    [
      'what is no line',
      (f) => rewrite(f, 'client.jsonl', () => 'nonsense\n'),
      /Line 1 of client\.jsonl is no object/,
    ],
    [
      'a newer schema',
      (f) => rewrite(f, 'manifest.json', (t) => t.replace(/"schema": ?\d+/, '"schema":999')),
      /newer Elmhorn/,
    ],
    ['no manifest of ours', (f) => f.set('manifest.json', Buffer.from('{"files":[]}')), /cannot be read/],
  ])('is refused with %s, and leaves nothing behind', async (_, change, says) => {
    const files = await unpacked(whole)
    change(files)
    await expect(restoreFirm(url(), await packed(files, 'other.zip'))).rejects.toThrow(says)
    expect(await inFirm(firm.id, (sql) => sql`select 1 from firm where id = ${firm.id}`)).toHaveLength(0)
  })

  it('is refused where a file is not what the manifest says, and where it is no zip', async () => {
    const files = await unpacked(whole)
    rewrite(files, 'client.jsonl', (t) => t.replace(/"name": "[^"]*"/, '"name": "Somebody else"'))
    await expect(restoreFirm(url(), await packed(files, 'lied.zip', false))).rejects.toThrow(
      /client\.jsonl is not as it was made/,
    )
    const half = path.join(folder, 'half.zip')
    writeFileSync(half, readFileSync(whole).subarray(0, 4000))
    await expect(restoreFirm(url(), half)).rejects.toThrow(/is no archive, or it is damaged/)
  })
})

it('leaves no statement open when whoever takes it goes away', async () => {
  await lookingAtFirm(firm.id, async (sql) => {
    for await (const _ of archive(sql, firm.id)) break
    expect(await sql`select 1 as one`).toEqual([{ one: 1 }])
  })
})

it('is read in the version it was first given out in', async () => {
  const kept = 'tests/archives/version-1.zip'
  const files = await unpacked(kept)
  const { firm: its, files: listed } = JSON.parse(files.get('manifest.json')!.toString()) as Manifest
  const { rows } = await restoreFirm(url(), kept)
  expect(rows).toBe(listed.reduce((sum, f) => sum + (f.rows ?? 0), 0))
  // The chain is followed; of its seals it depends on whether their key is here.
  const seal = JSON.parse(files.get('seal.jsonl')!.toString().split('\n')[0]!) as { key: string }
  const trouble = await checkLedger(its.id)
  if (keyNames().includes(seal.key)) expect(trouble).toBeNull()
  else expect(trouble).toMatchObject({ seq: 1, kind: 'false seal' })
  await without(its.id)
})
