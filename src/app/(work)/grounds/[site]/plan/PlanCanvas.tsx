'use client'
import { useRef, useState } from 'react'
import { PlanControls } from '@/ui/plan/PlanControls'
import { PlanGround, ScaleAndNorth } from '@/ui/plan/PlanGround'
import { usePlanWindow } from '@/ui/plan/usePlanWindow'
import type { DrawPlanView } from '@/server/read/plan'
import type { Sketch } from './sketch'

type Corner = readonly [number, number]

/** The plan as it is drawn on: what is there, the trees, and the outline that is being drawn with its corners. */
export function PlanCanvas({
  view,
  picture,
  sketch,
  onCorners,
  onPress,
  onChoose,
  marks,
}: {
  view: DrawPlanView
  picture: DrawPlanView['picture']
  sketch: Sketch | null
  /** Corners were moved. */
  onCorners: (corners: readonly Corner[]) => void
  /** A press on the plan; null where a press means nothing. */
  onPress: ((at: Corner) => void) | null
  onChoose?: (id: string) => void
  /** Spots that are marked on the picture. */
  marks: readonly Corner[]
}) {
  const svg = useRef<SVGSVGElement>(null)
  const sight = usePlanWindow(view.features, view.trees.whole)
  const { box } = sight
  const [moving, setMoving] = useState<number | null>(null)
  const top = box.y + box.h
  const up = (north: number) => top - north

  function placeOf(event: React.MouseEvent): Corner | null {
    const matrix = svg.current?.getScreenCTM()
    if (!matrix) return null
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse())
    // A finger is no nearer than a centimetre.
    return [Math.round(p.x * 100) / 100, Math.round((top - p.y) * 100) / 100]
  }
  const line = sketch ? sketch.corners.map((c) => `${c[0]},${up(c[1])}`).join(' ') : ''
  const others = sketch?.of ? view.features.filter((f) => f.id !== sketch.id) : view.features

  return (
    <figure className="border border-line bg-land self-start">
      <PlanControls sight={sight} />
      <svg
        ref={svg}
        viewBox={`${box.x} 0 ${box.w} ${box.h}`}
        className={`w-full block max-h-[70vh] touch-manipulation ${onPress ? 'cursor-crosshair' : ''}`}
        role="group"
        aria-label="Plan, north up"
        onClick={(e) => {
          const at = onPress && placeOf(e)
          if (at) onPress(at)
        }}
        onPointerMove={(e) => {
          const at = moving !== null && sketch ? placeOf(e) : null
          if (at) onCorners(sketch!.corners.map((c, i) => (i === moving ? at : c)))
        }}
        onPointerUp={() => setMoving(null)}
        onPointerLeave={() => setMoving(null)}
      >
        <PlanGround features={others} picture={picture} box={box} onChoose={onPress ? undefined : onChoose} />
        <g aria-hidden="true" pointerEvents="none">
          {view.trees.trees.map((t) => (
            <g key={t.id} transform={`translate(${t.eastM} ${up(t.northM)})`}>
              <circle r={box.w / 110} className="fill-sapwood stroke-bark" strokeWidth={box.w / 500} />
              {view.trees.trees.length <= 60 && (
                <text y={-box.w / 80} fontSize={box.w / 62} textAnchor="middle" className="fill-ink2">
                  {t.tag}
                </text>
              )}
            </g>
          ))}
          {view.trees.clusters.map((c) => (
            <circle
              key={`${c.eastM} ${c.northM}`}
              cx={c.eastM}
              cy={up(c.northM)}
              r={box.w / 80}
              className="fill-sapwood stroke-bark"
              strokeWidth={box.w / 500}
            />
          ))}
        </g>
        {sketch && (
          <g>
            {sketch.type === 'Polygon' ? (
              <polygon
                points={line}
                fill="#b4552733"
                stroke="var(--color-rust)"
                strokeWidth={box.w / 260}
                pointerEvents="none"
              />
            ) : (
              <polyline
                points={line}
                fill="none"
                stroke="var(--color-rust)"
                strokeWidth={box.w / 220}
                pointerEvents="none"
              />
            )}
            {sketch.corners.map((c, i) => (
              <circle
                key={i}
                cx={c[0]}
                cy={up(c[1])}
                r={box.w / 75}
                className="fill-sheet stroke-rust cursor-move"
                strokeWidth={box.w / 260}
                onPointerDown={(e) => {
                  e.stopPropagation()
                  setMoving(i)
                }}
                // The press that ends the moving is no new corner.
                onClick={(e) => e.stopPropagation()}
              />
            ))}
          </g>
        )}
        {marks.map((m, i) => (
          <path
            key={i}
            transform={`translate(${m[0]} ${up(m[1])})`}
            d={`M${-box.w / 45},0H${box.w / 45}M0,${-box.w / 45}V${box.w / 45}`}
            stroke="var(--color-rust)"
            strokeWidth={box.w / 220}
          />
        ))}
        <ScaleAndNorth box={box} units={view.units} />
      </svg>
    </figure>
  )
}
