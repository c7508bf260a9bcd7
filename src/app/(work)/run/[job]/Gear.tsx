'use client'

/** Protective gear, ticked piece by piece before anything is opened; and a look for open bloom where the card asks for it. */
export function Gear({
  all,
  on,
  onChange,
  bloom,
}: {
  all: readonly string[]
  on: readonly string[]
  onChange: (on: string[]) => void
  /** Null where the card may be used in bloom. */
  bloom: { looked: boolean; onLooked: (looked: boolean) => void } | null
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
    </fieldset>
  )
}
