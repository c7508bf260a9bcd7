import { seenBefore } from '@/core/gate/looks'
import { outsideNow, type Outside } from '@/core/methods/outside'
import type { JobView } from '@/server/read/work'
import { firmNow } from '@/ui/shell/firmClock'
import type { Act } from './job'

/** What speaks against presses at this moment, each once. */
export function outsideOf(view: JobView, presses: Parameters<Act>[0]): Outside[] {
  const at = firmNow()
  const found = presses.flatMap(({ tree, step, command }) => {
    const { use, product } = view.items.find((i) => i.id === tree.itemId)!
    return outsideNow({
      use,
      actives: product.actives,
      plan: tree.plan,
      hours: view.hours,
      timeZone: view.timeZone,
      units: view.units,
      steps: tree.steps.map((s) => s.state),
      step: step.state,
      press: command,
      at,
      seenBefore: seenBefore(tree.seen, tree.confirmedAt, at, view.timeZone),
    })
  })
  return [...new Map(found.map((o) => [`${o.what} ${o.say}`, o])).values()]
}
