'use client'
import { scaleLinear } from 'd3-scale'
import { useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'
import { daysOfLine, moveStep } from '@/core/plan/lineOfWork'
import { addDays, daysBetween, spokenDate, spokenDay } from '@/core/time/calendar'
import { writtenDate } from '@/ui/when'
import { sayWhen, type Step } from './line'

/** Of the drawing, and of its nodes; pixels. */
const WIDTH = 300
const EDGE = 18
const NODE = 13
const ROW = 46
/** Nodes nearer than this stand under each other: their days would run together. */
const APART = 46

/** How many days a key moves a step. */
const KEYS: Record<string, number> = {
  ArrowRight: 1,
  ArrowUp: 1,
  ArrowLeft: -1,
  ArrowDown: -1,
  PageUp: 7,
  PageDown: -7,
}

/**
 * A line of work over its days: each step is taken hold of and moved, by hand or by keys, and what waits for it moves along.
 * Steps of one day stand under each other.
 */
export function LineDrawn({
  line,
  onDate,
  today,
  onMove,
}: {
  line: readonly Step[]
  onDate: string
  today: string
  /** The step that was moved, and where to; the day itself where `days` is null. */
  onMove: (n: number, to: { onDate: string; days: number | null }) => void
}) {
  const svg = useRef<SVGSVGElement>(null)
  /** What is under the hand: its step, where it was taken, and how the days lay then. */
  const [held, setHeld] = useState<{ n: number; x: number; moved: number; last: number } | null>(null)
  const waits = line.map((s) => s.when)
  const days = daysOfLine(waits, onDate).map((d) => daysBetween(onDate, d))
  const end = Math.max(...days)
  // The days lie still while something is moved over them.
  const last = held?.last ?? Math.max(14, end) * 1.15
  const x = scaleLinear([0, last], [EDGE, WIDTH - EDGE])
  const row = days.map((d, i) => days.slice(0, i).filter((e) => Math.abs(x(e) - x(d)) < APART).length)
  const height = 24 + (Math.max(0, ...row) + 1) * ROW
  const y = (i: number) => 24 + row[i]! * ROW
  const move = (n: number, by: number) => {
    if (by !== 0) onMove(n, moveStep(waits, n, by, { onDate, today }))
  }
  const perDay = () => ((svg.current?.getBoundingClientRect().width ?? WIDTH) / WIDTH) * (x(1) - x(0))
  const take = (n: number) => (e: PointerEvent<SVGGElement>) => {
    e.currentTarget.setPointerCapture(e.pointerId)
    setHeld({ n, x: e.clientX, moved: 0, last })
  }
  const drag = (e: PointerEvent<SVGGElement>) => {
    if (!held) return
    const by = Math.round((e.clientX - held.x) / perDay())
    if (by === held.moved) return
    move(held.n, by - held.moved)
    setHeld({ ...held, moved: by })
  }
  const keys = (n: number) => (e: KeyboardEvent) => {
    const by = KEYS[e.key]
    if (by === undefined) return
    e.preventDefault()
    move(n, by)
  }
  return (
    <figure className="mb-2">
      <svg
        ref={svg}
        viewBox={`0 0 ${WIDTH} ${height}`}
        className="w-full touch-pan-y"
        role="group"
        aria-label="The line over its days"
      >
        {line.map((step, i) => {
          const from = step.when.after?.item
          return from === undefined ? null : (
            <path
              key={i}
              d={`M${x(days[from]!)},${y(from)} C${x(days[from]!) + 18},${y(from)} ${x(days[i]!) - 18},${y(i)} ${x(days[i]!)},${y(i)}`}
              className="fill-none stroke-moss"
              strokeWidth="2.5"
              strokeDasharray={step.when.onlyIf === null ? undefined : '4 4'}
            />
          )
        })}
        {line.map((step, i) => (
          <g
            key={i}
            role="slider"
            tabIndex={0}
            aria-label={`${i + 1}. ${step.name}`}
            aria-orientation="horizontal"
            aria-valuemin={0}
            aria-valuenow={days[i]}
            aria-valuetext={`${spokenDate(addDays(onDate, days[i]!))}, ${sayWhen(step.when, line)}`}
            transform={`translate(${x(days[i]!)},${y(i)})`}
            className="cursor-ew-resize touch-none outline-none [&:focus-visible>circle]:stroke-rust [&:focus-visible>circle]:stroke-[4]"
            onPointerDown={take(i)}
            onPointerMove={drag}
            onPointerUp={() => setHeld(null)}
            onPointerCancel={() => setHeld(null)}
            onKeyDown={keys(i)}
          >
            {/* A thumb needs more than it sees. */}
            <circle r="22" className="fill-transparent stroke-none" />
            <circle
              r={NODE}
              className={step.when.who === 'client' ? 'fill-straw-soft stroke-ink' : 'fill-sheet stroke-moss'}
              strokeWidth="2.5"
            />
            <text textAnchor="middle" y="4.5" className="fill-ink text-[13px] font-bold pointer-events-none">
              {i + 1}
            </text>
            <text textAnchor="middle" y={NODE + 13} className="fill-ink2 text-[11px] pointer-events-none">
              {spokenDay(addDays(onDate, days[i]!))}
            </text>
          </g>
        ))}
      </svg>
      <figcaption className="text-small text-ink2">
        {end === 0
          ? `All of it on ${writtenDate(onDate)}.`
          : `${writtenDate(onDate)} to ${writtenDate(addDays(onDate, end))}.`}{' '}
        Drag a step to another day, or press an arrow; what waits for it moves along.
      </figcaption>
    </figure>
  )
}
