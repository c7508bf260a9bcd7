import { OUTLINE } from '@/core/place/outlineKinds'
import { showGround, type UnitSystem } from '@/core/quantity/format'
import { toSI } from '@/core/quantity/units'
import { FILL, points, type Feature } from './outline'
import type { PlanWindow } from './usePlanWindow'

/** The picture that lies under a plan. */
export interface UnderPlan {
  id: string
  eastM: number
  northM: number
  metresPerPixel: number
  turned: number
  width: number
  height: number
}

/** What lies under the trees of a plan: its picture, its outlines, their names. Drawn in metres, north up. */
export function PlanGround({
  features,
  picture,
  box,
  chosen,
  onChoose,
}: {
  features: readonly Feature[]
  picture: UnderPlan | null
  box: PlanWindow
  /** Drawn stronger. */
  chosen?: string | null
  onChoose?: (id: string) => void
}) {
  const top = box.y + box.h
  const up = (north: number) => top - north
  const seen = picture ? 'opacity-70' : undefined
  return (
    <>
      {picture && (
        <image
          href={`/api/plan-pictures/${picture.id}`}
          x={-picture.width / 2}
          y={-picture.height / 2}
          width={picture.width}
          height={picture.height}
          transform={`translate(${picture.eastM} ${up(picture.northM)}) rotate(${picture.turned}) scale(${picture.metresPerPixel})`}
        />
      )}
      <g className={seen}>
        {[...features].sort(byLayer).map((f) => {
          const look = FILL[f.kind]
          const lit = f.id === chosen
          const drawn = {
            fill: look.fill,
            stroke: lit ? 'var(--color-rust)' : look.stroke,
            strokeWidth: lit ? Math.max(look.width, box.w / 150) : look.width,
            strokeDasharray: lit ? undefined : look.dash,
            strokeLinejoin: 'round' as const,
            className: onChoose ? 'cursor-pointer' : undefined,
            onClick: onChoose ? () => onChoose(f.id) : undefined,
          }
          const pts = points(f)
          if (f.geometry.type === 'Point')
            return <circle key={f.id} cx={pts[0]![0]} cy={up(pts[0]![1])} r={box.w / 90} {...drawn} />
          if (f.geometry.type === 'Polygon')
            return (
              <path
                key={f.id}
                fillRule="evenodd"
                d={(f.geometry.coordinates as [number, number][][])
                  .map((ring) => `M${ring.map((p) => `${p[0]},${up(p[1])}`).join('L')}Z`)
                  .join('')}
                {...drawn}
              />
            )
          return <polyline key={f.id} points={pts.map((p) => `${p[0]},${up(p[1])}`).join(' ')} {...drawn} />
        })}
      </g>
      <g opacity={0.16} pointerEvents="none">
        {features
          .filter((f) => f.setback)
          .map((f) => (
            <Reach key={f.id} feature={f} up={up} />
          ))}
      </g>
      {features
        .filter((f) => f.name && f.kind !== 'boundary')
        .map((f) => {
          const pts = points(f)
          const cx = (Math.min(...pts.map((p) => p[0])) + Math.max(...pts.map((p) => p[0]))) / 2
          const cy = (Math.min(...pts.map((p) => p[1])) + Math.max(...pts.map((p) => p[1]))) / 2
          return (
            <text
              key={f.id}
              x={cx}
              y={
                f.kind === 'building'
                  ? up(cy) + 0.6
                  : f.kind === 'bed'
                    ? up(Math.max(...pts.map((p) => p[1]))) - 0.7
                    : up(cy) - (f.geometry.type === 'Point' ? box.w / 60 : 0.9)
              }
              fontSize={box.w / 52}
              textAnchor="middle"
              fill="var(--color-ink2)"
              stroke={picture ? '#eef3ec' : 'none'}
              strokeWidth={picture ? box.w / 260 : 0}
              paintOrder="stroke"
            >
              {f.name}
            </text>
          )
        })}
    </>
  )
}

/** All that lies nearer to an outline than the distance that is kept from it. */
function Reach({ feature: f, up }: { feature: Feature; up: (north: number) => number }) {
  const around = {
    fill: 'var(--color-plum)',
    stroke: 'var(--color-plum)',
    strokeWidth: f.setback! * 2,
    strokeLinejoin: 'round',
    strokeLinecap: 'round',
  } as const
  const line = points(f).map((p) => `${p[0]},${up(p[1])}`)
  if (f.geometry.type === 'Polygon') return <polygon points={line.join(' ')} {...around} />
  // A spot is a line that goes nowhere: its round end is the circle.
  return <polyline points={[...line, line.at(-1)].join(' ')} {...around} fill="none" />
}

/** What is large lies beneath. */
const LAYERS: readonly string[] = ['boundary', 'ground', 'play', 'bed', 'paving', 'water', 'path', 'building']
function byLayer(a: Feature, b: Feature): number {
  const layer = (f: Feature) => (LAYERS.indexOf(f.kind) + LAYERS.length + 1) % (LAYERS.length + 1)
  return layer(a) - layer(b)
}

/** The longest round length that takes up no more than a third of the plan's width, and how it is written. */
function scaleBar(width: number, units: UnitSystem): { metres: number; text: string } {
  const unit = units === 'us' ? toSI(1, 'ft') : 1
  const rounds = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000, 10_000]
  const metres = (rounds.findLast((r) => r * unit <= width / 3) ?? 1) * unit
  return { metres, text: showGround(metres, units, 0) }
}

/** How long a stretch of the plan is, and where north lies. */
export function ScaleAndNorth({ box, units }: { box: PlanWindow; units: UnitSystem }) {
  const bar = scaleBar(box.w, units)
  return (
    <>
      <g transform={`translate(${box.x + box.w * 0.03} ${box.h - box.h * 0.035})`} aria-hidden="true">
        <path
          d={`M0,${-box.w / 120}V0H${bar.metres}V${-box.w / 120}`}
          fill="none"
          stroke="var(--color-ink)"
          strokeWidth={box.w / 400}
        />
        <text x={bar.metres + box.w / 90} y={box.w / 300} fontSize={box.w / 56} fill="var(--color-ink)">
          {bar.text}
        </text>
      </g>
      <g transform={`translate(${box.x + box.w * 0.965} ${box.h * 0.06})`} aria-hidden="true">
        <path
          d={`M0,${-box.w / 55}L${box.w / 130},${box.w / 130}L0,${box.w / 400}L${-box.w / 130},${box.w / 130}Z`}
          fill="var(--color-ink)"
        />
        <text
          y={box.w / 32}
          fontSize={box.w / 56}
          textAnchor="middle"
          fontWeight="700"
          fill="var(--color-ink)"
        >
          N
        </text>
      </g>
    </>
  )
}

/** What an outline is called in a list: its name, else what it is. */
export const calledOutline = (f: Pick<Feature, 'kind' | 'name'>): string => f.name ?? OUTLINE[f.kind].name
