import { countable, countedUse, eachActive } from './counted'

const two = [
  { name: 'Imidacloprid', strength: '2 lb/gal' },
  { name: 'Bifenthrin', strength: '1 lb/gal' },
]

test('all actives of a product are counted, by their strengths', () => {
  expect(eachActive(two, 0.4)).toEqual([
    { active: 'imidacloprid', kg: 0.4 },
    { active: 'bifenthrin', kg: expect.closeTo(0.2, 12) as number },
  ])
  expect(
    eachActive(
      [
        { name: 'captan', strength: '40 %' },
        { name: 'sulfur', strength: '10 %' },
      ],
      1,
    )[1]!.kg,
  ).toBeCloseTo(0.25, 12)
  expect(eachActive([], 1)).toEqual([])
})

test('what cannot be held against the first cannot be counted, and is said', () => {
  const mixed = [two[0]!, { name: 'bifenthrin', strength: '10 %' }]
  expect(eachActive(mixed, 1)).toHaveLength(1)
  expect([
    countable(two),
    countable(mixed),
    countable([{ name: 'x', strength: 'strong' }]),
    countable([]),
  ]).toEqual([true, false, true, true])
})

test('an active has one ledger, however it is written and whoever put it on', () => {
  const of = (name: string, part: object) => ({
    actives: [{ name, strength: '' }],
    applied: 0,
    others: 0,
    planned: 0,
    ...part,
  })
  expect(
    countedUse([
      of('imidacloprid', { applied: 0.1 }),
      of('Imidacloprid ', { others: 0.2 }),
      { actives: two, applied: 0, others: 0, planned: 0.3 },
      of('Copper hydroxide', { applied: 1 }),
    ]),
  ).toEqual([
    { active: 'bifenthrin', applied: 0, others: 0, planned: expect.closeTo(0.15, 12) as number },
    { active: 'copper', applied: 1, others: 0, planned: 0 },
    { active: 'imidacloprid', applied: 0.1, others: 0.2, planned: 0.3 },
  ])
})
