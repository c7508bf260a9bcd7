'use client'
import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import { memo, useEffect, useMemo, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'
import { addDays, daysBetween, spokenDate, spokenDay, spokenMonth } from '@/core/time/calendar'
import type { Warmth } from '@/core/season/year'
import { clustered, moved, textWidth, withRoom, type Span } from './layout'
import { useWidth } from './useWidth'

/** A stretch of days on a lane; open ones are filled, those that are reckoned are only outlined, closed ones are hatched. */
export interface Stretch {
  from: number
  to: number
  text: string
  look: 'open' | 'reckoned' | 'stage' | 'closed'
}

/** A line of the ribbon with its name. */
export interface Lane {
  id: string
  name: string
  stretches: Stretch[]
  /** Days something may come between. */
  ranges?: { from: number; to: number; at: number }[]
}

export const PIN_KINDS = ['done', 'planned', 'due', 'promised'] as const
export type PinKind = (typeof PIN_KINDS)[number]
export const PIN_NAME: Record<PinKind, string> = {
  done: 'Done',
  planned: 'On a day',
  due: 'Due again',
  promised: 'Promised',
}

/** How long it rests before it is drawn anew where it stands, ms. */
const REST_MS = 120
/** As many works of one sign are named. */
const MOST_NAMED = 12

const LABELS = 168
const CHART = 96
const LANE = 26
const AXIS = 24

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
                  plot,
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

/** Where the lanes and the rows of pins begin; `named` is the room their names take above them on a narrow screen. */
function topsOf(lanes: number, named: number) {
  const laneTop = (i: number) => AXIS + CHART + 10 + i * (LANE + named)
  return { laneTop, pinTop: (i: number) => laneTop(lanes) + 8 + i * (LANE + named) }
}

/** How far beyond what is seen it is drawn to either side, in widths of what is seen. */
const REACH = 1

/** The most warmth of the days that are seen, degree days; at least 1. */
function mostOf(known: Warmth, usual: Warmth, span: Span): number {
  return Math.max(1, ...seenOf(known, usual, span))
}

const seenOf = (known: Warmth, usual: Warmth, [a, b]: Span) =>
  [known, usual].flatMap((year) =>
    year.slice(Math.max(0, Math.floor(a)), Math.ceil(b) + 1).flatMap((v) => v ?? []),
  )

interface Placed {
  on: string
  kind: PinKind
  words: string
  day: number
}

/** What does not change while it moves: dates, curves, lanes and pins, drawn for a stretch wider than what is seen. */
const Band = memo(function Band({
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
}: {
  x: (day: number) => number
  base: Span
  whole: Span
  near: boolean
  height: number
  named: number
  from: string
  day: number
  known: Warmth
  usual: Warmth
  lanes: readonly Lane[]
  kinds: readonly PinKind[]
  placed: readonly Placed[]
}) {
  const wide = (base[1] - base[0]) * (near ? REACH : 0)
  const drawn: Span = [Math.max(whole[0], base[0] - wide), Math.min(whole[1], base[1] + wide)]
  const [first, end] = [x(drawn[0]), x(drawn[1])]
  const seen = seenOf(known, usual, base)
  const y = scaleLinear()
    .domain([near && seen.length > 0 ? Math.min(...seen) * 0.9 : 0, mostOf(known, usual, base)])
    .range([CHART - 4, 8])
  const curve = (values: Warmth, a: number, b: number) => {
    const [i, j] = [Math.max(a, Math.floor(drawn[0])), Math.min(values.length - 1, b, Math.ceil(drawn[1]))]
    return line<number>()
      .defined((d) => values[d] !== null && values[d] !== undefined)
      .x((d) => x(d))
      .y((d) => y(values[d]!))(Array.from({ length: Math.max(0, j - i + 1) }, (_, n) => i + n))
  }
  const { laneTop, pinTop } = topsOf(lanes.length, named)
  const visible = (d: number) => d >= drawn[0] - 1 && d <= drawn[1] + 1
  /** What began before the left edge is named at the edge. */
  const labelX = (a: number, b: number) => (x(a) < 0 && x(b) > 0 ? 0 : x(a)) + 4
  return (
    <>
      <Dates
        x={x}
        span={drawn}
        byDay={base[1] - base[0] < 40}
        from={from}
        height={height}
        flag={visible(day) ? x(day + 0.5) : null}
      />
      <g transform={`translate(0 ${AXIS})`}>
        <line x1={first} x2={end} y1={CHART - 4} y2={CHART - 4} className="stroke-line" />
        <path
          d={curve(usual, 0, 400) ?? ''}
          fill="none"
          className="stroke-ink2"
          strokeWidth={1.4}
          strokeDasharray="5 4"
        />
        <path d={curve(known, 0, day) ?? ''} fill="none" className="stroke-water" strokeWidth={2.6} />
        <path
          d={curve(known, day, 400) ?? ''}
          fill="none"
          className="stroke-water"
          strokeWidth={2.2}
          strokeDasharray="2 3"
        />
      </g>
      {lanes.map((lane, i) => (
        <g key={lane.id} transform={`translate(0 ${laneTop(i) + named})`}>
          <rect x={first} width={end - first} y={3} height={LANE - 8} className="fill-line2" />
          {lane.stretches
            .filter((s) => visible(s.from) || visible(s.to) || (s.from < drawn[0] && s.to > drawn[1]))
            .map((s) => (
              <rect
                key={`${s.from} ${s.text}`}
                x={x(s.from)}
                width={Math.max(2, x(s.to) - x(s.from))}
                y={3}
                height={LANE - 8}
                className={
                  s.look === 'open'
                    ? 'fill-moss-soft stroke-moss'
                    : s.look === 'stage'
                      ? 'fill-sheet stroke-line'
                      : s.look === 'closed'
                        ? 'stroke-plum'
                        : 'stroke-moss'
                }
                fill={
                  s.look === 'reckoned'
                    ? 'url(#ribbon-reckoned)'
                    : s.look === 'closed'
                      ? 'url(#ribbon-closed)'
                      : undefined
                }
                fillOpacity={s.look === 'reckoned' ? 0.45 : 1}
              />
            ))}
          {lane.ranges
            ?.filter((r) => visible(r.from) || visible(r.to))
            .map((r) => (
              <g key={r.at} className="stroke-ink2">
                <line x1={x(r.from)} x2={x(r.to)} y1={LANE - 3} y2={LANE - 3} />
                <line x1={x(r.from)} x2={x(r.from)} y1={LANE - 5} y2={LANE - 1} />
                <line x1={x(r.to)} x2={x(r.to)} y1={LANE - 5} y2={LANE - 1} />
              </g>
            ))}
        </g>
      ))}
      {kinds.map((kind, i) => (
        <g key={kind} transform={`translate(0 ${pinTop(i) + named + LANE / 2 - 2})`}>
          <line x1={first} x2={end} className="stroke-line2" />
          {clustered(
            placed
              .filter((p) => p.kind === kind && visible(p.day))
              .map((p) => ({ x: x(p.day + 0.5), item: p })),
            15,
          ).map((c) => (
            <g key={c.x} transform={`translate(${c.x} 0)`}>
              <title>{titleOf(c.items)}</title>
              <PinSign kind={kind} />
              {c.items.length > 1 && (
                <text x={9} y={4.5} fontSize={12} fontWeight="700" className="fill-ink">
                  {c.items.length}
                </text>
              )}
            </g>
          ))}
        </g>
      ))}
      {visible(day) && (
        <line
          x1={x(day + 0.5)}
          x2={x(day + 0.5)}
          y1={AXIS - 2}
          y2={height}
          className="stroke-rust"
          strokeWidth={2}
        />
      )}
      {lanes.map((lane, i) => (
        <g key={lane.id} transform={`translate(0 ${laneTop(i) + named})`}>
          {withRoom(
            // What is nearest to today is named first.
            [...lane.stretches]
              .filter((s) => s.text !== '')
              .sort((a, b) => Math.abs((a.from + a.to) / 2 - day) - Math.abs((b.from + b.to) / 2 - day))
              .map((s) => ({ x: labelX(s.from, s.to), text: s.text, to: x(s.to) })),
            end,
            first,
          )
            .filter((l) => l.to > l.x)
            .map((l) => (
              <g key={`${l.x} ${l.text}`}>
                <rect
                  x={l.x - 2}
                  width={textWidth(l.text) + 2}
                  y={5}
                  height={LANE - 12}
                  className="fill-sheet"
                />
                <text x={l.x} y={LANE - 11} fontSize={12.5} className="fill-ink">
                  {l.text}
                </text>
              </g>
            ))}
        </g>
      ))}
    </>
  )
})

/** What a sign stands for, work by work; of many the first and how many more. */
function titleOf(items: readonly Placed[]): string {
  const said = items.slice(0, MOST_NAMED).map((p) => `${spokenDate(p.on)}: ${p.words}`)
  return [...said, ...(items.length > MOST_NAMED ? [`and ${items.length - MOST_NAMED} more`] : [])].join('\n')
}

/** A pin by its form: filled when done, a ring when on a day, a square when due, a bar when promised. */
export function PinSign({ kind }: { kind: PinKind }) {
  switch (kind) {
    case 'done':
      return <circle r={6} className="fill-moss" />
    case 'planned':
      return <circle r={5.2} className="fill-sheet stroke-rust" strokeWidth={2.4} />
    case 'due':
      return (
        <rect
          x={-5}
          y={-5}
          width={10}
          height={10}
          transform="rotate(45)"
          className="fill-sheet stroke-straw"
          strokeWidth={2.2}
        />
      )
    case 'promised':
      return <rect x={-2.5} y={-7} width={5} height={14} className="fill-ink2" />
  }
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

/** The dates above: months of a season, days of a fortnight. */
function Dates({
  x,
  span,
  byDay,
  from,
  height,
  flag,
}: {
  x: (day: number) => number
  span: Span
  byDay: boolean
  from: string
  height: number
  /** Where today’s flag stands; nothing is written beneath it. */
  flag: number | null
}) {
  const days = Array.from(
    { length: Math.ceil(span[1]) - Math.floor(span[0]) + 1 },
    (_, i) => Math.floor(span[0]) + i,
  )
  const [first, end] = [x(span[0]), x(span[1])]
  const marks = days
    .map((d) => ({ d, date: addDays(from, d) }))
    .filter(({ date }) => byDay || date.endsWith('-01'))
    .map(({ d, date }) => ({
      x: x(d),
      text: byDay ? String(Number(date.slice(8))) : spokenMonth(date),
      strong: date.endsWith('-01'),
    }))
    .filter((m) => m.x >= first - 1 && m.x <= end)
  return (
    <g>
      {marks.map((m) => (
        <line
          key={m.x}
          x1={m.x}
          x2={m.x}
          y1={4}
          y2={height}
          className={m.strong ? 'stroke-line' : 'stroke-line2'}
        />
      ))}
      {withRoom(
        marks
          .map((m) => ({ ...m, x: m.x + 4 }))
          .filter(
            (m) => flag === null || Math.abs(m.x + textWidth(m.text) / 2 - flag) > 28 + textWidth(m.text) / 2,
          ),
        end + 8,
        first,
      ).map((m) => (
        <text key={m.x} x={m.x} y={15} fontSize={12.5} className="fill-ink2">
          {m.text}
        </text>
      ))}
    </g>
  )
}
