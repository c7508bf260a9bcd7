import { addDays } from '../time/calendar'
import {
  asksSeason,
  inWindow,
  readWindow,
  sayClosed,
  stagesNamed,
  windowBetween,
  type SeasonYear,
} from './cardWindow'

const read = (text: string) => {
  const r = readWindow(text, 'window')
  if (!r.ok) throw new Error(r.problem.message)
  return r.value
}

/** Ten degree days a day from 1 March on, and an apple’s spring; of the next year it is known to five days. */
const year = (y: number, spread = 0): SeasonYear => {
  const day = (date: string) => ({
    earliest: addDays(`${y}-${date}`, -spread),
    latest: addDays(`${y}-${date}`, spread),
  })
  const warmth = (later: number) => Array.from({ length: 365 }, (_, i) => Math.max(0, i - 58 - later) * 10)
  return {
    begins: `${y}-01-01`,
    least: warmth(spread),
    most: warmth(-spread),
    stages: [
      { stage: 'green tip', ...day('04-05') },
      { stage: 'bloom', ...day('05-01') },
      { stage: 'petal fall', ...day('05-12') },
    ],
  }
}
const YEARS = [year(2026), year(2027, 5)]

describe('a window as a card says it', () => {
  it('is read: days, warmth of either degree, stages, several stretches', () => {
    expect(read('15 Oct to 28 Feb')).toEqual([[{ kind: 'dates', from: '10-15', to: '02-28' }]])
    expect(read('1. April until 29 February')).toEqual([[{ kind: 'dates', from: '04-01', to: '02-29' }]])
    expect(read('450 to 900 °F·d')).toEqual([[{ kind: 'degree-days', from: 250, to: 500 }]])
    expect(read('250 – 500 C d')).toEqual([[{ kind: 'degree-days', from: 250, to: 500 }]])
    expect(read('1 Mar to 1 Jun and not in bloom or from green tip to petal fall')).toEqual([
      [
        { kind: 'dates', from: '03-01', to: '06-01' },
        { kind: 'not-stage', stage: 'bloom' },
      ],
      [{ kind: 'stage', stage: 'green tip', until: 'petal fall' }],
    ])
    expect(stagesNamed(read('not in bloom and from green tip to petal fall'))).toEqual([
      'bloom',
      'green tip',
      'petal fall',
    ])
    expect([asksSeason(read('1 Mar to 1 Jun')), asksSeason(read('in bloom'))]).toEqual([false, true])
  })
  it.each([
    'spring',
    '31 Apr to 1 May',
    '0 Jan to 1 May',
    '15 Oct',
    '',
    '450 to 900',
    'in',
    '1 Foo to 2 Mar',
  ])('is refused where it cannot be read: %s', (text) => {
    const not = readWindow(text, 'uses[0].window')
    expect(not).toMatchObject({ ok: false, problem: { code: 'bad-quantity', field: 'uses[0].window' } })
  })
  it('is refused where warmth ends below where it begins', () => {
    expect(readWindow('900 to 450 °F·d', 'window')).toMatchObject({
      ok: false,
      problem: { code: 'out-of-range' },
    })
  })
})

describe('a day in a window', () => {
  it('is held against the calendar, over the turn of the year', () => {
    const dormant = read('15 Oct to 28 Feb')
    expect(inWindow(dormant, '2026-10-15', [])).toEqual({ is: 'open' })
    expect(inWindow(dormant, '2027-02-28', [])).toEqual({ is: 'open' })
    expect(inWindow(dormant, '2027-03-01', [])).toEqual({ is: 'closed', next: '2027-10-15' })
    // A leap day is a day after the 28th.
    expect(inWindow(dormant, '2028-02-29', [])).toEqual({ is: 'closed', next: '2028-10-15' })
  })
  it('is held against warmth and stages; one of several stretches is enough', () => {
    // 250 °C·d is reached 25 days after 28 February.
    const warm = read('450 to 900 °F·d')
    expect(inWindow(warm, '2026-03-24', YEARS)).toEqual({ is: 'closed', next: '2026-03-25' })
    expect(inWindow(warm, '2026-03-25', YEARS)).toEqual({ is: 'open' })
    expect(inWindow(read('450 to 900 °F·d or 10 Jun to 15 Jun'), '2026-06-12', YEARS).is).toBe('open')
    expect(inWindow(read('in bloom'), '2026-05-11', YEARS).is).toBe('open')
    expect(inWindow(read('not in bloom'), '2026-05-01', YEARS)).toEqual({ is: 'closed', next: '2026-05-12' })
    expect(inWindow(read('from green tip to petal fall'), '2026-05-11', YEARS).is).toBe('open')
    expect(inWindow(read('from green tip to petal fall'), '2026-05-12', YEARS).is).toBe('closed')
    expect(inWindow(read('from petal fall to green tip'), '2026-05-12', YEARS).is).toBe('closed')
  })
  it('closes a day to come only where no past year would open it', () => {
    expect(inWindow(read('450 to 900 °F·d'), '2026-06-12', YEARS)).toEqual({
      is: 'closed',
      next: '2027-03-20',
    })
    expect(inWindow(read('450 to 900 °F·d'), '2027-03-25', YEARS)).toMatchObject({ is: 'maybe' })
    expect(inWindow(read('450 to 900 °F·d'), '2027-03-30', YEARS)).toEqual({ is: 'open' })
    expect(inWindow(read('in bloom'), '2026-05-12', YEARS)).toEqual({ is: 'closed', next: '2027-04-26' })
    expect(inWindow(read('in bloom'), '2027-04-26', YEARS)).toEqual({
      is: 'maybe',
      why: 'in past years bloom came earlier or later',
    })
    expect(inWindow(read('in bloom'), '2027-05-06', YEARS)).toEqual({ is: 'open' })
    expect(inWindow(read('not in bloom'), '2027-05-06', YEARS).is).toBe('closed')
    expect(inWindow(read('not in bloom'), '2027-05-16', YEARS).is).toBe('maybe')
    expect(inWindow(read('not in bloom'), '2027-05-17', YEARS).is).toBe('open')
    // The year after the next is not looked into.
    expect(inWindow(read('in bloom'), '2027-06-01', YEARS)).toEqual({ is: 'closed', next: null })
  })
  it('closes nothing by what nobody knows, unless the calendar closes it anyway', () => {
    expect(inWindow(read('in bloom'), '2026-05-01', [])).toMatchObject({ is: 'maybe' })
    expect(inWindow(read('in leaf fall'), '2026-05-01', YEARS)).toEqual({
      is: 'maybe',
      why: 'when this tree is at leaf fall is not known here',
    })
    expect(inWindow(read('450 to 900 °F·d'), '2030-05-01', YEARS)).toMatchObject({ is: 'maybe' })
    expect(inWindow(read('1 Mar to 1 Apr and not in bloom'), '2026-05-01', [])).toMatchObject({
      is: 'closed',
    })
    expect(inWindow(read('in bloom or 1 May to 2 May'), '2026-05-01', [])).toEqual({ is: 'open' })
  })
  it('says when no day is left, and how it is written', () => {
    expect(inWindow(read('1 Mar to 1 Apr and in bloom'), '2026-05-01', YEARS)).toEqual({
      is: 'closed',
      next: null,
    })
    expect(sayClosed('EB4', '1 Mar to 1 Apr', '2026-06-12', '2027-03-01')).toEqual({
      why: 'EB4 goes on 1 Mar to 1 Apr; 12 Jun lies outside.',
      wayOut: 'Next from 1 Mar 2027.',
    })
  })
  it('is drawn between two days, stretches that touch as one', () => {
    expect(
      windowBetween(
        read('1 Mar to 1 Apr or 2 Apr to 30 Apr or 1 Jun to 5 Jun'),
        '2026-01-01',
        '2026-12-31',
        [],
      ),
    ).toEqual([
      { from: '2026-03-01', to: '2026-04-30', sure: true },
      { from: '2026-06-01', to: '2026-06-05', sure: true },
    ])
    expect(windowBetween(read('in bloom'), '2027-01-01', '2027-12-31', YEARS)).toEqual([
      { from: '2027-04-26', to: '2027-05-05', sure: false },
      { from: '2027-05-06', to: '2027-05-06', sure: true },
      { from: '2027-05-07', to: '2027-05-16', sure: false },
    ])
  })
})
