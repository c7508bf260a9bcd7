'use client'
import { useMemo } from 'react'
import { hourAt } from '@/core/methods/outside'
import { HOUR_REASON } from '@/core/methods/hourReasons'
import { workHours } from '@/core/methods/hours'
import { isIn } from '@/core/methods/running'
import { dueNow } from '@/core/methods/trunk-injection/due'
import { isByPorts } from '@/core/methods/trunk-injection/isByPorts'
import type { JobView } from '@/server/read/work'
import { useAlarms } from '@/ui/device/alarms'
import { useAwake } from '@/ui/device/useAwake'
import { useCalls, type Calling } from '@/ui/device/useCalls'
import { isOpen, portsOf, type JobTree } from './job'

const MINUTE = 60_000

/** Calls when a port is to be looked at or overdue, and when the weather closes work that is not done; keeps the screen on where asked to. */
export function useJobCalls(view: JobView, trees: readonly JobTree[], now: number): void {
  // Nothing here is told by the second.
  const minute = Math.floor(now / MINUTE) * MINUTE
  const calling = useMemo(
    () => [...portCalls(trees, minute), ...weatherCalls(view, trees, minute)],
    [view, trees, minute],
  )
  useCalls(calling)
  const { awake } = useAlarms()
  useAwake(awake && trees.some((t) => isOpen(t) && t.steps.some((s) => isIn(s.state))))
}

function portCalls(trees: readonly JobTree[], now: number): Calling[] {
  return trees.flatMap((tree) =>
    isByPorts(tree.plan) && isOpen(tree)
      ? dueNow(portsOf(tree), tree.plan.shape.uptake, now).map(({ key, port, stands }) => ({
          key,
          words:
            stands === 'stalled'
              ? `Port ${port.number} of ${tree.tag} is over its time.`
              : `Look at port ${port.number} of ${tree.tag}.`,
        }))
      : [],
  )
}

/** Of each work that is not done: the hour in which it stands is closed by the weather. */
function weatherCalls(view: JobView, trees: readonly JobTree[], now: number): Calling[] {
  const hour = hourAt(view.timeZone, now)
  const ahead = view.hours.filter((h) => h.time >= hour)
  if (view.job.onDate > view.today || ahead.length === 0) return []
  return view.items.flatMap((item) => {
    if (!trees.some((t) => t.itemId === item.id && isOpen(t))) return []
    const found = workHours(item.use, item.product.actives, ahead, 1)
    const first = found.ok ? found.value?.hours[0] : undefined
    const why = first && !first.open ? first.reasons.filter((r) => r !== 'night') : []
    return why.length > 0
      ? [
          {
            key: `${item.id} ${why.join()}`,
            words: `${item.product.name}: closed now, ${why.map((r) => HOUR_REASON[r]).join(', ')}.`,
          },
        ]
      : []
  })
}
