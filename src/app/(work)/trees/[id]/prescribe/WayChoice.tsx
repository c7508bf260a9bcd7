'use client'
import { METHOD_NAME } from '@/core/methods/names'
import { spokenDate } from '@/core/time/calendar'
import type { Way } from './way'

/**
 * The ways that can work on a tree, in order of merit with their reasons; below them those that are closed, each with what
 * would open it.
 */
export function WayChoice({
  ways,
  chosen,
  onChoose,
}: {
  ways: readonly Way[]
  chosen: string | null
  onChoose: (id: string) => void
}) {
  const open = ways.filter((w) => w.closed.length === 0)
  const closed = ways.filter((w) => w.closed.length > 0)
  const name = (w: Way) => `${METHOD_NAME[w.use.method]}, ${w.product.name}`
  return (
    <div className="no-print">
      <fieldset>
        <legend className="label">Ways that can work here, the best first</legend>
        <div className="grid gap-1.5">
          {open.map((w) => (
            <label
              key={w.id}
              className={`border-l-[3px] bg-sheet px-3 py-1.5 min-h-[44px] cursor-pointer block has-focus-visible:outline-2 has-focus-visible:outline-rust ${w.id === chosen ? 'border-l-rust' : 'border-l-line'}`}
            >
              <input
                type="radio"
                name="way"
                className="sr-only"
                checked={w.id === chosen}
                onChange={() => onChoose(w.id)}
              />
              <span className={`block ${w.id === chosen ? 'font-bold' : ''}`}>
                {name(w)}
                {w.opensOn !== null && `, from ${spokenDate(w.opensOn)}`}
              </span>
              <span className={`block text-small text-ink2 ${w.id === chosen ? '' : 'sr-only'}`}>
                {w.reasons.join(' · ')}
              </span>
            </label>
          ))}
          {open.length === 0 && <p className="text-ink2">None, as things stand.</p>}
        </div>
      </fieldset>
      {closed.length > 0 && (
        <details className="mt-2" open={open.length === 0}>
          <summary className="cursor-pointer underline underline-offset-2 py-1 hand:py-3">
            {closed.length} closed, and why
          </summary>
          <ul className="border-l-[3px] border-line mt-1 max-w-3xl">
            {closed.map((w) => (
              <li key={w.id} className="pl-3 py-1.5">
                <b>{name(w)}</b>
                {w.closed.map((c) => (
                  <span key={c.text} className="block text-small">
                    {c.text}
                  </span>
                ))}
              </li>
            ))}
          </ul>
        </details>
      )}
    </div>
  )
}
