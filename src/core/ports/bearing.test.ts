import { apart, arc, clockwise, degreesOf, inSector, sideInWords, span, wrap } from './bearing'

test.each([
  [0, 0],
  [360, 0],
  [-10, 350],
  [725, 5],
  [-720, 0],
])('%d degrees is %d', (angle, wrapped) => {
  expect(Object.is(wrap(angle), wrapped)).toBe(true)
})
test('the way round, and the shorter way', () => {
  expect([clockwise(350, 10), clockwise(10, 350), clockwise(5, 5)]).toEqual([20, 340, 0])
  expect([apart(350, 10), apart(0, 180), apart(0, 181), apart(181, 0), apart(90, 90)]).toEqual([
    20, 180, 179, 179, 0,
  ])
})
test('a sector from 0 to 360 is the whole trunk; from a bearing to itself it is nothing', () => {
  expect([span({ from: 0, to: 360 }), span({ from: 20, to: 380 }), span({ from: 90, to: 90 })]).toEqual([
    360, 360, 0,
  ])
  expect(span({ from: 350, to: 20 })).toBe(30)
})
test.each([
  [100, true],
  [99.9, false],
  [140, true],
  [140.1, false],
  [120, true],
])('%d lies in the sector from 100 to 140: %s', (bearing, inside) => {
  expect(inSector(bearing, { from: 100, to: 140 })).toBe(inside)
})
test('widened at both ends, over north, and to the whole trunk', () => {
  expect([95, 145, 94.9, 145.1].map((b) => inSector(b, { from: 100, to: 140 }, 5))).toEqual([
    true,
    true,
    false,
    false,
  ])
  expect([355, 5, 20, 349].map((b) => inSector(b, { from: 350, to: 10 }))).toEqual([true, true, false, false])
  expect([0, 90, 270].map((b) => inSector(b, { from: 0, to: 180 }, 90))).toEqual([true, true, true])
})
test('degrees and lengths along the girth', () => {
  expect(arc(90, 1.2)).toBeCloseTo(0.3, 12)
  expect(degreesOf(0.3, 1.2)).toBeCloseTo(90, 12)
})
test.each([
  [0, 'north'],
  [22, 'north'],
  [23, 'north-east'],
  [90, 'east'],
  [180, 'south'],
  [270, 'west'],
  [338, 'north'],
  [337, 'north-west'],
])('%d degrees is the %s side', (bearing, side) => {
  expect(sideInWords(bearing)).toBe(side)
})
