import type { ReactNode, SelectHTMLAttributes } from 'react'
import { Labelled } from './Labelled'

type Options<Value> = readonly (readonly [value: Value, text: string])[]

interface Chosen<Value> {
  options: Options<Value>
  value: Value
  /** What was chosen, one of the options' values. */
  onValue: (value: Value) => void
}

type Rest = Omit<SelectHTMLAttributes<HTMLSelectElement>, 'value' | 'onChange'>

/** A labelled choice of a few words, with its problem beneath. */
export function Choice<Value extends string | number>({
  label,
  hint,
  problem,
  ...select
}: { label: string; hint?: ReactNode; problem?: string | null } & Chosen<Value> & Rest) {
  return (
    <Labelled label={label} hint={hint} problem={problem}>
      {(tied) => <Select {...tied} {...select} />}
    </Labelled>
  )
}

/** The choice alone, named by `aria-label`, for a row that has its label beside it. */
export function Select<Value extends string | number>({
  options,
  onValue,
  className = '',
  ...select
}: Chosen<Value> & Rest) {
  return (
    <select
      className={`field ${className}`}
      onChange={(e) => onValue(options[e.target.selectedIndex]![0])}
      {...select}
    >
      {options.map(([value, text]) => (
        <option key={value} value={value}>
          {text}
        </option>
      ))}
    </select>
  )
}
