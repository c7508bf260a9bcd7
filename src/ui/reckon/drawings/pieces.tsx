import type { ReactNode } from 'react'

/** The ground every small drawing stands on: 300 × 170, thin lines, words beside the thing they name. */
export function Sketch({ says, children }: { says: string; children: ReactNode }) {
  return (
    <svg viewBox="0 0 300 170" role="img" aria-label={says} className="w-full max-w-[380px] text-ink">
      {children}
    </svg>
  )
}

/** Words in a drawing. */
export function Word({
  x,
  y,
  anchor = 'start',
  children,
}: {
  x: number
  y: number
  anchor?: 'start' | 'middle' | 'end'
  children: ReactNode
}) {
  return (
    <text x={x} y={y} fontSize="11" textAnchor={anchor} className="fill-ink">
      {children}
    </text>
  )
}

/** A measure between two points, with ticks at its ends and its name beside it. */
export function Measure({
  from: [x1, y1],
  to: [x2, y2],
  name,
  side = -5,
  anchor = 'middle',
}: {
  from: [number, number]
  to: [number, number]
  name?: string
  side?: number
  anchor?: 'start' | 'middle' | 'end'
}) {
  const along = Math.hypot(x2 - x1, y2 - y1) || 1
  const [nx, ny] = [(-(y2 - y1) / along) * 4, ((x2 - x1) / along) * 4]
  const upright = Math.abs(x2 - x1) < Math.abs(y2 - y1)
  return (
    <g className="stroke-rust" strokeWidth="1.2" fill="none">
      <path
        d={`M${x1},${y1}L${x2},${y2}M${x1 - nx},${y1 - ny}L${x1 + nx},${y1 + ny}M${x2 - nx},${y2 - ny}L${x2 + nx},${y2 + ny}`}
      />
      {name && (
        <text
          x={(x1 + x2) / 2 + (upright ? side : 0)}
          y={(y1 + y2) / 2 + (upright ? 4 : side)}
          fontSize="11"
          textAnchor={upright ? (side < 0 ? 'end' : 'start') : anchor}
          className="fill-rust"
          stroke="none"
        >
          {name}
        </text>
      )}
    </g>
  )
}

/** The ground line with soil beneath it. */
export function Ground({ y = 150, from = 10, to = 290 }: { y?: number; from?: number; to?: number }) {
  return (
    <g className="stroke-bark" strokeWidth="1" fill="none">
      <path d={`M${from},${y}H${to}`} strokeWidth="1.6" />
      {Array.from({ length: Math.floor((to - from) / 14) }, (_, i) => (
        <path key={i} d={`M${from + 6 + i * 14},${y + 4}l-5,6`} opacity="0.55" />
      ))}
    </g>
  )
}

/** A stem seen from the side, flaring at its foot. */
export function Stem({ x, foot, top, half }: { x: number; foot: number; top: number; half: number }) {
  const f = half * 1.9
  return (
    <path
      d={`M${x - half},${top}C${x - half},${foot - 34} ${x - half - 1},${foot - 14} ${x - f},${foot}H${x + f}C${x + half + 1},${foot - 14} ${x + half},${foot - 34} ${x + half},${top}`}
      className="fill-sapwood stroke-bark"
      strokeWidth="1.6"
    />
  )
}
