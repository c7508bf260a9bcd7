'use client'
import { useState } from 'react'
import type { FollowUpView } from '@/server/read/work'
import { newId } from '@/ui/fields/newId'
import { Select } from '@/ui/fields/Choice'
import { useGo } from '@/ui/shell/useGo'
import { AskedForm } from '@/ui/form/AskedForm'
import { AskedBy } from '@/ui/form/Asked'
import { useStep } from '@/ui/form/useStep'
import { ok } from '@/core/problem'
import { laboratoryAsks } from '@/asks/work'

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
  const by = useStep('enter-answer', 'id')
  const [assessmentId] = useState(newId)
  return (
    <AskedForm
      asks={laboratoryAsks}
      start={{ answers: Object.fromEntries(laboratory.map((f) => [f.id, ''])) }}
      sends={({ answers }) =>
        ok({
          followUpId: check.id,
          assessmentId,
          answers: Object.entries(answers as Record<string, string>).flatMap(([finding, state]) =>
            state === '' ? [] : [{ finding, state }],
          ),
          words: null,
        })
      }
      by={by}
      onDone={() => go(`/trees/${check.treeId}/weigh`)}
      keep="Keep the answer and weigh it →"
      keeping="Keeping"
      className="grid gap-2 mt-4"
    >
      <ul className="border-t border-line">
        {laboratory.map((f) => (
          <li
            key={f.id}
            className="border-b border-line py-2 grid sm:grid-cols-[minmax(0,1fr)_170px] gap-x-4 items-center"
          >
            <span>{f.question}</span>
            <AskedBy<string> at={`answers.${f.id}`}>
              {({ value, set }) => (
                <Select aria-label={f.question} options={STATES} value={value} onValue={set} />
              )}
            </AskedBy>
          </li>
        ))}
      </ul>
      <p className="text-small text-ink2">
        What was seen when the sample was taken stays as it was seen, and is weighed together with the answer.
      </p>
    </AskedForm>
  )
}
