import { compare, type Expectation } from '../respond/compare'
import { BORER, RETURNS, SELDOM_KILLS, WILT } from './treatable'
import { propose, type DecideInput } from './propose'

const base: DecideInput = {
  calls: 'protect-systemic',
  causeName: 'Ash borer',
  probability: 0.93,
  liveCrown: 80,
  held: null,
  drought: false,
  saturated: false,
  buriedFlare: false,
  unsafe: [],
  treatable: BORER,
}

test.each<[Partial<DecideInput>, string, RegExp]>([
  [{}, 'treat', /20 % of the crown is lost, under 30 %/],
  [{ liveCrown: 70 }, 'treat', /doubtful/],
  [{ liveCrown: 50 }, 'treat', /doubtful/],
  [{ liveCrown: 45 }, 'remove', /Above 50 %/],
  [{ liveCrown: null }, 'watch', /Nobody has taken/],
  [{ drought: true }, 'care', /Water first/],
  [{ saturated: true }, 'care', /saturated/],
  [{ buriedFlare: true }, 'care', /Open the collar first/],
  [{ held: 'Only a laboratory can tell.' }, 'sample', /laboratory/],
  [{ unsafe: ['Butt or root sounds hollow'], held: 'x' }, 'refer', /qualified risk assessor/],
  [{ unsafe: ['Bracket on the base'], calls: 'none' }, 'refer', /no drilling and no climbing/],
  [{ treatable: RETURNS, liveCrown: 30 }, 'treat', /can come back over two to four years/],
  [{ treatable: RETURNS, liveCrown: 30, drought: true }, 'care', /Water first/],
  [{ calls: 'root-collar-work' }, 'care', /before any product/],
  [{ calls: 'none' }, 'watch', /needs no treatment/],
  [
    { calls: 'wait', ownWay: { what: 'Wash the trunk', product: false } },
    'care',
    /own way on it: Wash the trunk/,
  ],
  [
    { calls: 'wait', ownWay: { what: 'Spray the buds', product: true } },
    'treat',
    /own way on it: Spray the buds/,
  ],
  [{ calls: 'remove-or-plan', treatable: SELDOM_KILLS }, 'remove', /Nothing cures/],
  [{ calls: 'remove-or-plan', treatable: WILT, liveCrown: 95 }, 'remove', /5 % of the crown is lost: early/],
  [{ calls: 'remove-or-plan', treatable: WILT, liveCrown: 60 }, 'remove', /nothing stops it/],
  [{ calls: 'laboratory' }, 'sample', /laboratory/],
  [{ calls: 'laboratory', proved: true, treatable: WILT, liveCrown: 95 }, 'treat', /never back to a sample/],
  [{ calls: 'laboratory', proved: true, treatable: WILT, liveCrown: 60 }, 'remove', /nothing stops it/],
  [{ calls: 'laboratory', proved: true, treatable: WILT, liveCrown: null }, 'care', /never back to a sample/],
  [{ calls: 'laboratory', proved: true, treatable: SELDOM_KILLS }, 'care', /never back to a sample/],
  [{ liveCrown: 45, brittle: 'nobody climbs it' }, 'remove', /nobody climbs it/],
  [
    { unsafe: ['Bracket on the base'], liveCrown: 10, brittle: 'nobody climbs it' },
    'refer',
    /nobody climbs it/,
  ],
])('%j leads to %s', (part, action, why) => {
  const p = propose({ ...base, ...part })
  expect(p.action).toBe(action)
  expect(p.reasons.map((r) => r.text).join(' ')).toMatch(why)
})

describe('a follow-up against what was expected', () => {
  const crown: Expectation = {
    kind: 'share',
    question: '',
    unit: '%',
    sense: 'at-least',
    expected: 75,
    tolerated: 65,
    least: 0,
    most: 100,
  }
  const scorch: Expectation = { ...crown, kind: 'side-effect', sense: 'at-most', expected: 5, tolerated: 15 }
  const left: Expectation = {
    ...crown,
    kind: 'all-back',
    unit: 'left',
    sense: 'at-most',
    expected: 0,
    tolerated: 0,
  }
  test.each([
    [crown, 80, 'as expected'],
    [crown, 75, 'as expected'],
    [crown, 65, 'slower'],
    [crown, 60, 'not working'],
    [left, 0, 'as expected'],
    [left, 1, 'left behind'],
    [scorch, 5, 'as expected'],
    [scorch, 10, 'harmed'],
    [scorch, 40, 'harmed'],
  ] as const)('%j with %d', (e, value, verdict) => expect(compare(e, value).verdict).toBe(verdict))

  test('only a missing effect doubts the diagnosis', () => {
    for (const [e, value] of [
      [left, 2],
      [scorch, 10],
      [scorch, 80],
    ] as const)
      expect(compare(e, value).options.join()).not.toMatch(/diagnosis|repeat/)
    expect(compare(crown, 10).options[0]).toBe('reopen the diagnosis')
    expect(compare(left, 2).options).toEqual(['go and pull them'])
  })
  test('what does not work reopens the diagnosis first', () => {
    expect(compare(crown, 10).options[0]).toBe('reopen the diagnosis')
  })
})
