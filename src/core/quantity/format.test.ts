import fc from 'fast-check'
import { plain, showGirth, showMl, showTemperature, tapeInches } from './format'
import { ceilGuarded, floorGuarded, roundHalfUp } from './whole'

test('inches as a tape shows them', () => {
  expect(tapeInches(14.5)).toBe('14 1/2')
  expect(tapeInches(14.99)).toBe('15')
  expect(tapeInches(0.375)).toBe('3/8')
  expect(tapeInches(0)).toBe('0')
  expect(tapeInches(-2.25)).toBe('−2 1/4')
})

test('tape inches are never more than a sixteenth off', () => {
  fc.assert(
    fc.property(fc.double({ min: 0, max: 300, noNaN: true }), (inches) => {
      const [whole = '0', fraction] = tapeInches(inches).includes('/')
        ? splitMixed(tapeInches(inches))
        : [tapeInches(inches)]
      const [top = 0, under = 1] = (fraction ?? '0/1').split('/').map(Number)
      expect(Math.abs(Number(whole) + top / under - inches)).toBeLessThanOrEqual(1 / 16 + 1e-9)
    }),
  )
})
function splitMixed(text: string): [string, string] {
  const parts = text.split(' ')
  return parts.length === 2 ? [parts[0]!, parts[1]!] : ['0', parts[0]!]
}

test('units follow the system', () => {
  expect(showGirth(1.1176, 'us')).toBe('44 in')
  expect(showGirth(1.1176, 'metric')).toBe('111.8 cm')
  expect(showMl(9.2e-6)).toBe('9.2 mL')
  expect(showTemperature(20, 'us')).toBe('68 °F')
  expect(plain(-0.0001, 2)).toBe('0')
})

test('whole numbers are guarded against floating noise on both sides', () => {
  expect(ceilGuarded(66 / 6 + 1e-12)).toBe(11)
  expect(ceilGuarded(11.001)).toBe(12)
  expect(floorGuarded(0.3 / 0.1)).toBe(3)
  expect(floorGuarded(2.99)).toBe(2)
  expect(roundHalfUp(6.5)).toBe(7)
  expect(roundHalfUp(6.4999999999999)).toBe(7)
  expect(roundHalfUp(6.49)).toBe(6)
})
