/** Half the width of a drawing from above, and the margin its words need. */
export const HALF = 120

export function FromAbove({
  reach,
  says,
  className,
  children,
}: {
  /** Metres from the middle to the edge of what is drawn. */
  reach: number
  says: string
  className?: string
  children: (scale: number) => React.ReactNode
}) {
  return (
    <svg viewBox="-190 -132 380 264" role="img" aria-label={says} className={className}>
      <title>{says}</title>
      {children(HALF / reach)}
    </svg>
  )
}

export function Trunk({ r }: { r: number }) {
  return <circle r={Math.max(3, r)} className="fill-sapwood stroke-bark" strokeWidth="2.4" />
}

/** A measure along the radius, with its words at the end. */
export function Reach({ from, to, at, says }: { from: number; to: number; at: number; says: string }) {
  const [x, y] = [Math.cos(at), Math.sin(at)]
  const right = x >= 0
  return (
    <g>
      <line x1={x * from} y1={y * from} x2={x * to} y2={y * to} className="stroke-ink" strokeWidth="1.2" />
      <circle cx={x * to} cy={y * to} r="2" className="fill-ink" />
      <text
        x={x * to + (right ? 5 : -5)}
        y={y * to + (y < 0 ? -3 : 10)}
        textAnchor={right ? 'start' : 'end'}
        className="fill-ink text-[11px] paint-order-stroke"
      >
        {says}
      </text>
    </g>
  )
}
