import { ok, refuse, type Result } from '../problem'
import type { Line } from './lines'
import { areApart, inTime, type Folded, type Idle, type Pressed } from './pressed'
import type { Waits } from './step'

/** A task through its day: pours, holes and loads are counted as they are done. Epoch ms. */
export interface RunningTask {
  task: string
  /** What it puts on in all, m³ or kg. */
  product: number
  times: number
  done: number
  startedAt: number | null
  endedAt: number | null
  /** What was measured out instead of `product`; null where it was that. */
  amount: number | null
  /** What is written down when it is done, and what was. */
  note?: Line
  noted: string | null
  waits?: Waits
  /** At how many trees at most it was ticked by one press; left out where at this one alone. */
  row?: number
  /** Of its product, what was not put on when it was given up. */
  left: number
  givenUp: string | null
}

export type TaskStep =
  /** So many more of it are done; as many as are left when not said. */
  | {
      kind: 'do'
      at: number
      times?: number
      /** What was measured out of it, where a measure showed another amount than the plan. */
      amount?: number
      /** What was written down, as it was typed. */
      noted?: string
      /** At how many trees it was ticked by one press. */
      row?: number
    }
  | { kind: 'give-up'; at: number; reason: string; left: number }
  /** Takes one earlier step back, by its id. */
  | { kind: 'undo'; at: number; of: string }

export type TaskEvent = TaskStep & Pressed

/** A task as it was planned, before anything was done. */
export function plannedTask(step: {
  task: string
  product: number
  times: number
  note?: Line
  waits?: Waits
}): RunningTask {
  return {
    ...step,
    done: 0,
    startedAt: null,
    endedAt: null,
    amount: null,
    noted: null,
    left: 0,
    givenUp: null,
  }
}

/** True once nothing of it is to be done any more: done as often as planned, or given up. */
export function isTaskOver(task: RunningTask): boolean {
  return task.givenUp !== null || task.done >= task.times
}

/** What it has put on so far, m³ or kg: its share by how often it was done, or all but what was left. */
export function putOn(task: RunningTask): number {
  if (task.givenUp !== null) return Math.max(0, task.product - task.left)
  if (task.done > 0 && typeof task.amount === 'number') return task.amount
  return (task.product * task.done) / task.times
}

/**
 * One step at a task. Problems: `not-allowed` for more than was planned or after it was given up, `missing` for giving up
 * without a reason, `out-of-range` for more left than there was or an amount that cannot be.
 */
export function stepTask(task: RunningTask, step: Exclude<TaskStep, { kind: 'undo' }>): Result<RunningTask> {
  if (task.givenUp !== null)
    return refuse('not-allowed', 'kind', 'This was given up already; take that back first.')
  if (step.kind === 'give-up') {
    if (step.reason.trim() === '') return refuse('missing', 'reason', 'Say why it is not done.')
    if (isTaskOver(task)) return refuse('not-allowed', 'kind', 'This is done already; take that back first.')
    if (!(step.left >= 0 && step.left <= task.product * (1 + 1e-9)))
      return refuse('out-of-range', 'left', 'What is left must lie from nothing to what was prescribed.')
    return ok({ ...task, givenUp: step.reason.trim(), left: step.left, endedAt: step.at })
  }
  const times = step.times ?? task.times - task.done
  if (!Number.isInteger(times) || times < 1 || task.done + times > task.times)
    return refuse(
      'not-allowed',
      'kind',
      task.done >= task.times
        ? 'This is done already.'
        : `${task.times - task.done} are still to be done, not ${times}.`,
    )
  const { amount = null } = step
  if (amount !== null && !(task.times === 1 && task.product > 0 && amount >= 0 && Number.isFinite(amount)))
    return refuse('out-of-range', 'amount', 'Only what is put on at once is measured out otherwise.')
  const done = task.done + times
  const noted = step.noted?.trim() ?? task.noted
  if (task.note && !noted)
    return refuse('missing', 'noted', `${task.note.label}: say it before this is done.`)
  return ok({
    ...task,
    done,
    amount,
    noted,
    ...(step.row !== undefined && { row: Math.max(step.row, task.row ?? 0) }),
    startedAt: task.startedAt ?? step.at,
    endedAt: done === task.times ? step.at : null,
  })
}

/**
 * A task from its plan and everything that happened at it, in the order of {@link inTime}. A step that was taken back counts as never
 * taken. A press that cannot be is idle, as {@link stepTask} says why; so is taking back what is not there, or was taken back already.
 * Of two devices that could not see each other: what was done counts though the other had given it up; of two measures, or two
 * readings of what is left, the later one; and of more than was planned together, what was still to be done.
 *
 * @example foldTask(plannedTask({ task: 'holes', product: 2, times: 24 }), [{ kind: 'do', id: 'a', at: 1, times: 6 }]).state // 6 of 24
 */
export function foldTask(planned: RunningTask, events: readonly TaskEvent[]): Folded<RunningTask> {
  const all = inTime(events)
  const known = new Set(all.flatMap((e) => (e.kind === 'undo' ? [] : [e.id])))
  const back = new Set<string>()
  const idle: Idle[] = []
  for (const e of all) {
    if (e.kind !== 'undo') continue
    if (back.has(e.of) || !known.has(e.of))
      idle.push({
        id: e.id,
        problem: {
          code: 'conflict',
          field: 'kind',
          message: 'That step was taken back already; look again at what stands.',
        },
      })
    else back.add(e.of)
  }
  let task = planned
  let last: TaskEvent | null = null
  for (const e of all) {
    if (e.kind === 'undo' || back.has(e.id)) continue
    const next = areApart(last, e) ? stepTask(...asBothSaw(task, e)) : stepTask(task, e)
    if (!next.ok) idle.push({ id: e.id, problem: next.problem })
    else {
      task = next.value
      last = e
    }
  }
  return { state: task, idle, last: last?.id ?? null }
}

/** A task before a press of a device that could not see what the other had pressed at it, and that press, as both count. */
function asBothSaw(
  task: RunningTask,
  step: Exclude<TaskEvent, { kind: 'undo' }>,
): Parameters<typeof stepTask> {
  if (step.kind === 'give-up')
    return [task.givenUp === null ? task : { ...task, givenUp: null, left: 0 }, step]
  const open = task.givenUp === null ? task : { ...task, givenUp: null, left: 0, endedAt: null }
  const measured = step.amount !== undefined || step.noted !== undefined
  if (open.times === 1 && open.done === 1 && measured)
    return [
      { ...open, done: 0 },
      { ...step, amount: step.amount ?? open.amount ?? undefined },
    ]
  const left = open.times - open.done
  return [
    open,
    { ...step, times: left > 0 && step.times !== undefined ? Math.min(step.times, left) : step.times },
  ]
}
