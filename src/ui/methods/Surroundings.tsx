import { builtOver } from '@/core/place/builtOver'
import { isClosedGround } from '@/core/place/outlineKinds'
import { showGround, type UnitSystem } from '@/core/quantity/format'
import { FILL, points, type Feature } from '@/ui/plan/outline'

/**
 * The ground round a tree from the site's plan: what is fed or wetted, how far the card keeps from water and wells, and what
 * lies near; buildings lie on top of what is reached, as they do on the ground.
 */
export function Surroundings({
  tree,
  features,
  setback,
  reach,
  water,
  units,
}: {
  tree: { tag: string; eastM: number; northM: number }
  features: readonly Feature[]
  /** Metres the card keeps from water and wells; null where it keeps none. */
  setback: number | null
  /** Metres from the middle of the trunk that are reached; null where only the trunk is. */
  reach: number | null
  /** The nearest water or well. */
  water: { distance: number; what: string } | null | undefined
  units: UnitSystem
}) {
  const near = setback !== null && !!water && water.distance < setback * 3
  const built =
    reach !== null &&
    builtOver(
      tree,
      reach * 1.1,
      features.filter((f) => isClosedGround(f.kind)).map((f) => f.geometry),
    ) > 0
  if (!near && !built) return null
  const half = Math.max(6, (near ? Math.max(setback, water.distance) : 0) * 1.25, (reach ?? 0) * 1.3)
  const y = (north: number) => tree.northM + half - north
  const x = (east: number) => east - tree.eastM + half
  const says = [
    near &&
      `${water.what} ${showGround(water.distance, units, 0)} off; the card keeps ${showGround(setback, units, 0)}`,
    reach !== null && `reached: ${showGround(reach, units, 0)} round the trunk`,
  ]
    .filter(Boolean)
    .join('; ')
  const shape = (f: Feature) => {
    const look = FILL[f.kind]
    const pts = points(f)
    const drawn = {
      fill: look.fill,
      stroke: look.stroke,
      strokeWidth: look.width,
      strokeDasharray: look.dash,
    }
    if (f.geometry.type === 'Point')
      return <circle key={f.id} cx={x(pts[0]![0])} cy={y(pts[0]![1])} r={half / 22} {...drawn} />
    const d = pts.map((p) => `${x(p[0])},${y(p[1])}`).join(' ')
    return f.geometry.type === 'Polygon' ? (
      <polygon key={f.id} points={d} {...drawn} />
    ) : (
      <polyline key={f.id} points={d} {...drawn} strokeWidth={Math.max(look.width, half / 40)} />
    )
  }
  const under = features.filter((f) => f.kind !== 'building' && f.kind !== 'boundary')
  return (
    <figure className="mt-3">
      <svg
        viewBox={`0 0 ${half * 2} ${half * 2}`}
        role="img"
        aria-label={`Round ${tree.tag}, north up: ${says}`}
        className="w-full max-w-[230px] border border-line bg-sheet"
      >
        {under.map(shape)}
        {reach !== null && (
          <circle
            cx={half}
            cy={half}
            r={reach}
            fill="#8fa25666"
            stroke="var(--color-moss)"
            strokeWidth={half / 120}
          />
        )}
        {features.filter((f) => f.kind === 'building').map(shape)}
        {near && (
          <circle
            cx={half}
            cy={half}
            r={setback}
            fill="none"
            stroke="var(--color-plum)"
            strokeWidth={half / 70}
            strokeDasharray={`${half / 18} ${half / 26}`}
          />
        )}
        <circle
          cx={half}
          cy={half}
          r={half / 20}
          className="fill-sapwood stroke-bark"
          strokeWidth={half / 60}
        />
      </svg>
      <figcaption className="text-small text-ink2">{says}.</figcaption>
    </figure>
  )
}
