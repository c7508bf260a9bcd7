import { useId, type SelectHTMLAttributes } from 'react'

/** A labelled choice of a few words, with its problem beneath. */
export function Choice({
  label,
  options,
  problem,
  ...select
}: {
  label: string
  options: readonly (readonly [value: string, text: string])[]
  problem?: string | null
} & SelectHTMLAttributes<HTMLSelectElement>) {
  const id = useId()
  return (
    <div>
      <label htmlFor={id} className="label">
        {label}
      </label>
      <select
        id={id}
        className="field"
        aria-invalid={problem ? true : undefined}
        aria-describedby={problem ? `${id}-h` : undefined}
        {...select}
      >
        {options.map(([value, text]) => (
          <option key={value} value={value}>
            {text}
          </option>
        ))}
      </select>
      {problem && (
        <p id={`${id}-h`} className="text-[0.88rem] mt-0.5 text-plum font-semibold">
          {problem}
        </p>
      )}
    </div>
  )
}
