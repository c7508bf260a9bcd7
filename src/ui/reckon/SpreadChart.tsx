import { plain } from '@/core/quantity/format'
import type { Drawing } from './useReckoning'
import { Button } from '@/ui/pieces/Button'
import { DataTable } from '@/ui/pieces/DataTable'

const W = 300
const H = 110
const money = (n: number) => `${n < 0 ? '−' : ''}$${plain(Math.abs(n), 0)}`

/** Ten thousand drawn lives: how far treating is ahead of removing, as a heap, and in words. */
export function SpreadChart({
  drawing,
  onDraw,
  onStop,
}: {
  drawing: Drawing | null
  onDraw: () => void
  onStop: () => void
}) {
  const spread = drawing?.spread
  return (
    <section
      className="border-t border-line mt-5 pt-3"
      aria-label="Spread of the money"
      data-ms={drawing?.ms ?? undefined}
    >
      <h2>How sure is that?</h2>
      {!drawing && (
        <>
          <p className="text-ink2 my-1.5">
            Draws 10,000 lives of the tree by its curves, with costs and benefit up to a fifth off either way.
          </p>
          <Button className="no-print" onClick={onDraw}>
            Draw 10,000 lives
          </Button>
        </>
      )}
      {drawing && !spread && (
        <div className="flex items-center gap-3 my-2">
          <progress
            className="flex-1 accent-rust"
            value={drawing.done}
            max={drawing.draws}
            aria-label="Lives drawn"
          />
          <span>
            {plain(drawing.done, 0)} of {plain(drawing.draws, 0)}
          </span>
          <Button onClick={onStop}>Stop</Button>
        </div>
      )}
      {spread && (
        <>
          <p className="my-1.5">
            Treating was worth at least as much as removing in{' '}
            <b>{plain(spread.treatBeats.remove * 100, 0)} of 100</b> lives, and as doing nothing in{' '}
            <b>{plain(spread.treatBeats.nothing * 100, 0)} of 100</b>.
          </p>
          <Heap histogram={spread.histogram} />
          <DataTable
            caption="What each way is worth"
            columns={[
              { head: 'In today’s money' },
              { head: '1 in 10 below', figures: true },
              { head: 'middle', figures: true },
              { head: '1 in 10 above', figures: true },
            ]}
            rows={(['treat', 'remove', 'nothing'] as const).map((way) => ({
              key: way,
              name: <b>{{ treat: 'Treat', remove: 'Remove', nothing: 'Nothing' }[way]}</b>,
              cells: [money(spread[way].low), money(spread[way].middle), money(spread[way].high)],
            }))}
          />
        </>
      )}
    </section>
  )
}

function Heap({
  histogram: { from, to, counts },
}: {
  histogram: { from: number; to: number; counts: number[] }
}) {
  const most = Math.max(...counts)
  const step = W / counts.length
  const zero = ((0 - from) / (to - from || 1)) * W
  return (
    <svg
      viewBox={`0 -8 ${W} ${H + 26}`}
      className="w-full max-w-[460px]"
      role="img"
      aria-label={`Treating less removing, from ${money(from)} to ${money(to)}`}
    >
      {counts.map((n, i) => {
        const middle = (i + 0.5) * step
        const h = (n / most) * H
        return (
          <rect
            key={i}
            x={i * step + 0.5}
            y={H - h}
            width={step - 1}
            height={h}
            className={middle < zero ? 'fill-sheet stroke-plum' : 'fill-moss stroke-moss'}
            strokeWidth="0.8"
          />
        )
      })}
      <line x1="0" x2={W} y1={H} y2={H} className="stroke-ink2" strokeWidth="0.8" />
      {zero > 0 && zero < W && (
        <>
          <line
            x1={zero}
            x2={zero}
            y1="-4"
            y2={H + 4}
            className="stroke-ink"
            strokeWidth="1.2"
            strokeDasharray="3 2"
          />
          <text x={zero} y={H + 14} textAnchor="middle" fontSize="9.5" className="fill-ink">
            even
          </text>
        </>
      )}
      <text x="0" y={H + 14} fontSize="9.5" className="fill-ink2">
        {money(from)}
      </text>
      <text x={W} y={H + 14} fontSize="9.5" textAnchor="end" className="fill-ink2">
        {money(to)} ahead
      </text>
    </svg>
  )
}
