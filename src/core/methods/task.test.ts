import { foldTask, isTaskOver, plannedTask, putOn, stepTask, type TaskEvent } from './task'

const holes = plannedTask({ task: 'holes', product: 2.4, times: 24 })
const fold = (...events: TaskEvent[]) => {
  const { state, idle } = foldTask(holes, events)
  expect(idle).toEqual([])
  return state
}

test('what is counted puts on its share', () => {
  const six = fold({ kind: 'do', id: 'a', at: 5, times: 6 })
  expect(six).toMatchObject({ done: 6, startedAt: 5, endedAt: null })
  expect(putOn(six)).toBeCloseTo(0.6, 12)
  const all = fold({ kind: 'do', id: 'a', at: 5, times: 6 }, { kind: 'do', id: 'b', at: 9 })
  expect(all).toMatchObject({ done: 24, startedAt: 5, endedAt: 9 })
  expect(putOn(all)).toBeCloseTo(2.4, 12)
  expect(isTaskOver(six)).toBe(false)
  expect(isTaskOver(all)).toBe(true)
})

test('events go by their time and a repeat counts once', () => {
  const a: TaskEvent = { kind: 'do', id: 'a', at: 1, times: 20 }
  const b: TaskEvent = { kind: 'do', id: 'b', at: 2 }
  expect(fold(b, a, a)).toEqual(fold(a, b))
})

test('a step is taken back by its id, once', () => {
  const a: TaskEvent = { kind: 'do', id: 'a', at: 1, times: 4 }
  const b: TaskEvent = { kind: 'do', id: 'b', at: 2, times: 1 }
  expect(fold(a, b, { kind: 'undo', id: 'c', at: 3, of: 'a' }).done).toBe(1)
  for (const taken of ['a', 'z'])
    expect(
      foldTask(holes, [
        a,
        { kind: 'undo', id: 'c', at: 3, of: 'a' },
        { kind: 'undo', id: 'd', at: 4, of: taken },
      ]),
    ).toMatchObject({ idle: [{ id: 'd', problem: { code: 'conflict' } }] })
})

test('given up with what is left puts on the rest', () => {
  const up = fold(
    { kind: 'do', id: 'a', at: 1, times: 6 },
    { kind: 'give-up', id: 'b', at: 2, reason: ' rock at 3 in ', left: 1.8 },
  )
  expect(up).toMatchObject({ givenUp: 'rock at 3 in', endedAt: 2 })
  expect(putOn(up)).toBeCloseTo(0.6, 12)
  expect(isTaskOver(up)).toBe(true)
})

test.each([
  ['more than planned', { kind: 'do', at: 1, times: 25 }, 'not-allowed', 'kind'],
  ['none', { kind: 'do', at: 1, times: 0 }, 'not-allowed', 'kind'],
  ['half a hole', { kind: 'do', at: 1, times: 1.5 }, 'not-allowed', 'kind'],
  ['no reason', { kind: 'give-up', at: 1, reason: ' ', left: 0 }, 'missing', 'reason'],
  ['more left than there was', { kind: 'give-up', at: 1, reason: 'rain', left: 3 }, 'out-of-range', 'left'],
  ['less than nothing left', { kind: 'give-up', at: 1, reason: 'rain', left: -1 }, 'out-of-range', 'left'],
] as const)('%s is refused', (_, step, code, field) => {
  expect(stepTask(holes, step)).toMatchObject({ ok: false, problem: { code, field } })
})

test('nothing more is done after it was given up, nor given up once it is done', () => {
  const done = { ...holes, done: 24 }
  const up = { ...holes, givenUp: 'rain' }
  expect(stepTask(up, { kind: 'do', at: 1 })).toMatchObject({ ok: false })
  expect(stepTask(done, { kind: 'do', at: 1 })).toMatchObject({
    ok: false,
    problem: { message: 'This is done already.' },
  })
  expect(stepTask(done, { kind: 'give-up', at: 1, reason: 'rain', left: 0 })).toMatchObject({ ok: false })
})

test('what a measure showed counts instead of the plan, until it is taken back', () => {
  const pour = plannedTask({ task: 'pour', product: 2.4, times: 1 })
  const measured: TaskEvent = { kind: 'do', id: 'a', at: 1, amount: 2.3 }
  expect(putOn(foldTask(pour, [measured]).state)).toBe(2.3)
  const back = foldTask(pour, [measured, { kind: 'undo', id: 'b', at: 2, of: 'a' }])
  expect(putOn(back.state)).toBe(0)
  // Of many holes, or of what puts nothing on, there is no such amount.
  for (const [task, amount] of [
    [holes, 1],
    [plannedTask({ task: 'basin', product: 0, times: 1 }), 1],
    [pour, -1],
    [pour, NaN],
  ] as const)
    expect(stepTask(task, { kind: 'do', at: 1, amount })).toMatchObject({
      ok: false,
      problem: { field: 'amount' },
    })
})
