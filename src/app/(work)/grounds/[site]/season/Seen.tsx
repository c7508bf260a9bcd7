'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { phenologyOf, SEEN_FIRST } from '@/almanac/season'
import { spokenDate } from '@/core/time/calendar'
import type { SeasonView } from '@/server/read/season'
import { Choice } from '@/ui/fields/Choice'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { NotedList } from '@/ui/pieces/NotedList'
import { useMay } from '@/ui/shell/may'

/** What was seen on the ground: it moves every date that is reckoned after it. */
export function Seen({ view }: { view: SeasonView }) {
  const may = useMay()
  const router = useRouter()
  const see = useVerb('see-stage', { makes: 'id' })
  const back = useVerb('take-stage-back')
  const [form, setForm] = useState({ kind: '', stage: '', on: view.today })
  const names = new Map([
    ...view.stages.map((s) => [s.kind, s.name] as const),
    ...view.targets.map((t) => [t.id, t.name] as const),
  ])
  const stages = phenologyOf(form.kind)?.stages.map((s) => s.stage) ?? (form.kind ? [SEEN_FIRST] : [])
  const seen = [
    ...view.stages.flatMap((s) => s.seen),
    ...view.targets.flatMap((t) => (t.seen ? [t.seen] : [])),
  ].sort((a, b) => (a.seenOn < b.seenOn ? 1 : -1))
  /** Told beside their inputs; a single stage has none. */
  const told = ['kind', 'on', ...(stages.length > 1 ? ['stage'] : [])]
  const at = (field: string) => (see.problem?.field === field ? see.problem.message : null)
  if (names.size === 0) return null
  return (
    <section aria-label="What was seen">
      <h2>What was seen here</h2>
      <NotedList
        noted={seen.map((s) => ({
          id: s.id,
          what: (
            <>
              <b>{names.get(s.kind)}</b>: {s.stage}, {spokenDate(s.seenOn)}
            </>
          ),
          by: `by ${s.by}`,
        }))}
        busy={back.busy}
        onBack={
          may('take-stage-back')
            ? async (seenId) => {
                if ((await back.send({ seenId })) !== null) router.refresh()
              }
            : null
        }
      />
      <ProblemNote problem={back.problem} />
      {may('see-stage') && (
        <form
          className="grid gap-2 mt-3"
          noValidate
          onSubmit={async (e) => {
            e.preventDefault()
            const kept = await see.send({ siteId: view.site.id, ...form })
            if (kept === null) return
            setForm({ kind: '', stage: '', on: view.today })
            router.refresh()
          }}
        >
          <Choice
            label="Seen on the ground"
            value={form.kind}
            onValue={(kind) =>
              setForm({ ...form, kind, stage: phenologyOf(kind) || kind === '' ? '' : SEEN_FIRST })
            }
            problem={at('kind')}
            options={[['', 'choose'] as const, ...[...names].map(([id, name]) => [id, name] as const)]}
          />
          {stages.length > 1 && (
            <Choice
              label="Stage"
              value={form.stage}
              onValue={(stage) => setForm({ ...form, stage })}
              problem={at('stage')}
              options={[['', 'choose'] as const, ...stages.map((s) => [s, s] as const)]}
            />
          )}
          <Field
            label="Seen on"
            type="date"
            max={view.today}
            value={form.on}
            onChange={(e) => setForm({ ...form, on: e.target.value })}
            problem={at('on')}
          />
          <ProblemNote
            problem={see.problem && told.includes(see.problem.field) ? null : see.problem}
            onAnew={see.renew}
          />
          <Button type="submit" disabled={see.busy || form.kind === ''}>
            {see.busy ? 'Keeping' : 'It was seen'}
          </Button>
          <p className="text-small text-ink2">Every date that is reckoned after it moves by as much.</p>
        </form>
      )}
    </section>
  )
}
