'use client'
import { dropTargetForElements } from '@atlaskit/pragmatic-drag-and-drop/element/adapter'
import { useEffect, useRef, useState, type ReactNode } from 'react'

/** A place on the board onto which a stop may be dropped; `against` says why it had better not, while one is held. */
export function DayCell({
  label,
  against,
  holding,
  out,
  onDropped,
  children,
}: {
  label: string
  against: string | null
  holding: boolean
  /** Why nobody is out here. */
  out?: string | null
  onDropped: (stop: string) => void
  children: ReactNode
}) {
  const cell = useRef<HTMLDivElement>(null)
  const [over, setOver] = useState(false)
  const dropped = useRef(onDropped)
  useEffect(() => {
    dropped.current = onDropped
  })
  useEffect(() => {
    if (!cell.current) return
    return dropTargetForElements({
      element: cell.current,
      onDragEnter: () => setOver(true),
      onDragLeave: () => setOver(false),
      onDrop: ({ source }) => {
        setOver(false)
        dropped.current(String(source.data.stop))
      },
    })
  }, [])
  return (
    <div
      ref={cell}
      role="group"
      aria-label={label}
      className={`min-h-20 p-1 grid content-start gap-1 border ${over ? 'border-ink bg-paper' : 'border-line'} ${out ? 'bg-line2' : over ? '' : 'bg-sheet'}`}
    >
      {children}
      {holding && against && <p className="text-small text-plum font-bold leading-tight px-1">{against}</p>}
      {!holding && out && <p className="text-small text-ink2 leading-tight px-1">{out}</p>}
    </div>
  )
}
