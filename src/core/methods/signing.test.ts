import { lessAsked, lotOf, miscounted, readWeather, whyNotSigned, type TypedRecord } from './signing'
import { pressStep, type RunningStep } from './running'

const TODAY = '2026-06-12'
const lot = (number: string, more = {}) => ({ number, expiresOn: null, withdrawnOn: null, ...more })
const SHELF = [
  lot('K 1'),
  lot('K 2', { expiresOn: '2026-06-11' }),
  lot('K 3', { withdrawnOn: '2026-06-01', withdrawnWhy: 'Cloudy.' }),
]
const HOUR = 3_600_000

/** A port of 9 mL taken through its steps within some minutes, with what was left where it was given up. */
function port(minutes: number, left?: number): RunningStep {
  const at = (n: number) => 1e12 + n * minutes * 15_000
  const run = pressStep(
    1,
    { kind: 'port', bearing: 20, product: 9e-6 },
    [],
    [
      { id: 'a', kind: 'drill', at: at(0) },
      { id: 'b', kind: 'start', at: at(1) },
      left === undefined
        ? { id: 'c', kind: 'stop', at: at(3) }
        : { id: 'c', kind: 'give-up', at: at(3), reason: 'leaks', left },
      { id: 'd', kind: 'out', at: at(4) },
    ],
  )
  if (!run.ok) throw new Error(run.problem.message)
  return run.value
}

const typed: TypedRecord = {
  lot: 'k 1',
  temperature: '70',
  wind: '5',
  counted: '1',
  mark: 'white',
  began: null,
  ended: null,
}
const why = (more: Partial<TypedRecord> = {}, steps = [port(60)], least = 8e-6) =>
  whyNotSigned(
    {
      typed: { ...typed, ...more },
      lots: SHELF,
      name: 'Hollow Creek 4',
      set: 1,
      trees: [
        {
          tag: 'Ash 1',
          plan: { kind: 'liquid', least, minutes: 60 },
          confirmedAt: 1e12 - HOUR / 60,
          states: steps,
        },
      ],
      method: 'trunk-injection',
    },
    TODAY,
    'us',
  )

test('a count that is not what was set is refused', () => {
  expect(miscounted(9, 9)).toBeNull()
  expect(miscounted(8, 9)).toMatchObject({
    field: 'counted',
    message: expect.stringMatching(/8 empties, but 9/) as string,
  })
  expect(miscounted(null, 9)).toMatchObject({ code: 'missing' })
})

test.each([
  ['k 1', null],
  ['K 2', /expired on 11 Jun 2026. Use another: K 1\./],
  ['K 3', /called back on 1 Jun 2026: Cloudy\. Use another: K 1\./],
  ['K 9', /not on the shelf for Hollow Creek 4/],
])('lot %s', (number, says) => {
  const found = lotOf(SHELF, number, { name: 'Hollow Creek 4', today: TODAY })
  if (says === null) expect(found).toEqual({ ok: true, value: 'K 1' })
  else expect(found).toMatchObject({ ok: false, problem: { message: expect.stringMatching(says) as string } })
})

test('weather is read in one’s own units, and what cannot be outdoors is refused', () => {
  expect(readWeather({ temperature: '20', wind: '3' }, 'metric')).toMatchObject({
    ok: true,
    value: { temperature: 20, wind: 3 },
  })
  expect(readWeather({ temperature: '700', wind: '3' }, 'us')).toMatchObject({
    ok: false,
    problem: { field: 'temperature' },
  })
  expect(readWeather({ temperature: '70', wind: '-3' }, 'us')).toMatchObject({
    ok: false,
    problem: { field: 'wind' },
  })
})

test('what got less than its least is asked about, nothing first', () => {
  const got = (tag: string, outcome: 'treated' | 'partly treated' | 'not treated') =>
    ({ tag, outcome, applied: 0, least: 1, kind: 'liquid', method: 'crown-spray' }) as const
  const all = [got('A', 'treated'), got('B', 'partly treated'), got('C', 'not treated')]
  expect(lessAsked(all, [], 'us')).toMatchObject({
    code: 'doubt',
    field: 'not treated',
    message: expect.stringMatching(/at C:/) as string,
  })
  expect(lessAsked(all, ['not treated'], 'us')).toMatchObject({
    field: 'partly treated',
    message: expect.stringMatching(/at B:/) as string,
  })
  expect(lessAsked(all, ['not treated', 'partly treated'], 'us')).toBeNull()
})

test('a device asks what the server would: count, lot, weather, what went in, presses in no time', () => {
  expect(why()).toBeNull()
  expect(why({ counted: '2' })).toMatchObject({ field: 'counted' })
  expect(why({ mark: '' })).toMatchObject({ field: 'mark' })
  expect(why({ lot: 'K 2' })).toMatchObject({ field: 'lot' })
  expect(why({ wind: 'a breeze' })).toMatchObject({ field: 'wind' })
  expect(why({}, [port(60, 4e-6)])).toMatchObject({ code: 'doubt', field: 'partly treated' })
  expect(why({ accepted: ['partly treated'] }, [port(60, 4e-6)])).toBeNull()
  expect(why({}, [port(1)])).toMatchObject({ code: 'doubt', field: 'short' })
  expect(why({ accepted: ['short'] }, [port(1)])).toBeNull()
  expect(why({ began: '08:00', ended: '09:00' }, [port(1)])).toBeNull()
})
