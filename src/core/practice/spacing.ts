import { addDays } from '../time/calendar'

/** One finished case: what was at work, whether it was told, and the day. */
export interface Run {
  cause: string
  right: boolean
  /** ISO date. */
  on: string
}

/** A cause that is to be met again. */
export interface Again {
  cause: string
  /** ISO date from which it is due. */
  dueOn: string
  /** How often in a row it was told right since it was last missed. */
  streak: number
}

/** Days until a cause that was missed is met again, by how often it was told right since. House figures. */
const DAYS = [1, 3, 7, 21, 60]

/**
 * What a person missed comes again: the day after, and with each right answer later, until it was told five times in a row.
 * What was never missed does not come. The most overdue first.
 *
 * @example dueAgain([{ cause: 'oak-wilt', right: false, on: '2026-06-12' }])[0].dueOn // '2026-06-13'
 */
export function dueAgain(runs: readonly Run[]): Again[] {
  const byCause = new Map<string, { streak: number | null; on: string }>()
  for (const run of [...runs].sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0))) {
    const known = byCause.get(run.cause)
    // Never missed so far: it does not come again.
    const streak = run.right ? (known?.streak ?? null) : 0
    byCause.set(run.cause, {
      streak: run.right && streak !== null ? streak + 1 : streak,
      on: run.on,
    })
  }
  return [...byCause]
    .flatMap(([cause, { streak, on }]) =>
      streak === null || streak >= DAYS.length ? [] : [{ cause, streak, dueOn: addDays(on, DAYS[streak]!) }],
    )
    .sort((a, b) => (a.dueOn < b.dueOn ? -1 : a.dueOn > b.dueOn ? 1 : a.cause < b.cause ? -1 : 1))
}
