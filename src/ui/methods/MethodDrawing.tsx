'use client'
import { type HandName, type PutOnMethod, isHand } from '@/core/methods/names'
import { StemsDrawing } from './StemsDrawing'
import type { ReactNode } from 'react'
import type { PlanOf, SubjectPlan } from '@/core/methods/plan'
import type { RingMark } from '@/core/ports/marks'
import { showLength, type UnitSystem } from '@/core/quantity/format'
import { shown } from '@/core/quantity/pair'
import { FromAbove, Reach, Trunk } from './fromAbove'
import { HandDrawing } from './HandDrawing'

/**
 * What goes where at one tree, drawn to scale with its own numbers: the basin round the trunk, the rings of holes, the band on
 * the bark, the crown, the ground that is fed.
 */
export function MethodDrawing({
  plan,
  marks,
  holes,
  units,
  className,
}: {
  plan: SubjectPlan
  /** What lies on the trunk, or on each of its stems. */
  marks: readonly RingMark[]
  holes: readonly { years: number; bearings: readonly number[]; stem?: number }[]
  units: UnitSystem
  className?: string
}) {
  if (isHand(plan.method))
    return <HandDrawing plan={plan as PlanOf<HandName>} units={units} className={className} />
  const Drawn = DRAWN[plan.method] as (of: Drawing<PutOnMethod>) => ReactNode
  return (
    <Drawn
      plan={plan as PlanOf<PutOnMethod>}
      marks={marks}
      holes={holes}
      units={units}
      className={className}
    />
  )
}

interface Drawing<M extends PutOnMethod> {
  plan: PlanOf<M>
  /** What lies on the trunk, or on each of its stems. */
  marks: readonly RingMark[]
  holes: readonly { years: number; bearings: readonly number[]; stem?: number }[]
  units: UnitSystem
  className?: string
}

/** What is drawn of each method that puts something on. */
const DRAWN: { [M in PutOnMethod]: (of: Drawing<M>) => ReactNode } = {
  'trunk-injection': StemsDrawing,
  'soil-drench': Basin,
  'soil-injection': Holes,
  'bark-spray': Band,
  'crown-spray': CrownSide,
  feed: Fed,
}

type Of<M extends PutOnMethod> = Pick<Drawing<M>, 'plan' | 'units' | 'className'>

function Basin({ plan, units, className }: Of<'soil-drench'>) {
  const { from, to } = plan.shape.basin
  const trunk = plan.diameter / 2
  const says = `From above: the basin lies from ${showLength(from, units, 0)} to ${showLength(to, units, 0)} from the bark, all the way round.`
  return (
    <FromAbove reach={trunk + to * 1.15} says={says} className={className}>
      {(s) => (
        <>
          <circle
            r={(trunk + (from + to) / 2) * s}
            fill="none"
            className="stroke-water-soft"
            strokeWidth={(to - from) * s}
          />
          {[from, to].map((d) => (
            <circle
              key={d}
              r={(trunk + d) * s}
              fill="none"
              className="stroke-water"
              strokeWidth="1.4"
              strokeDasharray="4 3"
            />
          ))}
          <Trunk r={trunk * s} />
          <Reach from={trunk * s} to={(trunk + from) * s} at={-0.5} says={showLength(from, units, 0)} />
          <Reach from={trunk * s} to={(trunk + to) * s} at={0.45} says={showLength(to, units, 0)} />
          <text
            y={-(trunk + (from + to) / 2) * s + 4}
            textAnchor="middle"
            className="fill-water text-[11px] font-bold"
          >
            {plan.water === null ? 'pour here' : `${shown(plan.water, 'gal', units)} here`}
          </text>
        </>
      )}
    </FromAbove>
  )
}

function Holes({ plan, units, className }: Of<'soil-injection'>) {
  const { rings, grid, holes } = plan.shape
  const trunk = plan.diameter / 2
  const reach = grid ? grid.reach : Math.max(trunk, ...rings.map((r) => r.radius))
  const says = grid
    ? `From above: ${holes} holes on a grid of ${shown(grid.spacing, 'ft', units)}, out to ${shown(grid.reach, 'ft', units, 1)}.`
    : `From above: ${rings.map((r) => `${r.holes} holes ${shown(r.radius, 'ft', units, 1)} out`).join(', ')}.`
  const dots: [number, number][] = grid
    ? gridOf(grid.spacing, grid.reach, trunk)
    : rings.flatMap((r, n) =>
        Array.from({ length: Math.min(r.holes, 400) }, (_, i): [number, number] => {
          const a = (2 * Math.PI * (i + (n % 2) / 2)) / r.holes
          return [r.radius * Math.cos(a), r.radius * Math.sin(a)]
        }),
      )
  return (
    <FromAbove reach={reach * 1.06} says={says} className={className}>
      {(s) => (
        <>
          <circle
            r={reach * s}
            className="fill-moss-soft stroke-moss"
            strokeWidth="1"
            strokeDasharray="4 3"
          />
          {dots.map(([x, y]) => (
            <circle key={`${x} ${y}`} cx={x * s} cy={y * s} r="2.2" className="fill-ink" />
          ))}
          <Trunk r={trunk * s} />
          <Reach from={trunk * s} to={reach * s} at={0.5} says={`${shown(reach, 'ft', units, 1)} out`} />
        </>
      )}
    </FromAbove>
  )
}

function gridOf(spacing: number, reach: number, trunk: number): [number, number][] {
  const n = Math.min(20, Math.floor(reach / spacing))
  const dots: [number, number][] = []
  for (let i = -n; i <= n; i++)
    for (let j = -n; j <= n; j++) {
      const [x, y] = [i * spacing, j * spacing]
      const d = Math.hypot(x, y)
      if (d <= reach && d > trunk) dots.push([x, y])
    }
  return dots
}

function Band({ plan, units, className }: Of<'bark-spray'>) {
  const { bandHeight, perStem } = plan.shape
  const high = 190
  const wide = Math.min(46, 18 + plan.diameter * 40)
  const says = `From the side: the band goes from the soil line to ${shown(bandHeight, 'ft', units)} on ${perStem.length === 1 ? 'the stem' : `each of ${perStem.length} stems`}.`
  return (
    <svg viewBox="0 0 340 250" role="img" aria-label={says} className={className}>
      <title>{says}</title>
      <line x1="10" x2="330" y1="220" y2="220" className="stroke-ink2" strokeWidth="1.4" />
      {perStem.slice(0, 5).map((volume, i) => {
        const x = 40 + i * 62
        const top = 220 - high * 0.75
        return (
          <g key={x}>
            <rect
              x={x}
              y="12"
              width={wide}
              height="208"
              className="fill-sapwood stroke-bark"
              strokeWidth="2"
            />
            <rect
              x={x}
              y={top}
              width={wide}
              height={220 - top}
              className="fill-water-soft stroke-water"
              strokeWidth="1.4"
            />
            <text x={x + wide / 2} y="238" textAnchor="middle" className="fill-ink text-[10px]">
              {shown(volume, 'fl oz', units)}
            </text>
          </g>
        )
      })}
      <line x1="22" x2="22" y1={220 - high * 0.75} y2="220" className="stroke-ink" strokeWidth="1.2" />
      <text x="16" y={220 - high * 0.75 - 6} className="fill-ink text-[11px]">
        {shown(bandHeight, 'ft', units)}
      </text>
    </svg>
  )
}

function CrownSide({ plan, units, className }: Of<'crown-spray'>) {
  const { height, width } = plan.shape
  const s = Math.min(150 / height, 200 / width)
  const [h, w] = [height * s, width * s]
  const says = `From the side: a crown ${shown(height, 'ft', units, 1)} high and ${shown(width, 'ft', units, 1)} wide, sprayed from within first, then once round outside.`
  return (
    <svg viewBox="0 0 340 250" role="img" aria-label={says} className={className}>
      <title>{says}</title>
      <line x1="10" x2="330" y1="220" y2="220" className="stroke-ink2" strokeWidth="1.4" />
      <line x1="170" x2="170" y1="220" y2={200 - h / 2} className="stroke-bark" strokeWidth="6" />
      <ellipse
        cx="170"
        cy={190 - h / 2}
        rx={w / 2}
        ry={h / 2}
        className="fill-moss-soft stroke-moss"
        strokeWidth="1.6"
      />
      <path
        d={`M170 ${190 - h / 4} q -${w / 6} -${h / 6} 0 -${h / 3} q ${w / 6} -${h / 8} ${w / 5} ${h / 5}`}
        fill="none"
        className="stroke-water"
        strokeWidth="2"
        strokeDasharray="5 4"
      />
      <text x="170" y={190 - h * 0.12} textAnchor="middle" className="fill-water text-[11px] font-bold">
        1 inside
      </text>
      <text x={170 + w / 2 + 8} y={190 - h / 2} className="fill-water text-[11px] font-bold">
        2 outside
      </text>
      <text x={170 - w / 2 - 8} y={190 - h / 2} textAnchor="end" className="fill-ink text-[11px]">
        {shown(height, 'ft', units, 1)} high
      </text>
      <text x="170" y="240" textAnchor="middle" className="fill-ink text-[11px]">
        {shown(width, 'ft', units, 1)} wide
      </text>
    </svg>
  )
}

function Fed({ plan, units, className }: Of<'feed'>) {
  const { reach, put, area, holes } = plan.shape
  const trunk = plan.diameter / 2
  const clear = trunk + 0.3048
  const says = `From above: ${shown(area, 'ft2', units, 0)} of ground out to ${shown(reach, 'ft', units, 1)}, ${put === 'deep' ? `in ${holes} holes` : put === 'ring' ? 'in a ring at the drip line' : 'thrown evenly'}; nothing against the bark.`
  return (
    <FromAbove reach={reach * 1.06} says={says} className={className}>
      {(s) => (
        <>
          <circle r={reach * s} className="fill-moss-soft stroke-moss" strokeWidth="1.4" />
          {put === 'ring' && (
            <circle
              r={reach * s * 0.93}
              fill="none"
              className="stroke-straw"
              strokeWidth={reach * s * 0.1}
              strokeDasharray="2 3"
            />
          )}
          <circle r={clear * s} className="fill-sheet stroke-ink2" strokeDasharray="3 3" />
          <Trunk r={trunk * s} />
          <Reach from={trunk * s} to={reach * s} at={0.5} says={`${shown(reach, 'ft', units, 1)} out`} />
        </>
      )}
    </FromAbove>
  )
}
