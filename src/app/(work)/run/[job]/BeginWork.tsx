'use client'
import { METHOD_NAME } from '@/core/methods/names'
import { useState } from 'react'
import { LOOKED_AT, only, type Seen } from '@/core/gate/looks'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { bloomNotLookedFor, gearOff, notLooked, ofAnotherDay } from '@/core/methods/beginning'
import { useKeeping } from '@/ui/field/useKeeping'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { Gear } from './Gear'
import { Note } from '@/ui/pieces/Note'
import type { JobItem, JobTree } from './job'

/** Before anything is poured or sprayed: is the gear on? One answer for all trees of this work. */
export function BeginWork({
  items,
  trees,
  ids,
  soil,
  onBegun,
}: {
  /** What is put on, several where they come out of one tank. */
  items: readonly JobItem[]
  /** Those that are not begun. */
  trees: JobTree[]
  /** Of all of them, under every item. */
  ids: string[]
  /** By the weather of this hour; null where it is not known. */
  soil: Seen['soil'] | null
  onBegun: () => void
}) {
  const keeping = useKeeping('begin-work', {
    trees: (input) => input.jobSubjectIds,
    check: (input, { onDate, today }) =>
      gearOff(input.gear) ??
      bloomNotLookedFor(
        items.map((i) => i.use),
        input.noBloom === true,
      ) ??
      notLooked(
        items.flatMap((i) => i.looks),
        input.seen ?? {},
      ) ??
      ofAnotherDay(onDate, today, input.otherDay === true),
  })
  const { send, busy, problem } = useVerb('begin-work', { keeping })
  const [gear, setGear] = useState<string[]>([])
  const [noBloom, setNoBloom] = useState(false)
  const [otherDay, setOtherDay] = useState(false)
  const asksDay = otherDay || problem?.field === 'otherDay'
  const [seen, setSeen] = useState<Seen>(soil ? { soil } : {})
  const [closed, setClosed] = useState<string[]>([])
  const all = [...new Set(items.flatMap((i) => i.use.protectiveGear))]
  const looks = LOOKED_AT.filter((field) => items.some((i) => i.looks.includes(field)))
  const cautions = [...new Set(items.flatMap((i) => [i.use.waterCaution, i.use.beeCaution]))]
  return (
    <section aria-label="Begin">
      <p className="text-lead">
        {METHOD_NAME[items[0]!.method]} with <b>{items.map((i) => i.product.name).join(' and ')}</b>
        {items.length > 1 ? ' out of one tank' : ''} at {trees.length} {trees.length === 1 ? 'tree' : 'trees'}
        . Each tree is ticked by its tag as you come to it.
      </p>
      <div className="mt-3">
        <Gear
          all={all}
          on={gear}
          onChange={setGear}
          bloom={items.some((i) => i.use.neverInBloom) ? { looked: noBloom, onLooked: setNoBloom } : null}
          otherDay={asksDay ? { known: otherDay, onKnown: setOtherDay } : null}
          looks={looks}
          seen={seen}
          onSeen={setSeen}
        />
      </div>
      {closed.map((words) => (
        <Note key={words} says="stop" className="mt-2">
          {words}
        </Note>
      ))}
      <div className="thumb desk:mt-3">
        <ProblemNote problem={problem} />
        <Button
          now
          className="hand-tall"
          disabled={busy}
          onClick={async () => {
            const done = await send({
              jobSubjectIds: ids,
              gear: gear.length === all.length,
              noBloom,
              otherDay,
              seen: only(seen, looks),
            })
            if (!done) return
            setClosed(done.closed)
            onBegun()
          }}
        >
          Gear is on, begin
        </Button>
      </div>
      <p className="text-small text-ink2 mt-2">
        {cautions.join(' ')} {items.length > 1 ? 'The labels' : 'The label'} in your hand decide
        {items.length > 1 ? '' : 's'}.
      </p>
    </section>
  )
}
