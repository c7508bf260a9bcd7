import type { ReactNode, TextareaHTMLAttributes } from 'react'
import { Labelled } from './Labelled'

/** A labelled field for several lines, with its problem beneath. */
export function TextArea({
  label,
  hint,
  problem,
  className = '',
  ...area
}: {
  label: ReactNode
  hint?: ReactNode
  problem?: string | null
} & TextareaHTMLAttributes<HTMLTextAreaElement>) {
  return (
    <Labelled label={label} hint={hint} problem={problem}>
      {(tied) => <textarea rows={3} className={`field ${className}`} {...tied} {...area} />}
    </Labelled>
  )
}
