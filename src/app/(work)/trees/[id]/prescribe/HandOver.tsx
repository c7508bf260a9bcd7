'use client'
import { useState } from 'react'
import type { InjectionPlan } from '@/core/dose/planInjection'
import type { PrescribeView } from '@/server/read/tree'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { useGo } from '@/ui/shell/useGo'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'

/** Signs the prescription and hands it to the crew for a day. */
export function HandOver({
  view,
  blocked,
  dirty,
  guessed,
  plan,
  labelId,
  choice,
  girth,
  bearings,
}: {
  view: PrescribeView
  blocked: boolean
  dirty: boolean
  /** The girth at the ports has not been measured. */
  guessed: boolean
  plan: InjectionPlan | null
  labelId: string
  choice: number
  girth: string
  bearings: number[]
}) {
  const may = useMay()
  const go = useGo()
  const { send, busy, problem } = useVerb('hand-to-crew', { makes: 'id' })
  const [onDate, setOnDate] = useState(view.today)
  const [eaten, setEaten] = useState<boolean | null>(null)
  if (!may('hand-to-crew')) return <p className="text-ink2">The arborist signs the prescription.</p>
  if (blocked || !view.decision) return null
  const ready = plan !== null && plan.layout.missing === 0 && plan.uptake.ok

  async function hand() {
    const done = await send({
      treeId: view.tree.id,
      decisionId: view.decision!.id,
      labelId,
      choice,
      portGirth: girth,
      bearings,
      onDate,
      eaten,
    })
    if (done) go(`/run/${done.jobId}`)
  }

  return (
    <section aria-label="Hand to the crew">
      <label className="label" htmlFor="day">
        Day of the work
      </label>
      <input
        id="day"
        type="date"
        className="field"
        min={view.today}
        value={onDate}
        onChange={(e) => setOnDate(e.target.value)}
      />
      {view.kind?.askFood && (
        <fieldset className="mt-3">
          <legend className="label">{view.kind.askFood}</legend>
          <div className="flex gap-5">
            {([true, false] as const).map((v) => (
              <label key={String(v)} className="flex items-center gap-2 min-h-[44px] sm:min-h-[34px]">
                <input
                  type="radio"
                  name="eaten"
                  className="size-5 accent-[var(--color-rust)]"
                  checked={eaten === v}
                  onChange={() => setEaten(v)}
                />
                {v ? 'Yes' : 'No'}
              </label>
            ))}
          </div>
        </fieldset>
      )}
      {dirty && (
        <Note className="mt-2">
          The trunk on the ring was changed. Save it under “The trunk itself” before handing over.
        </Note>
      )}
      {guessed && (
        <Note className="mt-2">Measure the girth where the ports go; then this can be signed.</Note>
      )}
      <ProblemNote problem={problem} />
      <Button now className="w-full mt-3" disabled={busy || !ready || dirty} onClick={hand}>
        {busy ? 'Handing over' : 'Sign and hand to the crew →'}
      </Button>
      <p className="text-small text-ink2 mt-2">The label in your hand decides. This card is an example.</p>
    </section>
  )
}
