'use client'
import { useVirtualizer } from '@tanstack/react-virtual'
import { useEffect, useRef } from 'react'
import { isIn, isOver } from '@/core/methods/running'
import { SmallRing } from '@/ui/ring/SmallRing'
import { portsOf, type JobTree } from './job'

/** Height of a row, px, about. */
const ROW = 61

/** The trees of one work as a list, each with how it stands. */
export function TreeChoice({
  trees,
  halfOf,
  chosen,
  onChoose,
}: {
  trees: JobTree[]
  /** The half of its terrace a tree is in, where they are worked by the sun. */
  halfOf: (tree: JobTree) => 'east' | 'west' | null
  chosen: string
  onChoose: (tree: JobTree) => void
}) {
  const frame = useRef<HTMLDivElement>(null)
  // What is not in view is not drawn; a job may have some hundred trees.
  const rows = useVirtualizer({
    count: trees.length,
    getScrollElement: () => frame.current,
    estimateSize: () => ROW,
    // On a phone the list is not shown at first, and what is not shown has no height.
    measureElement: (row) => row.getBoundingClientRect().height || ROW,
    getItemKey: (i) => trees[i]!.id,
    overscan: 8,
    initialRect: { width: 210, height: 560 },
  })
  // The tree under the hands is in sight, wherever it was chosen.
  const at = trees.findIndex((t) => t.id === chosen)
  useEffect(() => {
    if (at >= 0) rows.scrollToIndex(at, { align: 'auto' })
  }, [at, rows])
  return (
    <div ref={frame} className="border-t border-line max-h-[70vh] overflow-y-auto">
      <ul className="relative" style={{ height: rows.getTotalSize() }}>
        {rows.getVirtualItems().map(({ index: i, start }) => {
          const t = trees[i]!
          return (
            <li
              key={t.id}
              ref={rows.measureElement}
              data-index={i}
              aria-setsize={trees.length}
              aria-posinset={i + 1}
              className="absolute inset-x-0 border-b border-line"
              style={{ transform: `translateY(${start}px)` }}
            >
              {halfOf(t) !== null && (i === 0 || halfOf(trees[i - 1]!) !== halfOf(t)) && (
                <p className="pt-2 font-bold">{halfOf(t) === 'east' ? 'East half' : 'West half'}</p>
              )}
              <button
                type="button"
                aria-current={t.id === chosen}
                onClick={() => onChoose(t)}
                className={`w-full text-left grid grid-cols-[44px_1fr] gap-2 items-center py-2 min-h-[48px] border-l-[3px] pl-1 ${t.id === chosen ? 'border-l-rust bg-sheet' : 'border-l-transparent'}`}
              >
                <SmallRing
                  size={Math.round(26 + Math.min(16, t.plan.diameter * 30))}
                  marks={t.marks}
                  bearings={trees.length > 40 ? undefined : portsOf(t).map((p) => p.bearing)}
                  done={t.status === 'recorded'}
                />
                <span>
                  <span className="font-bold block">{t.tag}</span>
                  <span className="text-small text-ink2">{standing(t)}</span>
                </span>
              </button>
            </li>
          )
        })}
      </ul>
    </div>
  )
}

function standing(t: JobTree): string {
  if (t.status === 'recorded') return 'recorded'
  if (t.anew) return 'must be worked out again'
  if (t.confirmedAt === null) return 'not begun'
  const inTree = t.steps.filter((s) => isIn(s.state)).length
  if (inTree > 0) return `${inTree} in the tree`
  const done = t.steps.filter((s) => isOver(s.state)).length
  return done === t.steps.length ? 'ready to sign' : `${done} of ${t.steps.length} done`
}
