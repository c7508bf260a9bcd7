'use client'
import { Button } from '@/ui/pieces/Button'
import { Field } from '@/ui/fields/Field'
import { Toggle } from '@/ui/fields/Toggle'
import { sayWhen, type Step, type When } from './line'
import { LineDrawn } from './LineDrawn'

const ON_THE_DAY = 'day'

/** The steps that are kept already, as one line that is signed together; the last may be dropped. */
export function LineOfWork({
  line,
  here,
  onDrop,
  day,
  onWhen,
  onDay,
}: {
  line: readonly Step[]
  /** The step on the bench, which comes last. */
  here: Step | null
  onDrop: () => void
  day: { onDate: string; today: string }
  /** When a step is done after it was moved, by its place; the last is the one on the bench. */
  onWhen: (n: number, when: When) => void
  onDay: (onDate: string) => void
}) {
  if (line.length === 0) return null
  const all = here ? [...line, here] : line
  return (
    <section aria-label="Line of work" className="mb-4">
      <h2 className="text-base">Signed together</h2>
      <LineDrawn
        line={all}
        {...day}
        onMove={(n, { onDate, days }) => {
          const { when } = all[n]!
          if (days === null) onDay(onDate)
          else onWhen(n, { ...when, after: { ...when.after!, days } })
        }}
      />
      <ol className="mt-1 border-l-[3px] border-moss">
        {line.map((step, n) => (
          <li key={n} className="pl-3 py-1.5">
            <b className="block">
              {n + 1}. {step.name}
            </b>
            <span className="text-small text-ink2">
              {step.says} · {sayWhen(step.when, line)}
            </span>
          </li>
        ))}
        {here && (
          <li className="pl-3 py-1.5">
            <b className="block">
              {all.length}. {here.name}
            </b>
            <span className="text-small text-ink2">on the bench now · {sayWhen(here.when, all)}</span>
          </li>
        )}
      </ol>
      <Button quiet onClick={onDrop}>
        Drop the last
      </Button>
    </section>
  )
}

/** When the step at hand is done: on the day, or after one that is kept; and what must be found first. */
export function WhenFields({
  when,
  onWhen,
  line,
  byHand,
}: {
  when: When
  onWhen: (when: When) => void
  line: readonly Step[]
  /** Nothing is put on: the client may do it. */
  byHand: boolean
}) {
  const days = when.after?.days ?? null
  return (
    <div className="grid gap-2 mb-3">
      {line.length > 0 && (
        <>
          <label>
            <span className="label">When this step is done</span>
            <select
              className="field"
              value={when.after === null ? ON_THE_DAY : String(when.after.item)}
              onChange={(e) =>
                onWhen({
                  ...when,
                  after:
                    e.target.value === ON_THE_DAY ? null : { item: Number(e.target.value), days: days ?? 28 },
                })
              }
            >
              <option value={ON_THE_DAY}>on the day itself</option>
              {line.map((step, n) =>
                step.when.who === 'client' ? null : (
                  <option key={n} value={n}>
                    after {n + 1}. {step.name}
                  </option>
                ),
              )}
            </select>
          </label>
          {days !== null && (
            <Field
              label="Days after it is done"
              inputMode="numeric"
              value={String(days)}
              onChange={(e) => {
                const n = Math.round(Number(e.target.value))
                if (Number.isFinite(n)) onWhen({ ...when, after: { item: when.after!.item, days: n } })
              }}
            />
          )}
        </>
      )}
      {byHand && (
        <Toggle
          label="Done by"
          options={[
            ['crew', 'the crew'],
            ['client', 'the client'],
          ]}
          value={when.who}
          onChange={(who) => onWhen({ ...when, who, ...(who === 'client' && { onlyIf: null }) })}
        />
      )}
      {line.length > 0 && when.who === 'crew' && (
        <Field
          label="Only if this is found (empty: in any case)"
          placeholder="girdling roots lie under the collar"
          value={when.onlyIf ?? ''}
          onChange={(e) => onWhen({ ...when, onlyIf: e.target.value === '' ? null : e.target.value })}
        />
      )}
    </div>
  )
}
