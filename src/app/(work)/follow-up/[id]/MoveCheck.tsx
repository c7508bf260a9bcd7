'use client'
import { DayAndWhy } from '../../run/DayAndWhy'
import { addDays } from '@/core/time/calendar'
import type { FollowUpView } from '@/server/read/work'
import { useMay } from '@/ui/shell/may'
import { useGo } from '@/ui/shell/useGo'
import { AskedForm, AskedAlso } from '@/ui/form/AskedForm'
import { useStep } from '@/ui/form/useStep'
import { moveCheckAsks } from '@/asks/work'

/** Puts a promised check on another day, or ends it, with the reason. */
export function MoveCheck({ check, today }: { check: FollowUpView['check']; today: string }) {
  const may = useMay()
  const go = useGo()
  const by = useStep('move-check')
  return (
    <details className="no-print mt-6 max-w-xl">
      <summary className="underline underline-offset-2 cursor-pointer py-2">Not on this day</summary>
      <AskedForm
        asks={moveCheckAsks}
        start={{ onDate: addDays(check.dueOn < today ? today : check.dueOn, 7), why: '' }}
        fixed={{ followUpId: check.id }}
        by={by}
        onDone={() => go('/follow-up')}
        keep="Put it on this day"
        quiet
        more={
          may('sign-decision') &&
          check.expectation.kind !== 'all-back' &&
          check.decisionId === null && (
            <AskedAlso also={{ onDate: null }}>End it: nobody looks any more</AskedAlso>
          )
        }
        className="grid gap-2"
      >
        <DayAndWhy />
      </AskedForm>
    </details>
  )
}
