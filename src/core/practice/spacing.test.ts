import { dueAgain, type Run } from './spacing'

const run = (cause: string, on: string, right: boolean): Run => ({ cause, on, right })
const due = (...runs: Run[]) => dueAgain(runs).map((a) => [a.cause, a.dueOn, a.streak])

test('what was missed comes the day after, and later with each right answer', () => {
  const missed = run('oak-wilt', '2026-06-01', false)
  expect(due(missed)).toEqual([['oak-wilt', '2026-06-02', 0]])
  expect(due(missed, run('oak-wilt', '2026-06-02', true))).toEqual([['oak-wilt', '2026-06-05', 1]])
  expect(due(missed, run('oak-wilt', '2026-06-02', true), run('oak-wilt', '2026-06-05', true))).toEqual([
    ['oak-wilt', '2026-06-12', 2],
  ])
})

test('missed again it begins anew; told five times in a row it is done', () => {
  const right = (day: number) => run('aphids', `2026-06-0${day}`, true)
  const missed = run('aphids', '2026-06-01', false)
  expect(due(missed, right(2), run('aphids', '2026-06-05', false))).toEqual([['aphids', '2026-06-06', 0]])
  expect(due(missed, right(2), right(3), right(4), right(5), right(6))).toEqual([])
})

test('what was never missed does not come, and the order of the runs does not matter', () => {
  expect(due(run('drought-stress', '2026-06-01', true))).toEqual([])
  const [a, b] = [run('x', '2026-06-01', false), run('x', '2026-06-03', true)]
  expect(due(b, a)).toEqual(due(a, b))
})

test('the most overdue stands first', () => {
  expect(due(run('b', '2026-06-02', false), run('a', '2026-06-04', false)).map((d) => d[0])).toEqual([
    'b',
    'a',
  ])
})
