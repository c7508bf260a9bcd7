'use client'
import type { Repeats } from '@/core/methods/facts'
import { useState } from 'react'
import type { TypedGiven } from '@/core/methods/given'
import type { PrescribeView } from '@/server/read/tree'
import { WorkDay } from '@/ui/methods/WorkDay'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { useGo } from '@/ui/shell/useGo'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'

interface Item {
  useId: string
  choice: number
  given: TypedGiven
  /** The same for what comes out of one tank. */
  tank?: number | null
}

/** Signs the prescription of one tree and hands it to the crew for a day. */
export function HandOver({
  view,
  blocked,
  ready,
  notReady,
  items,
  harvestDays = 0,
  repeats = null,
}: {
  view: PrescribeView
  blocked: boolean
  /** All is worked out and can be signed. */
  ready: boolean
  /** What is still to be done first, in words. */
  notReady: string | null
  /** What goes on this tree on the day. */
  items: readonly Item[]
  /** Days the card keeps before the harvest of this kind. */
  harvestDays?: number
  repeats?: Repeats | null
}) {
  const may = useMay()
  const go = useGo()
  const { send, busy, problem } = useVerb('hand-to-crew', { makes: 'id' })
  const [onDate, setOnDate] = useState(view.today)
  const [times, setTimes] = useState(1)
  const [harvestOn, setHarvestOn] = useState('')
  const [eaten, setEaten] = useState<boolean | null>(null)
  if (!may('hand-to-crew')) return <p className="text-ink2">The arborist signs the prescription.</p>
  if (blocked || !view.decision) return null

  async function hand() {
    const done = await send({
      items: items.map(({ useId, choice, given, tank = null }) => ({
        useId,
        choice,
        times,
        tank,
        subjects: [
          {
            treeId: view.tree.id,
            decisionId: view.decision!.id,
            given: { ...given, bearings: given.bearings && [...given.bearings] },
          },
        ],
      })),
      onDate,
      eaten,
      harvestOn: harvestOn || null,
    })
    if (done) go(`/run/${done.jobId}`)
  }

  return (
    <section aria-label="Hand to the crew">
      <WorkDay
        today={view.today}
        onDate={onDate}
        onDay={setOnDate}
        askFood={view.kind?.askFood ?? null}
        eaten={eaten}
        onEaten={setEaten}
        harvestDays={harvestDays}
        harvestOn={harvestOn}
        onHarvest={setHarvestOn}
        repeats={repeats}
        times={times}
        onTimes={setTimes}
      />
      {notReady && <Note className="mt-2">{notReady}</Note>}
      <ProblemNote problem={problem} />
      <Button now className="w-full mt-3" disabled={busy || !ready || notReady !== null} onClick={hand}>
        {busy ? 'Handing over' : 'Sign and hand to the crew →'}
      </Button>
      <p className="text-small text-ink2 mt-2">The label in your hand decides. This card is an example.</p>
    </section>
  )
}
