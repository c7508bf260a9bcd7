import { outcomeOf as judge } from '../outcome'
import { deviationsOf } from './deviations'
import { volumeApplied, type RunningPort } from './running'
import { leastDose } from './terms'
import { toSI } from '../../quantity/units'

const ML = 1e-6
const port = (number: number, part: Partial<RunningPort> = {}): RunningPort => ({
  number,
  bearing: number * 40,
  volume: 9.2 * ML,
  drilledAt: 1,
  startedAt: 2,
  stoppedAt: 30 * 60_000,
  outAt: 31 * 60_000,
  left: 0,
  givenUp: null,
  ...part,
})
const plan = Array.from({ length: 9 }, (_, i) => ({ number: i + 1, bearing: (i + 1) * 40 }))
const all = (change: Record<number, Partial<RunningPort>> = {}) =>
  plan.map((p) => port(p.number, change[p.number]))
const outcomeOf = (ports: RunningPort[], least: number) => judge(volumeApplied(ports), least)
const PRESCRIBED = 9 * 9.2 * ML

/** 25 to 50 minutes. */
const UPTAKE = { from: 25 * 60, to: 50 * 60 }

test('all as planned says nothing', () => {
  expect(deviationsOf(plan, all(), PRESCRIBED, UPTAKE)).toEqual([])
  expect(outcomeOf(all(), PRESCRIBED)).toBe('treated')
})

test('a port moved and given up with 6 mL left is said', () => {
  const ports = all({ 3: { bearing: 126, givenUp: 'will not take', left: 6 * ML } })
  expect(deviationsOf(plan, ports, PRESCRIBED, UPTAKE)).toEqual([
    'Port 3 was moved from 120° to 126°.',
    'Port 3 was given up with 6 mL of 9.2 mL left: will not take.',
    '76.8 mL went in of 82.8 mL prescribed, 93 %.',
  ])
})

test('nine ports given up for rain with 0.6 mL in are partly treated', () => {
  const ports = all(
    Object.fromEntries(plan.map((p) => [p.number, { givenUp: 'rain', left: (9.2 - 0.6 / 9) * ML }])),
  )
  const least = leastDose({ ratePerInch: { low: 5 * ML, high: 10 * ML } }, toSI(14, 'in'), PRESCRIBED)
  expect(least).toBeCloseTo(70 * ML, 12)
  expect(outcomeOf(ports, least)).toBe('partly treated')
  expect(deviationsOf(plan, ports, PRESCRIBED, UPTAKE).at(-1)).toBe(
    '0.6 mL went in of 82.8 mL prescribed, 1 %.',
  )
})

test('nothing set at all is not treated; what was drilled in vain is said', () => {
  const ports = all(
    Object.fromEntries(
      plan.map((p) => [
        p.number,
        {
          startedAt: null,
          stoppedAt: null,
          outAt: null,
          givenUp: 'rain',
          left: 9.2 * ML,
          drilledAt: p.number === 1 ? 1 : null,
        },
      ]),
    ),
  )
  expect(outcomeOf(ports, PRESCRIBED)).toBe('not treated')
  const said = deviationsOf(plan, ports, PRESCRIBED, UPTAKE)
  expect(said[0]).toBe('Port 1 was drilled but never set: rain.')
  expect(said[1]).toBe('Port 2 was not drilled: rain.')
})

test('the least of a high-rate prescription is the low rate; of a capsule product what was prescribed', () => {
  const terms = { ratePerInch: { low: 5 * ML, high: 10 * ML } }
  expect(leastDose(terms, toSI(10, 'in'), 100 * ML)).toBeCloseTo(50 * ML, 12)
  expect(leastDose({ capsule: { volume: 4 * ML, maxPerInch: 2 * ML } }, toSI(10, 'in'), 20 * ML)).toBe(
    20 * ML,
  )
  // Exactly the least is enough, whatever the last bit of a sum says.
  expect(outcomeOf([port(1, { volume: 0.1 + 0.2 })], 0.3)).toBe('treated')
})

test('a port that took longer than expected is said', () => {
  expect(deviationsOf(plan, all({ 2: { stoppedAt: 90 * 60_000 } }), PRESCRIBED, UPTAKE)).toEqual([
    'Port 2 took 1 h 30 min, longer than the 50 min expected.',
  ])
})

test('a port that was empty sooner than a trunk can drink is said', () => {
  expect(deviationsOf(plan, all({ 2: { stoppedAt: 60_000 } }), PRESCRIBED, UPTAKE)).toEqual([
    'Port 2 took 1 min, far less than the 25 min expected at least.',
  ])
  expect(deviationsOf(plan, all({ 2: { stoppedAt: 6 * 60_000 } }), PRESCRIBED, UPTAKE)).toEqual([])
})
