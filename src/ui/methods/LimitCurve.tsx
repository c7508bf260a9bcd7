import type { UnitSystem } from '@/core/quantity/format'
import { shown } from '@/core/quantity/pair'
import { SHORT_MONTHS } from '@/core/time/calendar'

const [W, H, LEFT, RIGHT, TOP, FOOT] = [520, 130, 6, 8, 14, 18]

/** How the year’s limit was used up, day by day: a step a day on which anything was put on, the limit above it. */
export function LimitCurve({
  year,
  today,
  days,
  planned,
  limit,
  units,
}: {
  year: string
  today: string
  days: readonly { on: string; kg: number }[]
  /** Signed and still to be put on. */
  planned: number
  limit: number
  units: UnitSystem
}) {
  const day = (date: string) => Date.parse(`${date}T00:00:00Z`)
  const [first, last] = [day(`${year}-01-01`), day(`${Number(year) + 1}-01-01`)]
  const x = (date: string) => LEFT + ((day(date) - first) / (last - first)) * (W - RIGHT - LEFT)
  const used = days.reduce((n, d) => n + d.kg, 0)
  const highest = Math.max(limit, used + planned) * 1.08
  const y = (kg: number) => H - FOOT - (kg / highest) * (H - FOOT - TOP)
  const upTo = (i: number) => days.slice(0, i + 1).reduce((n, d) => n + d.kg, 0)
  const steps = days.map((d, i) => `H${x(d.on)}V${y(upTo(i))}`)
  const end = today.slice(0, 4) === year ? today : `${year}-12-31`
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      className="w-full mt-2"
      role="img"
      aria-label={`Through ${year}: ${days.map((d) => `${shown(d.kg, 'lb', units, 3)} on ${d.on}`).join(', ') || 'nothing'}; the limit is ${shown(limit, 'lb', units, 3)}.`}
    >
      <line
        x1={LEFT}
        x2={W - RIGHT}
        y1={y(limit)}
        y2={y(limit)}
        className="stroke-ink"
        strokeDasharray="5 3"
      />
      <text x={W - RIGHT} y={y(limit) - 3} textAnchor="end" className="fill-ink text-[11px]">
        limit {shown(limit, 'lb', units, 3)}
      </text>
      <path
        d={`M${LEFT},${y(0)}${steps.join('')}H${x(end)}V${y(0)}Z`}
        className="fill-straw-soft stroke-straw"
        strokeWidth="1.4"
      />
      {planned > 0 && (
        <line
          x1={x(end)}
          x2={x(end)}
          y1={y(used)}
          y2={y(used + planned)}
          className="stroke-water"
          strokeWidth="4"
        />
      )}
      {SHORT_MONTHS.map((m, i) => (
        <text
          key={m}
          x={x(`${year}-${String(i + 1).padStart(2, '0')}-01`) + 2}
          y={H - 5}
          className="fill-ink2 text-[10px]"
        >
          {m}
        </text>
      ))}
      <line x1={LEFT} x2={W - RIGHT} y1={y(0)} y2={y(0)} className="stroke-ink2" />
    </svg>
  )
}
