import { plain } from '@/core/quantity/format'
import type { TreeWorth } from '@/workers/siteMoney.worker'

const W = 168
const ROW = 11

/** An amount of money as it is shown. */
export const money = (n: number) => `${n < 0 ? '−' : ''}$${plain(Math.abs(Math.round(n)), 0)}`

const WAYS = [
  ['treat', 'fill-moss', 'treat'],
  ['remove', 'fill-bark', 'remove'],
  ['nothing', 'fill-ink2', 'leave'],
] as const

/**
 * What treating, removing and leaving a tree come to, on one scale for all trees: a dot at the middle, and where lives were
 * drawn a line over the eight tenths in the midst of them.
 */
export function WorthBars({ worth, from, to }: { worth: TreeWorth; from: number; to: number }) {
  const x = (n: number) => ((n - from) / (to - from || 1)) * W
  return (
    <svg
      viewBox={`-4 0 ${W + 8} ${ROW * 3 + 4}`}
      width={W + 8}
      height={ROW * 3 + 4}
      role="img"
      aria-label={WAYS.map(([way, , name]) => `${name} ${money(worth[way])}`).join(', ')}
    >
      {from < 0 && to > 0 && (
        <line x1={x(0)} x2={x(0)} y1="0" y2={ROW * 3 + 4} className="stroke-line" strokeWidth="1" />
      )}
      {WAYS.map(([way, fill], i) => {
        const y = ROW * i + 7
        const spread = worth.spread?.[way]
        return (
          <g key={way} className={fill}>
            {spread && (
              <rect
                x={x(spread.low)}
                y={y - 2}
                width={Math.max(1, x(spread.high) - x(spread.low))}
                height="4"
                opacity="0.45"
              />
            )}
            {way === worth.best ? (
              <circle cx={x(worth[way])} cy={y} r="4" />
            ) : (
              <circle cx={x(worth[way])} cy={y} r="3" fill="none" className="stroke-ink2" strokeWidth="1.3" />
            )}
          </g>
        )
      })}
    </svg>
  )
}
