'use client'
import { LOOKS, type LookedAt, type Seen } from '@/core/gate/looks'

/**
 * Protective gear, ticked piece by piece before anything is opened; a look for open bloom where the card asks for it, and what else only
 * somebody at the tree can say.
 */
export function Gear({
  all,
  on,
  onChange,
  bloom,
  looks,
  seen,
  onSeen,
}: {
  all: readonly string[]
  on: readonly string[]
  onChange: (on: string[]) => void
  /** Null where the card may be used in bloom. */
  bloom: { looked: boolean; onLooked: (looked: boolean) => void } | null
  /** What the gate asks of the trees. */
  looks: readonly LookedAt[]
  seen: Seen
  onSeen: (seen: Seen) => void
}) {
  return (
    <fieldset>
      <legend className="label">Protective gear, on before anything is opened</legend>
      {all.map((g) => (
        <label key={g} className="flex items-center gap-3 min-h-[44px] sm:min-h-[34px]">
          <input
            type="checkbox"
            className="size-6 sm:size-5 accent-[var(--color-moss)]"
            checked={on.includes(g)}
            onChange={(e) => onChange(e.target.checked ? [...on, g] : on.filter((x) => x !== g))}
          />
          {g}
        </label>
      ))}
      {bloom && (
        <label className="flex items-center gap-3 min-h-[44px] sm:min-h-[34px] mt-1 border-t border-line">
          <input
            type="checkbox"
            className="size-6 sm:size-5 accent-[var(--color-moss)]"
            checked={bloom.looked}
            onChange={(e) => bloom.onLooked(e.target.checked)}
          />
          Looked: nothing is in open bloom on the trees or beneath them
        </label>
      )}
      {looks.map((field) => (
        <Look
          key={field}
          field={field}
          value={seen[field]}
          onChange={(value) => onSeen({ ...seen, [field]: value })}
        />
      ))}
    </fieldset>
  )
}

/** One thing that is looked at: big choices side by side, what is seen chosen by one press. */
function Look({
  field,
  value,
  onChange,
}: {
  field: LookedAt
  value: string | undefined
  onChange: (value: string) => void
}) {
  const { question, options, said } = LOOKS[field]
  return (
    <fieldset className="mt-2 pt-2 border-t border-line">
      <legend className="label">{question}, as you see it</legend>
      <div className="flex flex-wrap gap-x-5">
        {options.map((option, i) => (
          <label key={option} className="flex items-center gap-2 min-h-[44px] sm:min-h-[34px]">
            <input
              type="radio"
              name={`look-${field}`}
              className="size-6 sm:size-5 accent-[var(--color-moss)]"
              checked={value === option}
              onChange={() => onChange(option)}
            />
            {said[i]}
          </label>
        ))}
      </div>
    </fieldset>
  )
}
