'use client'
import { isByPorts } from '@/core/methods/trunk-injection/isByPorts'
import { useState, type FormEvent } from 'react'
import { only, type Seen } from '@/core/gate/looks'
import { bloomNotLookedFor, gearOff, notLooked, ofAnotherDay, otherTag } from '@/core/methods/beginning'
import { marksOn } from '@/core/ports/marks'
import type { UnitSystem } from '@/core/quantity/format'
import { StemsDrawing } from '@/ui/methods/StemsDrawing'
import { Ring } from '@/ui/ring/Ring'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useKeeping } from '@/ui/field/useKeeping'
import { useVerb } from '@/ui/fields/useVerb'
import { portsOf, type JobItem, type JobTree } from './job'
import { Button } from '@/ui/pieces/Button'
import { Gear } from './Gear'
import { ReadTag } from './ReadTag'

/** Before anything is opened: is it the right tree, and is the gear on? */
export function ConfirmTree({
  tree,
  trees,
  item,
  soil,
  units,
  onConfirmed,
}: {
  tree: JobTree
  /** All of the job. */
  trees: readonly JobTree[]
  item: JobItem
  /** By the weather of this hour; null where it is not known. */
  soil: Seen['soil'] | null
  units: UnitSystem
  onConfirmed: () => void
}) {
  const keeping = useKeeping('confirm-tree', {
    trees: () => [tree.id],
    check: (input, { onDate, today }) =>
      otherTag(input.tag, tree.tag) ??
      gearOff(input.gear) ??
      bloomNotLookedFor([item.use], input.noBloom === true) ??
      notLooked(item.looks, input.seen ?? {}) ??
      ofAnotherDay(onDate, today, input.otherDay === true),
  })
  const { send, busy, problem } = useVerb('confirm-tree', { keeping })
  const [tag, setTag] = useState('')
  const [gear, setGear] = useState<string[]>([])
  const [noBloom, setNoBloom] = useState(false)
  const [otherDay, setOtherDay] = useState(false)
  const asksDay = otherDay || problem?.field === 'otherDay'
  const [seen, setSeen] = useState<Seen>(soil ? { soil } : {})
  const all = item.use.protectiveGear
  const stems = isByPorts(tree.plan) && tree.plan.shape.stems ? tree.plan : null
  async function submit(event: FormEvent) {
    event.preventDefault()
    const begun = await send({
      jobSubjectId: tree.id,
      tag,
      gear: gear.length === all.length,
      noBloom,
      otherDay,
      seen: only(seen, item.looks),
    })
    if (begun !== null) onConfirmed()
  }
  return (
    <form onSubmit={submit} noValidate>
      <div className="grid gap-3 max-w-md">
        <ReadTag
          tree={tree}
          trees={trees}
          value={tag}
          onValue={setTag}
          problem={problem?.field === 'tag' ? problem.message : null}
        />
        <p>
          It must be {/^[aeiou]/i.test(tree.kind) ? 'an' : 'a'} <b>{tree.kind.toLowerCase()}</b>, and its{' '}
          {stems ? 'stems' : 'trunk'} must look like {stems ? 'these' : 'this ring'}, north up.
          {tree.treeNote && ` ${tree.treeNote}`}
        </p>
        {stems ? (
          <StemsDrawing
            plan={stems}
            marks={tree.marks}
            holes={tree.holes}
            units={units}
            className="max-w-[420px] mx-auto"
          />
        ) : (
          <Ring
            marks={marksOn(tree.marks, null)}
            holes={tree.holes}
            ports={portsOf(tree).map((p) => ({ bearing: p.bearing }))}
            label={`${tree.tag} from above`}
            className="w-full max-w-[280px] mx-auto"
          />
        )}
        <Gear
          all={all}
          on={gear}
          onChange={setGear}
          bloom={item.use.neverInBloom ? { looked: noBloom, onLooked: setNoBloom } : null}
          otherDay={asksDay ? { known: otherDay, onKnown: setOtherDay } : null}
          looks={item.looks}
          seen={seen}
          onSeen={setSeen}
        />
        <div className="thumb">
          <ProblemNote problem={problem?.field === 'tag' ? null : problem} />
          <Button type="submit" now className="hand-tall" disabled={busy}>
            This is the tree, begin
          </Button>
        </div>
        <p className="text-small text-ink2">
          {item.use.waterCaution} {item.use.beeCaution} The label in your hand decides.
        </p>
      </div>
    </form>
  )
}
