'use client'
import type { Problem } from '@/core/problem'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'

/** The other day and the reason, with what was wrong beside the field it is of. */
export function DayAndWhy({
  label,
  onDate,
  why,
  onDay,
  onWhy,
  placeholder,
  problem,
}: {
  label: string
  onDate: string
  why: string
  onDay: (date: string) => void
  onWhy: (why: string) => void
  placeholder: string
  problem: Problem | null
}) {
  const at = (field: string) => (problem?.field === field ? problem.message : null)
  return (
    <>
      <div className="flex flex-wrap items-start gap-2">
        <Field
          label={label}
          type="date"
          value={onDate}
          onChange={(e) => onDay(e.target.value)}
          problem={at('onDate')}
        />
        <div className="grow min-w-52">
          <Field
            label="Why"
            placeholder={placeholder}
            value={why}
            onChange={(e) => onWhy(e.target.value)}
            problem={at('why')}
          />
        </div>
      </div>
      <ProblemNote problem={(at('onDate') ?? at('why')) === null ? problem : null} />
    </>
  )
}
