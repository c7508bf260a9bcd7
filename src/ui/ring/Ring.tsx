import type { ReactNode } from 'react'
import type { RingMark } from '@/core/ports/marks'
import type { PortStage } from '@/core/methods/trunk-injection/running'
import { PortSign, STAGE_LOOK } from './PortSign'
import { alongBark, arcPath, at, barkRadius, outline, R, sectorPath } from './geometry'

export interface RingPort {
  bearing: number
  number?: number
  stage?: PortStage
  /** Moved by hand, drawn larger while chosen. */
  chosen?: boolean
}

export interface RingProps {
  marks: readonly RingMark[]
  holes?: readonly { years: number; bearings: readonly number[] }[]
  ports?: readonly RingPort[]
  /** Bearings of a second item beside the ports. */
  beside?: readonly number[]
  /** Spoken name: `Ash 14 from above`. */
  label: string
  labels?: boolean
  className?: string
  children?: ReactNode
}

const BEARINGS_EVERY = 15

/** A trunk seen from above, north up, with everything that lies on it. Works in grey: forms tell as much as colours. */
export function Ring({
  marks,
  holes = [],
  ports = [],
  beside = [],
  label,
  labels = true,
  className,
  children,
}: RingProps) {
  return (
    <svg viewBox="-200 -200 400 400" className={className} role="group" aria-label={label}>
      <RingGround marks={marks} />
      {labels && <Compass />}
      {marks
        .filter((m) => m.kind === 'thin')
        .map((m, i) => (
          <ThinSide key={i} mark={m} />
        ))}
      {holes.flatMap(({ years, bearings }, i) =>
        bearings.map((bearing, j) => (
          <Hole key={`${i} ${j}`} bearing={bearing} years={years} marks={marks} />
        )),
      )}
      {ports.map((p) => (
        <Port key={p.number ?? p.bearing} port={p} marks={marks} labels={labels} />
      ))}
      {beside.map((bearing) => {
        const p = at(bearing, barkRadius(bearing, marks) + 3)
        return (
          <path
            key={bearing}
            d="M0,-6L6,5H-6Z"
            transform={`translate(${p.x} ${p.y})`}
            fill="var(--color-paper)"
            stroke="var(--color-moss)"
            strokeWidth="2.5"
            aria-label={`Feed capsule at ${bearing}°`}
          />
        )
      })}
      {children}
    </svg>
  )
}

/** Bark, wood and its rings, dead sectors and girdling roots. */
export function RingGround({ marks }: { marks: readonly RingMark[] }) {
  return (
    <g aria-hidden="true">
      <defs>
        <pattern
          id="dead-wood"
          width="6"
          height="6"
          patternUnits="userSpaceOnUse"
          patternTransform="rotate(45)"
        >
          <rect width="6" height="6" fill="#b9a58f" />
          <line x1="0" y1="0" x2="0" y2="6" stroke="#3f3126" strokeWidth="2" />
        </pattern>
      </defs>
      <path d={outline(marks)} fill="var(--color-sapwood)" stroke="var(--color-bark)" strokeWidth="7" />
      {[0.9, 0.81, 0.72, 0.64].map((share) => (
        <path
          key={share}
          d={outline(marks, share)}
          fill="none"
          stroke="var(--color-growth)"
          strokeWidth="0.8"
        />
      ))}
      <path d={outline(marks, 0.55)} fill="var(--color-heartwood)" />
      {[0.45, 0.35, 0.25, 0.15, 0.07].map((share) => (
        <path
          key={share}
          d={outline(marks, share)}
          fill="none"
          stroke="var(--color-growth)"
          strokeWidth="0.8"
        />
      ))}
      {marks
        .filter((m) => m.kind === 'dead')
        .map((m, i) => (
          <path
            key={i}
            d={sectorPath(
              m.from,
              m.to,
              () => R * 0.62,
              (b) => barkRadius(b, marks) + 1,
            )}
            fill="url(#dead-wood)"
            stroke="#3f3126"
            strokeWidth="1"
          />
        ))}
      {marks
        .filter((m) => m.kind === 'girdling')
        .map((m, i) => (
          <g key={i} fill="none" strokeLinecap="round">
            <path d={alongBark(m.from, m.to, marks, 7)} stroke="#4a3829" strokeWidth="11" />
            <path d={alongBark(m.from, m.to, marks, 7)} stroke="#8d6a48" strokeWidth="6" />
          </g>
        ))}
    </g>
  )
}

function Compass() {
  const ticks = Array.from({ length: 360 / BEARINGS_EVERY }, (_, i) => i * BEARINGS_EVERY)
  return (
    <g
      aria-hidden="true"
      fontFamily="var(--font-head)"
      fontSize="13"
      fill="var(--color-ink2)"
      textAnchor="middle"
    >
      {ticks.map((b) => {
        const long = b % 90 === 0
        const a = at(b, 176)
        const z = at(b, long ? 168 : 173)
        return (
          <line
            key={b}
            x1={a.x}
            y1={a.y}
            x2={z.x}
            y2={z.y}
            stroke="var(--color-ink2)"
            strokeWidth={long ? 1.6 : 0.8}
          />
        )
      })}
      {(['N', 'E', 'S', 'W'] as const).map((name, i) => {
        const p = at(i * 90, 188)
        return (
          <text key={name} x={p.x} y={p.y + 4.5} fontWeight="650">
            {name}
          </text>
        )
      })}
    </g>
  )
}

/** A pale arc outside the bearing labels, dense where more of the crown is missing. */
function ThinSide({ mark }: { mark: RingMark }) {
  const severity = mark.severity ?? 0.5
  return (
    <path
      d={arcPath(mark.from, mark.to, 161)}
      fill="none"
      stroke="#8fa256"
      strokeWidth={5 + 5 * severity}
      strokeDasharray="2.6 2.6"
      aria-hidden="true"
    />
  )
}

/** An earlier hole: its age inside it, fading as it closes. */
function Hole({ bearing, years, marks }: { bearing: number; years: number; marks: readonly RingMark[] }) {
  const p = at(bearing, barkRadius(bearing, marks) - 16)
  const shown = years < 0.95 ? '<1' : String(Math.round(years))
  return (
    <g opacity={Math.max(0.55, 1 - years / 8)}>
      <title>{`Earlier hole at ${Math.round(bearing)}°, ${years < 0.95 ? 'less than a year' : `${Math.round(years)} years`} old`}</title>
      <circle
        cx={p.x}
        cy={p.y}
        r="7.5"
        fill="var(--color-sapwood)"
        stroke="var(--color-bark)"
        strokeWidth="1.5"
      />
      <text x={p.x} y={p.y + 3.3} fontSize="9.5" textAnchor="middle" fill="#3f3126" fontWeight="700">
        {shown}
      </text>
    </g>
  )
}

/** A port with the drill line into the wood and its bearing outside. */
export function Port({
  port,
  marks,
  labels = true,
}: {
  port: RingPort
  marks: readonly RingMark[]
  labels?: boolean
}) {
  const bark = barkRadius(port.bearing, marks)
  const p = at(port.bearing, bark + 3)
  const inner = at(port.bearing, bark - 24)
  const text = at(port.bearing, bark + 24)
  const stage = port.stage ?? 'planned'
  const { colour } = STAGE_LOOK[stage]
  return (
    <g>
      <line
        x1={p.x}
        y1={p.y}
        x2={inner.x}
        y2={inner.y}
        stroke={colour}
        strokeWidth="3.4"
        strokeLinecap="round"
      />
      <PortSign x={p.x} y={p.y} stage={stage} r={port.chosen ? 10.5 : 7.5} />
      {labels && (
        <text
          x={text.x}
          y={text.y + 4.4}
          textAnchor="middle"
          fontFamily="var(--font-head)"
          fontSize="12.5"
          fontWeight="700"
          fill="var(--color-ink)"
          stroke="var(--color-ground)"
          strokeWidth="3"
          paintOrder="stroke"
        >
          {port.number !== undefined && port.stage ? port.number : `${port.bearing}°`}
        </text>
      )}
    </g>
  )
}
