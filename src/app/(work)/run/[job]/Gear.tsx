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
  otherDay,
  looks,
  seen,
  onSeen,
}: {
  all: readonly string[]
  on: readonly string[]
  onChange: (on: string[]) => void
  /** Null where the card may be used in bloom. */
  bloom: { looked: boolean; onLooked: (looked: boolean) => void } | null
  /** Null where the work stands on today. */
  otherDay: { known: boolean; onKnown: (known: boolean) => void } | null
  /** What the gate asks of the trees. */
  looks: readonly LookedAt[]
  seen: Seen
  onSeen: (seen: Seen) => void
}) {
  return (
    <fieldset>
      <legend className="label">Protective gear, on before anything is opened</legend>
      {all.map((g) => (
        <Tick
          key={g}
          on={on.includes(g)}
          onChange={(ticked) => onChange(ticked ? [...on, g] : on.filter((x) => x !== g))}
          says={g}
        />
      ))}
      {bloom && (
        <Tick
          apart
          on={bloom.looked}
          onChange={bloom.onLooked}
          says="Looked: nothing is in open bloom on the trees or beneath them"
        />
      )}
      {otherDay && (
        <Tick
          apart
          on={otherDay.known}
          onChange={otherDay.onKnown}
          says="It stands on another day and is done today all the same"
        />
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

/** One thing that is ticked before work is begun. */
function Tick({
  on,
  onChange,
  says,
  apart = false,
}: {
  on: boolean
  onChange: (on: boolean) => void
  says: string
  /** It stands apart from those before it. */
  apart?: boolean
}) {
  return (
    <label
      className={`flex items-center gap-3 min-h-12 desk:min-h-[34px] ${apart ? 'mt-1 border-t border-line' : ''}`}
    >
      <input
        type="checkbox"
        className="size-6 desk:size-5 accent-[var(--color-moss)]"
        checked={on}
        onChange={(e) => onChange(e.target.checked)}
      />
      {says}
    </label>
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
          <label key={option} className="flex items-center gap-2 min-h-12 desk:min-h-[34px]">
            <input
              type="radio"
              name={`look-${field}`}
              className="size-6 desk:size-5 accent-[var(--color-moss)]"
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
