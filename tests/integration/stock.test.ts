import { inFirm } from '@/db/client'
import { eveningOf } from '@/server/read/evening'
import { shortOf, truckDay } from '@/server/read/load'
import { treesOfLot } from '@/db/queries/stock'
import { stockOfCards } from '@/server/stock'
import {
  closePool,
  decideAsh,
  done,
  makeFirm,
  NOON,
  problemOf,
  recordedAsh,
  uuidv7,
  type TestFirm,
} from './scenario'

/** What is left of a lot: bought, counted, used by records; less than a day needs is seen on the load-out. */
let firm: TestFirm
let lotId: string
let code: string
const hours = (n: number) => new Date(NOON.getTime() + n * 3_600_000)
const office = () => firm.person('office', NOON)
const lead = () => firm.person('crew lead', NOON)
const enter = (kind: string, amount: string | null, more: object = {}) => ({
  id: uuidv7(),
  lotId,
  kind,
  amount,
  words: null,
  accepted: [],
  ...more,
})
const left = () => inFirm(firm.id, async (sql) => (await stockOfCards(sql, [code])).get(lotId)?.stock ?? null)
const mL = (m3: number | undefined) => Math.round((m3 ?? NaN) * 1e8) / 100

beforeAll(async () => {
  firm = await makeFirm('Stock firm')
  const [lot] = await inFirm(
    firm.id,
    (sql) =>
      sql<{ id: string; code: string }[]>`select id, card_code as code from lot where number = 'LOT-1'`,
  )
  lotId = lot!.id
  code = lot!.code
})
afterAll(() => closePool())

test('nothing is known of a lot until somebody enters or counts it', async () => {
  expect(await left()).toBeNull()
  await recordedAsh(firm, 'K1', hours(-6))
  expect(await left()).toBeNull()
})

test('what is refused names its field: no unit, another measure, a spill without a word', async () => {
  expect(await problemOf(office(), 'enter-stock', enter('bought', '5'))).toMatchObject({ field: 'amount' })
  expect(await problemOf(office(), 'enter-stock', enter('bought', null))).toMatchObject({ field: 'amount' })
  expect(await problemOf(office(), 'enter-stock', enter('bought', '1 L', { lotId: uuidv7() }))).toMatchObject(
    {
      field: 'lotId',
    },
  )
  await done(office(), 'enter-stock', enter('bought', '500 mL'), { at: hours(-4).getTime() })
  expect(mL((await left())?.left)).toBe(500)
  expect(await problemOf(office(), 'enter-stock', enter('bought', '5 lb'))).toMatchObject({ field: 'amount' })
  expect(await problemOf(lead(), 'enter-stock', enter('spilled', '5 mL'))).toMatchObject({ field: 'words' })
})

test('records use of it, each by when the work ended; every tree of it is listed with its client', async () => {
  const before = (await left())!.left
  await recordedAsh(firm, 'K2', hours(-3))
  const stock = (await left())!
  expect(stock.used).toBeGreaterThan(0)
  expect(mL(stock.left)).toBe(mL(before - stock.used))
  expect(stock.opened).toBe(true)
  const trees = await inFirm(firm.id, (sql) => treesOfLot(sql, lotId))
  expect(trees.map((t) => t.tag)).toEqual(['K1', 'K2'])
  expect(trees[0]).toMatchObject({ site: 'Stock firm site', record: expect.any(Number) as number })
})

test('a count that the records do not leave is asked about, and stands with its reason', async () => {
  const { left: expected } = (await left())!
  const counted = `${mL(expected) - 100} mL`
  expect(await problemOf(lead(), 'enter-stock', enter('counted', counted))).toMatchObject({
    code: 'doubt',
    field: 'differs',
    message: expect.stringMatching(/, 3\.38 fl oz less\. Count once more/) as string,
  })
  expect(
    await problemOf(lead(), 'enter-stock', enter('counted', counted, { accepted: ['differs'] })),
  ).toMatchObject({ field: 'words' })
  await done(
    lead(),
    'enter-stock',
    enter('counted', counted, { accepted: ['differs'], words: 'the can fell over' }),
    { at: hours(-1.5).getTime() },
  )
  expect(mL((await left())?.left)).toBe(mL(expected) - 100)
  expect((await left())?.used).toBe(0)
})

test('a truck takes no more than was counted, and what is short says so; the evening counts it again', async () => {
  await done(
    lead(),
    'enter-stock',
    enter('counted', '3 mL', { accepted: ['differs'], words: 'found empty' }),
    {
      at: hours(-1).getTime(),
    },
  )
  const { prescription } = await decideAsh(firm, 'K3')
  await done(firm.person('arborist', NOON), 'hand-to-crew', prescription)
  const view = await inFirm(firm.id, (sql) =>
    truckDay({ sql, person: lead(), today: '2026-06-12' }, null, undefined),
  )
  const product = view.load.lines.find((l) => l.kind === 'product')!
  expect(product.short).toMatch(/are short: by their counts/)
  // The office sees it before anybody looks for it in the yard.
  const short = await inFirm(firm.id, (sql) => shortOf({ sql, person: office(), today: '2026-06-12' }))
  expect(short).toMatchObject([{ code, date: '2026-06-12', short: product.short }])
  const evening = await inFirm(firm.id, (sql) =>
    eveningOf({ sql, person: lead(), today: '2026-06-12' }, undefined),
  )
  expect(evening.lots).toMatchObject([{ number: 'LOT-1', left: { measure: 'volume' } }])
  expect(mL(evening.lots[0]!.left!.amount)).toBe(3)
})

test('how much is to be there at least is the newest that was said', async () => {
  const least = (text: string) => ({ id: uuidv7(), code, least: text })
  expect(await problemOf(office(), 'set-least', least('2 lb'))).toMatchObject({ field: 'least' })
  expect(await problemOf(office(), 'set-least', { ...least('1 L'), code: 'NONE' })).toMatchObject({
    field: 'code',
  })
  await done(office(), 'set-least', least('1 L'))
  await done(office(), 'set-least', least(''))
  const rows = await inFirm(firm.id, (sql) => sql`select amount from stock_least order by at`)
  expect(rows.map((r) => (r['amount'] === null ? null : mL(r['amount'] as number)))).toContain(1000)
})
