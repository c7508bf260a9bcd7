'use client'
import { BARE, type Line } from '@/core/methods/lines'
import type { UnitSystem } from '@/core/quantity/format'
import { Choice } from '@/ui/fields/Choice'
import { Field } from '@/ui/fields/Field'

/** One line to be written: a quantity with the unit a bare number has, a number, a choice or words. */
export function LineField({
  line,
  value,
  onValue,
  units,
  problem,
}: {
  line: Line
  value: string
  onValue: (value: string) => void
  units: UnitSystem
  problem: string | null
}) {
  if (line.kind === 'choice')
    return (
      <Choice
        label={line.label}
        value={value}
        onValue={onValue}
        options={[['', 'choose'], ...line.options!.map((o) => [o, o] as const)]}
        problem={problem}
      />
    )
  const unit = line.kind in BARE ? BARE[line.kind as keyof typeof BARE][units] : null
  return (
    <Field
      label={`${line.label}${unit ? `, ${unit}` : ''}${line.optional ? ' (if there is any)' : ''}`}
      value={value}
      inputMode={line.kind === 'count' ? 'numeric' : undefined}
      placeholder={units === 'us' ? line.hint : undefined}
      onChange={(e) => onValue(e.target.value)}
      problem={problem}
    />
  )
}
