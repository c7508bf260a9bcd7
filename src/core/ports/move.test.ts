import { toSI } from '../quantity/units'
import { describeLayout, type LayoutInput } from './layout'
import { roundOf, woundAccount, type RingMark } from './marks'
import { movePort, refusalAt } from './move'
import { SAME_VISIT } from './suitability'
import { sideInWords } from './bearing'

const inch = (n: number) => toSI(n, 'in')
const input: LayoutInput = {
  portGirth: inch(54),
  count: 6,
  minSpacing: inch(4),
  flares: [{ bearing: 20, halfWidth: 20 }],
  exclusions: [{ from: 100, to: 120 }],
  earlierHoles: [{ bearing: 200, years: 0.5 }],
}

test('a move off the best place costs suitability', () => {
  const moved = movePort([20, 150, 300], 0, 12, input)
  if (!moved.ok) throw new Error(moved.problem.message)
  expect(moved.value.change).toBeLessThan(-0.1)
  expect(moved.value.layout.total).toBeCloseTo(
    describeLayout([20, 150, 300], input).total + moved.value.change,
    12,
  )
})

test.each([
  [110, /dead, decayed or girdled wood from 100° to 120°/],
  [95, /and 1 in beside it/],
  [205, /the hole at 200° is 6 months old and still rests/],
  [42, /only 0\.3 in from the port at 40°, the least is 4 in/],
])('%d° is refused with its reason', (to, why) => {
  expect(movePort([20, 40, 300], 0, to, input)).toMatchObject({
    ok: false,
    problem: { code: 'not-allowed', message: expect.stringMatching(why) },
  })
})

test('bearings go round: 361 is 1', () => {
  expect(movePort([20, 90, 300], 0, 361, input)).toMatchObject({ ok: true, value: { bearing: 1 } })
})

test('a year-old hole no longer rests, three days early or late', () => {
  const mark: RingMark = { kind: 'hole', from: 50, to: 50, notedOn: '2024-06-14' }
  const round = roundOf([mark], [{ bearing: 90, drilledOn: '2025-06-12' }], inch(50), '2026-06-12')
  expect(round.earlierHoles).toEqual([
    { bearing: 90, years: 1 },
    { bearing: 50, years: 2 },
  ])
})

test('a flare drawn through north keeps its middle', () => {
  const round = roundOf(
    [{ kind: 'flare', from: 350, to: 30, notedOn: '2026-06-12' }],
    [],
    inch(50),
    '2026-06-12',
  )
  expect(round.flares).toEqual([{ bearing: 10, halfWidth: 20 }])
})

test('girdling roots exclude like dead wood', () => {
  const marks: RingMark[] = [
    { kind: 'dead', from: 10, to: 20, notedOn: '2026-06-12' },
    { kind: 'girdling', from: 90, to: 120, notedOn: '2026-06-12' },
  ]
  expect(roundOf(marks, [], inch(50), '2026-06-12').exclusions).toHaveLength(2)
})

test('the wounding account warns when the girth fills up', () => {
  expect(woundAccount([{ years: 1 }, { years: 5 }], 9, inch(54))).toMatchObject({
    planned: 9,
    closing: 1,
    closed: 1,
    warning: null,
  })
  expect(
    woundAccount(
      Array.from({ length: 10 }, () => ({ years: 1 })),
      9,
      inch(54),
    ).warning,
  ).toMatch(/Let this trunk rest/)
})

test.each([
  [2, 85, false],
  [2, null, false],
  [1, 85, true],
  [1, null, true],
  // A tree that hardly grows closes its holes late.
  [2, 40, true],
  [3, 40, false],
] as const)('a visit every %d years at 6 in, crown %p % alive: rings %p', (every, live, rings) => {
  const girth = inch(60)
  const ports = 10
  const earlier = [1, 2, 3, 4, 5].flatMap((n) => Array.from({ length: ports }, () => ({ years: n * every })))
  expect(woundAccount(earlier, ports, girth, live).warning !== null).toBe(rings)
})

test('sides in words', () => {
  expect([0, 44, 180, 338].map(sideInWords)).toEqual(['north', 'north-east', 'south', 'north'])
})

test('a hole of the same visit keeps an inch, one of an earlier visit two', () => {
  const round = {
    portGirth: toSI(51, 'in'),
    count: 1,
    minSpacing: toSI(4, 'in'),
    earlierHoles: [{ bearing: 90, years: 0, keep: SAME_VISIT }],
  }
  // 51 in round: an inch is 7.06°.
  expect(refusalAt(97, [], round)).toMatch(/90° is of this same visit. Stay farther than 1 in/)
  expect(refusalAt(98, [], round)).toBeNull()
  expect(refusalAt(98, [], { ...round, earlierHoles: [{ bearing: 90, years: 0 }] })).toMatch(/still rests/)
})
