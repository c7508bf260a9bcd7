import type { Cause } from '@/core/diagnose/almanac'
import { findingName } from '@/almanac/findings'
import { asGroup, linesOf } from '@/core/diagnose/group'
import { showWeight } from '@/core/diagnose/showWeight'
import type { Evidence, Weighed } from '@/core/diagnose/weigh'

/**
 * The causes with their weight for and against from one middle line. Bars are bits of evidence, one scale for all. What is at
 * work together stands as one group at the top, what follows on another hung from it by a line.
 */
export function Balance({
  causes,
  names,
  weighed,
  together,
  chosen,
  onChoose,
}: {
  causes: readonly Pick<Cause, 'id' | 'kind' | 'livesOn' | 'opens'>[]
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
  const group = together.length > 1 ? asGroup(together, causes) : []
  const lines = linesOf(group)
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
        const at = group.findIndex((m) => m.id === w.cause)
        const member = group[at] ?? null
        const follows =
          !member || member.on === null
            ? null
            : `${member.how === 'feeds' ? 'lives on' : 'let in by'} ${(names[member.on] ?? member.on).toLowerCase()}`
        const on = chosen === w.cause
        return (
          <div
            key={w.cause}
            role="radio"
            aria-checked={on}
            aria-label={`${name}, weight ${showWeight(w.probability)}${follows ? `, ${follows}` : ''}`}
            tabIndex={on ? 0 : -1}
            onClick={() => onChoose(w.cause)}
            onKeyDown={(e) => keys(e, weighed, w.cause, onChoose)}
            className={`grid grid-cols-[minmax(0,1fr)_auto] md:grid-cols-[minmax(150px,1fr)_minmax(0,1.1fr)_190px_minmax(0,1.4fr)_70px] relative gap-x-4 gap-y-1 items-center py-2.5 border-b border-line border-l-[3px] pr-2 cursor-pointer ${on ? 'border-l-rust bg-sheet' : 'border-l-transparent'} ${group.length > 0 ? 'pl-10' : 'pl-2'}`}
          >
            {member && <Hung lines={lines[at]!} follows={follows !== null} />}
            <span>
              <span className="font-head font-bold text-lead block leading-tight">{name}</span>
              <span className="text-small text-ink2">
                {cause?.kind ?? 'nothing in the almanac'}
                {member && <b className="text-rust"> · {follows ?? 'at work'}</b>}
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

/** A cause of a drawn group: a full round where it stands by itself, an arrow from the line where it follows on another. */
function Hung({ lines, follows }: { lines: { above: boolean; below: boolean }; follows: boolean }) {
  return (
    <span aria-hidden="true" className="absolute left-2 inset-y-0 w-7">
      {lines.above && (
        <span className="absolute left-[7px] -top-px h-[calc(50%+1px)] border-l-2 border-ink2" />
      )}
      {lines.below && <span className="absolute left-[7px] top-1/2 -bottom-px border-l-2 border-ink2" />}
      {follows ? (
        <svg viewBox="0 0 20 12" className="absolute left-[7px] top-[calc(50%-6px)] w-5 h-3">
          <path d="M0 6 H12" className="stroke-ink2" strokeWidth="2" />
          <path d="M10 1 L19 6 L10 11 Z" className="fill-ink2" />
        </svg>
      ) : (
        <span className="absolute left-[1px] top-[calc(50%-7px)] size-3.5 rounded-full border-2 border-ink2 bg-rust" />
      )}
    </span>
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
