import { refusedForHarvest, type HarvestQuestion } from './harvest'

const pear: HarvestQuestion = {
  host: 'pear',
  foodCrops: [
    { host: 'pear', harvestDays: 30 },
    { host: 'apple', harvestDays: 0 },
  ],
  eaten: true,
  on: '2026-08-02',
  harvestOn: '2026-09-01',
}

test.each<[string, Partial<HarvestQuestion>, string | null]>([
  ['thirty days on', {}, null],
  ['a day too near', { on: '2026-08-03' }, 'onDate'],
  ['on the day of picking', { on: '2026-09-01' }, 'onDate'],
  ['after picking', { on: '2026-09-02' }, null],
  ['nobody said when', { harvestOn: null }, 'harvestOn'],
  ['nobody eats of it', { harvestOn: null, eaten: false }, null],
  ['a crop without days', { host: 'apple', harvestOn: null }, null],
  ['a kind the label does not name', { host: 'plum', harvestOn: null }, null],
])('%s', (_, part, field) => {
  const refused = refusedForHarvest({ ...pear, ...part })
  expect(refused && !refused.ok ? refused.problem.field : null).toBe(field)
})

test('the last day is said', () => {
  const refused = refusedForHarvest({ ...pear, on: '2026-08-20' })
  expect(refused && !refused.ok && refused.problem.message).toMatch(/Last day: 2 Aug 2026/)
})
