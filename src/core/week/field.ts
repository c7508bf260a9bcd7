import { refuse, type Result } from '../problem'
import { daysBetween, isDate, type PlainDate } from '../time/calendar'

/** What each day of waiting and each minute on the road count against a job left undone. */
export const WEIGHTS = { undoneDays: 30, perMinuteDriven: 0.02 }
/** What it costs to take a job from where it stands: as much as a job of priority 2 a day late, or a hundred minutes driven. House figure. */
export const MOVED = 2
/** Jobs, crews and days of one plan. */
export const MOST = { jobs: 1000, crews: 40, days: 62 }
/** Minutes: what is added up in different orders is the same to this. */
export const SAME = 1e-7

export interface WeekCrew {
  id: string
  skills?: string[]
  /** By date; a day that is not named has none. */
  minutes: Record<PlainDate, number>
}

export interface WeekJob {
  id: string
  /** Miles east and north of any one point. */
  x: number
  y: number
  minutes: number
  skills?: string[]
  /** On which days it may be done. */
  days: PlainDate[]
  due: PlainDate
  priority: number
  pinned?: { crew: string; date: PlainDate }
  /** Crews that cannot take it on one of its days, whatever their skills. */
  not?: { crew: string; date: PlainDate }[]
  /** Where it stands now, with a crew or none yet; taking it elsewhere costs {@link MOVED}. */
  stands?: { crew: string | null; date: PlainDate }
}

export interface WeekInput {
  days: PlainDate[]
  yard: { x: number; y: number }
  /** Miles an hour. */
  speed: number
  /** Road miles for a mile as the crow flies. */
  detour: number
  crews: WeekCrew[]
  jobs: WeekJob[]
}

/** A crew on a day. */
export interface Shift {
  crew: number
  date: PlainDate
  /** Minutes of work and driving. */
  capacity: number
  /** By job: what being late on this day and being moved to it costs; infinite where the job may not be done by this crew on it. */
  late: Float64Array
}

/** A week as figures: jobs by number, and the yard behind the last of them. */
export interface WeekField {
  jobs: number
  minutes: Float64Array
  /** What it costs to leave a job undone; infinite for a pinned one. */
  undone: Float64Array
  /** Minutes from place to place, row by row, the yard last. */
  road: Float64Array
  shifts: Shift[]
  pinned: Int32Array
}

/** Minutes on the road from one place to another. */
export function roadMinutes({ road, jobs }: WeekField, from: number, to: number): number {
  return road[from * (jobs + 1) + to]!
}

/** Minutes on the road from the yard by some jobs in their order and back. */
export function roundMinutes(field: WeekField, order: readonly number[]): number {
  if (order.length === 0) return 0
  let at = field.jobs
  let sum = 0
  for (const job of order) {
    sum += roadMinutes(field, at, job)
    at = job
  }
  return sum + roadMinutes(field, at, field.jobs)
}

/** What a day's jobs in their order cost: lateness and driving. */
export function roundCost(field: WeekField, shift: Shift, order: readonly number[]): number {
  return order.reduce((sum, j) => sum + shift.late[j]!, WEIGHTS.perMinuteDriven * roundMinutes(field, order))
}

/** Minutes of work of some jobs. */
export function workMinutes(field: WeekField, order: readonly number[]): number {
  return order.reduce((sum, j) => sum + field.minutes[j]!, 0)
}

/** Whether a crew's day has room for some jobs in their order. */
export function fits(field: WeekField, shift: Shift, order: readonly number[]): boolean {
  return workMinutes(field, order) + roundMinutes(field, order) <= shift.capacity + SAME
}

/** What a whole plan costs: its days, and what stays undone. */
export function planCost(field: WeekField, plan: readonly (readonly number[])[]): number {
  const undone = new Set(Array.from({ length: field.jobs }, (_, j) => j))
  let sum = 0
  for (const [s, order] of plan.entries()) {
    sum += roundCost(field, field.shifts[s]!, order)
    for (const j of order) undone.delete(j)
  }
  for (const j of undone) sum += field.undone[j]!
  return sum
}

/**
 * A week as figures. Problems: `out-of-range` for ids or days given twice, speeds, detours and minutes that cannot be, too many rows, and a pinned job that
 * cannot be done where it is pinned; `bad-quantity` for dates that are none; `missing` for a crew nobody named.
 */
export function weekField(input: WeekInput): Result<WeekField> {
  const wrong = refused(input)
  if (wrong) return wrong
  const { jobs, crews } = input
  const n = jobs.length
  const places = [...jobs, input.yard]
  const perMile = (60 * input.detour) / input.speed
  const road = new Float64Array((n + 1) * (n + 1))
  for (const [i, a] of places.entries())
    for (const [k, b] of places.entries()) road[i * (n + 1) + k] = Math.hypot(a.x - b.x, a.y - b.y) * perMile
  const shifts: Shift[] = []
  const pinned = new Int32Array(n).fill(-1)
  for (const date of input.days)
    for (const [c, crew] of crews.entries()) {
      const capacity = crew.minutes[date] ?? 0
      if (!(capacity > 0)) continue
      const late = new Float64Array(n).fill(Infinity)
      for (const [j, job] of jobs.entries()) {
        if (job.pinned && (job.pinned.crew !== crew.id || job.pinned.date !== date)) continue
        if (!job.days.includes(date) || !hasSkills(crew, job)) continue
        if (job.minutes + 2 * road[j * (n + 1) + n]! > capacity + SAME) continue
        if (job.not?.some((n) => n.crew === crew.id && n.date === date)) continue
        late[j] = job.priority * Math.max(0, daysBetween(job.due, date)) + movedCost(job, crew.id, date)
        if (job.pinned) pinned[j] = shifts.length
      }
      shifts.push({ crew: c, date, capacity, late })
    }
  const field: WeekField = {
    jobs: n,
    minutes: Float64Array.from(jobs, (j) => j.minutes),
    undone: Float64Array.from(jobs, (j) => (j.pinned ? Infinity : j.priority * WEIGHTS.undoneDays)),
    road,
    shifts,
    pinned,
  }
  for (const [j, job] of jobs.entries())
    if (job.pinned && pinned[j]! < 0)
      return refuse(
        'out-of-range',
        `jobs[${j}].pinned`,
        `"${job.id}" is pinned where it cannot be done: on one of its days, with a crew that has its skills and the minutes. Unpin it or pin it elsewhere.`,
      )
  return { ok: true, value: field }
}

/** What it costs to do a job with a crew on a day instead of where it stands. */
export function movedCost({ stands }: Pick<WeekJob, 'stands'>, crew: string, date: PlainDate): number {
  const stays = !stands || (stands.date === date && (stands.crew === null || stands.crew === crew))
  return stays ? 0 : MOVED
}

/** Whether a crew has every skill a job asks for. */
export function hasSkills(crew: Pick<WeekCrew, 'skills'>, job: Pick<WeekJob, 'skills'>): boolean {
  return (job.skills ?? []).every((s) => crew.skills?.includes(s))
}

function refused({ days, yard, speed, detour, crews, jobs }: WeekInput): Result<never> | null {
  const range = (field: string, message: string) => refuse('out-of-range', field, message)
  if (jobs.length > MOST.jobs)
    return range('jobs', `At most ${MOST.jobs} jobs are planned at once; choose fewer days or places.`)
  if (crews.length > MOST.crews) return range('crews', `At most ${MOST.crews} crews are planned at once.`)
  if (days.length > MOST.days) return range('days', `At most ${MOST.days} days are planned at once.`)
  for (const [i, day] of days.entries()) {
    if (!isDate(day))
      return refuse(
        'bad-quantity',
        `days[${i}]`,
        'This is no date such as 2026-06-15; choose it from the calendar.',
      )
    if (days.indexOf(day) < i) return range(`days[${i}]`, `The day ${day} is given twice; keep one.`)
  }
  if (!(speed > 0 && Number.isFinite(speed)))
    return range('speed', 'The speed is a number of miles an hour above zero.')
  if (!(detour >= 1 && Number.isFinite(detour)))
    return range('detour', 'No road is shorter than a straight line: the detour is 1 or more.')
  if (!Number.isFinite(yard.x) || !Number.isFinite(yard.y))
    return range('yard', 'The yard lies at two numbers of miles.')
  const named = new Set<string>()
  for (const [i, crew] of crews.entries()) {
    if (crew.id === '') return refuse('missing', `crews[${i}].id`, 'The crew has no id; give it one.')
    if (named.has(crew.id)) return range(`crews[${i}].id`, 'Two crews have the same id; give each its own.')
    named.add(crew.id)
    for (const [date, minutes] of Object.entries(crew.minutes)) {
      if (!isDate(date))
        return refuse(
          'bad-quantity',
          `crews[${i}].minutes`,
          `"${date.slice(0, 20)}" is no date such as 2026-06-15.`,
        )
      if (!(minutes >= 0 && minutes <= 1440))
        return range(`crews[${i}].minutes`, 'A day has 0 to 1,440 minutes.')
    }
  }
  const seen = new Set<string>()
  for (const [j, job] of jobs.entries()) {
    const at = `jobs[${j}]`
    if (job.id === '') return refuse('missing', `${at}.id`, 'The job has no id; give it one.')
    if (seen.has(job.id)) return range(`${at}.id`, 'Two jobs have the same id; give each its own.')
    seen.add(job.id)
    if (!Number.isFinite(job.x) || !Number.isFinite(job.y))
      return range(`${at}.x`, 'A job lies at two numbers of miles.')
    if (!(job.minutes > 0 && Number.isFinite(job.minutes)))
      return range(`${at}.minutes`, 'A job takes more than no minutes.')
    if (!(job.priority >= 0 && job.priority <= 1e6))
      return range(`${at}.priority`, 'A priority is a number from 0 to 1,000,000.')
    if (!isDate(job.due))
      return refuse(
        'bad-quantity',
        `${at}.due`,
        'This is no date such as 2026-06-17; choose it from the calendar.',
      )
    const bad = job.days.findIndex((d) => !isDate(d))
    if (bad >= 0)
      return refuse(
        'bad-quantity',
        `${at}.days[${bad}]`,
        'This is no date such as 2026-06-15; choose it from the calendar.',
      )
    if (job.pinned && !named.has(job.pinned.crew))
      return range(
        `${at}.pinned.crew`,
        `There is no crew "${job.pinned.crew.slice(0, 40)}"; pin it to one of the crews or unpin it.`,
      )
  }
  return null
}
