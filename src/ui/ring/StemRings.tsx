import type { ReactNode } from 'react'
import { holesIn, marksOn, type RingMark } from '@/core/ports/marks'
import { Ring, type RingPort } from './Ring'

/** The stems of a tree from above, each with its own ring: what lies on it, its earlier holes, its ports. */
export function StemRings({
  stems,
  marks,
  holes,
  ports,
  className,
}: {
  /** By their numbers from 1: how its ring is called, and what stands beneath it. */
  stems: readonly { stem: number; label: string; below?: ReactNode }[]
  marks: readonly RingMark[]
  holes: readonly { years: number; bearings: readonly number[]; stem?: number }[]
  ports: readonly (RingPort & { stem?: number })[]
  className?: string
}) {
  return (
    <div className={`grid gap-3 grid-cols-[repeat(auto-fill,minmax(170px,1fr))] ${className ?? ''}`}>
      {stems.map(({ stem, label, below }) => (
        <figure key={stem}>
          <Ring
            marks={marksOn(marks, stem)}
            holes={holesIn(holes, stem)}
            ports={ports.filter((p) => p.stem === stem)}
            label={label}
            className="w-full"
          />
          <figcaption className="text-center">
            <b>Stem {stem}</b>
            {below}
          </figcaption>
        </figure>
      ))}
    </div>
  )
}
