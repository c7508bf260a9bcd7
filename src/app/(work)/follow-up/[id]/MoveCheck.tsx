'use client'
import { useState } from 'react'
import { addDays } from '@/core/time/calendar'
import type { FollowUpView } from '@/server/read/work'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { useMay } from '@/ui/shell/may'
import { useGo } from '@/ui/shell/useGo'

/** Puts a promised check on another day, or ends it, with the reason. */
export function MoveCheck({ check, today }: { check: FollowUpView['check']; today: string }) {
  const { send, busy, problem } = useVerb('move-check')
  const may = useMay()
  const go = useGo()
  const [onDate, setOnDate] = useState(addDays(check.dueOn < today ? today : check.dueOn, 7))
  const [why, setWhy] = useState('')
  const at = (field: string) => (problem?.field === field ? problem.message : null)
  async function move(to: string | null) {
    if ((await send({ followUpId: check.id, onDate: to, why })) !== null) go('/follow-up')
  }
  return (
    <details className="no-print mt-6 max-w-xl">
      <summary className="underline underline-offset-2 cursor-pointer py-2">Not on this day</summary>
      <div className="flex flex-wrap items-start gap-2">
        <Field
          label="Another day"
          type="date"
          value={onDate}
          onChange={(e) => setOnDate(e.target.value)}
          problem={at('onDate')}
        />
        <div className="grow min-w-52">
          <Field
            label="Why"
            placeholder="the client is away"
            value={why}
            onChange={(e) => setWhy(e.target.value)}
            problem={at('why')}
          />
        </div>
      </div>
      <ProblemNote problem={(at('onDate') ?? at('why')) ? null : problem} />
      <div className="flex flex-wrap gap-2 mt-2">
        <Button disabled={busy} onClick={() => void move(onDate)}>
          Put it on this day
        </Button>
        {may('sign-decision') && check.expectation.kind !== 'all-back' && check.decisionId === null && (
          <Button quiet disabled={busy} onClick={() => void move(null)}>
            End it: nobody looks any more
          </Button>
        )}
      </div>
    </details>
  )
}
