'use client'
import { useState } from 'react'
import { addDays } from '@/core/time/calendar'
import type { FollowUpView } from '@/server/read/work'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { useMay } from '@/ui/shell/may'
import { useGo } from '@/ui/shell/useGo'
import { DayAndWhy } from '../../run/DayAndWhy'

/** Puts a promised check on another day, or ends it, with the reason. */
export function MoveCheck({ check, today }: { check: FollowUpView['check']; today: string }) {
  const { send, busy, problem } = useVerb('move-check')
  const may = useMay()
  const go = useGo()
  const [onDate, setOnDate] = useState(addDays(check.dueOn < today ? today : check.dueOn, 7))
  const [why, setWhy] = useState('')
  async function move(to: string | null) {
    if ((await send({ followUpId: check.id, onDate: to, why })) !== null) go('/follow-up')
  }
  return (
    <details className="no-print mt-6 max-w-xl">
      <summary className="underline underline-offset-2 cursor-pointer py-2">Not on this day</summary>
      <DayAndWhy
        label="Another day"
        onDate={onDate}
        why={why}
        onDay={setOnDate}
        onWhy={setWhy}
        placeholder="the client is away"
        problem={problem}
      />
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
