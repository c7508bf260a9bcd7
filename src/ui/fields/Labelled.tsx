import { useId, type ReactNode } from 'react'

/** What ties a control to its label and to what is said beneath it. */
export interface Tied {
  id: string
  'aria-invalid': true | undefined
  'aria-describedby': string | undefined
}

/** A label over a control, with its problem or a hint beneath, tied together for screen readers. */
export function Labelled({
  label,
  hint,
  problem,
  beside,
  children,
}: {
  label: ReactNode
  hint?: ReactNode
  problem?: string | null
  /** Stands to the right of the control. */
  beside?: ReactNode
  children: (tied: Tied) => ReactNode
}) {
  const id = useId()
  const said = problem ?? hint
  return (
    <div>
      <label htmlFor={id} className="label">
        {label}
      </label>
      <div className="flex items-center gap-2">
        {children({
          id,
          'aria-invalid': problem ? true : undefined,
          'aria-describedby': said ? `${id}-h` : undefined,
        })}
        {beside}
      </div>
      {said && (
        <p
          id={`${id}-h`}
          className={`text-small mt-0.5 ${problem ? 'text-plum font-semibold' : 'text-ink2'}`}
        >
          {said}
        </p>
      )}
    </div>
  )
}
