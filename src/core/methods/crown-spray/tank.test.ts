import fc from 'fast-check'
import { CARDS } from '../../../../demo/cards'
import { toSI } from '../../quantity/units'
import type { Method } from '../../card/card'
import type { UseOf } from '../plan'
import { planTogether } from '../together'
import { byAdding, repeatsOfAll, whyNotOneTank, type Tanked } from './tank'

const cardOf = (code: string) => CARDS.find((c) => c.card.code === code)!.card
const tanked = (code: string): Tanked => {
  const { name, actives, uses } = cardOf(code)
  return { name, actives, use: uses.find((u) => u.method === 'crown-spray') as UseOf<'crown-spray'> }
}
const changed = (code: string, terms: Partial<UseOf<'crown-spray'>['terms']>): Tanked => {
  const t = tanked(code)
  return { ...t, use: { ...t.use, terms: { ...t.use.terms, ...terms } } }
}

test.each([
  ['CP4', 'MY3', null],
  ['CP4', 'SU8', null],
  ['CP4', 'HO1', 'Example CP4 is kept 14 days from horticultural oil, which Example HO1 has in it.'],
  ['SU8', 'MY3', 'The card of Example SU8 does not name myclobutanil among what may share its tank.'],
  ['CP4', 'CU5', 'The card of Example CP4 does not name copper hydroxide among what may share its tank.'],
  ['MY3', 'CU5', 'The card of Example CU5 says nothing of a tank with others; it goes alone.'],
  ['KC2', 'MY3', 'Example KC2 is dusted, not sprayed; it has no tank.'],
] as const)('%s with %s', (a, b, why) => {
  expect(whyNotOneTank(tanked(a), tanked(b))).toBe(why)
})

test('whoever is asked first, the answer to whether is the same', () => {
  const codes = ['CP4', 'MY3', 'SU8', 'HO1', 'CU5', 'KC2', 'ST6', 'IS2']
  for (const a of codes)
    for (const b of codes)
      expect(whyNotOneTank(tanked(a), tanked(b)) === null).toBe(whyNotOneTank(tanked(b), tanked(a)) === null)
})

test('what a label never mixes is said by name, whatever else it allows', () => {
  expect(whyNotOneTank(changed('MY3', { tank: { with: 'any', never: ['Captan'] } }), tanked('CP4'))).toBe(
    'Example MY3 never shares a tank with Captan, which Example CP4 has in it.',
  )
})

const question = (code: string, height = 11, choice = 1) => ({
  use: tanked(code).use as UseOf<Method>,
  tree: {
    host: 'apple',
    wood: 'diffuse-porous' as const,
    stems: [{ diameter: toSI(9, 'in') }],
    diameter: toSI(9, 'in'),
    marks: [],
    holes: [],
  },
  day: { on: '2026-06-12', soil: 'moist' as const, temperature: 21 },
  choice,
  given: {
    crown: {
      shape: 'ellipsoid' as const,
      density: 'medium' as const,
      height: toSI(height, 'ft'),
      width: toSI(10, 'ft'),
    },
  },
  units: 'us' as const,
  sources: { reading: 'tape', label: `card ${code}`, weather: 'fair' },
})
const mate = (code: string, choice = 0) => ({
  use: tanked(code).use as UseOf<Method>,
  choice,
  source: `card ${code}`,
})

test('each product is as it would be alone; the walk is counted once', () => {
  const alone = planTogether(question('CP4'), [])
  const both = planTogether(question('CP4'), [mate('MY3')])
  if (!alone.ok || !both.ok) throw new Error('must be planned')
  const [captan, myclobutanil] = both.value
  expect(captan!.plan.product).toBe(alone.value[0]!.plan.product)
  expect(captan!.plan.minutes).toBe(alone.value[0]!.plan.minutes)
  expect(myclobutanil!.plan.minutes).toBe(0)
  // 1.25 oz in 100 gal of the same spray.
  const spray = (captan!.plan as unknown as { shape: { spray: number } }).shape.spray
  expect(myclobutanil!.plan.product).toBeCloseTo((spray / toSI(100, 'gal')) * toSI(1.25, 'oz'), 12)
  // Both are weighed: the water is the spray.
  expect(captan!.plan.water).toBeCloseTo(spray, 12)
})

test('what is poured takes the place of water, of both alike', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 3, max: 60, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      fc.double({ min: 0, max: 1, noNaN: true }),
      (height, a, b) => {
        const r = planTogether(question('HO1', height, a), [mate('IS2', b)])
        if (!r.ok) throw new Error(r.problem.message)
        const [oil, soap] = r.value
        const spray = (oil!.plan as unknown as { shape: { spray: number } }).shape.spray
        expect(oil!.plan.water).toBe(soap!.plan.water)
        expect(oil!.plan.product + soap!.plan.product + oil!.plan.water!).toBeCloseTo(spray, 12)
      },
    ),
  )
})

test('cards that wet the same crown differently do not share a tank', () => {
  const other = { ...mate('MY3'), use: changed('MY3', { volumeRate: '1 gal/1000 ft3' }).use }
  expect(planTogether(question('CP4'), [other as never])).toMatchObject({
    ok: false,
    problem: { code: 'not-allowed', field: 'tank', message: expect.stringMatching(/one after the other/) },
  })
})

test('weighed before poured; again when all of them may', () => {
  expect(
    byAdding(['oil', 'captan', 'soap', 'sulfur'], (p) => (/oil|soap/.test(p) ? 'liquid' : 'weight')),
  ).toEqual(['captan', 'sulfur', 'oil', 'soap'])
  expect(
    repeatsOfAll([
      { least: 7, most: 10, mostTimes: 8 },
      { least: 7, most: 14, mostTimes: 4 },
    ]),
  ).toEqual({ least: 7, most: 10, mostTimes: 4 })
  expect(
    repeatsOfAll([
      { least: 4, most: 6 },
      { least: 7, most: 14 },
    ]),
  ).toBeNull()
  expect(repeatsOfAll([{ least: 7, most: 10 }, null])).toBeNull()
  expect(repeatsOfAll([])).toBeNull()
})
