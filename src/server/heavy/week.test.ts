import type { WeekInput } from '@/core/week/field'
import { planWeek, type WeekPlan } from '@/core/week/planWeek'
import { weekOf } from '../../../bench/weekOf'
import { heavy } from './pool'
import { programs } from './programs'

/** What a plan costs, worked out anew from what was asked; throws where it cannot be done. */
function costOf(input: WeekInput, plan: WeekPlan): number {
  const job = new Map(input.jobs.map((j) => [j.id, j]))
  const days = new Map<string, typeof plan.assignments>()
  for (const a of plan.assignments)
    days.set(`${a.crew} ${a.date}`, [...(days.get(`${a.crew} ${a.date}`) ?? []), a])
  let cost = 0
  for (const own of days.values()) {
    const crew = input.crews.find((c) => c.id === own[0]!.crew)!
    let at = input.yard
    let minutes = 0
    const drive = (to: { x: number; y: number }) => {
      const road = (Math.hypot(to.x - at.x, to.y - at.y) * input.detour * 60) / input.speed
      minutes += road
      cost += 0.02 * road
      at = to
    }
    for (const { job: id, date } of [...own].sort((a, b) => a.position - b.position)) {
      const j = job.get(id)!
      job.delete(id)
      if (!j.days.includes(date)) throw new Error(`${id} may not be done on ${date}`)
      if (!(j.skills ?? []).every((s) => crew.skills?.includes(s)))
        throw new Error(`${crew.id} cannot do ${id}`)
      drive(j)
      minutes += j.minutes
      cost += j.priority * Math.max(0, (Date.parse(date) - Date.parse(j.due)) / 86_400_000)
    }
    drive(input.yard)
    if (minutes > crew.minutes[own[0]!.date]! + 1e-6) throw new Error(`${crew.id} works ${minutes} min`)
  }
  expect([...job.keys()].sort()).toEqual(plan.unassigned.map((u) => u.job).sort())
  for (const j of job.values()) cost += j.priority * 30
  return cost
}

test('a small week is proven best', async () => {
  const program = await programs()
  for (const seed of [1, 2, 3]) {
    const input = weekOf({ jobs: 8, crews: 2, days: 3, places: 0, full: 0.9, seed })
    const plan = planWeek(input, { program, seconds: 10 })
    if (!plan.ok) throw new Error(plan.problem.message)
    expect(plan.value.gapPercent).toBeLessThan(1e-4)
    expect(plan.value.objective).toBeCloseTo(costOf(input, plan.value), 6)
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
  expect(plan.value.objective).toBeCloseTo(costOf(input, plan.value), 6)
  expect(told.length).toBeGreaterThan(3)
  expect(told.at(-1)!).toBeLessThan(told[0]!)
})

test('a week asked over the door is planned on threads of its own, with help, in its time', async () => {
  const input = weekOf({ jobs: 60, crews: 3, days: 7, places: 6, full: 0.7, seed: 9 })
  await heavy('week', 'firm', { text: JSON.stringify({ ...input, jobs: [], seconds: 1 }) })
  const began = performance.now()
  const answer = await heavy('week', 'firm', { text: JSON.stringify({ ...input, seconds: 3 }) })
  expect(performance.now() - began).toBeLessThan(6000)
  if (!answer?.ok) throw new Error(answer?.problem.message)
  const plan = answer.value as unknown as WeekPlan
  expect(plan.objective).toBeCloseTo(costOf(input, plan), 6)
  expect(plan.bound).toBeGreaterThan(0)
  expect(plan.bound).toBeLessThanOrEqual(plan.objective)
  expect(await heavy('week', 'firm', { text: 'no JSON' })).toBeNull()
})

test('whoever waits for the thread has all of its time left when its turn comes; whoever takes longer is ended', async () => {
  const ask = (seconds: number, longest: number) =>
    heavy(
      'week',
      'firm',
      {
        text: JSON.stringify({
          ...weekOf({ jobs: 60, crews: 3, days: 7, places: 6, full: 0.7, seed: 9 }),
          seconds,
        }),
      },
      { longest },
    )
  const answers = await Promise.all([ask(3, 5500), ask(3, 5500)])
  expect(answers.map((answer) => answer?.ok)).toEqual([true, true])
  await expect(ask(3, 1000)).rejects.toMatchObject({ why: 'too long' })
})
