'use client'
import { Link } from '@/ui/pieces/Link'
import {
  daysUntil,
  FOLLOWS,
  REFER_TO,
  UNTIL_ANSWER,
  WATCH_SAMPLES,
  type PlainAction,
  type ReferTo,
} from '@/core/decide/promised'
import type { Action } from '@/core/decide/propose'
import type { Problem } from '@/core/problem'
import { addDays } from '@/core/time/calendar'
import { Choice } from '@/ui/fields/Choice'
import { Field } from '@/ui/fields/Field'
import { Note } from '@/ui/pieces/Note'

/** What is typed about what follows; the day is the proposed one until another is chosen. */
export interface FollowUp {
  due?: string
  whom?: string
  count?: string
  threshold?: string
  above?: string
  referTo?: ReferTo
}

/** Fields that show their own problem, of those that are asked for. */
export function followFields(action: Action | null): string[] {
  if (action === null || action === 'treat') return []
  return [
    'due',
    ...(WHOM[action] ? ['whom'] : []),
    ...(action === 'watch' ? ['watch', 'count', 'threshold', 'above'] : []),
  ]
}

/** What follows a decision, as it is sent. */
export function followed(action: Action, f: FollowUp, today: string, carries = false) {
  if (action === 'treat') return {}
  const counted = action === 'watch' && ((f.count ?? '') !== '' || (f.threshold ?? '') !== '')
  const threshold = (f.threshold ?? '').trim()
  return {
    due: f.due ?? addDays(today, daysUntil(action, { carries })),
    whom: WHOM[action] && f.whom ? f.whom : null,
    ...(action === 'refer' && { referTo: f.referTo ?? REFER_TO[0] }),
    watch: counted
      ? {
          count: f.count ?? '',
          threshold: /^\d+$/.test(threshold) ? Number(threshold) : threshold,
          above: f.above?.trim() || null,
        }
      : null,
  }
}

/** Whose answer or work is waited for. */
const WHOM: Partial<Record<Action, string>> = {
  sample: 'Laboratory',
  refer: 'Who',
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
  carries,
}: {
  action: PlainAction
  today: string
  value: FollowUp
  onValue: (value: FollowUp) => void
  problem: Problem | null
  treeId: string
  cause: string
  /** It goes on to neighbours while the tree stands. */
  carries: boolean
}) {
  const { day, meanwhile } = FOLLOWS[action]
  const days = daysUntil(action, { carries })
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
      {action === 'refer' && (
        <Choice
          label="To whom"
          options={REFER_TO.map((r) => [r, r] as const)}
          value={value.referTo ?? REFER_TO[0]}
          onValue={(referTo) => onValue({ ...value, referTo })}
        />
      )}
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
          <Choice
            label="Counted on"
            options={[['', 'what I type beside it'], ...WATCH_SAMPLES.map((s) => [s.count, s.name] as const)]}
            value={WATCH_SAMPLES.some((s) => s.count === value.count) ? value.count! : ''}
            onValue={(count) => onValue({ ...value, count })}
          />
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
          <Field
            label="What happens above it"
            placeholder="soap in the evening, twice"
            value={value.above ?? ''}
            onChange={(e) => onValue({ ...value, above: e.target.value })}
            problem={said('above')}
          />
        </>
      )}
      <Note says={action === 'refer' ? 'stop' : 'know'} className="sm:col-span-2">
        Until then: {action === 'refer' ? UNTIL_ANSWER[value.referTo ?? REFER_TO[0]] : meanwhile}
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
