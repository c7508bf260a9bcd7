'use client'
import { isTaskOver } from '@/core/methods/task'
import { sayTask } from '@/core/methods/say'
import type { UnitSystem } from '@/core/quantity/format'
import { Button } from '@/ui/pieces/Button'
import type { Act, JobItem, JobTree } from './job'

/** Ticks one kind of step at every tree of the work by one press: a row that was mulched back, a bank that was sprayed. */
export function WholeRow({
  item,
  trees,
  units,
  onAct,
}: {
  item: JobItem
  trees: JobTree[]
  units: UnitSystem
  onAct: Act
}) {
  const open = trees.filter((t) => t.status === 'open' && t.confirmedAt !== null)
  const tasks = [
    ...new Set(open.flatMap((t) => t.steps.map((s) => (s.state.kind === 'task' ? s.state.task : '')))),
  ]
  const rows = tasks.flatMap((task, at) => {
    const left = open.flatMap((tree) => {
      const step = tree.steps.find((s) => s.state.kind === 'task' && s.state.task === task)
      const before = tree.steps.slice(0, at).every((s) => s.state.kind === 'task' && isTaskOver(s.state))
      return step && step.state.kind === 'task' && !step.state.note && !isTaskOver(step.state) && before
        ? [{ tree, step }]
        : []
    })
    return left.length > 1 ? [{ task, left }] : []
  })
  if (rows.length === 0) return null
  return (
    <section aria-label="All trees at once" className="mt-5 max-w-xl">
      <h2 className="text-base">All trees at once</h2>
      <div className="flex flex-wrap gap-2 mt-1">
        {rows.map(({ task, left }) => (
          <Button
            key={task}
            onClick={() => onAct(left.map(({ tree, step }) => ({ tree, step, command: { kind: 'do' } })))}
          >
            {sayTask(task, left[0]!.tree.plan, item.use, units).name}: done at all {left.length}
          </Button>
        ))}
      </div>
    </section>
  )
}
