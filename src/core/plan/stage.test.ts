import fc from 'fast-check'
import { isBehind, STAGES, stageOf, type StageFacts } from './stage'

const NOTHING: StageFacts = {
  looked: false,
  diagnosed: false,
  action: null,
  prescription: null,
  openChecks: false,
  sentBack: null,
}

test('each step leads to the next', () => {
  const to = (part: Partial<StageFacts>) => stageOf({ ...NOTHING, ...part })
  expect(to({})).toBe('examine')
  expect(to({ looked: true })).toBe('weigh')
  expect(to({ looked: true, diagnosed: true })).toBe('decide')
  expect(to({ diagnosed: true, action: 'remove' })).toBe('otherwise')
  expect(to({ diagnosed: true, action: 'remove', openChecks: true })).toBe('otherwise')
  expect(to({ diagnosed: true, action: 'care', openChecks: true, prescription: 'handed' })).toBe('run')
  expect(to({ diagnosed: true, action: 'treat' })).toBe('prescribe')
  expect(to({ diagnosed: true, action: 'treat', prescription: 'handed' })).toBe('run')
  expect(to({ diagnosed: true, action: 'treat', prescription: 'done', openChecks: true })).toBe('check')
  expect(to({ diagnosed: true, action: 'treat', prescription: 'done' })).toBe('done')
})

test('work that ended below the label’s least goes back to the decision', () => {
  for (const prescription of ['partly', 'not treated'] as const)
    expect(stageOf({ ...NOTHING, diagnosed: true, action: 'treat', prescription, openChecks: true })).toBe(
      'decide',
    )
})

test('what a check sends back waits for the one it is sent to, but work with the crew goes first', () => {
  const back = { ...NOTHING, diagnosed: true, action: 'treat', openChecks: true, sentBack: 'decide' as const }
  expect(stageOf({ ...back, prescription: 'done' })).toBe('decide')
  expect(stageOf({ ...back, prescription: 'handed' })).toBe('run')
  expect(stageOf({ ...back, action: 'watch', sentBack: 'examine' })).toBe('examine')
  expect(stageOf({ ...back, prescription: 'done', sentBack: 'prescribe' })).toBe('prescribe')
})

test('without a signed cause nothing later counts', () => {
  fc.assert(
    fc.property(
      fc.record({
        looked: fc.boolean(),
        diagnosed: fc.constant(false),
        action: fc.constantFrom(null, 'treat', 'care'),
        prescription: fc.constantFrom(null, 'handed' as const, 'done' as const),
        openChecks: fc.boolean(),
        sentBack: fc.constantFrom(null, 'examine' as const, 'decide' as const, 'prescribe' as const),
      }),
      (f) => stageOf(f) === (f.looked ? 'weigh' : 'examine'),
    ),
  )
})

test('no stage has itself behind it', () => {
  for (const stage of STAGES)
    if (stage !== 'done' && stage !== 'otherwise')
      expect([stage, isBehind(stage, stage)]).toEqual([stage, false])
  expect(isBehind('run', 'check')).toBe(true)
  expect(isBehind('prescribe', 'otherwise')).toBe(false)
})
