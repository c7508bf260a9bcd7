import fc from 'fast-check'
import { CARDS, useOf } from '../../../../demo/cards'
import { fromSI, toSI } from '../../quantity/units'
import { planSubject } from '../registry'
import type { UseOf } from '../plan'
import type { Method } from '../../card/card'
import { stockBottleFor } from './bottle'

const use = useOf(CARDS.find((c) => c.card.code === 'SD2')!.card, 'soil-drench')
const typed = { bottle: '64 fl oz', pour: '1/2 fl oz', graduation: '1/4 fl oz' }

function tree(inches: number, choice: number, tag = `${inches} in`) {
  const planned = planSubject({
    use: use as UseOf<Method>,
    tree: {
      host: 'hemlock',
      wood: 'conifer',
      stems: [{ diameter: toSI(inches, 'in') }],
      diameter: toSI(inches, 'in'),
      marks: [],
      holes: [],
    },
    day: { on: '2026-06-12', soil: 'moist', temperature: 21 },
    choice,
    given: {},
    units: 'us',
    sources: { reading: 'tape', label: 'card', weather: 'fair' },
  })
  if (!planned.ok) throw new Error(planned.problem.message)
  return { id: tag, tag, plan: planned.value.plan as never }
}

test('an inch takes the pour that was asked for; concentrate by the card’s rate', () => {
  // SD2 gives 0.1 to 0.2 fl oz an inch up to 24 in.
  const r = stockBottleFor(use, 0.5, [tree(11, 0.5), tree(8, 0.5)], typed, 'us')
  if (!r.ok || !r.value) throw new Error('must be mixed')
  expect(fromSI(r.value.concentrate, 'fl oz')).toBeCloseTo(19.2, 9)
  expect(fromSI(r.value.water, 'fl oz')).toBeCloseTo(44.8, 9)
  const eleven = r.value.pours.get('11 in')!
  expect(fromSI(eleven.pour, 'fl oz')).toBeCloseTo(5.5, 9)
  expect(fromSI(eleven.product, 'fl oz')).toBeCloseTo(1.65, 9)
  expect(eleven.errorPercent).toBeCloseTo(0, 9)
  expect(r.value.bottles).toBe(1)
})

test('every pour is on the measure, and between the label’s least and most for its tree', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 4, max: 40, noNaN: true }), { minLength: 1, maxLength: 8 }),
      fc.constantFrom(0, 0.5, 1),
      fc.constantFrom('1/8 fl oz', '1/4 fl oz', '5 mL'),
      (sizes, choice, graduation) => {
        const trees = sizes.map((s, i) => tree(s, choice, `t${i}`))
        const r = stockBottleFor(use, choice, trees, { ...typed, graduation }, 'us')
        if (!r.ok) return expect(r.problem.code).toBe('over-label')
        const total = [...r.value!.pours.values()].reduce((sum, p) => sum + p.product, 0)
        const planned = trees.reduce((sum, t) => sum + (t.plan as { product: number }).product, 0)
        // At the low rate nothing lies below; there it may come to a little more.
        if (choice > 0) expect(total).toBeLessThanOrEqual(planned * (1 + 1e-9))
        for (const { id, plan } of trees as { id: string; plan: { least: number; most: number } }[]) {
          const { pour, product } = r.value!.pours.get(id)!
          const steps = pour / r.value!.graduation
          expect(Math.abs(steps - Math.round(steps))).toBeLessThan(1e-6)
          expect(product).toBeGreaterThanOrEqual(plan.least * (1 - 1e-9))
          expect(product).toBeLessThanOrEqual(plan.most * (1 + 1e-9))
        }
      },
    ),
  )
})

test('nothing is mixed while something is still to be typed', () => {
  expect(stockBottleFor(use, 0, [tree(10, 0)], { ...typed, pour: '' }, 'us')).toEqual({
    ok: true,
    value: null,
  })
})

test.each([
  [{ pour: '0.05 fl oz' }, 'out-of-range', 'pour'],
  [{ bottle: 'big' }, 'bad-quantity', 'bottle'],
  [{ bottle: '0 fl oz' }, 'out-of-range', 'bottle'],
  [{ graduation: '4 fl oz' }, 'over-label', 'graduation'],
  [{ graduation: '2 in' }, 'bad-quantity', 'graduation'],
] as const)('%j is refused at its field', (part, code, field) => {
  expect(stockBottleFor(use, 1, [tree(6, 1)], { ...typed, ...part }, 'us')).toMatchObject({
    ok: false,
    problem: { code, field },
  })
})
