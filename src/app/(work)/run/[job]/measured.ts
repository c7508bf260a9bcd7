import type { StockBottle } from '@/core/methods/soil-drench/bottle'
import type { Act } from './job'

/** Presses at what is poured out of a stock bottle, with what the measure shows for each tree. */
export function asMeasured(presses: Parameters<Act>[0], bottle: StockBottle | null): Parameters<Act>[0] {
  return presses.map((press) => {
    const { command, step, tree } = press
    const pour = bottle?.pours.get(tree.id)
    return pour && command.kind === 'do' && step.what.kind === 'task' && step.what.product > 0
      ? { ...press, command: { ...command, amount: `${(pour.product * 1e6).toFixed(6)} mL` } }
      : press
  })
}
