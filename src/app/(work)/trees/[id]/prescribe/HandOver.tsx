'use client'
import { useState } from 'react'
import type { TypedGiven } from '@/core/methods/given'
import type { PrescribeView } from '@/server/read/tree'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { useGo } from '@/ui/shell/useGo'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'

/** Signs the prescription of one tree and hands it to the crew for a day. */
export function HandOver({
  view,
  blocked,
  ready,
  notReady,
  item,
}: {
  view: PrescribeView
  blocked: boolean
  /** All is worked out and can be signed. */
  ready: boolean
  /** What is still to be done first, in words. */
  notReady: string | null
  item: { useId: string; choice: number; given: TypedGiven }
}) {
  const may = useMay()
  const go = useGo()
  const { send, busy, problem } = useVerb('hand-to-crew', { makes: 'id' })
  const [onDate, setOnDate] = useState(view.today)
  const [eaten, setEaten] = useState<boolean | null>(null)
  if (!may('hand-to-crew')) return <p className="text-ink2">The arborist signs the prescription.</p>
  if (blocked || !view.decision) return null

  async function hand() {
    const { useId, choice, given } = item
    const done = await send({
      items: [
        {
          useId,
          choice,
          subjects: [
            {
              treeId: view.tree.id,
              decisionId: view.decision!.id,
              given: { ...given, bearings: given.bearings && [...given.bearings] },
            },
          ],
        },
      ],
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
      {notReady && <Note className="mt-2">{notReady}</Note>}
      <ProblemNote problem={problem} />
      <Button now className="w-full mt-3" disabled={busy || !ready || notReady !== null} onClick={hand}>
        {busy ? 'Handing over' : 'Sign and hand to the crew →'}
      </Button>
      <p className="text-small text-ink2 mt-2">The label in your hand decides. This card is an example.</p>
    </section>
  )
}
