'use client'
import { DayAndWhy } from '../DayAndWhy'
import { addDays } from '@/core/time/calendar'
import { useGo } from '@/ui/shell/useGo'
import type { JobTree } from './job'
import { AskedForm, AskedAlso } from '@/ui/form/AskedForm'
import { useStep } from '@/ui/form/useStep'
import { moveDayAsks } from '@/asks/work'

/** Moves all trees that are not begun, or this one, to another day with the reason. */
export function MoveDay({
  today,
  tree,
  rest,
  withIt,
  onMoved,
}: {
  today: string
  tree: JobTree
  /** Every tree of this work at which nothing was begun; one at least. */
  rest: JobTree[]
  /** A tree under everything that comes out of the same tank, by id. */
  withIt: (tree: JobTree) => string[]
  onMoved: () => void
}) {
  const by = useStep('move-day')
  const go = useGo()
  const one = rest.some((t) => t.id === tree.id)
  const all = rest.length > 1 || !one
  return (
    <AskedForm
      asks={moveDayAsks}
      start={{ onDate: addDays(today, 1), why: '' }}
      fixed={{ jobSubjectIds: (all ? rest : [tree]).flatMap(withIt) }}
      by={by}
      onDone={({ jobId }, typed) => {
        if ('jobSubjectIds' in typed) onMoved()
        else go(`/run/${jobId}`)
      }}
      keep={all ? `Move all ${rest.length} that are not begun` : `Move ${tree.tag}`}
      quiet
      more={all && one && <AskedAlso also={{ jobSubjectIds: withIt(tree) }}>Move {tree.tag}</AskedAlso>}
      className="grid gap-2"
    >
      <DayAndWhy />
    </AskedForm>
  )
}
