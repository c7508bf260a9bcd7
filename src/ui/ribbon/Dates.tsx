import { addDays, spokenMonth } from '@/core/time/calendar'
import { textWidth, withRoom, type Span } from './layout'

/** The dates above: months of a season, days of a fortnight. */
export function Dates({
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
