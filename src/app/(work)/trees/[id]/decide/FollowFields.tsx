'use client'
import Link from 'next/link'
import { FOLLOWS, type PlainAction } from '@/core/decide/promised'
import type { Action } from '@/core/decide/propose'
import type { Problem } from '@/core/problem'
import { addDays } from '@/core/time/calendar'
import { Field } from '@/ui/fields/Field'
import { Note } from '@/ui/pieces/Note'

/** What is typed about what follows; the day is the proposed one until another is chosen. */
export interface FollowUp {
  due?: string
  whom?: string
  count?: string
  threshold?: string
}

/** Fields that show their own problem. */
export const FOLLOW_FIELDS = ['due', 'whom', 'watch', 'count', 'threshold']

/** What follows a decision, as it is sent. */
export function followed(action: Action, f: FollowUp, today: string) {
  if (action === 'treat') return {}
  const counted = action === 'watch' && ((f.count ?? '') !== '' || (f.threshold ?? '') !== '')
  const threshold = (f.threshold ?? '').trim()
  return {
    due: f.due ?? addDays(today, FOLLOWS[action].days),
    whom: WHOM[action] && f.whom ? f.whom : null,
    watch: counted
      ? { count: f.count ?? '', threshold: /^\d+$/.test(threshold) ? Number(threshold) : threshold }
      : null,
  }
}

/** Whose answer or work is waited for. */
const WHOM: Partial<Record<Action, string>> = {
  sample: 'Laboratory',
  refer: 'Risk assessor',
  remove: 'Who takes it down',
}

/** What follows a decision that is not to treat: the day on which somebody looks, and by what it is watched. */
export function FollowFields({
  action,
  today,
  value,
  onValue,
  problem,
  treeId,
  cause,
}: {
  action: PlainAction
  today: string
  value: FollowUp
  onValue: (value: FollowUp) => void
  problem: Problem | null
  treeId: string
  cause: string
}) {
  const { day, days, meanwhile } = FOLLOWS[action]
  const said = (field: string) => (problem?.field === field ? problem.message : null)
  const whom = WHOM[action]
  return (
    <fieldset className="mt-3 grid sm:grid-cols-2 gap-x-4 gap-y-3">
      <legend className="sr-only">What follows</legend>
      <Field
        label={day}
        type="date"
        value={value.due ?? addDays(today, days)}
        onChange={(e) => onValue({ ...value, due: e.target.value })}
        problem={said('due')}
      />
      {whom && (
        <Field
          label={`${whom}, if it is known`}
          value={value.whom ?? ''}
          onChange={(e) => onValue({ ...value, whom: e.target.value })}
          problem={said('whom')}
        />
      )}
      {action === 'watch' && (
        <>
          <Field
            label="Count, if there is something to count"
            placeholder="live mites on ten leaves"
            value={value.count ?? ''}
            onChange={(e) => onValue({ ...value, count: e.target.value })}
            problem={said('count')}
          />
          <Field
            label="Too many is more than"
            inputMode="numeric"
            value={value.threshold ?? ''}
            onChange={(e) => onValue({ ...value, threshold: e.target.value })}
            problem={said('threshold') ?? said('watch')}
          />
        </>
      )}
      <Note says={action === 'refer' ? 'stop' : 'know'} className="sm:col-span-2">
        Until then: {meanwhile}
        {action === 'sample' && (
          <>
            {' '}
            <Link href={`/trees/${treeId}/sample?cause=${cause}`} className="underline">
              Sample sheet
            </Link>
          </>
        )}
      </Note>
    </fieldset>
  )
}
