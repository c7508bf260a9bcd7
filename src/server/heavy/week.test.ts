import { planWeek } from '@/core/week/planWeek'
import { weekOf } from '../../../bench/weekOf'
import { heavy } from './pool'
import { programs } from './programs'

test('a small week is proven best', async () => {
  const program = await programs()
  for (const seed of [1, 2, 3]) {
    const input = weekOf({ jobs: 8, crews: 2, days: 3, places: 0, full: 0.9, seed })
    const plan = planWeek(input, { program, seconds: 10 })
    if (!plan.ok) throw new Error(plan.problem.message)
    expect(plan.value.gapPercent).toBeLessThan(1e-4)
    // Without the program the same plan is found, and proven by nobody.
    const alone = planWeek(input, { seconds: 0.5 })
    if (!alone.ok) throw new Error(alone.problem.message)
    expect(alone.value.objective).toBeCloseTo(plan.value.objective, 6)
    expect(alone.value.bound).toBeLessThanOrEqual(plan.value.objective + 1e-6)
  }
})

test('a larger week is bounded closely, keeps its time and tells how it stands', async () => {
  const program = await programs()
  const input = weekOf({ jobs: 60, crews: 3, days: 7, places: 0, full: 0.6, seed: 5 })
  const told: number[] = []
  const began = performance.now()
  const plan = planWeek(input, { program, seconds: 6, tell: (p) => told.push(p.objective - p.bound) })
  expect(performance.now() - began).toBeLessThan(9000)
  if (!plan.ok) throw new Error(plan.problem.message)
  expect(plan.value.gapPercent).toBeLessThan(25)
  expect(told.length).toBeGreaterThan(3)
  expect(told.at(-1)!).toBeLessThan(told[0]!)
})

test('a week asked over the door is planned on threads of its own, with help, in its time', async () => {
  const input = weekOf({ jobs: 60, crews: 3, days: 7, places: 6, full: 0.7, seed: 9 })
  await heavy('week', { text: JSON.stringify({ ...input, jobs: [], seconds: 1 }) })
  const began = performance.now()
  const answer = await heavy('week', { text: JSON.stringify({ ...input, seconds: 3 }) })
  expect(performance.now() - began).toBeLessThan(6000)
  if (!answer?.ok) throw new Error(answer?.problem.message)
  const { assignments, unassigned, objective, bound } = answer.value as unknown as {
    assignments: unknown[]
    unassigned: unknown[]
    objective: number
    bound: number
  }
  expect(assignments.length + unassigned.length).toBe(60)
  expect(bound).toBeGreaterThan(0)
  expect(bound).toBeLessThanOrEqual(objective)
  expect(await heavy('week', { text: 'no JSON' })).toBeNull()
})
