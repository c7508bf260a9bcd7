'use client'
import { useState } from 'react'
import { addDays } from '@/core/time/calendar'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { useGo } from '@/ui/shell/useGo'
import { DayAndWhy } from '../DayAndWhy'
import type { JobTree } from './job'

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
  /** Every tree of this work at which nothing was begun. */
  rest: JobTree[]
  /** A tree under everything that comes out of the same tank, by id. */
  withIt: (tree: JobTree) => string[]
  onMoved: () => void
}) {
  const { send, busy, problem } = useVerb('move-day')
  const go = useGo()
  const [onDate, setOnDate] = useState(addDays(today, 1))
  const [why, setWhy] = useState('')
  if (rest.length === 0) return null
  const one = rest.some((t) => t.id === tree.id)
  async function move(trees: JobTree[]) {
    const done = await send({ jobSubjectIds: trees.flatMap(withIt), onDate, why })
    if (done === null) return
    if (trees.length === rest.length) go(`/run/${done.jobId}`)
    else onMoved()
  }
  return (
    <details className="no-print mt-4 max-w-xl">
      <summary className="underline underline-offset-2 cursor-pointer py-2">Move to another day</summary>
      <DayAndWhy
        label="Day"
        onDate={onDate}
        why={why}
        onDay={setOnDate}
        onWhy={setWhy}
        placeholder="rain until evening"
        problem={problem}
      />
      <div className="flex flex-wrap gap-2 mt-2">
        {rest.length > 1 && (
          <Button disabled={busy} onClick={() => void move(rest)}>
            Move all {rest.length} that are not begun
          </Button>
        )}
        {one && (
          <Button quiet={rest.length > 1} disabled={busy} onClick={() => void move([tree])}>
            Move {tree.tag}
          </Button>
        )}
      </div>
    </details>
  )
}
