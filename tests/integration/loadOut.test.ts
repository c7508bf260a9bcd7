import { inFirm } from '@/db/client'
import { truckDay } from '@/server/read/load'
import { closePool, decideAsh, done, makeFirm, NOON, problemOf, uuidv7, type TestFirm } from './scenario'

/** The truck of a day: what it takes for the crew's work, what was ticked of it, and what the office sees is missing. */
let firm: TestFirm
const crewId = uuidv7()
const TODAY = '2026-06-12'
const lead = () => firm.person('crew lead', NOON)

const truck = (of: string | null | undefined = undefined, onDate: string | null = null) =>
  inFirm(firm.id, (sql) => truckDay({ sql, person: lead(), today: TODAY }, onDate, of))
const tick = (more: Record<string, unknown> = {}) => ({
  id: uuidv7(),
  crewId: null,
  onDate: TODAY,
  line: 'water',
  name: 'Water',
  amount: '2 gal',
  state: 'on',
  ...more,
})
/** Pressed so many minutes ago. */
const at = (minutes: number) => ({ at: NOON.getTime() - minutes * 60_000 })
const said = (view: Awaited<ReturnType<typeof truck>>, line: string) =>
  view.ticked.find((t) => t.line === line)

beforeAll(async () => {
  firm = await makeFirm('Load firm')
  for (const tag of ['L1', 'L2']) {
    const { prescription } = await decideAsh(firm, tag)
    await done(firm.person('arborist', NOON), 'hand-to-crew', prescription)
  }
})
afterAll(() => closePool())

test('a day with work that no crew has is loaded all the same, with the lot and a tenth to spare', async () => {
  const { crew, jobs, load } = await truck()
  expect([crew!.id, jobs.length, load.trees]).toEqual([null, 1, 2])
  const product = load.lines.find((l) => l.kind === 'product')!
  expect(product.detail).toMatch(/for 2 trees, and a tenth to spare · lot LOT-1 · Load firm site$/)
  expect(product.short).toBeNull()
  expect(load.lines.some((l) => l.key.startsWith('bit '))).toBe(true)
})

test('what was said last of a thing by the device’s time holds, whoever came first', async () => {
  const technician = firm.person('technician', NOON)
  await done(technician, 'note-loaded', tick({ state: 'missing' }), at(10))
  expect(said(await truck(), 'water')).toMatchObject({ state: 'missing', by: 'technician' })
  await done(lead(), 'note-loaded', tick(), at(5))
  // Pressed before, sent later.
  await done(technician, 'note-loaded', tick({ state: 'off' }), at(7))
  expect(said(await truck(), 'water')).toMatchObject({ state: 'on', by: 'crew lead', amount: '2 gal' })
})

test('the same press twice is one; the same id for something else is refused', async () => {
  const once = tick({ line: 'spill kit', name: 'Spill kit', amount: null })
  await done(lead(), 'note-loaded', once)
  await done(lead(), 'note-loaded', once)
  const rows = await inFirm(firm.id, (sql) => sql`select 1 from loaded where id = ${once.id}`)
  expect(rows).toHaveLength(1)
  expect(await problemOf(lead(), 'note-loaded', { ...once, state: 'missing' })).toMatchObject({
    code: 'conflict',
  })
})

test('a crew’s truck is its own: days too far off and crews that are not there are refused', async () => {
  await done(firm.person('office', NOON), 'set-crew', {
    crewId,
    name: 'Yarrow',
    truck: 'truck 2',
    people: [lead().id],
    methods: ['trunk-injection'],
    begins: 420,
    minutes: [480, 480, 480, 480, 480, 0, 0],
  })
  await done(lead(), 'note-loaded', tick({ crewId, state: 'missing' }), at(10))
  expect(said(await truck(null), 'water')).toMatchObject({ state: 'on' })
  for (const [more, field] of [
    [{ onDate: '2026-06-10' }, 'onDate'],
    [{ onDate: '2026-06-27' }, 'onDate'],
    [{ crewId: uuidv7() }, 'crewId'],
    [{ line: '' }, 'line'],
    [{ state: 'lost' }, 'state'],
  ] as const)
    expect(await problemOf(lead(), 'note-loaded', tick(more))).toMatchObject({ field })
})

test('what is missing on a truck of today or tomorrow is seen by the office until it is there', async () => {
  const { missingOnTrucks } = await import('@/db/queries/loaded')
  const missing = () => inFirm(firm.id, (sql) => missingOnTrucks(sql, TODAY, '2026-06-13'))
  expect((await missing()).map((m) => [m.name, m.crew, m.onDate])).toEqual([['Water', 'Yarrow', TODAY]])
  await done(lead(), 'note-loaded', tick({ crewId }), at(1))
  expect(await missing()).toEqual([])
})

test('a lot that was called back is not loaded, and its product is short', async () => {
  await inFirm(
    firm.id,
    (sql) =>
      sql`update lot set withdrawn_on = ${TODAY}, withdrawn_why = 'called back' where number = 'LOT-1'`,
  )
  const product = (await truck()).load.lines.find((l) => l.kind === 'product')!
  expect(product.short).toMatch(/^No lot of .* may be put on from on this day\.$/)
})
