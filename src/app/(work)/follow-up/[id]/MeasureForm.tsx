'use client'
import { useState } from 'react'
import { compare, type Measured } from '@/core/respond/compare'
import type { FollowUpView } from '@/server/read/work'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { TextArea } from '@/ui/fields/TextArea'
import { Button } from '@/ui/pieces/Button'
import { foundNumber } from '../foundNumber'
import { NextChoice } from './NextChoice'
import { useResult } from './useResult'

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
  const { keep, busy, problem, nextStep, setNextStep, words, setWords } = useResult(check)
  const [value, setValue] = useState('')
  const number = foundNumber(value)
  const inRange = Number.isFinite(number) && number >= e.least && number <= e.most
  const found = inRange ? compare(e, number) : null
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault()
        void keep(found, { value: Number.isNaN(number) ? value : number })
      }}
      className="grid gap-3 mt-4"
      noValidate
    >
      <div className="max-w-[220px]">
        <Field
          label={e.unit === '%' ? 'Found, in %' : 'Found, how many'}
          inputMode="decimal"
          value={value}
          onChange={(x) => setValue(x.target.value)}
          problem={
            problem?.field === 'value'
              ? problem.message
              : value !== '' && !inRange
                ? `Type a number from ${e.least} to ${e.most}.`
                : null
          }
        />
      </div>
      {found && <NextChoice found={found} chosen={nextStep} onChoose={setNextStep} />}
      <TextArea
        label="In words, if there is more to say"
        value={words}
        onChange={(x) => setWords(x.target.value)}
        problem={problem?.field === 'words' ? problem.message : null}
      />
      <ProblemNote problem={problem && ['value', 'words'].includes(problem.field) ? null : problem} />
      <Button type="submit" now className="justify-self-start" disabled={busy || early}>
        {busy ? 'Keeping' : 'Keep the result'}
      </Button>
    </form>
  )
}
