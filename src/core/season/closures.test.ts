import { closures } from './closures'

const begins = Date.UTC(2026, 0, 1)
const DAY = 86_400_000
const work = (more: object) => ({
  at: begins,
  until: null,
  card: 'Example',
  crops: null,
  hosts: ['apple'],
  ...more,
})

test('ground is closed until it may be entered again, and not where nothing closes it', () => {
  expect(closures([work({ at: begins + DAY, until: begins + 3.5 * DAY })], begins)).toEqual([
    { kind: 'ground', from: 1, to: 3.5, card: 'Example', host: null },
  ])
  expect(closures([work({}), work({ until: begins })], begins)).toEqual([])
})

test('a harvest is closed for the days the label keeps, for the kinds it went on only', () => {
  const crops = [
    { host: 'apple', harvestDays: 14 },
    { host: 'pear', harvestDays: 30 },
  ]
  expect(closures([work({ at: begins + 10 * DAY, crops, hosts: ['apple', 'linden'] })], begins)).toEqual([
    { kind: 'harvest', from: 10, to: 24, card: 'Example', host: 'apple' },
  ])
})

test('what was over before the year began is left out; the first to begin comes first', () => {
  const found = closures(
    [
      work({ at: begins + 5 * DAY, until: begins + 6 * DAY, card: 'later' }),
      work({ at: begins - 3 * DAY, until: begins - DAY, card: 'gone' }),
      work({ at: begins - 3 * DAY, until: begins + DAY, card: 'running' }),
    ],
    begins,
  )
  expect(found.map((c) => c.card)).toEqual(['running', 'later'])
})
