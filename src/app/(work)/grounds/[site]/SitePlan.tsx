'use client'
import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react'
import type { PlanView } from '@/server/read/grounds'
import type { Place } from '@/core/place/place'
import { showGround, type UnitSystem } from '@/core/quantity/format'
import { toSI } from '@/core/quantity/units'
import { smallOutline } from '@/ui/ring/geometry'
import { marksOf } from './TreeList'
import { FILL, points, type Feature } from '@/ui/plan/outline'
import { askFor } from '@/ui/fields/askFor'
import { Button } from '@/ui/pieces/Button'

type Tree = PlanView['trees'][number]

/** The longest round length that takes up no more than a third of the plan's width, and how it is written. */
function scaleBar(width: number, units: UnitSystem): { metres: number; text: string } {
  const unit = units === 'us' ? toSI(1, 'ft') : 1
  const rounds = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000, 10_000]
  const metres = (rounds.findLast((r) => r * unit <= width / 3) ?? 1) * unit
  return { metres, text: showGround(metres, units, 0) }
}

interface Window {
  x: number
  y: number
  w: number
  h: number
}

/**
 * The site from above in metres: outlines, trees as small rings, a scale bar and north. Where too many stand together they
 * are drawn as one circle with their number; closer, they part. A press places a new tree.
 */
export function SitePlan({
  features,
  siteId,
  first,
  onLit,
  units,
  place,
  onPlace,
  onOpen,
}: {
  features: Feature[]
  siteId: string
  first: PlanView
  onLit: (id: string | null) => void
  units: UnitSystem
  place: Place | null
  onPlace?: (place: Place) => void
  onOpen: (id: string) => void
}) {
  const svg = useRef<SVGSVGElement>(null)
  const whole = useMemo((): Window => {
    const w = first.whole
    const all = [
      ...features.flatMap(points),
      ...(w ? [[w.west, w.south] as [number, number], [w.east, w.north] as [number, number]] : []),
    ]
    if (all.length === 0) return { x: 0, y: 0, w: 60, h: 40 }
    const xs = all.map((p) => p[0])
    const ys = all.map((p) => p[1])
    const pad = 5
    const x = Math.min(...xs) - pad
    const y = Math.min(...ys) - pad
    return {
      x,
      y,
      w: Math.max(20, Math.max(...xs) + pad - x),
      h: Math.max(16, Math.max(...ys) + pad + 3 - y),
    }
  }, [features, first.whole])
  const [near, setNear] = useState<Window | null>(null)
  const box = near ?? whole
  const { trees, clusters } = usePlan(siteId, first, near)
  const named = useMemo(() => tagsWithRoom(trees, box.w), [trees, box.w])

  /** Goes closer (2) or back (1/2) about a place; all the way back shows the whole site. */
  const zoom = useCallback(
    (by: number, east = box.x + box.w / 2, north = box.y + box.h / 2) => {
      const w = box.w / by
      if (w >= whole.w) return setNear(null)
      if (w < 6) return
      setNear({ x: east - w / 2, y: north - box.h / by / 2, w, h: box.h / by })
    },
    [box, whole],
  )
  function pan(dx: number, dy: number) {
    if (near) setNear({ ...near, x: near.x + dx * near.w, y: near.y + dy * near.h })
  }
  const top = box.y + box.h
  const up = (north: number) => top - north
  const bar = scaleBar(box.w, units)

  function press(event: React.MouseEvent) {
    const matrix = svg.current?.getScreenCTM()
    if (!onPlace || !matrix) return
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse())
    onPlace({ eastM: p.x, northM: top - p.y })
  }

  return (
    <figure className="border border-line bg-[#dfe6dd] self-start">
      <div className="no-print flex flex-wrap gap-2 p-2" role="group" aria-label="Closer and back">
        <Button onClick={() => zoom(2)}>Closer</Button>
        <Button disabled={near === null} onClick={() => zoom(0.5)}>
          Back
        </Button>
        {near && (
          <>
            {(
              [
                ['West', -0.4, 0],
                ['North', 0, 0.4],
                ['South', 0, -0.4],
                ['East', 0.4, 0],
              ] as const
            ).map(([name, dx, dy]) => (
              <Button key={name} onClick={() => pan(dx, dy)}>
                {name}
              </Button>
            ))}
            <Button onClick={() => setNear(null)}>Whole site</Button>
          </>
        )}
      </div>
      <svg
        ref={svg}
        viewBox={`${box.x} 0 ${box.w} ${box.h}`}
        className={`w-full block max-h-[64vh] ${onPlace ? 'cursor-crosshair' : ''}`}
        onClick={press}
        role="group"
        aria-label="Site plan, north up"
      >
        {[...features]
          .sort((a, b) => Number(b.kind === 'boundary') - Number(a.kind === 'boundary'))
          .map((f) => {
            const look = FILL[f.kind]
            const pts = points(f)
              .map((p) => `${p[0]},${up(p[1])}`)
              .join(' ')
            const Shape = f.geometry.type === 'Polygon' ? 'polygon' : 'polyline'
            return (
              <Shape
                key={f.id}
                points={pts}
                fill={look.fill}
                stroke={look.stroke}
                strokeWidth={look.width}
                strokeDasharray={look.dash}
                strokeLinejoin="round"
              />
            )
          })}
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
                      : up(cy) - 0.9
                }
                fontSize={box.w / 52}
                textAnchor="middle"
                fill="var(--color-ink2)"
              >
                {f.name}
              </text>
            )
          })}
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
      </svg>
    </figure>
  )
}

/** What is drawn: as it came with the page for the whole site, asked for when one goes closer. */
function usePlan(siteId: string, first: PlanView, near: Window | null): Pick<PlanView, 'trees' | 'clusters'> {
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
        stroke="#eef3ec"
        strokeWidth={width / 170}
        paintOrder="stroke"
      >
        {t.tag}
      </text>
    </g>
  )
})
