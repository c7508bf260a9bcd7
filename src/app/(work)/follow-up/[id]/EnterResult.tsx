'use client'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useState, type FormEvent } from 'react'
import { compare } from '@/core/respond/compare'
import type { FollowUpView } from '@/server/read/work'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { useGo } from '@/ui/shell/useGo'
import { fromToday, shortDate, writtenDate } from '@/ui/when'
import { Button, ButtonLink } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { TextArea } from '@/ui/fields/TextArea'
import { useMay } from '@/ui/shell/may'

const LOOK = {
  'as expected': 'good',
  slower: 'know',
  'not working': 'stop',
  'left behind': 'stop',
  harmed: 'know',
} as const

/** One promised check: what to count, what is expected, what was found, and what is next. */
export function EnterResult({ view }: { view: FollowUpView }) {
  const router = useRouter()
  const go = useGo()
  const { check, today } = view
  const e = check.expectation
  const may = useMay()
  const { send, busy, problem } = useVerb('enter-result', { makes: 'id' })
  const [value, setValue] = useState('')
  const [nextStep, setNextStep] = useState('')
  const [words, setWords] = useState('')
  const number =
    value.trim().replace(/\s*%$/, '') === '' ? Number.NaN : Number(value.trim().replace(/\s*%$/, ''))
  const inRange = Number.isFinite(number) && number >= e.least && number <= e.most
  const found = inRange ? compare(e, number) : null
  const early = check.dueOn > today
  const bound = (n: number) => `${n} ${e.unit}`

  async function submit(event: FormEvent) {
    event.preventDefault()
    const chosen = found?.options.includes(nextStep) ? nextStep : ''
    if (
      (await send({
        followUpId: check.id,
        value: Number.isNaN(number) ? value : number,
        nextStep: chosen,
        words: words || null,
      })) === null
    )
      return
    if (chosen === 'reopen the diagnosis') go(`/trees/${check.treeId}/examine`)
    else router.refresh()
  }

  return (
    <div className="max-w-2xl">
      <p className="text-small text-ink2">
        <Link href="/follow-up" className="underline underline-offset-2">
          follow-up
        </Link>{' '}
        ·{' '}
        <Link href={`/trees/${check.treeId}`} className="underline underline-offset-2">
          {check.tag}
        </Link>{' '}
        · {view.kind} · {check.siteName}
      </p>
      <h1>{check.what}</h1>
      <p className="text-ink2 mt-1">
        {check.tag}, promised for {writtenDate(check.dueOn)}, {fromToday(check.dueOn, today)}
      </p>
      <p className="mt-4 text-lead font-bold">{e.question}</p>
      <p className="mt-1">
        Expected: {e.sense === 'at-least' ? 'at least' : 'at most'} {bound(e.expected)}.
        {e.tolerated !== e.expected &&
          ` ${e.sense === 'at-least' ? 'Down to' : 'Up to'} ${bound(e.tolerated)} is ${e.kind === 'side-effect' ? 'slight harm' : 'slower than expected'}.`}
      </p>
      {check.verdict ? (
        <Note as="div" says={LOOK[check.verdict]} className="mt-4">
          <p className="font-head font-bold text-lead">
            {check.value} {e.unit}: {check.verdict}
          </p>
          <p>
            {check.measuredBy}, {check.measuredAt && shortDate(check.measuredAt, view.timeZone)}. Next:{' '}
            {check.nextStep}.{check.words && ` ${check.words}`}
          </p>
          {check.nextStep === 'reopen the diagnosis' && (
            <ButtonLink href={`/trees/${check.treeId}/examine`} className="mt-2">
              Examine again →
            </ButtonLink>
          )}
        </Note>
      ) : check.dropped !== null ? (
        <Note className="mt-4">This check fell away with its tree: {check.dropped}</Note>
      ) : !may('enter-result') ? (
        <p className="mt-4 text-ink2">Whoever looks at the tree enters what was found.</p>
      ) : (
        <form onSubmit={submit} className="grid gap-3 mt-4" noValidate>
          {early && (
            <Note>
              This check is not due yet. Its result can be entered from {writtenDate(check.dueOn)} on.
            </Note>
          )}
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
          {found && (
            <Note as="div" says={LOOK[found.verdict]} role="group" aria-label="What is next">
              <p className="font-head font-bold text-lead">
                {found.verdict.charAt(0).toUpperCase() + found.verdict.slice(1)}.
                {found.verdict === 'not working' && ' First doubt the diagnosis.'}
                {found.verdict === 'left behind' &&
                  ' They are fetched today; the check stands again for today.'}
                {found.verdict === 'harmed' && ' That is no reason to repeat it.'}
              </p>
              <div className="grid gap-1 mt-1">
                {found.options.map((o) => (
                  <label key={o} className="flex items-center gap-2.5 min-h-[34px] max-sm:min-h-[48px]">
                    <input
                      type="radio"
                      name="next"
                      className="size-5 accent-[var(--color-rust)]"
                      checked={nextStep === o}
                      onChange={() => setNextStep(o)}
                    />
                    {o}
                  </label>
                ))}
              </div>
            </Note>
          )}
          <TextArea
            label="In words, if there is more to say"
            value={words}
            onChange={(x) => setWords(x.target.value)}
          />
          <ProblemNote problem={problem?.field === 'value' ? null : problem} />
          <Button type="submit" now className="justify-self-start" disabled={busy || early}>
            {busy ? 'Keeping' : 'Keep the result'}
          </Button>
        </form>
      )}
    </div>
  )
}
