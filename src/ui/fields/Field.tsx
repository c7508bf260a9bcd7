import { useId, type InputHTMLAttributes, type ReactNode } from 'react'

/** A labelled input with its problem beneath, tied together for screen readers. */
export function Field({
  label,
  hint,
  problem,
  children,
  ...input
}: { label: string; hint?: ReactNode; problem?: string | null } & InputHTMLAttributes<HTMLInputElement>) {
  const id = useId()
  return (
    <div>
      <label htmlFor={id} className="label">
        {label}
      </label>
      <div className="flex items-center gap-2">
        <input
          id={id}
          className="field"
          autoComplete="off"
          aria-invalid={problem ? true : undefined}
          aria-describedby={hint || problem ? `${id}-h` : undefined}
          {...input}
        />
        {children}
      </div>
      {(hint || problem) && (
        <p
          id={`${id}-h`}
          className={`text-[0.88rem] mt-0.5 ${problem ? 'text-plum font-semibold' : 'text-ink2'}`}
        >
          {problem ?? hint}
        </p>
      )}
    </div>
  )
}
