import { pressStep, type StepEvent } from './running'
import { outcomeOf, outcomeOfWork, sayOutcome } from './outcome'

test.each([
  [0, 41, 'not treated'],
  [0.6, 41, 'partly treated'],
  // Half of the least, and a hair less than it, are not what the label asks for.
  [20.5, 41, 'partly treated'],
  [30, 41, 'partly treated'],
  [40.9, 41, 'partly treated'],
  [41, 41, 'treated'],
  [60, 41, 'treated'],
])('%s of at least %s is %s', (applied, least, outcome) => expect(outcomeOf(applied, least)).toBe(outcome))

const task = (times: number, events: StepEvent[] = []) => {
  const state = pressStep(1, { kind: 'task', task: 'open', product: 0, times }, [], events)
  if (!state.ok) throw new Error(state.problem.message)
  return state.value
}
const once: StepEvent = { id: 'a', at: 1, kind: 'do', times: 1 }

test('work by hand is done when all of its steps are, partly when some are', () => {
  expect(outcomeOfWork([task(1, [once]), task(1, [once])])).toBe('treated')
  expect(outcomeOfWork([task(1, [once]), task(1)])).toBe('partly treated')
  expect(outcomeOfWork([task(2, [once])])).toBe('partly treated')
  expect(outcomeOfWork([task(1), task(1)])).toBe('not treated')
  expect(sayOutcome('partly treated', 'collar')).toBe('partly done')
  expect(sayOutcome('partly treated', 'soil-drench')).toBe('partly treated')
})
