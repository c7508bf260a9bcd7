import { MONTHS } from '@/core/time/yearly'
import { Labelled } from './Labelled'
import { Select } from './Choice'

const two = (n: number) => String(n).padStart(2, '0')
const DAYS = Array.from({ length: 31 }, (_, i) => [two(i + 1), String(i + 1)] as const)
const NAMED = MONTHS.map((name, i) => [two(i + 1), name] as const)

/** A day of every year, as month and day: `04-01`. */
export function DayOfYear({
  label,
  value,
  onValue,
  problem,
}: {
  label: string
  value: string
  onValue: (value: string) => void
  problem?: string | null
}) {
  const [month, day] = [value.slice(0, 2), value.slice(3)]
  return (
    <Labelled label={label} problem={problem}>
      {(tied) => (
        <span className="grid grid-cols-[72px_minmax(0,1fr)] gap-2">
          <Select {...tied} options={DAYS} value={day} onValue={(d) => onValue(`${month}-${d}`)} />
          <Select
            aria-label={`${label}, month`}
            options={NAMED}
            value={month}
            onValue={(m) => onValue(`${m}-${day}`)}
          />
        </span>
      )}
    </Labelled>
  )
}
