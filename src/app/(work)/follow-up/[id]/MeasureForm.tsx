'use client'
import { compare, type Measured } from '@/core/respond/compare'
import type { FollowUpView } from '@/server/read/work'
import { Field } from '@/ui/fields/Field'
import { foundNumber } from '../foundNumber'
import { ResultForm } from './ResultForm'
import { AskedBy } from '@/ui/form/Asked'

/** A check that is counted or measured. */
export function MeasureForm({
  check,
  expectation: e,
  early,
}: {
  check: FollowUpView['check']
  expectation: Measured
  early: boolean
}) {
  const read = (typed: string) => {
    const number = foundNumber(typed)
    return { number, inRange: Number.isFinite(number) && number >= e.least && number <= e.most }
  }
  return (
    <ResultForm
      check={check}
      foundOf={({ value }) => (read(value).inRange ? compare(e, read(value).number) : null)}
      answerOf={({ value }) => {
        const { number } = read(value)
        return { value: Number.isNaN(number) ? value : number }
      }}
      keep="Keep the result"
      ready={!early}
    >
      <div className="max-w-[220px]">
        <AskedBy<string> at="value">
          {({ value, set, problem }) => (
            <Field
              label={e.unit === '%' ? 'Found, in %' : 'Found, how many'}
              inputMode="decimal"
              value={value}
              onChange={(x) => set(x.target.value)}
              problem={
                problem ??
                (value !== '' && !read(value).inRange ? `Type a number from ${e.least} to ${e.most}.` : null)
              }
            />
          )}
        </AskedBy>
      </div>
    </ResultForm>
  )
}
