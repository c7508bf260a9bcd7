import { firstAfter, isDayOfYear, isWithin, monthsOf, sayYearly } from './yearly'

describe('a stretch of every year', () => {
  const summer = { from: '04-01', to: '07-31' }
  const winter = { from: '11-01', to: '03-15' }

  test.each([
    [summer, '2026-03-31', false],
    [summer, '2026-04-01', true],
    [summer, '2026-07-31', true],
    [summer, '2026-08-01', false],
    [winter, '2026-10-31', false],
    [winter, '2026-11-01', true],
    [winter, '2027-03-15', true],
    [winter, '2027-03-16', false],
  ])('%o holds %s: %s', (stretch, on, held) => {
    expect(isWithin(stretch, on)).toBe(held)
  })

  it('opens on the day after its last, in the year in which it ends', () => {
    expect(firstAfter(summer, '2026-06-12')).toBe('2026-08-01')
    expect(firstAfter(winter, '2026-12-24')).toBe('2027-03-16')
    expect(firstAfter(winter, '2027-02-01')).toBe('2027-03-16')
  })

  it('takes months as whole ones and says them with their days', () => {
    expect(sayYearly(monthsOf(4, 7))).toBe('1 April to 31 July')
    expect(sayYearly(monthsOf(11, 2))).toBe('1 November to 28 February')
    expect(sayYearly(monthsOf(10, 12))).toBe('1 October to 31 December')
  })

  it('knows a day that every year has', () => {
    expect(isDayOfYear('02-28')).toBe(true)
    expect(isDayOfYear('02-29')).toBe(false)
    expect(isDayOfYear('13-01')).toBe(false)
    expect(isDayOfYear('4-1')).toBe(false)
  })
})
