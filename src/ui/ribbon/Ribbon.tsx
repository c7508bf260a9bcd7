'use client'
import { scaleLinear } from 'd3-scale'
import { useEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'
import { addDays, daysBetween, spokenDay } from '@/core/time/calendar'
import type { Warmth } from '@/core/season/year'
import { Band } from './Band'
import type { Lane } from './lane'
import { moved, textWidth, type Span } from './layout'
import { PIN_KINDS, PIN_NAME, type PinKind } from './Pin'
import { AXIS, LANE, mostOf, REACH, topsOf } from './rows'
import { useWidth } from './useWidth'

/** How long it rests before it is drawn anew where it stands, ms. */
const REST_MS = 120
const LABELS = 168
/**
 * A year, or a part of it, on one band: dates above, warmth against the usual year, stages and what comes with the warmth as lanes, work as pins by
 * form, today as a line, the chosen day as another. Arrow keys, a press or a finger choose a day; the table beside it says the same.
 */
export function Ribbon({
  from,
  whole,
  span,
  onSpan,
  day,
  chosen,
  onChosen,
  known,
  usual,
  lanes,
  pins,
  say,
  unit,
  perDegree,
}: {
  /** The date of day 0. */
  from: string
  whole: Span
  span: Span
  onSpan: (span: Span) => void
  /** Today. */
  day: number
  chosen: number
  onChosen: (day: number) => void
  known: Warmth
  usual: Warmth
  lanes: readonly Lane[]
  pins: readonly { on: string; kind: PinKind; words: string }[]
  /** What a day says, for those who hear it. */
  say: (day: number) => string
  unit: string
  perDegree: number
}) {
  const [box, width] = useWidth<HTMLDivElement>(1000)
  const left = width > 640 ? LABELS : 0
  const plot = Math.max(200, width - left)
  const wide = span[1] - span[0]
  const near = wide < whole[1] - whole[0] - 1
  // It is drawn once, a width further than it is seen on either side, and only pushed while it moves; at rest it is drawn anew.
  const [drawn, setDrawn] = useState(span)
  const holds =
    Math.abs(drawn[1] - drawn[0] - wide) < 1e-6 &&
    Math.abs(span[0] - drawn[0]) <= wide * REACH &&
    drawn[0] >= whole[0] &&
    drawn[1] <= whole[1]
  const base = holds ? drawn : span
  if (!holds && drawn !== span) setDrawn(span)
  useEffect(() => {
    if (drawn === span) return
    const timer = setTimeout(() => setDrawn(span), REST_MS)
    return () => clearTimeout(timer)
  }, [drawn, span])
  const x = useMemo(() => scaleLinear().domain([base[0], base[1]]).range([0, plot]), [base, plot])
  const push = ((base[0] - span[0]) / wide) * plot
  const placed = useMemo(() => pins.map((p) => ({ ...p, day: daysBetween(from, p.on) })), [pins, from])
  const kinds = useMemo(() => PIN_KINDS.filter((k) => pins.some((p) => p.kind === k)), [pins])
  const named = left > 0 ? 0 : 16
  const most = mostOf(known, usual, base)
  const { laneTop, pinTop } = topsOf(lanes.length, named)
  const height = pinTop(kinds.length) + 4
  const inView = (d: number) => d >= span[0] - 1 && d <= span[1] + 1
  const drag = useRef<{ x: number; span: Span; moved: boolean } | null>(null)

  const dayAt = (event: PointerEvent<SVGSVGElement>) => {
    const r = event.currentTarget.getBoundingClientRect()
    return Math.max(whole[0], Math.min(whole[1], Math.floor(x.invert(event.clientX - r.left - left - push))))
  }
  function keys(event: KeyboardEvent) {
    const by = { ArrowLeft: -1, ArrowRight: 1, PageUp: -14, PageDown: 14 }[event.key]
    const to = by !== undefined ? chosen + by : event.key === 'Home' ? day : null
    if (to === null) return
    event.preventDefault()
    onChosen(Math.max(whole[0], Math.min(whole[1], to)))
  }

  return (
    <div ref={box} className="overflow-hidden">
      <svg
        width={width}
        height={height}
        viewBox={`0 0 ${width} ${height}`}
        className="block select-none focus-visible:outline-2 focus-visible:outline-offset-2 focus-visible:outline-rust"
        role="slider"
        tabIndex={0}
        aria-label="Day of the year; arrow keys move by a day, page keys by two weeks, Home to today"
        aria-valuemin={whole[0]}
        aria-valuemax={whole[1]}
        aria-valuenow={chosen}
        aria-valuetext={say(chosen)}
        onKeyDown={keys}
        style={{ touchAction: near ? 'pan-y' : 'manipulation', cursor: near ? 'grab' : 'pointer' }}
        onPointerDown={(e) => {
          drag.current = { x: e.clientX, span, moved: false }
          if (near) e.currentTarget.setPointerCapture(e.pointerId)
        }}
        onPointerMove={(e) => {
          const d = drag.current
          if (!d || !near || Math.abs(e.clientX - d.x) < 6) return
          d.moved = true
          onSpan(moved(d.span, -((e.clientX - d.x) / plot) * (d.span[1] - d.span[0]), whole))
        }}
        onPointerUp={(e) => {
          if (drag.current && !drag.current.moved) onChosen(dayAt(e))
          drag.current = null
        }}
        onPointerCancel={() => (drag.current = null)}
      >
        <defs>
          <clipPath id="ribbon-plot">
            <rect x={0} y={0} width={plot} height={height} />
          </clipPath>
          <pattern
            id="ribbon-reckoned"
            width="6"
            height="6"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <line x1="0" y1="0" x2="0" y2="6" className="stroke-moss" strokeWidth="1.6" />
          </pattern>
          <pattern
            id="ribbon-closed"
            width="5"
            height="5"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(-45)"
          >
            <line x1="0" y1="0" x2="0" y2="5" className="stroke-plum" strokeWidth="2.4" />
          </pattern>
        </defs>
        <g transform={`translate(${left} 0)`}>
          <g clipPath="url(#ribbon-plot)">
            <g transform={`translate(${push} 0)`}>
              <Band
                {...{
                  x,
                  base,
                  whole,
                  near,
                  height,
                  named,
                  from,
                  day,
                  known,
                  usual,
                  lanes,
                  kinds,
                  placed,
                }}
              />
              <line
                x1={x(chosen + 0.5)}
                x2={x(chosen + 0.5)}
                y1={AXIS}
                y2={height}
                className="stroke-ink"
                strokeWidth={1}
                strokeDasharray="1 3"
              />
            </g>
          </g>
          {inView(day) && <Flag x={x(day + 0.5) + push} plot={plot} text={spokenDay(addDays(from, day))} />}
          <text x={4} y={AXIS + 16} fontSize={12} className="fill-ink2">
            {Math.round(most * perDegree).toLocaleString('en-US')} {unit}
          </text>
        </g>
        {[
          ...lanes.map((l, i) => ({ id: l.id, name: l.name, y: laneTop(i) })),
          ...kinds.map((k, i) => ({ id: k, name: PIN_NAME[k], y: pinTop(i) })),
        ].map((l) => (
          <text
            key={l.id}
            x={0}
            y={left > 0 ? l.y + LANE - 11 : l.y + 12}
            fontSize={13}
            fontWeight="700"
            className="fill-ink"
          >
            {l.name}
          </text>
        ))}
      </svg>
    </div>
  )
}

function Flag({ x, plot, text }: { x: number; plot: number; text: string }) {
  const wide = textWidth(text) + 14
  const at = Math.max(0, Math.min(plot - wide, x - wide / 2))
  return (
    <g transform={`translate(${at} 0)`}>
      <rect width={wide} height={20} rx={2} className="fill-rust" />
      <text x={wide / 2} y={14.5} fontSize={12.5} fontWeight="700" textAnchor="middle" className="fill-paper">
        {text}
      </text>
    </g>
  )
}
