import type { RunningStep } from './running'
import { sayAgo, sayMinutes } from './sayTime'

/** Below this share of the planned minutes a stretch was ticked, not watched; less than so many minutes say nothing. House figures. */
const FAR_UNDER = 0.25
const LEAST_MINUTES = 10

/**
 * The stretch in which work was pressed, from its begin to its last press, where that is far under what was planned; null where it is
 * not, or too little to tell. Such presses were made at the end, in a row: began and ended are asked. Source: handbook, what happened
 * is what is written.
 *
 * @example farUnder([{ kind: 'task', endedAt: 120_000, … }], 0, 95)?.words // 'pressed within 2 min, 1 h 35 min were planned'
 */
export function farUnder(
  steps: readonly RunningStep[],
  /** When it was begun, epoch ms. */
  begun: number | null,
  planned: number,
): { from: number; to: number; words: string } | null {
  const presses = pressesOf(steps)
  if (presses.length === 0 || planned < LEAST_MINUTES) return null
  const from = Math.min(...presses, begun ?? Infinity)
  const to = Math.max(...presses)
  return to - from < planned * 60_000 * FAR_UNDER
    ? {
        from,
        to,
        words: `pressed within ${to - from < 60_000 ? 'a minute' : sayAgo(to - from)}, ${sayMinutes(planned)} were planned`,
      }
    : null
}

/** When steps were pressed, epoch ms. */
const pressesOf = (steps: readonly RunningStep[]): number[] =>
  steps
    .flatMap((s) =>
      s.kind === 'port' ? [s.drilledAt, s.startedAt, s.stoppedAt, s.outAt] : [s.startedAt, s.endedAt],
    )
    .filter((at) => at !== null)

/** When the last of it was pressed, epoch ms; null where nothing was. What was done counts from then, however late it is signed. */
export function lastPress(steps: readonly RunningStep[]): number | null {
  const presses = pressesOf(steps)
  return presses.length > 0 ? Math.max(...presses) : null
}

/** Longer than so many times what was planned, something came between. House figure. */
const FAR_OVER = 4

/**
 * How long work took, in minutes from its begin to its last press, where that was watched; null where it was ticked by the row or far too near, or
 * something came between; to a tenth. Only this teaches what work takes.
 *
 * @example watchedMinutes([{ kind: 'task', endedAt: 3_600_000, … }], 0, 50) // 60
 */
export function watchedMinutes(
  steps: readonly RunningStep[],
  begun: number | null,
  planned: number,
): number | null {
  const presses = pressesOf(steps)
  if (presses.length === 0 || planned <= 0 || farUnder(steps, begun, planned)) return null
  if (steps.some((s) => s.kind === 'task' && s.row !== undefined)) return null
  const took = Math.round((Math.max(...presses) - Math.min(...presses, begun ?? Infinity)) / 6000) / 10
  return took > 0 && took <= planned * FAR_OVER ? took : null
}
