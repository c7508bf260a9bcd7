import { useId, type ReactNode } from 'react'
import { Refusal } from './Refusal'

/**
 * One of a few, all in sight. Radio buttons underneath: arrows move through them, a screen reader says which of how many.
 */
export function Toggle<Value extends string>({
  label,
  options,
  value,
  onChange,
  hideLabel = false,
  disabled = false,
  problem = null,
  className = 'grid grid-cols-2 gap-2',
}: {
  label: string
  options: readonly (readonly [value: Value, text: ReactNode])[]
  value: Value | null
  onChange: (value: Value) => void
  hideLabel?: boolean
  disabled?: boolean
  problem?: string | null
  /** How the buttons lie. */
  className?: string
}) {
  const name = useId()
  return (
    <fieldset disabled={disabled}>
      <legend className={hideLabel ? 'sr-only' : 'label'}>{label}</legend>
      <div className={className}>
        {options.map(([option, text]) => (
          <label key={option} className={`btn ${value === option ? 'btn-chosen' : ''}`}>
            <input
              type="radio"
              name={name}
              value={option}
              className="sr-only"
              checked={value === option}
              onChange={() => onChange(option)}
            />
            {text}
          </label>
        ))}
      </div>
      <Refusal words={problem} />
    </fieldset>
  )
}
