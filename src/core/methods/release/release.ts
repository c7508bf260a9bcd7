import { ok } from '../../problem'
import { plain } from '../../quantity/format'
import { toSI } from '../../quantity/units'
import type { HandMethod } from '../byHand'
import type { ForecastHour, HourReason } from '../hourReasons'
import { GROWING_SEASON } from '../growingSeason'

/** Predators and parasites set free when it is warm enough and nothing sprayed still kills. Source: handbook, biological. */
export const release: HandMethod = {
  hours: (terms, hours) => coolDays(terms['warm'], hours),
  terms: [
    { name: 'who', label: 'What is released', kind: 'words', hint: 'predatory mites' },
    { name: 'perTree', label: 'For a tree, about', kind: 'count', least: 1, most: 100_000 },
    { name: 'warm', label: 'When the days reach, °F', kind: 'count', least: 40, most: 100 },
    { name: 'sprayDays', label: 'Days after any spray', kind: 'count', most: 90 },
    { name: 'days', label: 'Again after, days', kind: 'count', least: 3, most: 60 },
    { name: 'times', label: 'Times a season, at most', kind: 'count', least: 1, most: 12 },
  ],
  asks: [{ name: 'prey', label: 'Prey on ten leaves, counted', kind: 'count', least: 1, most: 10_000 }],
  kit: 'the helpers, kept cool and out of the sun, paper to scatter from',
  plan: ({ terms, given }) =>
    ok({
      minutes: 10,
      water: null,
      shape: { count: Number(terms['perTree']), prey: Number(given['prey']) },
      steps: [
        { task: 'warm', times: 1 },
        {
          task: 'free',
          times: 1,
          note: {
            name: 'alive',
            label: 'They came',
            kind: 'choice',
            options: ['alive and moving', 'some dead', 'mostly dead'],
          },
        },
      ],
      working: [],
    }),
  say: (task, { terms, shape }) =>
    task === 'warm'
      ? {
          name: 'Warm enough',
          text: `A day that reaches ${String(terms['warm'])} °F, in the evening or under cloud, leaves dry of any spray.`,
        }
      : {
          name: 'Set free',
          text: `About ${plain(Number(shape['count']), 0)} ${String(terms['who'])}, spread over the crown near the prey, the same day they came.`,
        },
  inOneLine: ({ terms, shape }) => `about ${plain(Number(shape['count']), 0)} ${String(terms['who'])}`,
  repeats: (terms) => ({
    least: Number(terms['days']),
    most: Number(terms['days']) + 7,
    mostTimes: Number(terms['times']),
    season: GROWING_SEASON,
  }),
  checks: () => [
    {
      afterDays: 14,
      what: 'Prey on ten leaves, two weeks on',
      expectation: {
        kind: 'count',
        question: 'How many of the pest are alive on ten leaves?',
        unit: 'counted',
        sense: 'at-most',
        expected: 10,
        tolerated: 40,
        least: 0,
        most: 10_000,
      },
    },
  ],
  sprayDays: (terms) => Number(terms['sprayDays']),
  leads: (noted) =>
    noted['free'] === 'mostly dead'
      ? 'The helpers came mostly dead. Order them again or choose another way.'
      : null,
}

/** Helpers are set free on days that reach a warmth, °F; of a day whose warmth is not known nothing is said. */
function coolDays(warm: string | number | undefined, hours: readonly ForecastHour[]): HourReason[][] {
  const least = toSI(Number(warm), 'F')
  const reached = new Map<string, number>()
  for (const { time, temperature } of hours)
    if (temperature !== undefined)
      reached.set(time.slice(0, 10), Math.max(reached.get(time.slice(0, 10)) ?? -Infinity, temperature))
  return hours.map(({ time }) => ((reached.get(time.slice(0, 10)) ?? Infinity) < least ? ['cold'] : []))
}
