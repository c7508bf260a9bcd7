'use client'
import { useState } from 'react'
import { isTaskOver } from '@/core/methods/task'
import { sayTask } from '@/core/methods/say'
import type { UnitSystem } from '@/core/quantity/format'
import { Button } from '@/ui/pieces/Button'
import type { Act, JobItem, JobTree } from './job'

/** Ticks one kind of step at every tree of the work: a row that was mulched back, a bank that was sprayed. It is asked once more, with their tags. */
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
  const [askedTask, setAsked] = useState<string | null>(null)
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
  const asked = rows.find((r) => r.task === askedTask) ?? null
  const nameOf = ({ task, left }: (typeof rows)[number]) =>
    sayTask(task, left[0]!.tree.plan, item.use, units).name
  return (
    <>
      <h2>All trees at once</h2>
      {asked === null ? (
        <div className="grid gap-2 mt-2">
          {rows.map((row) => (
            <Button key={row.task} className="hand-tall" onClick={() => setAsked(row.task)}>
              {nameOf(row)}: done at all {row.left.length}
            </Button>
          ))}
          {rows.length === 0 && <p className="text-ink2">Nothing is to be done at more than one tree now.</p>}
        </div>
      ) : (
        <div className="mt-2 border-2 border-ink bg-sheet p-3 grid gap-3">
          <p className="text-lead">
            {nameOf(asked)} is done at all {asked.left.length}:{' '}
            {asked.left.map(({ tree }) => tree.tag).join(', ')}?
          </p>
          <p className="text-small text-ink2">
            The record says that it was ticked for all at once. One press takes it back.
          </p>
          <div className="grid grid-cols-2 gap-2">
            <Button className="hand-tall" onClick={() => setAsked(null)}>
              No
            </Button>
            <Button
              now
              className="hand-tall"
              onClick={() => {
                setAsked(null)
                onAct(asked.left.map(({ tree, step }) => ({ tree, step, command: { kind: 'do' } })))
              }}
            >
              Yes, at all {asked.left.length}
            </Button>
          </div>
        </div>
      )}
    </>
  )
}
