'use client'
import type { ReactNode } from 'react'

/** What was noted on the ground, the newest first, each with its way back; nothing where nothing was noted. */
export function NotedList({
  noted,
  busy,
  onBack,
}: {
  noted: readonly { id: string; what: ReactNode; by: string }[]
  busy: boolean
  /** Null where this person takes nothing back. */
  onBack: ((id: string) => void) | null
}) {
  if (noted.length === 0) return null
  return (
    <ul className="border-t border-line mt-2">
      {noted.map((n) => (
        <li key={n.id} className="border-b border-line py-1.5 flex flex-wrap justify-between gap-x-3">
          <span>
            {n.what} <span className="text-small text-ink2">{n.by}</span>
          </span>
          {onBack && (
            <button
              type="button"
              className="underline underline-offset-2 text-small min-h-[32px] max-sm:min-h-[48px]"
              disabled={busy}
              onClick={() => onBack(n.id)}
            >
              Take it back
            </button>
          )}
        </li>
      ))}
    </ul>
  )
}
