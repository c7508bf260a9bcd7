import loadHighs from 'highs'
import { fits, planCost, roadMinutes, WEIGHTS, type WeekField } from '@/core/week/field'
import { drawn, Improver, shortOrder, type Plan } from '@/core/week/improve'

/** Jobs that share a way from the yard and back, about. */
const A_DAY = 4

/**
 * A week planned by HiGHS alone: which job goes to which crew on which day, as one whole-number program, each job driving from
 * whatever lies nearest to it and taking its share of the way from the yard and back; then every day in a short order, what turns out
 * to have no room is taken out and put where there still is some. What it costs is counted as the planner's plans are.
 */
export async function highsAlone(field: WeekField, seconds: number): Promise<{ cost: number; took: number }> {
  const highs = await loadHighs()
  const began = performance.now()
  const near = Array.from(
    { length: field.jobs },
    (_, j) =>
      Math.min(
        ...Array.from({ length: field.jobs + 1 }, (_, k) => (k === j ? Infinity : roadMinutes(field, j, k))),
      ) +
      (2 * roadMinutes(field, j, field.jobs)) / A_DAY,
  )
  const may = field.shifts.flatMap((shift, s) =>
    Array.from({ length: field.jobs }, (_, j) => j)
      .filter((j) => Number.isFinite(shift.late[j]!))
      .map((j) => ({ j, s, name: `x${j}_${s}`, cost: shift.late[j]! + WEIGHTS.perMinuteDriven * near[j]! })),
  )
  const term = (n: number, name: string) => `${n >= 0 ? '+' : '-'} ${Math.abs(n).toFixed(6)} ${name}`
  const undone = (j: number) => Math.min(field.undone[j]!, 1e6)
  const jobs = Array.from({ length: field.jobs }, (_, j) => j)
  const lines = (of: string[]) => {
    const rows: string[] = []
    for (let i = 0; i < of.length; i += 40) rows.push(of.slice(i, i + 40).join(' '))
    return rows.join('\n ')
  }
  const ofJob = new Map(jobs.map((j) => [j, may.filter((m) => m.j === j)]))
  const model = [
    'Minimize',
    ` obj: ${lines([...may.map((m) => term(m.cost, m.name)), ...jobs.map((j) => term(undone(j), `u${j}`))])}`,
    'Subject To',
    ...jobs.map((j) => ` j${j}: ${lines([...ofJob.get(j)!.map((m) => `+ ${m.name}`), `+ u${j}`])} = 1`),
    ...field.shifts.flatMap((shift, s) => {
      const own = may.filter((m) => m.s === s)
      return own.length === 0
        ? []
        : [
            ` s${s}: ${lines(own.map((m) => term(field.minutes[m.j]! + near[m.j]!, m.name)))} <= ${shift.capacity}`,
          ]
    }),
    'Binary',
    ` ${lines([...may.map((m) => m.name), ...jobs.map((j) => `u${j}`)])}`,
    'End',
  ].join('\n')
  const solved = highs.solve(model, { time_limit: seconds, output_flag: false })
  const columns = solved.Columns as Record<string, { Primal?: number }>
  const plan: Plan = field.shifts.map(() => [])
  for (const m of may) if ((columns[m.name]?.Primal ?? 0) > 0.5) plan[m.s]!.push(m.j)
  for (const [s, shift] of field.shifts.entries()) {
    let order = shortOrder(field, plan[s]!)
    while (!fits(field, shift, order)) {
      const least = order.reduce((a, b) => (field.undone[b]! < field.undone[a]! ? b : a))
      order = shortOrder(
        field,
        order.filter((j) => j !== least),
      )
    }
    plan[s] = order
  }
  const filled = new Improver(field, plan, drawn(1))
  filled.fill()
  return { cost: Math.min(filled.bestCost, planCost(field, plan)), took: (performance.now() - began) / 1000 }
}
