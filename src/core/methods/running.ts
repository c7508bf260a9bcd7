import { ok, type Result } from '../problem'
import type { Folded, Idle, Pressed } from './pressed'
import type { PlannedStep } from './step'
import { foldTask, isTaskOver, plannedTask, putOn, type RunningTask, type TaskEvent } from './task'
import {
  foldPort,
  isInTree,
  plannedPort,
  productIn,
  stageOf,
  whyNotFinished,
  type PortEvent,
  type RunningPort,
} from './trunk-injection/running'

/** A step of the work at a tree, as everything that was done at it makes it. */
export type RunningStep = ({ kind: 'port' } & RunningPort) | ({ kind: 'task' } & RunningTask)

/** What happened at a step, as a device sends it. */
export interface StepEvent extends Pressed {
  kind: PortEvent['kind'] | TaskEvent['kind']
  reason?: string | null
  /** m³ or kg. */
  left?: number | null
  bearing?: number | null
  times?: number | null
  /** m³ or kg that were measured out, where not as planned. */
  amount?: number | null
  /** What was written down at it. */
  noted?: string | null
  /** At how many trees it was ticked by one press, where at more than one. */
  row?: number | null
  /** The event that is taken back. */
  of?: string | null
}

/**
 * The state of a step from its plan and everything that happened at it: the same function on the device and on the server, whatever
 * order it came in. What cannot be is idle, as in {@link foldPort} and {@link foldTask}; so is what does not belong to its kind
 * (`not-allowed`). `n` is its number at the tree, from 1.
 */
export function foldStep(n: number, planned: PlannedStep, events: readonly StepEvent[]): Folded<RunningStep> {
  const port = planned.kind === 'port'
  const foreign = events
    .filter((e) => (port ? portEvent(e) : taskEvent(e)) === null)
    .map((e): Idle => ({
      id: e.id,
      problem: {
        code: 'not-allowed',
        field: 'kind',
        message: port
          ? 'A port is drilled, set, stopped and pulled.'
          : 'This is done or not done; nothing is drilled at it.',
      },
    }))
  if (port) {
    const { state, idle, last } = foldPort(plannedPort(n, planned), own(events, portEvent))
    return { state: { kind: 'port', ...state }, idle: [...foreign, ...idle], last }
  }
  const { state, idle, last } = foldTask(plannedTask(planned), own(events, taskEvent))
  return { state: { kind: 'task', ...state }, idle: [...foreign, ...idle], last }
}

/** How a step stands with new presses on top of what is known of it; a problem where one of them would change nothing. */
export function pressStep(
  n: number,
  planned: PlannedStep,
  known: readonly StepEvent[],
  presses: readonly StepEvent[],
): Result<RunningStep> {
  const { state, idle } = foldStep(n, planned, [...known, ...presses])
  const fresh = new Set(presses.map((p) => p.id))
  const not = idle.find((i) => fresh.has(i.id))
  return not ? { ok: false, problem: not.problem } : ok(state)
}

const own = <E>(events: readonly StepEvent[], read: (e: StepEvent) => E | null): E[] =>
  events.map(read).filter((e) => e !== null)

function portEvent(e: StepEvent): PortEvent | null {
  const base = { id: e.id, at: e.at, seq: e.seq, device: e.device }
  switch (e.kind) {
    case 'give-up':
      return { ...base, kind: e.kind, reason: e.reason ?? '', left: e.left ?? 0 }
    case 'move':
      return { ...base, kind: e.kind, bearing: e.bearing ?? 0 }
    case 'undo':
      return { ...base, kind: e.kind, of: e.of ?? undefined }
    case 'do':
      return null
    default:
      return { ...base, kind: e.kind }
  }
}

function taskEvent(e: StepEvent): TaskEvent | null {
  const base = { id: e.id, at: e.at, seq: e.seq, device: e.device }
  switch (e.kind) {
    case 'do':
      return {
        ...base,
        kind: e.kind,
        times: e.times ?? undefined,
        amount: e.amount ?? undefined,
        noted: e.noted ?? undefined,
        row: e.row ?? undefined,
      }
    case 'give-up':
      return { ...base, kind: e.kind, reason: e.reason ?? '', left: e.left ?? 0 }
    case 'undo':
      return { ...base, kind: e.kind, of: e.of ?? '' }
    default:
      return null
  }
}

/** True while something of it is in the tree and must come out again. */
export function isIn(step: RunningStep): boolean {
  return step.kind === 'port' && isInTree(step)
}

/** True once nothing is to be done at it any more. */
export function isOver(step: RunningStep): boolean {
  return step.kind === 'port' ? ['done', 'given up'].includes(stageOf(step)) : isTaskOver(step)
}

/** True once anything was opened or done at it. */
export function isBegun(step: RunningStep): boolean {
  return step.kind === 'port' ? step.drilledAt !== null : step.startedAt !== null
}

/** When the first thing was done at it, epoch ms; null before. */
export function begunAt(step: RunningStep): number | null {
  return step.kind === 'port' ? step.drilledAt : step.startedAt
}

/** What went on or in by it, m³ or kg. */
export function productOf(step: RunningStep): number {
  if (step.kind === 'task') return putOn(step)
  return productIn(step)
}

/** What went on or in at a tree in all. */
export function productOn(steps: readonly RunningStep[]): number {
  return steps.reduce((sum, s) => sum + productOf(s), 0)
}

/** Why a tree cannot be signed off yet, as a sentence; null when it can. `say` names a task. */
export function whyNotOver(steps: readonly RunningStep[], say: (task: string) => string): string | null {
  const ports = whyNotFinished(steps.filter((s) => s.kind === 'port'))
  if (ports) return ports
  const open = steps.find((s) => !isOver(s))
  if (!open || open.kind !== 'task') return null
  return `${say(open.task)} is still to be done${open.times > 1 ? `, ${open.times - open.done} of ${open.times}` : ''}. Do it, or say why it will not be.`
}
