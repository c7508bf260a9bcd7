import { CARDS, useOf as ofCard } from '../../../demo/cards'
import { toSI } from '../quantity/units'
import { usedUp } from './usedUp'

const card = (code: string) => CARDS.find((c) => c.card.code === code)!.card
const drench = ofCard(card('SD2'), 'soil-drench')
const row = { use: drench, product: { actives: card('SD2').actives } }
const ACRE = toSI(1, 'acre')
const lb = (n: number) => toSI(n, 'lb')
const used = (applied: number, planned = 0, others = 0) => [
  { active: 'imidacloprid', applied: lb(applied), planned: lb(planned), others: lb(others) },
]
const closed = (u: ReturnType<typeof used>) => usedUp(row, ACRE, u, '2026-06-12', 'us')

test('a limit that is used up closes the way until the next year; what is planned and what others put on count', () => {
  expect(closed(used(0.4))).toMatchObject({ until: '2027-01-01' })
  expect(closed(used(0.2, 0.1, 0.1))).toMatchObject({
    why: expect.stringMatching(/^Nothing is left of the .*imidacloprid.* 2026/),
  })
  expect(closed(used(0.9))).not.toBeNull()
})

test('while anything is left it is open; of another active nothing is said', () => {
  expect(closed(used(0.39))).toBeNull()
  expect(closed([])).toBeNull()
  expect(closed([{ ...used(9)[0]!, active: 'dinotefuran' }])).toBeNull()
  expect(usedUp({ ...row, use: {} }, ACRE, used(9), '2026-06-12', 'us')).toBeNull()
})
