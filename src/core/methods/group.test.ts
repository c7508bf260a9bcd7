import { CARDS, useOf } from '../../../demo/cards'
import { share } from '../limits/share'
import { toSI } from '../quantity/units'
import type { Method } from '../card/card'
import {
  howManyFit,
  isSharedOut,
  planRow,
  shareQuestion,
  totalsOf,
  type GroupQuestion,
  type GroupTree,
} from './group'
import type { UseOf } from './plan'

const card = (code: string) => CARDS.find((c) => c.card.code === code)!.card
const q: GroupQuestion = {
  uses: [
    { id: 'drench', use: useOf(card('SD2'), 'soil-drench') as UseOf<Method>, source: 'card SD2 v2' },
    { id: 'bark', use: useOf(card('DN7'), 'bark-spray') as UseOf<Method>, source: 'card DN7 v1' },
    { id: 'oil', use: card('HO1').uses[0]! as UseOf<Method>, source: 'card HO1 v1' },
  ],
  choices: { drench: 1, bark: 0 },
  day: { on: '2026-06-12', soil: 'moist', temperature: 21, source: 'fair' },
  units: 'us',
}
const tree = (id: string, inches: number, closed: GroupTree['closed'] = {}): GroupTree => ({
  id,
  tag: id,
  facts: {
    host: 'hemlock',
    wood: 'conifer',
    stems: [{ diameter: toSI(inches, 'in') }],
    diameter: toSI(inches, 'in'),
    marks: [],
    holes: [],
  },
  reading: 'tape reading',
  closed,
})
const by = (useId: string | null) => () => ({ useId, given: {} })

test('each tree gets its own dose by what was chosen for it', () => {
  expect(planRow(tree('a', 12), by('drench')(), q)).toMatchObject({
    stands: 'planned',
    plan: { product: expect.closeTo(toSI(2.4, 'fl oz'), 12) as number },
  })
  expect(planRow(tree('a', 12), by(null)(), q)).toMatchObject({ stands: 'left out', plan: null })
  expect(planRow(tree('a', 12, { drench: ['Spring at 14 ft.'] }), by('drench')(), q)).toMatchObject({
    stands: 'closed',
    why: 'Spring at 14 ft.',
  })
  expect(planRow(tree('a', 12), by('oil')(), q)).toMatchObject({
    stands: 'asks',
    why: expect.stringMatching(/crown/),
  })
  expect(
    planRow(tree('a', 12), { useId: 'oil', given: { crownHeight: 'tall', crownWidth: '8' } }, q),
  ).toMatchObject({ stands: 'refused' })
})

test('the table adds up what is planned, by use', () => {
  const rows = [
    planRow(tree('a', 10), by('drench')(), q),
    planRow(tree('b', 20), by('drench')(), q),
    planRow(tree('c', 10), by('bark')(), q),
    planRow(tree('d', 10), by(null)(), q),
  ]
  const totals = totalsOf(rows)
  expect(totals.planned).toBe(3)
  expect(totals.byUse['drench']!.product).toBeCloseTo(toSI(6, 'fl oz'), 12)
  expect(totals.byUse['drench']!.active).toBeCloseTo(toSI((6 / 128) * 2, 'lb'), 12)
  expect(totals.byUse['bark']!.trees).toBe(1)
  expect(totals.minutes).toBeCloseTo(
    rows.reduce((n, r) => n + (r.plan?.minutes ?? 0), 0),
    9,
  )
})

test('how many fit counts the smallest first', () => {
  const rows = [24, 6, 12, 8].map((d, i) => planRow(tree(`${i}`, d), by('drench')(), q))
  const lbPerInch = (0.2 / 128) * 2
  expect(howManyFit(rows, toSI(26 * lbPerInch, 'lb'))).toBe(3)
  expect(howManyFit(rows, toSI(25.9 * lbPerInch, 'lb'))).toBe(2)
  expect(howManyFit(rows, -1)).toBe(0)
})

test('the split works the most trees the limit and the hours allow, as trying all of them does', () => {
  const sizes = [6, 7, 9, 12, 15, 22, 23, 8]
  const trees = sizes.map((d, i) => tree(`t${i}`, d))
  for (const [pounds, hours] of [
    [0.1, undefined],
    [0.1, 1],
    [0.05, 0.7],
    [0, 0.5],
  ] as const) {
    const question = shareQuestion(trees, ['drench', 'bark'], by('drench'), q, {
      limit: toSI(pounds, 'lb'),
      applied: 0,
      limited: ['drench'],
      minutes: hours === undefined ? undefined : hours * 60,
    })
    const result = share(question)
    if (!result.ok) throw new Error(result.problem.message)
    let most = 0
    for (let n = 0; n < 3 ** sizes.length; n++) {
      let [active, minutes, count, m] = [0, 0, 0, n]
      for (const t of question.trees) {
        const way = t.ways[(m % 3) - 1]
        m = Math.floor(m / 3)
        if (!way) continue
        active += way.active
        minutes += way.minutes
        count++
      }
      if (active <= question.limit * (1 + 1e-12) && (hours === undefined || minutes <= hours * 60 + 1e-9))
        most = Math.max(most, count)
    }
    expect([pounds, hours, result.value.choice.filter((c) => c.way !== null).length]).toEqual([
      pounds,
      hours,
      most,
    ])
  }
})

test('a limit is shared out among what treats; a tree that is watered instead still waits', () => {
  expect([isSharedOut({ method: 'soil-drench' }), isSharedOut({ method: 'bark-spray' })]).toEqual([
    true,
    true,
  ])
  expect([isSharedOut({ method: 'water' }), isSharedOut({ method: 'watch' })]).toEqual([false, false])
})
