import type { Said } from '@/asks/field'
import { Choice } from './Choice'
import { Field } from './Field'
import type { Typed } from './paths'

/** One line that is typed as text and read by what it is a line of: a card, a sheet. Said as every field of a form is. */
export interface TypedLine extends Omit<Said, 'input'> {
  /** What it is a line of, as a path. */
  path: string
  kind: string
  /** What stands there at first. */
  start?: string
  /** Shown only then, by what is typed beside it. */
  when?: (typed: Typed) => boolean
}

const YES = [
  ['yes', 'yes'],
  ['no', 'no'],
] as const

/** The input of a line: a choice where it has options or is yes or no, otherwise a field. */
export function LineInput({
  line,
  value,
  help = line.help,
  problem,
  spoken,
  onValue,
}: {
  line: TypedLine
  value: string
  help?: string
  problem: string | null
  /** Its name where the label alone does not tell it from others. */
  spoken?: string
  onValue: (value: string) => void
}) {
  const options = line.kind === 'yes' ? YES : line.options
  const name = spoken === undefined ? {} : { 'aria-label': spoken }
  return options ? (
    <Choice
      label={line.label}
      hint={help}
      options={options}
      value={value || options[0]![0]}
      problem={problem}
      onValue={onValue}
      {...name}
    />
  ) : (
    <Field
      label={line.label}
      hint={help}
      value={value}
      onChange={(e) => onValue(e.target.value)}
      problem={problem}
      type={line.kind === 'date' ? 'date' : 'text'}
      inputMode={line.kind === 'number' ? 'decimal' : undefined}
      {...name}
    />
  )
}
