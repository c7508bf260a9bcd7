'use client'
import { answersOf, compareTold, type Told } from '@/core/respond/compare'
import type { FollowUpView } from '@/server/read/work'
import { ResultForm } from './ResultForm'
import { AskedBy } from '@/ui/form/Asked'
import { Refusal } from '@/ui/fields/Refusal'

/** A check that is answered in words: one of a few answers, then what is next. */
export function TellForm({ check, expectation: e }: { check: FollowUpView['check']; expectation: Told }) {
  return (
    <ResultForm
      check={check}
      foundOf={({ said }) => (said === null ? null : compareTold(e.kind, said))}
      answerOf={({ said }) => ({ said })}
      keep="Keep the answer"
      quiet={e.kind === 'laboratory'}
    >
      <AskedBy<string | null> at="said">
        {({ value, set, problem }) => (
          <fieldset className="grid gap-1">
            <legend className="label">{e.kind === 'laboratory' ? 'Or' : 'Answer'}</legend>
            {answersOf(e.kind).map((a) => (
              <label key={a} className="flex items-center gap-2.5 min-h-[34px] hand:min-h-[48px]">
                <input
                  type="radio"
                  name="said"
                  className="size-5 accent-[var(--color-rust)]"
                  checked={value === a}
                  onChange={() => set(a)}
                />
                {a}
              </label>
            ))}
            <Refusal words={problem} />
          </fieldset>
        )}
      </AskedBy>
    </ResultForm>
  )
}
