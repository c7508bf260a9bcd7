'use client'
import { memo, useEffect, useMemo, useRef, useState } from 'react'
import type { PlanView } from '@/server/read/grounds'
import type { Place } from '@/core/place/place'
import type { UnitSystem } from '@/core/quantity/format'
import { smallOutline } from '@/ui/ring/geometry'
import { marksOf } from './marksOf'
import type { Feature } from '@/ui/plan/outline'
import { PlanControls } from '@/ui/plan/PlanControls'
import { PlanGround, ScaleAndNorth, type UnderPlan } from '@/ui/plan/PlanGround'
import { usePlanWindow, type PlanWindow } from '@/ui/plan/usePlanWindow'
import { askFor } from '@/ui/fields/askFor'

type Tree = PlanView['trees'][number]

/**
 * The site from above in metres: outlines, trees as small rings, a scale bar and north. Where too many stand together they
 * are drawn as one circle with their number; closer, they part. A press places a new tree.
 */
export function SitePlan({
  features,
  picture,
  siteId,
  first,
  onLit,
  units,
  place,
  onPlace,
  onOpen,
}: {
  features: Feature[]
  picture: UnderPlan | null
  siteId: string
  first: PlanView
  onLit: (id: string | null) => void
  units: UnitSystem
  place: Place | null
  onPlace?: (place: Place) => void
  onOpen: (id: string) => void
}) {
  const svg = useRef<SVGSVGElement>(null)
  const sight = usePlanWindow(features, first.whole)
  const { box, near, zoom } = sight
  const { trees, clusters } = usePlan(siteId, first, near)
  const named = useMemo(() => tagsWithRoom(trees, box.w), [trees, box.w])
  const top = box.y + box.h
  const up = (north: number) => top - north

  function press(event: React.MouseEvent) {
    const matrix = svg.current?.getScreenCTM()
    if (!onPlace || !matrix) return
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse())
    onPlace({ eastM: p.x, northM: top - p.y })
  }

  return (
    <figure className="border border-line bg-land self-start">
      <PlanControls sight={sight} />
      <svg
        ref={svg}
        viewBox={`${box.x} 0 ${box.w} ${box.h}`}
        className={`w-full block max-h-[64vh] ${onPlace ? 'cursor-crosshair' : ''}`}
        onClick={press}
        role="group"
        aria-label="Site plan, north up"
      >
        <PlanGround features={features} picture={picture} box={box} />
        {clusters.map((c) => (
          <g
            key={`${c.eastM} ${c.northM}`}
            role="button"
            tabIndex={0}
            aria-label={`${c.trees} trees, go closer`}
            className="cursor-pointer"
            transform={`translate(${c.eastM} ${up(c.northM)})`}
            onClick={(e) => {
              e.stopPropagation()
              zoom(4, c.eastM, c.northM)
            }}
            onKeyDown={(e) => e.key === 'Enter' && zoom(4, c.eastM, c.northM)}
          >
            <circle
              r={(box.w / 60) * Math.min(1.9, 0.8 + Math.log10(c.trees) * 0.5)}
              className="fill-sapwood stroke-bark"
              strokeWidth={box.w / 300}
            />
            <text
              y={box.w / 180}
              fontSize={box.w / 60}
              fontWeight="700"
              textAnchor="middle"
              className="fill-ink"
            >
              {c.trees}
            </text>
          </g>
        ))}
        {trees.map((t) => (
          <TreeOnPlan
            key={t.id}
            tree={t}
            width={box.w}
            y={up(t.northM)}
            placing={onPlace !== undefined}
            named={named.has(t.id)}
            onOpen={onOpen}
            onLit={onLit}
          />
        ))}
        {place && (
          <g
            transform={`translate(${place.eastM} ${up(place.northM)})`}
            stroke="var(--color-rust)"
            strokeWidth={box.w / 220}
          >
            <circle r={box.w / 60} fill="var(--color-rust-soft)" />
            <path d={`M${-box.w / 35},0H${box.w / 35}M0,${-box.w / 35}V${box.w / 35}`} />
          </g>
        )}
        <ScaleAndNorth box={box} units={units} />
      </svg>
    </figure>
  )
}

/** What is drawn: as it came with the page for the whole site, asked for when one goes closer. */
function usePlan(
  siteId: string,
  first: PlanView,
  near: PlanWindow | null,
): Pick<PlanView, 'trees' | 'clusters'> {
  const [closer, setCloser] = useState<PlanView | null>(null)
  // A site that came whole needs nothing more, however close one goes.
  const whole = first.clusters.length === 0
  useEffect(() => {
    if (!near || whole) return
    const stop = new AbortController()
    const box = [near.x, near.y, near.x + near.w, near.y + near.h].map((n) => n.toFixed(1)).join(',')
    // Out of reach the plan stays as it is.
    void askFor<PlanView>(`/api/sites/${siteId}/plan?box=${box}`, stop.signal).then((plan) => {
      if (plan) setCloser(plan)
    })
    return () => stop.abort()
  }, [siteId, whole, near])
  return near && closer ? closer : first
}

/** The trees whose tags have room beside each other, in the order they are listed. */
function tagsWithRoom(trees: readonly Tree[], width: number): Set<string> {
  const size = width / 46
  const written: { x: number; y: number; half: number }[] = []
  const named = new Set<string>()
  for (const t of trees) {
    const half = t.tag.length * size * 0.3
    const room = written.every(
      (o) => Math.abs(o.y - t.northM) > size * 1.1 || Math.abs(o.x - t.eastM) > o.half + half,
    )
    if (!room) continue
    written.push({ x: t.eastM, y: t.northM, half })
    named.add(t.id)
  }
  return named
}

const TreeOnPlan = memo(function TreeOnPlan({
  tree: t,
  width,
  y,
  placing,
  named,
  onOpen,
  onLit,
}: {
  tree: Tree
  width: number
  y: number
  placing: boolean
  /** There is room for its tag; else it is written while the tree is lit. */
  named: boolean
  onOpen: (id: string) => void
  onLit: (id: string | null) => void
}) {
  const r = Math.max(width / 70, ((t.diameterM ?? 0.25) / 0.45) * (width / 62))
  return (
    <g
      role="link"
      tabIndex={placing ? -1 : 0}
      aria-label={`${t.tag}, open`}
      data-tree={t.id}
      className={`group ${placing ? '' : 'cursor-pointer'}`}
      transform={`translate(${t.eastM} ${y})`}
      onClick={placing ? undefined : () => onOpen(t.id)}
      onKeyDown={(e) => e.key === 'Enter' && !placing && onOpen(t.id)}
      onMouseEnter={() => onLit(t.id)}
      onMouseLeave={() => onLit(null)}
      onFocus={() => onLit(t.id)}
    >
      <circle
        r={Math.max(r * 1.9, width / 40)}
        className="fill-transparent stroke-transparent group-[.lit]:fill-rust-soft group-[.lit]:stroke-rust"
        strokeWidth={width / 300}
      />
      <path
        d={smallOutline(marksOf(t))}
        transform={`scale(${r / 125})`}
        className="fill-sapwood stroke-bark"
        strokeWidth="26"
      />
      <text
        y={-Math.max(r * 1.3, width / 60) - width / 160}
        fontSize={width / 46}
        fontWeight="700"
        textAnchor="middle"
        className={`fill-ink ${named ? '' : 'hidden group-[.lit]:block'}`}
        stroke="var(--color-sheet)"
        strokeWidth={width / 170}
        paintOrder="stroke"
      >
        {t.tag}
      </text>
    </g>
  )
})
