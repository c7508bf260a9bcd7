'use client'
import { useState } from 'react'
import type { FollowUpView } from '@/server/read/work'
import { newId } from '@/ui/fields/newId'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { Select } from '@/ui/fields/Choice'
import { useGo } from '@/ui/shell/useGo'

type State = 'there' | 'not-there' | 'unsure'
const STATES = [
  ['', 'not asked for'],
  ['there', 'yes'],
  ['not-there', 'no'],
  ['unsure', 'unclear'],
] as const

/** What the laboratory found, finding by finding; it goes into a new examination with what was seen before. */
export function LaboratoryForm({ view }: { view: FollowUpView }) {
  const { check, laboratory } = view
  const go = useGo()
  const { send, busy, problem } = useVerb('enter-answer', { makes: 'id' })
  const [assessmentId] = useState(newId)
  const [answers, setAnswers] = useState<Record<string, State | ''>>({})
  const given = Object.entries(answers).flatMap(([finding, state]) => (state ? [{ finding, state }] : []))
  return (
    <form
      className="grid gap-2 mt-4"
      noValidate
      onSubmit={async (event) => {
        event.preventDefault()
        const done = await send({ followUpId: check.id, assessmentId, answers: given, words: null })
        if (done !== null) go(`/trees/${check.treeId}/weigh`)
      }}
    >
      <ul className="border-t border-line">
        {laboratory.map((f) => (
          <li
            key={f.id}
            className="border-b border-line py-2 grid sm:grid-cols-[minmax(0,1fr)_170px] gap-x-4 items-center"
          >
            <span>{f.question}</span>
            <Select
              aria-label={f.question}
              options={STATES}
              value={answers[f.id] ?? ''}
              onValue={(state) => setAnswers((a) => ({ ...a, [f.id]: state }))}
            />
          </li>
        ))}
      </ul>
      <ProblemNote problem={problem} />
      <Button type="submit" now className="justify-self-start" disabled={busy || given.length === 0}>
        {busy ? 'Keeping' : 'Keep the answer and weigh it →'}
      </Button>
      <p className="text-small text-ink2">
        What was seen when the sample was taken stays as it was seen, and is weighed together with the answer.
      </p>
    </form>
  )
}
