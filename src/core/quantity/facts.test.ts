import {
  breastHeight,
  plain,
  showArea,
  showGirth,
  showGround,
  showLength,
  showMl,
  showSpeed,
  showTemperature,
  tapeInches,
} from './format'
import { sensible, shown, quantityIn, unitFor } from './pair'
import { fromSI, toSI, UNITS, unit } from './units'

/** What a unit is, from outside: written down here a second time, and not derived from the table it is held against. */
const FACTS: Record<string, number> = {
  in: 0.0254,
  ft: 0.3048,
  yd: 0.9144,
  mm: 0.001,
  cm: 0.01,
  m: 1,
  in2: 0.00064516,
  ft2: 0.09290304,
  yd2: 0.83612736,
  acre: 4046.8564224,
  m2: 1,
  ha: 10000,
  'fl oz': 2.95735295625e-5,
  gal: 0.003785411784,
  qt: 0.000946352946,
  pt: 0.000473176473,
  Tbsp: 1.478676478125e-5,
  tsp: 4.92892159375e-6,
  mL: 1e-6,
  L: 0.001,
  ft3: 0.028316846592,
  m3: 1,
  oz: 0.028349523125,
  lb: 0.45359237,
  mg: 1e-6,
  g: 0.001,
  kg: 1,
  mph: 0.44704,
  'm/s': 1,
  'km/h': 0.2777777777777778,
  s: 1,
  min: 60,
  hour: 3600,
  day: 86400,
  '%': 0.01,
}

test.each(Object.entries(FACTS))('one %s is %d of its SI unit', (symbol, si) => {
  expect(toSI(1, symbol)).toBeCloseTo(si, 15)
  expect(toSI(1, symbol) / si).toBeCloseTo(1, 12)
  expect(fromSI(si, symbol)).toBeCloseTo(1, 12)
})
test('no unit is without a fact, but for temperatures', () => {
  expect(UNITS.map((u) => u.symbol).filter((s) => FACTS[s] === undefined)).toEqual(['F', 'C'])
  expect([toSI(32, 'F'), toSI(212, 'F'), toSI(-40, 'F'), toSI(20, 'C')]).toEqual([0, 100, -40, 20])
  expect([fromSI(0, 'F'), fromSI(100, 'F'), fromSI(-40, 'F')]).toEqual([32, 212, -40])
})
test('a unit that does not exist is the program’s own mistake', () => {
  expect(() => unit('furlong')).toThrow('No unit is called "furlong".')
})

describe('as it is shown', () => {
  test.each([
    [showGirth(1.3208, 'us'), '52 in'],
    [showGirth(1.32, 'metric'), '132 cm'],
    [showGirth(1.3256, 'metric'), '132.6 cm'],
    [showLength(0.4203, 'us'), '16.55 in'],
    [showLength(0.4203, 'metric'), '42.03 cm'],
    [showLength(0.42034, 'metric', 1), '42 cm'],
    [showGround(5.0292, 'us'), '16.5 ft'],
    [showGround(5.06, 'metric'), '5.1 m'],
    [showArea(92.90304, 'us'), '1,000 ft²'],
    [showArea(93.25, 'metric'), '93.3 m²'],
    [showMl(82.84e-6), '82.8 mL'],
    [showMl(82.84e-6, 2), '82.84 mL'],
    [showTemperature(21.4, 'us'), '71 °F'],
    [showTemperature(21.4, 'metric'), '21 °C'],
    [showSpeed(1.9, 'us'), '4 mph'],
    [showSpeed(1.94, 'metric'), '1.9 m/s'],
    [breastHeight('us'), '4 1/2 ft'],
    [breastHeight('metric'), '1.37 m'],
    [plain(5.83049), '5.83'],
    [plain(5.8351), '5.84'],
    [plain(1234.5, 0), '1,235'],
    [plain(-0.001, 2), '0'],
    [tapeInches(-0.01), '0'],
    [tapeInches(-0.25), '−1/4'],
    [tapeInches(11.94), '12'],
    [tapeInches(11.93), '11 7/8'],
    [tapeInches(2.5), '2 1/2'],
    [tapeInches(2.25), '2 1/4'],
    [tapeInches(2.125), '2 1/8'],
  ])('%s', (said, expected) => {
    expect(said).toBe(expected)
  })
  test.each([
    [12345.678, '12,345.7'],
    [1.0051, '1.01'],
    [0.004567, '0.00457'],
    [0.0312, '0.0312'],
    [0, '0'],
  ])('%d sensibly is %s', (value, expected) => {
    expect(sensible(value, value > 1000 ? 1 : 2)).toBe(expected)
  })
  test('a pair says its unit in either system', () => {
    expect(shown(0.3556, 'in', 'us')).toBe('14 in')
    expect(shown(0.3556, 'in', 'metric')).toBe('35.56 cm')
    expect(quantityIn(0.3556, 'in', 'us')).toEqual({ value: expect.closeTo(14, 9), unit: 'in' })
    expect(unitFor('in', 'metric')).toBe('cm')
  })
})
