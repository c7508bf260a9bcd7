import type { ReactNode } from 'react'
import { Refusal } from './Refusal'

/** Any of some, each with a box to tick; what is refused of them is told beneath. */
export function Ticks<T extends string | number>({
  legend,
  className,
  options,
  chosen,
  onChosen,
  problem = null,
}: {
  legend: string
  /** How the boxes lie. */
  className: string
  options: readonly (readonly [value: T, name: ReactNode])[]
  chosen: readonly T[]
  onChosen: (chosen: T[]) => void
  problem?: string | null
}) {
  return (
    <fieldset>
      <legend className="label">{legend}</legend>
      <div className={className}>
        {options.map(([value, name]) => (
          <label key={value} className="flex gap-2 items-center min-h-9 hand:min-h-12">
            <input
              type="checkbox"
              className="size-5 shrink-0 accent-[var(--color-rust)]"
              checked={chosen.includes(value)}
              onChange={(e) =>
                onChosen(e.target.checked ? [...chosen, value] : chosen.filter((x) => x !== value))
              }
            />
            <span>{name}</span>
          </label>
        ))}
      </div>
      <Refusal words={problem} />
    </fieldset>
  )
}
