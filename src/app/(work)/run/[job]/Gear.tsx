'use client'

/** Protective gear, ticked piece by piece before anything is opened. */
export function Gear({
  all,
  on,
  onChange,
}: {
  all: readonly string[]
  on: readonly string[]
  onChange: (on: string[]) => void
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
    </fieldset>
  )
}
