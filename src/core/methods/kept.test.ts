import { CARDS } from '../../../demo/cards'
import { KEPT_VERSION, readKept, readUse, writeKept } from './kept'
import type { PlanOf } from './plan'
import { pressStep } from './running'
import type { PlannedStep } from './step'

const port: PlannedStep = { kind: 'port', bearing: 40, product: 5e-6, stem: 2 }
const task: PlannedStep = {
  kind: 'task',
  task: 'pour',
  product: 3e-4,
  times: 2,
  note: { name: 'depth', label: 'Depth', kind: 'length' },
  waits: { after: 'open', days: 2 },
}
const drench: PlanOf<'soil-drench'> = {
  method: 'soil-drench',
  choice: 0.5,
  diameter: 0.4,
  product: 3e-4,
  kind: 'liquid',
  least: 1e-4,
  most: 4e-4,
  water: 3.8e-3,
  active: 0.02,
  minutes: 12,
  steps: [port, task],
  shape: { basin: { from: 0.15, to: 0.45 } },
}

test('what is written is read again as it was, and carries its version', () => {
  expect(readKept('plan', writeKept('plan', drench))).toEqual(drench)
  expect(writeKept('plan', drench)).toMatchObject({ v: KEPT_VERSION.plan })
  for (const step of [port, task]) {
    expect(readKept('step', writeKept('step', step))).toEqual(step)
    const state = pressStep(1, step, [], [])
    if (!state.ok) throw new Error(state.problem.message)
    // What is undefined is not kept.
    const kept = JSON.parse(JSON.stringify(writeKept('state', state.value))) as unknown
    expect(readKept('state', kept)).toEqual(JSON.parse(JSON.stringify(state.value)))
  }
})

test('every use of every card of the demo is read as it was entered', () => {
  for (const { card } of CARDS)
    for (const use of card.uses) expect(readKept('use', writeKept('use', use))).toEqual(use)
})

test('what was kept before there was a number is the first version; what it did not know is lifted', () => {
  expect(readKept('step', port)).toEqual(port)
  const before = {
    kind: 'task',
    task: 'pour',
    product: 1,
    times: 1,
    done: 0,
    startedAt: null,
    endedAt: null,
    left: 0,
    givenUp: null,
  }
  expect(readKept('state', before)).toEqual({ ...before, amount: null, noted: null })
})

test.each([
  ['plan', { ...drench, v: 2 }, /A kept plan is of version 2; this program reads version 1/],
  ['plan', { ...drench, product: 'much' }, /not readable at product/],
  ['plan', { ...drench, method: 'magic' }, /not readable at method/],
  ['plan', { ...drench, shape: {} }, /not readable at shape\.basin/],
  ['step', { kind: 'port' }, /not readable at bearing/],
  ['state', { kind: 'task' }, /not readable at task/],
] as const)('a %s that is not what it should be is said to be so: %j', (what, kept, why) => {
  expect(() => readKept(what, kept)).toThrow(why)
})

test('a use is read once, by its id', () => {
  const [use] = CARDS[0]!.card.uses
  const first = readUse('a', writeKept('use', use!))
  expect(readUse('a', null)).toBe(first)
})
