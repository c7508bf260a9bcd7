'use client'
import { useRouter } from 'next/navigation'
import { phenologyOf, SEEN_FIRST } from '@/almanac/season'
import { spokenDate } from '@/core/time/calendar'
import type { SeasonView } from '@/server/read/season'
import { Choice } from '@/ui/fields/Choice'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { NotedList } from '@/ui/pieces/NotedList'
import { useMay } from '@/ui/shell/may'
import { AskedForm } from '@/ui/form/AskedForm'
import { Asked, useAsked } from '@/ui/form/Asked'
import { useStep } from '@/ui/form/useStep'
import { useFormContext } from 'react-hook-form'
import { seeStageAsks } from '@/asks/season'

/** What was seen on the ground: it moves every date that is reckoned after it. */
export function Seen({ view }: { view: SeasonView }) {
  const may = useMay()
  const router = useRouter()
  const see = useStep('see-stage', 'id')
  const back = useVerb('take-stage-back')
  const names = new Map([
    ...view.stages.map((s) => [s.kind, s.name] as const),
    ...view.targets.map((t) => [t.id, t.name] as const),
  ])
  const seen = [
    ...view.stages.flatMap((s) => s.seen),
    ...view.targets.flatMap((t) => (t.seen ? [t.seen] : [])),
  ].sort((a, b) => (a.seenOn < b.seenOn ? 1 : -1))
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
        <>
          <AskedForm
            asks={seeStageAsks}
            start={{ kind: '', stage: '', on: view.today }}
            fixed={{ siteId: view.site.id }}
            by={see}
            again
            onDone={() => router.refresh()}
            keep="It was seen"
            keeping="Keeping"
            quiet
            className="grid gap-2 mt-3"
          >
            <KindAndStage names={names} />
            <Asked at="on" most={view.today} />
          </AskedForm>
          <p className="text-small text-ink2 mt-2">Every date that is reckoned after it moves by as much.</p>
        </>
      )}
    </section>
  )
}

/** What was seen, and which of its stages where it has more than one. */
function KindAndStage({ names }: { names: ReadonlyMap<string, string> }) {
  const { setValue, clearErrors } = useFormContext()
  const kind = useAsked<string>('kind')
  const stages = phenologyOf(kind.value)?.stages.map((s) => s.stage) ?? []
  return (
    <>
      <Choice
        label={kind.about.label}
        value={kind.value}
        onValue={(chosen) => {
          kind.set(chosen)
          setValue('stage', phenologyOf(chosen) || chosen === '' ? '' : SEEN_FIRST)
          clearErrors()
        }}
        problem={kind.problem}
        options={[['', 'choose'], ...names]}
      />
      {stages.length > 1 && (
        <Asked at="stage" options={[['', 'choose'], ...stages.map((s) => [s, s] as const)]} />
      )}
    </>
  )
}
