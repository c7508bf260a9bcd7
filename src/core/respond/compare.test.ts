import {
  AGAIN,
  answersOf,
  compare,
  compareTold,
  isTold,
  promisedAgain,
  PULL_THEM,
  REOPEN,
  sentBack,
  STOP_TREATING,
  TREAT_AGAIN,
  type Measured,
  type ToldKind,
} from './compare'

const share: Measured = {
  kind: 'share',
  question: 'What share of the crown is alive?',
  unit: '%',
  sense: 'at-least',
  expected: 75,
  tolerated: 65,
  least: 0,
  most: 100,
}
const scorch: Measured = {
  ...share,
  kind: 'side-effect',
  sense: 'at-most',
  expected: 5,
  tolerated: 10,
}
const KINDS: ToldKind[] = ['look', 'care', 'assessor', 'laboratory', 'removal', 'referred', 'report']

test.each([
  [100, 'as expected'],
  [75, 'as expected'],
  [74.9, 'slower'],
  [65, 'slower'],
  [64.9, 'not working'],
  [0, 'not working'],
])('a crown of %p per cent is %p, the limits with what they bound', (value, verdict) => {
  expect(compare(share, value).verdict).toBe(verdict)
})

test.each([
  [0, 'as expected', 'go on as planned'],
  [5, 'as expected', 'go on as planned'],
  [5.1, 'harmed', 'note it and go on'],
  [10, 'harmed', 'note it and go on'],
  [10.1, 'harmed', 'spare the tree this year'],
])('scorch of %p per cent is %p; a harmed tree is never given the same again', (value, verdict, first) => {
  const found = compare(scorch, value)
  expect([found.verdict, found.options[0]]).toEqual([verdict, first])
  if (verdict === 'harmed') expect(found.options).not.toContain('repeat')
})

test('what is still in the tree is fetched, whatever else', () => {
  const back = compare({ ...scorch, kind: 'all-back', expected: 0, tolerated: 3 }, 1)
  expect(back).toEqual({ verdict: 'left behind', options: [PULL_THEM] })
  expect(promisedAgain(PULL_THEM, scorch)).toBe(0)
})

test('what did not work doubts the diagnosis before the method', () => {
  const { options } = compare(share, 10)
  expect(options[0]).toBe(REOPEN)
  expect(options.indexOf(REOPEN)).toBeLessThan(options.indexOf('change method'))
  expect(sentBack(REOPEN)).toBe('examine')
  expect(sentBack('change method')).toBe('decide')
})

test('the date on which it is treated again leads to the prescription, or to a reason', () => {
  const again: Measured = { ...share, treats: true }
  expect(compare(again, 80).options).toEqual([TREAT_AGAIN, 'not this year', STOP_TREATING])
  expect(compare(again, 70).options).toContain(REOPEN)
  expect(compare(again, 10).options[0]).toBe(REOPEN)
  for (const value of [80, 70, 10]) expect(compare(again, value).options).toContain(TREAT_AGAIN)
  expect(sentBack(TREAT_AGAIN)).toBe('prescribe')
  expect(promisedAgain('not this year', again)).toBe(365)
  expect(promisedAgain(TREAT_AGAIN, again)).toBeUndefined()
})

test('a watched threshold is counted again or decided anew, never called a success', () => {
  const watch: Measured = { ...scorch, kind: 'count', expected: 20, tolerated: 20, watch: { againDays: 14 } }
  expect(compare(watch, 20)).toMatchObject({ verdict: 'under the threshold' })
  expect(compare(watch, 21)).toMatchObject({ verdict: 'over the threshold' })
  expect(promisedAgain(AGAIN, watch)).toBe(14)
  expect(promisedAgain(AGAIN, share)).toBeUndefined()
})

test.each(KINDS)('every answer to %p leads somewhere', (kind) => {
  const asked = { kind, question: 'How does it stand?', againDays: 30 }
  expect(isTold(asked)).toBe(true)
  expect(answersOf(kind).length).toBeGreaterThan(1)
  for (const said of answersOf(kind)) {
    const { options } = compareTold(kind, said)!
    expect(options.length).toBeGreaterThan(0)
    for (const next of options)
      expect([
        next,
        sentBack(next) !== null || promisedAgain(next, asked) === 30 || /^stop|from the list/.test(next),
      ]).toEqual([next, true])
  }
})

test('what was not offered is no answer', () => {
  for (const said of ['', 'perhaps', 'constructor', '__proto__', 'toString'])
    for (const kind of KINDS) expect(compareTold(kind, said)).toBeUndefined()
  expect(isTold(share)).toBe(false)
})
