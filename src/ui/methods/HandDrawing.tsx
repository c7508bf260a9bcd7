'use client'
import type { HandName } from '@/core/methods/names'
import type { ReactNode } from 'react'
import type { PlanOf } from '@/core/methods/plan'
import type { UnitSystem } from '@/core/quantity/format'
import { shown } from '@/core/quantity/pair'
import { FromAbove, Reach, Trunk } from './fromAbove'

type Of = { plan: PlanOf<HandName>; units: UnitSystem; className?: string }

/** Work by hand drawn to scale where a picture says more than its words; nothing for the rest. */
export function HandDrawing(of: Of) {
  const Drawn = DRAWN[of.plan.method]
  return Drawn ? <Drawn {...of} /> : null
}

const DRAWN: Partial<Record<HandName, (of: Of) => ReactNode>> = {
  collar: Collar,
  trenches: Spokes,
  guard: Mesh,
}

const SIDES = [
  ['north', 0, -1],
  ['east', 1, 0],
  ['south', 0, 1],
  ['west', -1, 0],
] as const

/** From above: the ring that is opened, and how deep the flare lies on each side that was probed. */
function Collar({ plan, units, className }: Of) {
  const trunk = plan.diameter / 2
  const out = trunk + Number(plan.shape['out'])
  const probed = SIDES.filter(([side]) => plan.shape[side] !== undefined)
  const inch = (side: string) => shown(Number(plan.shape[side]), 'in', units)
  return (
    <FromAbove
      reach={out * 1.25}
      says={`From above: opened from the bark out to ${shown(Number(plan.shape['out']), 'in', units)}; over the flare lie ${probed.map(([side]) => `${inch(side)} ${side}`).join(', ')}.`}
      className={className}
    >
      {(s) => (
        <>
          <circle
            r={out * s}
            className="fill-straw-soft stroke-straw"
            strokeWidth="1.4"
            strokeDasharray="5 3"
          />
          <Trunk r={trunk * s} />
          {probed.map(([side, x, y]) => (
            <text
              key={side}
              x={x * ((trunk + out) / 2) * s}
              y={y * ((trunk + out) / 2) * s + 4}
              textAnchor="middle"
              className="fill-ink text-[11px] font-bold"
            >
              {inch(side)}
            </text>
          ))}
          <Reach
            from={trunk * s}
            to={out * s}
            at={-0.75}
            says={`open ${shown(Number(plan.shape['out']), 'in', units)} out`}
          />
          <text y={-out * s - 8} textAnchor="middle" className="fill-ink2 text-[11px]">
            north
          </text>
        </>
      )}
    </FromAbove>
  )
}

/** From above: the spokes between where they begin and the drip line. */
function Spokes({ plan, units, className }: Of) {
  const [start, end, spokes] = ['start', 'end', 'spokes'].map((n) => Number(plan.shape[n])) as [
    number,
    number,
    number,
  ]
  const ft = (m: number) => shown(m, 'ft', units, 1)
  return (
    <FromAbove
      reach={end * 1.1}
      says={`From above: ${spokes} spokes from ${ft(start)} to ${ft(end)} out from the middle of the trunk.`}
      className={className}
    >
      {(s) => (
        <>
          <circle r={end * s} fill="none" className="stroke-line" strokeWidth="1.4" strokeDasharray="4 3" />
          {Array.from({ length: spokes }, (_, i) => {
            // Between the four sides, where anchor roots lie most often.
            const at = (2 * Math.PI * (i + 0.5)) / spokes
            const [x, y] = [Math.cos(at) * s, Math.sin(at) * s]
            return (
              <line
                key={i}
                x1={x * start}
                y1={y * start}
                x2={x * end}
                y2={y * end}
                className="stroke-rust"
                strokeWidth="5"
                strokeLinecap="round"
                opacity="0.7"
              />
            )
          })}
          <Trunk r={(plan.diameter / 2) * s} />
          <Reach from={0} to={start * s} at={-0.02} says={ft(start)} />
          <Reach from={0} to={end * s} at={0.02} says={ft(end)} />
        </>
      )}
    </FromAbove>
  )
}

/** From the side: the cylinder with its height above the soil and what goes into it. */
function Mesh({ plan, units, className }: Of) {
  const [height, bury, length] = ['height', 'bury', 'length'].map((n) => Number(plan.shape[n])) as [
    number,
    number,
    number,
  ]
  const scale = 170 / height
  const ground = 190
  const wide = Math.max(16, (length / Math.PI) * scale)
  const trunk = Math.max(6, plan.diameter * scale)
  const top = ground - (height - bury) * scale
  const inch = (m: number) => shown(m, 'in', units)
  const says = `From the side: ${inch(height - bury)} above the ground and ${inch(bury)} in the soil, ${inch(length)} of mesh round it.`
  return (
    <svg viewBox="0 0 380 224" role="img" aria-label={says} className={className}>
      <title>{says}</title>
      <rect x={0} y={ground} width={380} height={34} className="fill-straw-soft" />
      <line x1={0} x2={380} y1={ground} y2={ground} className="stroke-straw" strokeWidth="1.4" />
      <rect
        x={190 - trunk / 2}
        y={4}
        width={trunk}
        height={ground - 4}
        className="fill-sapwood stroke-bark"
      />
      <rect
        x={190 - wide / 2}
        y={top}
        width={wide}
        height={height * scale}
        fill="none"
        className="stroke-ink"
        strokeWidth="2"
        strokeDasharray="3 3"
      />
      <line x1={250} x2={250} y1={top} y2={ground} className="stroke-rust" strokeWidth="1.6" />
      <text x={258} y={(top + ground) / 2} className="fill-ink text-[12px] font-bold">
        {inch(height - bury)} above the ground
      </text>
      <text x={258} y={ground + 18} className="fill-ink text-[12px]">
        {inch(bury)} in the soil
      </text>
      <text x={16} y={top + 12} className="fill-ink text-[12px]">
        {inch(length)} of mesh
      </text>
    </svg>
  )
}
