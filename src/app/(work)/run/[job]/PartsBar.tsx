'use client'
import type { Part } from './usePlaceInJob'

/** The parts of a job under the thumb, where a hand holds it. */
export function PartsBar({
  parts,
  shown,
  onShow,
}: {
  parts: readonly (readonly [part: Part, text: string])[]
  shown: Part
  onShow: (part: Part) => void
}) {
  return (
    <nav
      aria-label="Parts of this job"
      className="desk:hidden no-print fixed bottom-0 inset-x-0 lying:right-[42%] z-40 bg-sheet border-t-2 border-ink flex"
    >
      {parts.map(([part, text]) => (
        <button
          key={part}
          type="button"
          aria-pressed={shown === part}
          onClick={() => onShow(part)}
          className={`grow basis-0 min-w-0 h-(--bar) border-t-4 font-bold leading-tight px-0.5 ${shown === part ? 'border-rust text-rust' : 'border-transparent'}`}
        >
          {text}
        </button>
      ))}
    </nav>
  )
}
