'use client'
import { useMemo, useRef } from 'react'
import type { SiteView } from '@/server/read/grounds'
import { outline } from '@/ui/ring/geometry'

type Tree = SiteView['trees'][number]
type Feature = SiteView['features'][number]

const FILL: Record<Feature['kind'], { fill: string; stroke: string; width: number; dash?: string }> = {
  boundary: { fill: 'var(--color-sheet)', stroke: 'var(--color-ink2)', width: 0.25, dash: '1.2 0.8' },
  building: { fill: '#d5dad5', stroke: 'var(--color-ink2)', width: 0.3 },
  wall: { fill: 'none', stroke: 'var(--color-ink2)', width: 0.8 },
  path: { fill: 'none', stroke: '#cbbd9f', width: 1.6 },
  bed: { fill: '#e4dcc6', stroke: '#b5a678', width: 0.25 },
  water: { fill: 'var(--color-water-soft)', stroke: 'var(--color-water)', width: 0.3 },
  well: { fill: 'var(--color-water-soft)', stroke: 'var(--color-water)', width: 0.3 },
}

function points(feature: Feature): [number, number][] {
  const c = feature.geometry.coordinates
  if (feature.geometry.type === 'Polygon') return (c as [number, number][][])[0] ?? []
  if (feature.geometry.type === 'LineString') return c as [number, number][]
  return [c as [number, number]]
}

/** The site from above in metres: outlines, trees as small rings, a scale bar and north. A press places a new tree. */
export function SitePlan({
  features,
  trees,
  lit,
  onLit,
  place,
  onPlace,
  onOpen,
}: {
  features: Feature[]
  trees: Tree[]
  lit: string | null
  onLit: (id: string | null) => void
  place: { east: number; north: number } | null
  onPlace?: (east: number, north: number) => void
  onOpen: (id: string) => void
}) {
  const svg = useRef<SVGSVGElement>(null)
  const box = useMemo(() => {
    const all = [...features.flatMap(points), ...trees.map((t): [number, number] => [t.eastM, t.northM])]
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
  }, [features, trees])
  const top = box.y + box.h
  const up = (north: number) => top - north
  const bar = box.w > 60 ? 20 : box.w > 25 ? 10 : 5

  function press(event: React.MouseEvent) {
    const matrix = svg.current?.getScreenCTM()
    if (!onPlace || !matrix) return
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse())
    onPlace(Math.round(p.x * 10) / 10, Math.round((top - p.y) * 10) / 10)
  }

  return (
    <figure className="border border-line bg-[#dfe6dd] self-start">
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
        {trees.map((t) => {
          const r = Math.max(box.w / 70, ((t.diameterM ?? 0.25) / 0.45) * (box.w / 62))
          return (
            <g
              key={t.id}
              role="link"
              tabIndex={onPlace ? -1 : 0}
              aria-label={`${t.tag}, open`}
              className={onPlace ? '' : 'cursor-pointer'}
              transform={`translate(${t.eastM} ${up(t.northM)})`}
              onClick={onPlace ? undefined : () => onOpen(t.id)}
              onKeyDown={(e) => e.key === 'Enter' && !onPlace && onOpen(t.id)}
              onMouseEnter={() => onLit(t.id)}
              onMouseLeave={() => onLit(null)}
              onFocus={() => onLit(t.id)}
            >
              <circle
                r={Math.max(r * 1.9, box.w / 40)}
                fill={lit === t.id ? 'var(--color-rust-soft)' : 'transparent'}
                stroke={lit === t.id ? 'var(--color-rust)' : 'none'}
                strokeWidth={box.w / 300}
              />
              <path
                d={outline(t.marks)}
                transform={`scale(${r / 125})`}
                fill="var(--color-sapwood)"
                stroke="var(--color-bark)"
                strokeWidth="26"
              />
              <text
                y={-Math.max(r * 1.3, box.w / 60) - box.w / 160}
                fontSize={box.w / 46}
                fontWeight="700"
                textAnchor="middle"
                fill="var(--color-ink)"
                stroke="#eef3ec"
                strokeWidth={box.w / 170}
                paintOrder="stroke"
              >
                {t.tag}
              </text>
            </g>
          )
        })}
        {place && Number.isFinite(place.east) && Number.isFinite(place.north) && (
          <g
            transform={`translate(${place.east} ${up(place.north)})`}
            stroke="var(--color-rust)"
            strokeWidth={box.w / 220}
          >
            <circle r={box.w / 60} fill="var(--color-rust-soft)" />
            <path d={`M${-box.w / 35},0H${box.w / 35}M0,${-box.w / 35}V${box.w / 35}`} />
          </g>
        )}
        <g transform={`translate(${box.x + box.w * 0.03} ${box.h - box.h * 0.035})`} aria-hidden="true">
          <path
            d={`M0,${-box.w / 120}V0H${bar}V${-box.w / 120}`}
            fill="none"
            stroke="var(--color-ink)"
            strokeWidth={box.w / 400}
          />
          <text x={bar + box.w / 90} y={box.w / 300} fontSize={box.w / 56} fill="var(--color-ink)">
            {bar} m
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
