import { fits, planCost, weekField, type WeekInput } from './field'
import { MOVED } from './field'
import { planWeek, type WeekPlan } from './planWeek'

const DAYS = ['2026-06-15', '2026-06-16', '2026-06-17']
const week = (over: Partial<WeekInput> = {}): WeekInput => ({
  days: DAYS,
  yard: { x: 0, y: 0 },
  speed: 30,
  detour: 1,
  crews: [{ id: 'Teodor', skills: ['injection'], minutes: { '2026-06-15': 480, '2026-06-16': 480 } }],
  jobs: [],
  ...over,
})
const job = (id: string, over: Partial<WeekInput['jobs'][number]> = {}): WeekInput['jobs'][number] => ({
  id,
  x: 1,
  y: 0,
  minutes: 60,
  days: DAYS,
  due: '2026-06-15',
  priority: 1,
  ...over,
})
const planned = (input: WeekInput, seconds = 0.2): WeekPlan => {
  const result = planWeek(input, { seconds })
  if (!result.ok) throw new Error(`${result.problem.field}: ${result.problem.message}`)
  return result.value
}
const problem = (input: WeekInput) => {
  const result = planWeek(input, { seconds: 0.1 })
  return result.ok ? null : result.problem
}

test('jobs at one place are done one after the other and the drive is counted once', () => {
  const plan = planned(week({ jobs: [job('a'), job('b'), job('c')] }))
  expect(plan.assignments.map((a) => a.date)).toEqual(['2026-06-15', '2026-06-15', '2026-06-15'])
  expect(plan.assignments.map((a) => a.position)).toEqual([1, 2, 3])
  // One mile out and one back at 30 miles an hour.
  expect(plan.travelMinutes).toBeCloseTo(4, 9)
  expect(plan.objective).toBeCloseTo(0.08, 9)
})

test('what cannot be on time goes first that matters most', () => {
  const plan = planned(
    week({
      jobs: [job('small', { minutes: 300, priority: 1 }), job('large', { minutes: 300, priority: 4 })],
    }),
  )
  expect(plan.assignments.find((a) => a.job === 'large')!.date).toBe('2026-06-15')
  expect(plan.assignments.find((a) => a.job === 'small')!.date).toBe('2026-06-16')
  expect(plan.objective).toBeCloseTo(1 + 2 * 0.08, 9)
})

test('says why a job stands on no day', () => {
  const plan = planned(
    week({
      jobs: [
        job('nobody can', { skills: ['climb'] }),
        job('no day', { days: ['2026-06-17'] }),
        job('too long', { minutes: 478 }),
        job('pays less', { minutes: 470, priority: 1, days: ['2026-06-15'] }),
        job('pays more', { minutes: 470, priority: 2, days: ['2026-06-15'] }),
      ],
    }),
  )
  expect(plan.unassigned).toEqual([
    { job: 'nobody can', reason: 'no-skill' },
    { job: 'no day', reason: 'no-day' },
    { job: 'too long', reason: 'too-long' },
    { job: 'pays less', reason: 'no-room' },
  ])
})

test('what is pinned stays where it is, also where another day were better', () => {
  const plan = planned(
    week({ jobs: [job('a', { pinned: { crew: 'Teodor', date: '2026-06-16' } }), job('b')] }),
  )
  expect(plan.assignments.find((a) => a.job === 'a')).toMatchObject({ date: '2026-06-16', crew: 'Teodor' })
})

test('what is pinned where it cannot be is said at the job', () => {
  const pin = { crew: 'Teodor', date: '2026-06-15' }
  expect(problem(week({ jobs: [job('a', { pinned: { crew: 'Wren', date: '2026-06-15' } })] }))).toMatchObject(
    {
      code: 'out-of-range',
      field: 'jobs[0].pinned.crew',
    },
  )
  expect(problem(week({ jobs: [job('a', { skills: ['climb'], pinned: pin })] }))!.field).toBe(
    'jobs[0].pinned',
  )
  expect(problem(week({ jobs: [job('a', { days: ['2026-06-16'], pinned: pin })] }))!.field).toBe(
    'jobs[0].pinned',
  )
  expect(
    problem(
      week({ jobs: [job('a', { minutes: 300, pinned: pin }), job('b', { minutes: 300, pinned: pin })] }),
    ),
  ).toMatchObject({ code: 'out-of-range', field: 'jobs[1].pinned' })
})

test.each<[string, Partial<WeekInput>]>([
  ['days[1]', { days: ['2026-06-15', '2026-06-15'] }],
  ['days[0]', { days: ['2026-02-30'] }],
  ['speed', { speed: 0 }],
  ['detour', { detour: 0.5 }],
  ['yard', { yard: { x: NaN, y: 0 } }],
  [
    'crews[1].id',
    {
      crews: [
        { id: 'a', minutes: {} },
        { id: 'a', minutes: {} },
      ],
    },
  ],
  ['crews[0].minutes', { crews: [{ id: 'a', minutes: { '2026-06-15': 2000 } }] }],
  ['jobs[1].id', { jobs: [job('a'), job('a')] }],
  ['jobs[0].minutes', { jobs: [job('a', { minutes: 0 })] }],
  ['jobs[0].priority', { jobs: [job('a', { priority: -1 })] }],
  ['jobs[0].due', { jobs: [job('a', { due: 'soon' })] }],
  ['jobs[0].days[0]', { jobs: [job('a', { days: ['soon'] })] }],
])('refuses %s', (field, over) => {
  expect(problem(week(over))?.field).toBe(field)
})

test('a week without jobs, crews or days is a plan too', () => {
  expect(planned(week())).toMatchObject({ assignments: [], objective: 0, bound: 0, gapPercent: 0 })
  expect(planned(week({ crews: [], jobs: [job('a')] })).unassigned).toEqual([
    { job: 'a', reason: 'no-skill' },
  ])
  expect(planned(week({ days: [], jobs: [job('a')] })).unassigned).toEqual([{ job: 'a', reason: 'no-day' }])
})

test('goes on from a plan, and leaves out of it what no longer fits', () => {
  const input = week({ jobs: [job('a'), job('b', { days: ['2026-06-16'] })] })
  const result = planWeek(input, {
    seconds: 0.1,
    start: [
      { job: 'a', crew: 'Teodor', date: '2026-06-16', position: 1 },
      { job: 'b', crew: 'Teodor', date: '2026-06-15', position: 1 },
      { job: 'gone', crew: 'Teodor', date: '2026-06-15', position: 2 },
    ],
  })
  expect(result.ok && result.value.assignments).toHaveLength(2)
})

test('stops when it is told to', () => {
  let asked = 0
  const jobs = Array.from({ length: 60 }, (_, i) => job(`j${i}`, { x: (i * 7) % 11, y: (i * 5) % 13 }))
  const began = performance.now()
  const result = planWeek(week({ jobs }), { seconds: 30, stopped: () => ++asked > 50 })
  expect(result.ok).toBe(true)
  expect(performance.now() - began).toBeLessThan(5000)
})

test('the objective is what the assignments cost, and every day has room', () => {
  const jobs = Array.from({ length: 25 }, (_, i) =>
    job(`j${i}`, { x: (i * 7) % 11, y: (i * 5) % 13, minutes: 30 + (i % 5) * 20, priority: 1 + (i % 4) }),
  )
  const input = week({ jobs })
  const plan = planned(input, 0.5)
  const read = weekField(input)
  if (!read.ok) throw new Error()
  const field = read.value
  const byShift = field.shifts.map((s) =>
    plan.assignments
      .filter((a) => a.date === s.date)
      .sort((a, b) => a.position - b.position)
      .map((a) => jobs.findIndex((j) => j.id === a.job)),
  )
  expect(byShift.every((order, s) => fits(field, field.shifts[s]!, order))).toBe(true)
  expect(plan.objective).toBeCloseTo(planCost(field, byShift), 9)
  expect(plan.assignments.length + plan.unassigned.length).toBe(25)
})

test('a job stays where it stands unless that costs more than moving it, and what it costs is said', () => {
  const input = (due: string) => ({
    days: ['2026-06-15', '2026-06-16'],
    yard: { x: 0, y: 0 },
    speed: 30,
    detour: 1,
    crews: [{ id: 'A', minutes: { '2026-06-15': 100, '2026-06-16': 100 } }],
    jobs: [
      {
        id: 'j',
        x: 0,
        y: 0,
        minutes: 50,
        days: ['2026-06-15', '2026-06-16'],
        due,
        priority: 3,
        stands: { crew: null, date: '2026-06-16' },
      },
    ],
  })
  const stays = planWeek(input('2026-06-16'), { seconds: 0.2 })
  expect(stays.ok && [stays.value.assignments[0]!.date, stays.value.objective]).toEqual(['2026-06-16', 0])
  // A day late costs 3, moving 2.
  const moves = planWeek(input('2026-06-15'), { seconds: 0.2 })
  expect(moves.ok && [moves.value.assignments[0]!.date, moves.value.objective]).toEqual(['2026-06-15', MOVED])
  expect(moves.ok && moves.value.working.find((s) => s.label === 'Moved')?.result).toBe('2')
})

test('a job goes to no crew on a day that it may not', () => {
  const job = { id: 'j', x: 0, y: 0, minutes: 50, days: ['2026-06-15'], due: '2026-06-15', priority: 1 }
  const plan = planWeek(
    {
      days: ['2026-06-15'],
      yard: { x: 0, y: 0 },
      speed: 30,
      detour: 1,
      crews: [{ id: 'A', minutes: { '2026-06-15': 100 } }],
      jobs: [{ ...job, not: [{ crew: 'A', date: '2026-06-15' }] }],
    },
    { seconds: 0.2 },
  )
  expect(plan.ok && plan.value.unassigned).toEqual([{ job: 'j', reason: 'no-day' }])
})
