'use client'
import { useMemo, useState } from 'react'
import type { Movement } from '@/core/methods/lastMovement'
import { Button } from '@/ui/pieces/Button'
import { clockTime } from '@/ui/when'
import type { Act, JobItem, JobTree } from './job'
import { sayMovement } from './sayMovement'

/** The last press of this device, whatever it was, and one press that takes all of it back. */
export function TakeBack({
  lastOf,
  trees,
  items,
  timeZone,
  onAct,
}: {
  /** Looked up when something was pressed or came, not with every tick of the clock. */
  lastOf: () => Movement<{ id: string }> | null
  trees: readonly JobTree[]
  items: readonly JobItem[]
  timeZone: string
  onAct: Act
}) {
  // Trees are new whenever a press counts.
  const last = useMemo(() => (trees.length > 0 ? lastOf() : null), [lastOf, trees])
  const [took, setTook] = useState<string | null>(null)
  const presses = (last?.presses ?? []).flatMap(({ step, event }) => {
    const tree = trees.find((t) => t.steps.some((s) => s.id === step.id))
    const own = tree?.steps.find((s) => s.id === step.id)
    return tree && own ? [{ tree, step: own, event }] : []
  })
  const words = presses.length > 0 ? sayMovement(presses, items) : null
  return (
    <>
      <h2>The last press</h2>
      <div role="status">{took && <p className="mt-1">Taken back: {took}.</p>}</div>
      {words === null ? (
        <p className="text-ink2 mt-1">Nothing that was pressed on this device can be taken back here.</p>
      ) : (
        <>
          <p className="text-lead mt-1">
            <span className="first-letter:uppercase">{words}</span>, at {clockTime(last!.at, timeZone)}
          </p>
          <div className="thumb desk:mt-2">
            <Button
              now
              className="hand-tall"
              onClick={() => {
                setTook(words)
                onAct(
                  presses.map(({ tree, step, event }) => ({
                    tree,
                    step: step,
                    command: { kind: 'undo', of: event.id },
                  })),
                )
              }}
            >
              Take it back
            </Button>
          </div>
        </>
      )}
    </>
  )
}
