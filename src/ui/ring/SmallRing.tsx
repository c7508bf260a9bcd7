import type { RingMark } from '@/core/ports/marks'
import { arcPath, at, barkRadius, outline, R, sectorPath } from './geometry'

/** A small ring for lists and plans: `size` in px is the trunk's relative size. */
export function SmallRing({
  size,
  marks = [],
  bearings = [],
  done = false,
  label,
}: {
  size: number
  marks?: readonly RingMark[]
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
      <path d={outline(marks)} fill="var(--color-sapwood)" stroke="var(--color-bark)" strokeWidth={12} />
      <path d={outline(marks, 0.55)} fill="var(--color-heartwood)" />
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
      {bearings.map((b) => {
        const p = at(b, barkRadius(b, marks))
        return (
          <circle
            key={b}
            cx={p.x}
            cy={p.y}
            r="13"
            fill={done ? 'var(--color-moss)' : 'var(--color-rust)'}
            stroke="var(--color-paper)"
            strokeWidth="4"
          />
        )
      })}
    </svg>
  )
}
