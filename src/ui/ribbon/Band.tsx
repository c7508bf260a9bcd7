import { scaleLinear } from 'd3-scale'
import { line } from 'd3-shape'
import { memo } from 'react'
import { spokenDate } from '@/core/time/calendar'
import type { Warmth } from '@/core/season/year'
import { Dates } from './Dates'
import type { Lane } from './lane'
import { clustered, textWidth, withRoom, type Span } from './layout'
import { PinSign, type PinKind, type Placed } from './Pin'
import { AXIS, CHART, LANE, mostOf, REACH, seenOf, topsOf } from './rows'

/** As many works of one sign are named. */
const MOST_NAMED = 12

/** What does not change while it moves: dates, curves, lanes and pins, drawn for a stretch wider than what is seen. */
export const Band = memo(function Band({
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
