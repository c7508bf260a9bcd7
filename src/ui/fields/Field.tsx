import type { InputHTMLAttributes, ReactNode } from 'react'
import { Labelled } from './Labelled'

/** A labelled input with its problem beneath. */
export function Field({
  label,
  hint,
  problem,
  children,
  ...input
}: { label: string; hint?: ReactNode; problem?: string | null } & InputHTMLAttributes<HTMLInputElement>) {
  return (
    <Labelled label={label} hint={hint} problem={problem} beside={children}>
      {(tied) => <input className="field" autoComplete="off" {...tied} {...input} />}
    </Labelled>
  )
}
