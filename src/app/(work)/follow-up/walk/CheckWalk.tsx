'use client'
import { Link } from '@/ui/pieces/Link'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { answersOf, compare, compareTold, isTold, STOP_TREATING, type Compared } from '@/core/respond/compare'
import type { FollowUpWalkView } from '@/server/read/work'
import { Select } from '@/ui/fields/Choice'
import { newId } from '@/ui/fields/newId'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'
import { fromToday, writtenDate } from '@/ui/when'
import { foundNumber } from '../foundNumber'
import { LOOK } from '../[id]/NextChoice'

type Check = FollowUpWalkView['checks'][number]
interface Answer {
  /** Of the result, so that a repeat is the same one. */
  id: string
  typed: string
  next: string
  words: string
}
const NONE: Omit<Answer, 'id'> = { typed: '', next: '', words: '' }

/** What an answer comes to; null while nothing that can be is typed. */
function comparedOf({ expectation: e }: Check, typed: string): Compared | null {
  if (isTold(e)) return compareTold(e.kind, typed) ?? null
  const number = foundNumber(typed)
  return number >= e.least && number <= e.most ? compare(e, number) : null
}

/** One walk past the trees of a group that are asked the same: a figure each, what it comes to, and what is next. */
export function CheckWalk({ view }: { view: FollowUpWalkView }) {
  const { checks, today } = view
  const router = useRouter()
  const may = useMay()
  const { send, busy, problem } = useVerb('enter-results', { makes: 'id' })
  const [answers, setAnswers] = useState<Record<string, Answer>>({})
  const answerOf = (c: Check): Answer => answers[c.id] ?? { id: '', ...NONE }
  const set = (c: Check, part: Partial<Answer>) =>
    setAnswers((all) => ({
      ...all,
      [c.id]: { ...NONE, ...all[c.id], id: all[c.id]?.id ?? newId(), ...part },
    }))
  const { expectation } = checks[0]!
  const early = view.dueOn > today && !isTold(expectation)
  const given = checks.filter((c) => answerOf(c).typed.trim() !== '')
  const unread = given.filter((c) => comparedOf(c, answerOf(c).typed) === null)

  async function keep() {
    const done = await send({
      results: given.map((c) => {
        const { id, typed, next, words } = answerOf(c)
        const found = comparedOf(c, typed)
        const told = isTold(c.expectation)
        return {
          id,
          followUpId: c.id,
          value: told ? null : foundNumber(typed),
          said: told ? typed : null,
          nextStep: found?.options.includes(next) ? next : (found?.options[0] ?? ''),
          words: words || null,
        }
      }),
    })
    if (done !== null) router.refresh()
  }

  return (
    <div className="max-w-4xl">
      <p className="text-small text-ink2">
        <Link href="/follow-up" className="underline underline-offset-2">
          follow-up
        </Link>{' '}
        · {view.siteName}
      </p>
      <h1>
        {view.what}, {checks.length} {checks.length === 1 ? 'tree' : 'trees'}
      </h1>
      <p className="text-ink2 mt-1">
        Promised for {writtenDate(view.dueOn)}, {fromToday(view.dueOn, today)}. In the order of one walk.
      </p>
      <p className="mt-4 text-lead font-bold">{expectation.question}</p>
      {!isTold(expectation) && (
        <p className="mt-1">
          Expected: {expectation.sense === 'at-least' ? 'at least' : 'at most'} {expectation.expected}{' '}
          {expectation.unit}.
        </p>
      )}
      {early && (
        <Note className="mt-3">
          These checks are not due yet. Results can be entered from {writtenDate(view.dueOn)} on.
        </Note>
      )}
      <ul className="border-t border-line mt-4" aria-label="Trees of this walk">
        {checks.map((c) => {
          const answer = answerOf(c)
          const found = comparedOf(c, answer.typed)
          const e = c.expectation
          return (
            <li
              key={c.id}
              className="border-b border-line py-2.5 grid gap-x-4 gap-y-2 sm:grid-cols-[minmax(0,1fr)_170px_minmax(0,260px)] items-center"
            >
              <span>
                <Link href={`/follow-up/${c.id}`} className="font-bold text-lead">
                  {c.tag}
                </Link>{' '}
                <span className="text-ink2">{c.kind}</span>
              </span>
              {isTold(e) ? (
                <Select
                  aria-label={`Answer at ${c.tag}`}
                  value={answer.typed}
                  onValue={(typed) => set(c, { typed, next: '' })}
                  options={[['', 'not looked at'], ...answersOf(e.kind).map((a) => [a, a] as const)]}
                />
              ) : (
                <span className="flex items-center gap-2">
                  <input
                    className="field hand-tall !w-24"
                    inputMode="decimal"
                    aria-label={`Found at ${c.tag}, ${e.unit}`}
                    aria-invalid={answer.typed.trim() !== '' && found === null}
                    value={answer.typed}
                    onChange={(event) => set(c, { typed: event.target.value, next: '' })}
                  />
                  <span className="text-ink2">{e.unit}</span>
                </span>
              )}
              {found ? (
                <span className="grid gap-1">
                  <b className={LOOK[found.verdict] === 'stop' ? 'text-plum' : ''}>{found.verdict}</b>
                  <Select
                    aria-label={`Next for ${c.tag}`}
                    value={answer.next || found.options[0]!}
                    onValue={(next) => set(c, { next })}
                    options={found.options.map((o) => [o, o] as const)}
                  />
                  {(LOOK[found.verdict] === 'stop' || answer.next === STOP_TREATING) && (
                    <input
                      className="field"
                      aria-label={`In words, ${c.tag}`}
                      placeholder="in words"
                      value={answer.words}
                      onChange={(event) => set(c, { words: event.target.value })}
                    />
                  )}
                </span>
              ) : (
                <span className="text-ink2">
                  {answer.typed.trim() !== '' && !isTold(e) && `Type a number from ${e.least} to ${e.most}.`}
                </span>
              )}
            </li>
          )
        })}
      </ul>
      <ProblemNote problem={problem} />
      {may('enter-results') ? (
        <div className="sticky bottom-0 bg-ground py-3 max-sm:bottom-[64px]">
          <Button
            now
            className="hand-tall"
            disabled={busy || early || given.length === 0 || unread.length > 0}
            onClick={() => void keep()}
          >
            {busy
              ? 'Keeping'
              : given.length === 0
                ? 'Keep the results'
                : `Keep ${given.length} of ${checks.length}`}
          </Button>
        </div>
      ) : (
        <p className="mt-4 text-ink2">Whoever looks at the trees enters what was found.</p>
      )}
    </div>
  )
}
