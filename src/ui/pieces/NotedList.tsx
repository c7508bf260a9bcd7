'use client'
import type { ReactNode } from 'react'

/** What was noted or drawn, each with the one thing that can be done with it, mostly its way back; nothing where there is nothing. */
export function NotedList({
  noted,
  busy,
  onBack,
  press = 'Take it back',
}: {
  noted: readonly { id: string; what: ReactNode; by?: string; named?: string }[]
  busy: boolean
  /** Null where this person takes nothing back. */
  onBack: ((id: string) => void) | null
  /** What the button says; to whom the row is only read out, `named` says it whole. */
  press?: string
}) {
  if (noted.length === 0) return null
  return (
    <ul className="border-t border-line mt-2">
      {noted.map((n) => (
        <li key={n.id} className="border-b border-line py-1.5 flex flex-wrap justify-between gap-x-3">
          <span>
            {n.what} {n.by && <span className="text-small text-ink2">{n.by}</span>}
          </span>
          {onBack && (
            <button
              type="button"
              className="underline underline-offset-2 text-small min-h-[32px] hand:min-h-[48px]"
              aria-label={n.named}
              disabled={busy}
              onClick={() => onBack(n.id)}
            >
              {press}
            </button>
          )}
        </li>
      ))}
    </ul>
  )
}
