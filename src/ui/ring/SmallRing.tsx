import { memo } from 'react'
import type { RingMark } from '@/core/ports/marks'
import { arcPath, barkRadius, dotsPath, R, sectorPath, smallOutline } from './geometry'

type SmallMark = Pick<RingMark, 'kind' | 'from' | 'to'>

/** A small ring for lists and plans: `size` in px is the trunk's relative size. Light, since a list draws hundreds. */
export const SmallRing = memo(function SmallRing({
  size,
  marks = NONE,
  bearings = NONE,
  done = false,
  label,
}: {
  size: number
  marks?: readonly SmallMark[]
  bearings?: readonly number[]
  done?: boolean
  label?: string
}) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="-148 -148 296 296"
      role={label ? 'img' : undefined}
      aria-label={label}
      aria-hidden={label ? undefined : true}
      className="shrink-0"
    >
      <path d={smallOutline(marks)} className="fill-sapwood stroke-bark" strokeWidth={12} />
      <circle r={Math.round(R * 0.55)} className="fill-heartwood" />
      {marks
        .filter((m) => m.kind === 'dead')
        .map((m, i) => (
          <path
            key={i}
            d={sectorPath(
              m.from,
              m.to,
              () => R * 0.6,
              (b) => barkRadius(b, marks),
            )}
            fill="#5f4c3c"
          />
        ))}
      {marks
        .filter((m) => m.kind === 'thin')
        .map((m, i) => (
          <path
            key={`t${i}`}
            d={arcPath(m.from, m.to, 138)}
            fill="none"
            stroke="#8fa256"
            strokeWidth="14"
            strokeDasharray="10 8"
          />
        ))}
      {bearings.length > 0 && (
        <g strokeLinecap="round">
          <path d={dotsPath(bearings, marks)} className="stroke-paper" strokeWidth="30" />
          <path
            d={dotsPath(bearings, marks)}
            className={done ? 'stroke-moss' : 'stroke-rust'}
            strokeWidth="22"
          />
        </g>
      )}
    </svg>
  )
})

const NONE: readonly never[] = []
