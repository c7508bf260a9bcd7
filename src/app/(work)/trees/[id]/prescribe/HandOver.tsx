'use client'
import { METHOD_NAME, isHand } from '@/core/methods/names'
import type { Repeats } from '@/core/methods/facts'
import { useState } from 'react'
import type { PrescribeView } from '@/server/read/tree'
import { MatterChoices, mattersSent, type ChosenMatters } from '@/ui/methods/Matters'
import { WorkDay } from '@/ui/methods/WorkDay'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { useGo } from '@/ui/shell/useGo'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { useMay } from '@/ui/shell/may'
import { LineOfWork, WhenFields } from '@/ui/methods/LineOfWork'
import {
  itemsOfLine,
  MOST_ITEMS,
  nextWhen,
  type Item,
  type LineDay,
  type LineStep,
  type When,
} from '@/ui/methods/line'
import type { Way } from './way'

/** What is kept of the line so far, and what keeping or dropping does. */
export interface Line {
  steps: readonly LineStep[]
  onKeep: (step: LineStep) => void
  /** A kept step is done at another time. */
  onWhen: (n: number, when: When) => void
  onDrop: () => void
  day: LineDay
  onDay: (day: LineDay) => void
  matters: ChosenMatters
  onMatters: (matters: ChosenMatters) => void
}

/** The newest step of the line that a way waits for or asks for first, and how many days after it the way is done; null where there is none. */
function waitedFor(view: PrescribeView, { waits, first }: Way, steps: readonly LineStep[]) {
  const methodOf = (useId: string) => view.ways.find((w) => w.id === useId)?.use.method
  return [...first, ...(waits ? [waits] : [])].reduce<{ item: number; days: number } | null>(
    (found, { method, days }) => {
      const item = steps.findIndex((s) => s.items.some((i) => methodOf(i.useId) === method))
      return item < 0 ? found : { item, days }
    },
    null,
  )
}

/** Signs the prescription of one tree and hands it to the crew for a day. */
export function HandOver({
  view,
  blocked,
  ready,
  notReady,
  items,
  way,
  says,
  line,
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
  way: Way
  /** What it comes to, in one line; null while it is not worked out. */
  says: string | null
  line: Line
  /** Days the card keeps before the harvest of this kind. */
  harvestDays?: number
  repeats?: Repeats | null
}) {
  const may = useMay()
  const go = useGo()
  const { send, busy, problem } = useVerb('hand-to-crew', { makes: 'id' })
  const [times, setTimes] = useState(1)
  const [apart, setApart] = useState<number | null>(null)
  const { matters } = line
  const { onDate, harvestOn, eaten } = line.day
  const [when, setWhen] = useState(() => nextWhen(line.steps, waitedFor(view, way, line.steps)))
  if (!may('hand-to-crew')) return <p className="text-ink2">The arborist signs the prescription.</p>
  if (blocked || !view.decision) return null

  const here: LineStep = {
    name: `${METHOD_NAME[way.use.method]}, ${way.product.name}`,
    says: says ?? '',
    items,
    when,
    times,
    apart,
  }
  const all = itemsOfLine([...line.steps, here])
  const byHand = isHand(way.use.method)

  async function hand() {
    const done = await send({
      items: all.map(({ given, ...item }) => ({
        ...item,
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
      matters: mattersSent(matters),
    })
    if (done) go(done.jobId === null ? `/trees/${view.tree.id}/client` : `/run/${done.jobId}`)
  }

  return (
    <section aria-label="Hand to the crew">
      <LineOfWork
        line={line.steps}
        here={here}
        onDrop={line.onDrop}
        day={{ onDate, today: view.today }}
        onWhen={(n, to) => (n === line.steps.length ? setWhen(to) : line.onWhen(n, to))}
        onDay={(date) => line.onDay({ ...line.day, onDate: date })}
      />
      <WhenFields when={when} onWhen={setWhen} line={line.steps} byHand={byHand} />
      <WorkDay
        today={view.today}
        onDate={onDate}
        onDay={(date) => line.onDay({ ...line.day, onDate: date })}
        askFood={byHand ? null : (view.kind?.askFood ?? null)}
        eaten={eaten}
        onEaten={(answer) => line.onDay({ ...line.day, eaten: answer })}
        harvestDays={harvestDays}
        harvestOn={harvestOn}
        onHarvest={(date) => line.onDay({ ...line.day, harvestOn: date })}
        repeats={repeats}
        times={times}
        onTimes={setTimes}
        apart={apart}
        onApart={setApart}
      />
      <MatterChoices matters={view.matters} chosen={matters} onChosen={line.onMatters} oneTree />
      {notReady && <Note className="mt-2">{notReady}</Note>}
      <ProblemNote problem={problem} />
      <Button now className="w-full mt-3" disabled={busy || !ready || notReady !== null} onClick={hand}>
        {busy
          ? 'Handing over'
          : line.steps.length > 0
            ? `Sign all ${line.steps.length + 1} and hand over →`
            : when.who === 'client'
              ? 'Sign and give it to the client →'
              : 'Sign and hand to the crew →'}
      </Button>
      {all.length < MOST_ITEMS && (
        <Button
          className="w-full mt-2"
          disabled={busy || !ready || notReady !== null || says === null}
          onClick={() => line.onKeep(here)}
        >
          Keep it and add another step
        </Button>
      )}
      <p className="text-small text-ink2 mt-2">
        {byHand
          ? 'A house card says how it is done here.'
          : 'The label in your hand decides. This card is an example.'}
      </p>
    </section>
  )
}
