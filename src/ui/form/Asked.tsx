'use client'
import { useId, type ReactNode } from 'react'
import { useController } from 'react-hook-form'
import { saidOfSchema, schemaAt, type Said } from '@/asks/field'
import { Choice } from '../fields/Choice'
import { Field } from '../fields/Field'
import { TextArea } from '../fields/TextArea'
import { useAsking, useRefusal } from './AskedForm'

/** A field of the form: what is said of it, what stands in it, and its refusal. For inputs that draw themselves. */
export function useAsked<Value>(at: string): {
  about: Said
  value: Value
  set: (value: Value) => void
  problem: string | null
} {
  const { schema } = useAsking()
  const { field } = useController({ name: at })
  const problem = useRefusal(at)
  const found = schemaAt(schema, at)
  return {
    about: (found && saidOfSchema(found)) ?? { label: at, input: 'line' },
    value: field.value as Value,
    set: field.onChange,
    problem,
  }
}

/** A field of the form that a control of its own draws. */
export function AskedBy<Value>({
  at,
  children,
}: {
  at: string
  children: (field: ReturnType<typeof useAsked<Value>>) => ReactNode
}) {
  return <>{children(useAsked<Value>(at))}</>
}

const TYPES = {
  email: { type: 'email', autoComplete: 'off', inputMode: 'email' },
  telephone: { type: 'tel', inputMode: 'tel' },
  password: { type: 'password', autoComplete: 'current-password' },
  'new-password': { type: 'password', autoComplete: 'new-password' },
  number: { inputMode: 'decimal' },
  day: { type: 'date' },
  time: { type: 'time' },
} as const

/** A field of the form by its path in what is asked; `label` and `hint` only where this form says it otherwise. */
export function Asked({
  at,
  label,
  hint,
  options,
  among,
  autoFocus,
  autoComplete,
  maxLength,
  most,
  rows,
}: {
  at: string
  label?: string
  hint?: ReactNode
  options?: readonly (readonly [value: string, text: string])[]
  /** What is offered while it is typed; anything else may be typed too. */
  among?: readonly string[]
  autoFocus?: boolean
  autoComplete?: string
  maxLength?: number
  /** The last day that can be chosen. */
  most?: string
  rows?: number
}) {
  const { about, value, set, problem } = useAsked<string | boolean>(at)
  const list = useId()
  const name = `${label ?? about.label}${about.unit ? `, ${about.unit}` : ''}`
  const help = hint ?? about.help
  if (about.input === 'tick')
    return (
      <div>
        <label className="flex items-center gap-2 min-h-11">
          <input
            type="checkbox"
            className="size-5 accent-[var(--color-rust)]"
            checked={value === true}
            aria-describedby={problem ? `${at}-refused` : undefined}
            onChange={(e) => set(e.target.checked)}
          />
          <span>
            {name}
            {help && <span className="block text-small text-ink2">{help}</span>}
          </span>
        </label>
        {problem && (
          <p id={`${at}-refused`} className="text-small text-plum font-semibold">
            {problem}
          </p>
        )}
      </div>
    )
  const text = typeof value === 'string' || typeof value === 'number' ? String(value) : ''
  if (about.input === 'choice')
    return (
      <Choice
        label={name}
        hint={help}
        problem={problem}
        options={options ?? about.options ?? []}
        value={text}
        onValue={set}
      />
    )
  if (about.input === 'words')
    return (
      <TextArea
        label={name}
        hint={help}
        problem={problem}
        rows={rows}
        value={text}
        onChange={(e) => set(e.target.value)}
      />
    )
  return (
    <Field
      label={name}
      hint={help}
      problem={problem}
      placeholder={about.placeholder}
      {...(about.input in TYPES && TYPES[about.input as keyof typeof TYPES])}
      {...(autoComplete && { autoComplete })}
      maxLength={maxLength}
      max={most}
      autoFocus={autoFocus}
      value={text}
      onChange={(e) => set(e.target.value)}
      list={among && list}
    >
      {among && (
        <datalist id={list}>
          {among.map((word) => (
            <option key={word} value={word} />
          ))}
        </datalist>
      )}
    </Field>
  )
}
