'use client'
import { useState, type KeyboardEvent, type PointerEvent } from 'react'
import { clockwise, middleOf, wrap } from '@/core/ports/bearing'
import type { RingMark } from '@/core/ports/marks'
import { at, barkRadius, bearingOf, R } from './geometry'
import { Ring, type RingPort } from './Ring'

interface RingEditorProps {
  label: string
  marks: readonly RingMark[]
  holes: readonly { years: number; bearings: readonly number[] }[]
  ports: readonly RingPort[]
  /** Ports of a second item on the same day; they are not moved. */
  beside?: readonly number[]
  mode: 'ports' | 'marks'
  chosen: number | null
  onChoose: (index: number) => void
  /** A port is moved; the caller refuses by not changing it. */
  onMovePort: (index: number, bearing: number) => void
  onChangeMark: (index: number, mark: RingMark) => void
  /** Where a refused port was pulled to. */
  refusedAt: number | null
  className?: string
}

type Grip = ({ kind: 'port' } | { kind: 'from' | 'to' | 'whole' }) & {
  index: number
  /** A whole sector is gripped somewhere inside, so many degrees in, and keeps that distance while it is dragged. */
  into?: number
}

const MARK_WORD: Record<RingMark['kind'], string> = {
  flare: 'Flare',
  dead: 'Dead wood',
  thin: 'Thin side',
  girdling: 'Girdling root',
  hole: 'Earlier hole',
}

/** The ring under the hand: ports and marks are dragged, or moved by arrow keys, one degree or with Shift five. */
export function RingEditor(props: RingEditorProps) {
  const { marks, ports, mode } = props
  const [grip, setGrip] = useState<Grip | null>(null)

  function bearingAt(event: PointerEvent<SVGGElement>): number | null {
    const matrix = event.currentTarget.ownerSVGElement?.getScreenCTM()
    if (!matrix) return null
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse())
    return bearingOf(p.x, p.y)
  }
  function apply(g: Grip, bearing: number) {
    if (g.kind === 'port') return props.onMovePort(g.index, bearing)
    const mark = marks[g.index]
    if (!mark) return
    if (g.kind === 'from') props.onChangeMark(g.index, { ...mark, from: bearing })
    else if (g.kind === 'to') props.onChangeMark(g.index, { ...mark, to: bearing })
    else {
      const from = wrap(bearing - (g.into ?? 0))
      props.onChangeMark(g.index, { ...mark, from, to: wrap(from + clockwise(mark.from, mark.to)) })
    }
  }
  const grips = {
    onPointerDown: (g: Grip) => (event: PointerEvent<SVGGElement>) => {
      event.preventDefault()
      event.currentTarget.setPointerCapture(event.pointerId)
      event.currentTarget.focus()
      const bearing = bearingAt(event)
      const into = g.kind === 'whole' && bearing !== null ? clockwise(marks[g.index]!.from, bearing) : 0
      setGrip({ ...g, into })
      props.onChoose(g.index)
    },
    onPointerMove: (event: PointerEvent<SVGGElement>) => {
      const bearing = grip && bearingAt(event)
      if (grip && bearing !== null) apply(grip, bearing)
    },
    onPointerUp: () => setGrip(null),
    onKeyDown: (g: Grip, now: number) => (event: KeyboardEvent) => {
      const by = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key]
      if (by === undefined) return
      event.preventDefault()
      apply(g, wrap(Math.round(now) + by * (event.shiftKey ? 5 : 1)))
    },
  }

  const handle = (g: Grip, bearing: number, radius: number, name: string, look: 'end' | 'whole' | 'port') => {
    const p = at(bearing, radius)
    return (
      <g
        key={`${g.kind}${g.index}`}
        role="slider"
        tabIndex={0}
        aria-label={name}
        aria-valuemin={0}
        aria-valuemax={359}
        aria-valuenow={Math.round(bearing)}
        aria-valuetext={`${Math.round(bearing)} degrees`}
        className="cursor-grab active:cursor-grabbing outline-none [&:focus-visible>circle]:stroke-[var(--color-water)] [&:focus-visible>circle]:stroke-[4px]"
        style={{ touchAction: 'none' }}
        onPointerDown={grips.onPointerDown(g)}
        onPointerMove={grips.onPointerMove}
        onPointerUp={grips.onPointerUp}
        onKeyDown={grips.onKeyDown(g, bearing)}
        onFocus={() => props.onChoose(g.index)}
      >
        <circle
          cx={p.x}
          cy={p.y}
          r={look === 'port' ? 14 : look === 'whole' ? 9 : 7}
          fill={
            look === 'port' ? 'transparent' : look === 'whole' ? 'var(--color-paper)' : 'var(--color-ink)'
          }
          stroke={look === 'port' ? 'transparent' : 'var(--color-ink)'}
          strokeWidth={look === 'whole' ? 2.5 : 1}
        />
      </g>
    )
  }

  return (
    <div>
      <Ring
        label={props.label}
        marks={marks}
        holes={props.holes}
        ports={mode === 'ports' ? ports : []}
        beside={mode === 'ports' ? props.beside : []}
        className={props.className}
      >
        {mode === 'ports' &&
          ports.map((p, i) =>
            handle(
              { kind: 'port', index: i },
              p.bearing,
              barkRadius(p.bearing, marks) + 3,
              `Port ${i + 1} of ${ports.length}`,
              'port',
            ),
          )}
        {mode === 'ports' && props.refusedAt !== null && (
          <RefusedSign bearing={props.refusedAt} marks={marks} />
        )}
        {mode === 'marks' &&
          marks.flatMap((m, i) => {
            const radius = {
              flare: barkRadius(m.from, marks) + 14,
              thin: 161,
              dead: R * 0.82,
              girdling: R + 11,
              hole: barkRadius(m.from, marks) - 16,
            }[m.kind]
            const middle = middleOf(m)
            const name = `${MARK_WORD[m.kind]} ${i + 1}`
            if (m.kind === 'hole') return [handle({ kind: 'whole', index: i }, m.from, radius, name, 'whole')]
            return [
              handle({ kind: 'from', index: i }, m.from, radius, `${name}, from`, 'end'),
              handle({ kind: 'to', index: i }, m.to, radius, `${name}, to`, 'end'),
              handle(
                { kind: 'whole', index: i },
                middle,
                m.kind === 'flare' ? barkRadius(middle, marks) + 14 : radius,
                `${name}, whole`,
                'whole',
              ),
            ]
          })}
      </Ring>
    </div>
  )
}

/** A crossed circle where a port was pulled to and may not go. */
function RefusedSign({ bearing, marks }: { bearing: number; marks: readonly RingMark[] }) {
  const p = at(bearing, barkRadius(bearing, marks) + 3)
  return (
    <g stroke="var(--color-plum)" strokeWidth="3" fill="none" aria-hidden="true">
      <circle cx={p.x} cy={p.y} r="10" fill="var(--color-plum-soft)" />
      <path d={`M${p.x - 6},${p.y - 6}l12,12m0,-12l-12,12`} />
    </g>
  )
}
