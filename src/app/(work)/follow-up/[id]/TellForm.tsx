'use client'
import { useState } from 'react'
import { answersOf, compareTold, type Told } from '@/core/respond/compare'
import type { FollowUpView } from '@/server/read/work'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { TextArea } from '@/ui/fields/TextArea'
import { Button } from '@/ui/pieces/Button'
import { NextChoice } from './NextChoice'
import { useResult } from './useResult'

/** A check that is answered in words: one of a few answers, then what is next. */
export function TellForm({ check, expectation: e }: { check: FollowUpView['check']; expectation: Told }) {
  const { keep, busy, problem, nextStep, setNextStep, words, setWords } = useResult(check)
  const [said, setSaid] = useState<string | null>(null)
  const found = said === null ? null : compareTold(e.kind, said)
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault()
        void keep(found, { said })
      }}
      className="grid gap-3 mt-4"
      noValidate
    >
      <fieldset className="grid gap-1">
        <legend className="label">{e.kind === 'laboratory' ? 'Or' : 'Answer'}</legend>
        {answersOf(e.kind).map((a) => (
          <label key={a} className="flex items-center gap-2.5 min-h-[34px] max-sm:min-h-[48px]">
            <input
              type="radio"
              name="said"
              className="size-5 accent-[var(--color-rust)]"
              checked={said === a}
              onChange={() => setSaid(a)}
            />
            {a}
          </label>
        ))}
      </fieldset>
      {found && <NextChoice found={found} chosen={nextStep} onChoose={setNextStep} />}
      <TextArea
        label="In words, if there is more to say"
        value={words}
        onChange={(x) => setWords(x.target.value)}
      />
      <ProblemNote problem={problem} />
      <Button type="submit" now={e.kind !== 'laboratory'} className="justify-self-start" disabled={busy}>
        {busy ? 'Keeping' : 'Keep the answer'}
      </Button>
    </form>
  )
}
