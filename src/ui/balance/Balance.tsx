import type { Cause } from '@/core/diagnose/almanac'
import { findingName } from '@/almanac/findings'
import { showWeight } from '@/core/diagnose/showWeight'
import type { Evidence, Weighed } from '@/core/diagnose/weigh'

/**
 * The causes with their weight for and against from one middle line. Bars are bits of evidence, one scale for all. What is at
 * work together stands as one group at the top, held by a bracket.
 */
export function Balance({
  causes,
  names,
  weighed,
  together,
  chosen,
  onChoose,
}: {
  causes: readonly Pick<Cause, 'id' | 'kind'>[]
  /** By cause, something else too. */
  names: Readonly<Record<string, string>>
  weighed: readonly Weighed[]
  /** The causes of the likeliest explanation. */
  together: readonly string[]
  chosen: string
  onChoose: (cause: string) => void
}) {
  const sum = (list: Evidence[]) => list.reduce((s, e) => s + e.bits, 0)
  const widest = Math.max(3, ...weighed.flatMap((w) => [sum(w.for), sum(w.against)]))
  const x = (bits: number) => (bits / widest) * 50
  return (
    <div role="radiogroup" aria-label="Causes, by weight">
      <div className="hidden md:grid grid-cols-[minmax(150px,1fr)_minmax(0,1.1fr)_190px_minmax(0,1.4fr)_70px] gap-x-4 text-small text-ink2 pb-1 border-b border-ink2">
        <span>Cause</span>
        <span className="text-right">speaks against</span>
        <span className="text-center">balance</span>
        <span>speaks for</span>
        <span className="text-right">weight</span>
      </div>
      {weighed.map((w) => {
        const cause = causes.find((c) => c.id === w.cause)
        const name = names[w.cause] ?? w.cause
        const grouped = together.length > 1 && together.includes(w.cause)
        const on = chosen === w.cause
        return (
          <div
            key={w.cause}
            role="radio"
            aria-checked={on}
            aria-label={`${name}, weight ${showWeight(w.probability)}`}
            tabIndex={on ? 0 : -1}
            onClick={() => onChoose(w.cause)}
            onKeyDown={(e) => keys(e, weighed, w.cause, onChoose)}
            className={`grid grid-cols-[minmax(0,1fr)_auto] md:grid-cols-[minmax(150px,1fr)_minmax(0,1.1fr)_190px_minmax(0,1.4fr)_70px] gap-x-4 gap-y-1 items-center py-2.5 border-b border-line border-l-[3px] border-r-[3px] pl-2 pr-2 cursor-pointer ${on ? 'border-l-rust bg-sheet' : 'border-l-transparent'} ${grouped ? 'border-r-ink2' : 'border-r-transparent'}`}
          >
            <span>
              <span className="font-head font-bold text-lead block leading-tight">{name}</span>
              <span className="text-small text-ink2">
                {cause?.kind ?? 'nothing in the almanac'}
                {grouped && <b className="text-rust"> · together</b>}
                {w.outOfSeason && ' · out of season'}
              </span>
            </span>
            <span className="md:hidden font-head font-bold text-lead">{showWeight(w.probability)}</span>
            <span className="text-small text-plum md:text-right max-md:col-span-2">{list(w.against)}</span>
            <svg
              viewBox="0 0 100 14"
              className="w-full h-[26px] max-md:col-span-2"
              aria-hidden="true"
              preserveAspectRatio="none"
            >
              <rect
                x={50 - x(sum(w.against))}
                y="3"
                width={x(sum(w.against))}
                height="8"
                fill="#c987a9"
                style={{ transition: 'all 160ms' }}
              />
              <rect
                x="50"
                y="3"
                width={x(sum(w.for))}
                height="8"
                fill="var(--color-moss)"
                style={{ transition: 'all 160ms' }}
              />
              <line x1="50" y1="0" x2="50" y2="14" stroke="var(--color-ink)" strokeWidth="0.7" />
            </svg>
            <span className="text-small text-moss max-md:col-span-2">{list(w.for)}</span>
            <span className="hidden md:block text-right font-head font-bold text-lead">
              {showWeight(w.probability)}
            </span>
          </div>
        )
      })}
    </div>
  )
}

function list(evidence: Evidence[]): string {
  const shown = evidence.slice(0, 4).map((e) => {
    const name = findingName(e.finding).toLowerCase()
    if (e.state === 'not-there') return `no ${name}`.replace(/^no no /, 'not: no ')
    return e.state === 'unsure' ? `${name}?` : name
  })
  return shown.join(' · ') + (evidence.length > 4 ? ` · ${evidence.length - 4} more` : '')
}

function keys(
  event: React.KeyboardEvent,
  weighed: readonly Weighed[],
  now: string,
  choose: (cause: string) => void,
) {
  const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0
  if (by === 0 && event.key !== ' ') return
  event.preventDefault()
  const index = weighed.findIndex((w) => w.cause === now) + by
  const next = weighed[Math.max(0, Math.min(weighed.length - 1, index))]!
  choose(next.cause)
  const group = event.currentTarget.parentElement
  requestAnimationFrame(() => group?.querySelector<HTMLElement>('[aria-checked=true]')?.focus())
}
