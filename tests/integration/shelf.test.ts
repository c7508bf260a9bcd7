import { v7 as uuidv7 } from 'uuid'
import type { Card } from '@/core/card/card'
import { inFirm } from '@/db/client'
import { cards, usesOnShelf, lotCalledBack, lotsOf, putOnFrom, versionsOfCard } from '@/db/queries/card'
import { findCalled } from '@/db/queries/find'
import { cardDocument } from '@/server/shelf'
import { CARDS } from '../../demo/cards'
import {
  closePool,
  decideAsh,
  done,
  emptiedAsh,
  makeFirm,
  NOON,
  problemOf,
  recordInput,
  type TestFirm,
} from './scenario'

let firm: TestFirm
let other: TestFirm
beforeAll(async () => {
  firm = await makeFirm('Shelf')
  other = await makeFirm('Beside the shelf')
})

afterAll(closePool)

const SD2 = CARDS.find((c) => c.card.code === 'SD2')!.card
const enter = (card: Card, after: number | null) => ({ id: uuidv7(), card, after })
const office = () => firm.person('office')

test('a card is entered, read back as it was, and found by the way it is put on', async () => {
  expect(await done(office(), 'enter-card', enter(SD2, null))).toEqual({ code: 'SD2', version: 1 })
  const [stands] = await inFirm(firm.id, (sql) => versionsOfCard(sql, 'SD2'))
  expect(cardDocument(stands!)).toEqual(SD2)
  expect(stands!.enteredBy).toBe('office')
  expect(
    (await inFirm(firm.id, (sql) => usesOnShelf(sql, 'soil-drench'))).map((l) => l.product.code),
  ).toEqual(['SD2'])
  expect(await inFirm(other.id, (sql) => versionsOfCard(sql, 'SD2'))).toEqual([])
})

test('the next version stands beside the first; the list shows the newest alone', async () => {
  const next = { ...SD2, signalWord: 'warning' as const }
  expect(await done(office(), 'enter-card', enter(next, 1))).toEqual({ code: 'SD2', version: 2 })
  const versions = await inFirm(firm.id, (sql) => versionsOfCard(sql, 'SD2'))
  expect(versions.map((v) => [v.version, v.body.signalWord])).toEqual([
    [2, 'warning'],
    [1, 'caution'],
  ])
  const all = await inFirm(firm.id, cards)
  expect(all.filter((c) => c.code === 'SD2').map((c) => c.version)).toEqual([2])
})

test('a card is found once, however many versions it has, and leads to its page', async () => {
  const found = await inFirm(firm.id, (sql) => findCalled(sql, 'example sd2', 10))
  expect(found.filter((f) => f.kind === 'card').map((f) => [f.title, f.detail, f.at])).toEqual([
    ['Example SD2', 'label card v2', 'SD2'],
  ])
})

test('nothing is entered twice, over a version not seen, or over another card', async () => {
  const stands = { ...SD2, signalWord: 'warning' as const }
  expect(await problemOf(office(), 'enter-card', enter(stands, 2))).toMatchObject({
    code: 'conflict',
    message: expect.stringMatching(/v2 says exactly this already/),
  })
  // Fields in another order are the same card.
  const turned = Object.fromEntries(Object.entries(stands).reverse()) as Card
  expect(await problemOf(office(), 'enter-card', enter(turned, 2))).toMatchObject({ code: 'conflict' })
  expect(await problemOf(office(), 'enter-card', enter(SD2, 1))).toMatchObject({
    code: 'conflict',
    message: expect.stringMatching(/office has entered version 2 of SD2 since/),
  })
  expect(await problemOf(office(), 'enter-card', enter(SD2, null))).toMatchObject({
    code: 'conflict',
    field: 'card.code',
    message: expect.stringMatching(/There is a card SD2 already/),
  })
  expect(await problemOf(office(), 'enter-card', enter({ ...SD2, code: 'ZZ1' }, 3))).toMatchObject({
    code: 'conflict',
    message: expect.stringMatching(/There is no card ZZ1/),
  })
})

test('two hands that enter the next version at once: one stands, the other is told', async () => {
  const both = await Promise.allSettled(
    ['danger', 'none'].map((signalWord) =>
      done(office(), 'enter-card', enter({ ...SD2, signalWord } as Card, 2)),
    ),
  )
  expect(both.filter((b) => b.status === 'fulfilled')).toHaveLength(1)
  expect((await inFirm(firm.id, (sql) => versionsOfCard(sql, 'SD2'))).map((v) => v.version)).toEqual([
    3, 2, 1,
  ])
})

test('what nobody here knows is named: trees, causes, and quantities that cannot be', async () => {
  const use = SD2.uses[0]!
  const withUse = (change: object) =>
    enter({ ...SD2, code: 'ZZ2', uses: [{ ...use, ...change }] } as Card, null)
  expect(await problemOf(office(), 'enter-card', withUse({ hosts: ['money-tree'] }))).toMatchObject({
    code: 'unknown',
    field: 'card.uses[0].hosts',
    message: expect.stringMatching(/no kind of tree "money-tree"/),
  })
  expect(await problemOf(office(), 'enter-card', withUse({ targets: ['bad-luck'] }))).toMatchObject({
    code: 'unknown',
    field: 'card.uses[0].targets',
  })
  expect(
    await problemOf(office(), 'enter-card', withUse({ terms: { ...use.terms, strength: '2 lb' } })),
  ).toMatchObject({ field: 'card.uses[0].terms.strength' })
  expect(await inFirm(firm.id, (sql) => versionsOfCard(sql, 'ZZ2'))).toEqual([])
})

test('cards are the arborist’s and the office’s to enter, and what is entered cannot be changed', async () => {
  for (const role of ['crew lead', 'technician'] as const)
    expect(
      await problemOf(firm.person(role), 'enter-card', enter({ ...SD2, code: 'ZZ3' }, null)),
    ).toMatchObject({
      code: 'not-allowed',
    })
  for (const table of ['card', 'card_use'])
    await expect(
      inFirm(firm.id, (sql) => sql`update ${sql(table)} set body = '{}' where firm_id = ${firm.id}`),
    ).rejects.toThrow(/permission denied/)
})

test('nothing is prescribed by a version that was replaced', async () => {
  const { prescription } = await decideAsh(firm, 'S-1')
  const eb4 = { ...CARDS[0]!.card, signalWord: 'danger' as const }
  await done(office(), 'enter-card', enter(eb4, 1))
  expect(await problemOf(firm.person('arborist'), 'hand-to-crew', prescription)).toMatchObject({
    code: 'conflict',
    field: 'useId',
    message: expect.stringMatching(/v1 was replaced by v2 since this page was opened/),
  })
  const offered = await inFirm(firm.id, (sql) => usesOnShelf(sql, 'trunk-injection'))
  expect(offered.map((l) => [l.product.code, l.product.version])).toEqual([['EB4', 2]])
})

test('lots: one of a number, none that has expired, none of a card that is not there', async () => {
  const lot = (more: object) => ({
    id: uuidv7(),
    code: 'SD2',
    number: 'A-1',
    expiresOn: '2028-01-01',
    ...more,
  })
  await done(firm.person('crew lead'), 'enter-lot', lot({}))
  expect((await inFirm(firm.id, (sql) => lotsOf(sql, 'SD2'))).map((l) => [l.number, l.expiresOn])).toEqual([
    ['A-1', '2028-01-01'],
  ])
  for (const [more, field] of [
    [{ number: 'a-1' }, 'number'],
    [{ number: 'A-2', expiresOn: '2020-01-01' }, 'expiresOn'],
    [{ number: 'A-2', expiresOn: 'soon' }, 'expiresOn'],
    [{ number: 'A-2', code: 'NOPE' }, 'code'],
    [{ number: ' ' }, 'number'],
  ] as const)
    expect(await problemOf(office(), 'enter-lot', lot(more))).toMatchObject({ field })
})

test('a lot that is called back is put on from no more, and what was put on from it says so', async () => {
  const run = await emptiedAsh(other, 'Lot ash')
  const lead = other.person('crew lead', new Date(NOON.getTime() + 3_600_000))
  const record = recordInput(run.subject.id, run.ports.length)
  const code = run.subject.product.code
  const lot = (await inFirm(other.id, (sql) => lotsOf(sql, code))).find((l) => l.number === record.lot)!
  const second = await emptiedAsh(other, 'Lot ash 2')
  const { recordId } = await done<{ recordId: string }>(lead, 'sign-record', record)
  expect(await problemOf(other.person('office'), 'withdraw-lot', { lotId: lot.id, why: '' })).toMatchObject({
    field: 'why',
  })
  await done(other.person('office'), 'withdraw-lot', { lotId: lot.id, why: 'The maker found grit in it.' })
  expect(
    await problemOf(other.person('office'), 'withdraw-lot', { lotId: lot.id, why: 'again' }),
  ).toMatchObject({
    code: 'conflict',
  })
  expect(
    await problemOf(lead, 'sign-record', recordInput(second.subject.id, second.ports.length)),
  ).toMatchObject({
    field: 'lot',
    message: expect.stringMatching(/was called back on .*: The maker found grit in it\./),
  })
  expect(await inFirm(other.id, (sql) => putOnFrom(sql, code))).toMatchObject([{ recordId, trees: 1 }])
  expect(await inFirm(other.id, (sql) => lotCalledBack(sql, code, record.lot.toLowerCase()))).toMatchObject({
    why: 'The maker found grit in it.',
  })
})
