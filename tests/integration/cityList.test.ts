import { inFirm } from '@/db/client'
import { importTrees, undoImport, type ImportAsked } from '@/server/trees/importTrees'
import { cityList } from '../cityList'
import { closePool, done, makeFirm, ownerSql, uuidv7, type TestFirm } from './scenario'

/** A list of 5,000 lines as cities publish them is taken with exactly the counts it should give. */

const LIST = cityList(5000)
let firm: TestFirm
let siteId: string
const person = () => firm.person('arborist', new Date())

const windows1252 = (text: string) => {
  // What this list has beyond ASCII lies alike in both.
  if (/[^\u0000-\u007f\u00a0-\u00ff]/.test(text)) throw new Error('this list needs a table of its own')
  return new Uint8Array(Buffer.from(text, 'latin1'))
}
const ENCODED = {
  'UTF-8': (text: string) => new TextEncoder().encode(text),
  'UTF-8 with its mark': (text: string) => new TextEncoder().encode(`\ufeff${text}`),
  'UTF-16': (text: string) => new Uint8Array(Buffer.from(`\ufeff${text}`, 'utf16le')),
  'Windows-1252': windows1252,
}

async function list(bytes: Uint8Array, more: Partial<ImportAsked> = {}) {
  const r = await importTrees(person(), {
    siteId,
    mode: 'look',
    all: false,
    bytes,
    kind: 'csv',
    fileName: 'street trees.csv',
    columns: {},
    ...more,
  })
  if (!r.ok) throw new Error(`${r.problem.field}: ${r.problem.message}`)
  return r.value
}
const bytes = ENCODED['UTF-8'](LIST.text)

beforeAll(async () => {
  firm = await makeFirm('Street trees firm')
  siteId = uuidv7()
  const clientId = uuidv7()
  await done(person(), 'add-client', { id: clientId, name: 'The town' })
  await done(person(), 'add-site', {
    id: siteId,
    clientId,
    name: 'Streets',
    address: 'Testham',
    latitude: 42.31,
    longitude: -75.22,
  })
})
afterAll(() => closePool())

test('a look says what the list comes to', async () => {
  const look = await list(bytes)
  expect([look.rows, look.new, look.changed, look.same]).toEqual([LIST.rows, LIST.trees, 0, 0])
  const told: Record<string, number> = {}
  for (const { code } of look.refused) told[code] = (told[code] ?? 0) + 1
  expect(told).toEqual(LIST.refused)
  expect(look.kindsUnknown).toEqual(
    Object.entries(LIST.unknown).map(([written, rows]) => ({ written, rows })),
  )
  expect(Object.fromEntries(look.columns.map((c) => [c.header, c.field]))).toEqual({
    FACILITYID: 'tag',
    SPP_BOT: 'kind',
    SPP_COM: null,
    'DBH (inches)': 'diameter',
    'Tree Ht (ft)': 'height',
    'Crown Spread': 'spread',
    LATITUDE: 'latitude',
    LONGITUDE: 'longitude',
    'Planting Date': 'planted',
    'Mgmt Zone': 'block',
    Condition: null,
    Remarks: 'note',
  })
  // Each row that is refused says why in a sentence.
  for (const { message } of look.refused) expect(message).toMatch(/^[“A-Z].*\.$/)
})

test('taken, every figure is what was written; again in any encoding nothing changes; taken back, nothing is left', async () => {
  const taken = await list(bytes, { mode: 'take' })
  expect([taken.new, taken.refused.length]).toEqual([
    LIST.trees,
    Object.values(LIST.refused).reduce((a, b) => a + b, 0),
  ])
  const [sum] = await inFirm(
    firm.id,
    (sql) => sql<{ trees: number; metres: number; formulas: number; unknown: number; placed: number }[]>`
      select count(*)::int as trees, sum(diameter_m) as metres, count(*) filter (where note ~ '^[=+@-]')::int as formulas,
        count(*) filter (where host = 'unknown')::int as unknown, count(*) filter (where placed)::int as placed
      from tree where site_id = ${siteId}`,
  )
  expect(sum).toMatchObject({
    trees: LIST.trees,
    formulas: LIST.formulas,
    unknown: Object.values(LIST.unknown).reduce((a, b) => a + b, 0),
    placed: LIST.trees,
  })
  // To the hundredth of a centimetre that the list itself writes.
  expect(Math.abs(sum!.metres / 0.0254 - LIST.inches)).toBeLessThan(LIST.trees * 0.002)
  for (const [name, encode] of Object.entries(ENCODED)) {
    const again = await list(encode(LIST.text), { mode: 'take' })
    expect([name, again.new, again.changed, again.same]).toEqual([name, 0, 0, LIST.trees])
  }
  expect(await undoImport(person(), taken.import!)).toEqual({
    ok: true,
    value: { trees: LIST.trees, readings: 0, changes: 0, left: [] },
  })
  const owner = ownerSql()
  const [left] = await owner`select
    (select count(*)::int from tree where site_id = ${siteId}) as trees,
    (select count(*)::int from stem_reading r where r.firm_id = ${firm.id}) as readings`
  await owner.end()
  expect(left).toEqual({ trees: 0, readings: 0 })
}, 240_000)
