'use client'
import { InjectionBench } from './InjectionBench'
import { Bench } from './Bench'
import { METHOD_NAME } from '@/core/methods/names'
import { useState } from 'react'
import { ANEW } from '@/core/plan/anew'
import { showWeight } from '@/core/diagnose/showWeight'
import type { PrescribeView } from '@/server/read/tree'
import { AgreedLines } from '@/ui/methods/AgreedLines'
import type { ChosenMatters } from '@/ui/methods/Matters'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { shortDate } from '@/ui/when'
import { TreeHeading } from '../TreeHeading'
import { Blocked } from './Blocked'
import { withWhen, type LineDay, type LineStep, type When } from '@/ui/methods/line'
import { isInjection, type Way } from './way'
import { Ways } from '@/ui/ways/Ways'
import { WayChoice } from './WayChoice'

/** Prescribe for one tree: choose among the ways that can work, then the bench of the one that was chosen. */
export function Prescribe({
  view,
  sent,
}: {
  view: PrescribeView
  /** What was reckoned and sent here. */
  sent: { portGirth: string | null; choice: number | null }
}) {
  const { tree, blocked } = view
  const [steps, setSteps] = useState<LineStep[]>([])
  const ways = opened(view.ways, steps)
  const openWays = ways.filter((w) => w.closed.length === 0)
  // What is treated again begins with the way it was treated before.
  const again = view.last.find((l) => openWays.some((w) => isLast(w, l)))
  const firstOpen = (again && openWays.find((w) => isLast(w, again))) ?? openWays[0]
  const [chosen, setChosen] = useState(
    () => (sent.portGirth !== null ? ways.find(isInjection) : firstOpen)?.id ?? null,
  )
  const way = ways.find((w) => w.id === chosen) ?? null
  const dayOf = (w: Way | null) => w?.opensOn ?? view.today
  const [day, setDay] = useState<LineDay>({ onDate: dayOf(way), harvestOn: '', eaten: null })
  const [matters, setMatters] = useState<ChosenMatters>({})
  /** The way for which another is put first. */
  const [meant, setMeant] = useState<string | null>(null)
  /** Another way; the day goes with it as long as nobody has chosen one. */
  const choose = (id: string | null) => {
    if (steps.length === 0 && day.onDate === dayOf(way))
      setDay({ ...day, onDate: dayOf(ways.find((w) => w.id === id) ?? null) })
    setChosen(id)
  }
  const line = {
    steps,
    day,
    onDay: setDay,
    matters,
    onMatters: setMatters,
    onKeep: (step: LineStep) => {
      setSteps([...steps, step])
      // What waits for it comes next, or what is not in the line yet, in order of merit.
      const used = new Set([...steps, step].flatMap((s) => s.items.map((i) => i.useId)))
      const left = opened(view.ways, [...steps, step]).filter((w) => w.closed.length === 0 && !used.has(w.id))
      setChosen(
        (left.find((w) => w.waits?.method === way?.use.method) ?? left.find((w) => w.id === meant) ?? left[0])
          ?.id ?? chosen,
      )
    },
    onWhen: (n: number, when: When) => setSteps(withWhen(steps, n, when)),
    onDrop: () => setSteps(steps.slice(0, -1)),
  }
  const lastRate = (w: Way) => (again && isLast(w, again) ? again.choice : null)
  const benchKey = `${chosen} ${steps.length}`
  const below = view.diagnosis
    ? `${view.diagnosis.name}, ${showWeight(view.diagnosis.probability)} · crown ${tree.liveCrownPercent ?? 'not taken'}${tree.liveCrownPercent === null ? '' : ' % live'} · signed by ${view.diagnosis.signedBy}, ${shortDate(view.diagnosis.signedAt, view.timeZone)}`
    : 'Nothing has been signed as the cause yet.'
  const before = way ? worksBefore(way, openWays, steps) : []
  const choice = ways.length > 0 ? <WayChoice ways={ways} chosen={chosen} onChoose={choose} /> : null
  return (
    <>
      <TreeHeading
        view={view}
        title={way ? `${tree.tag}, ${METHOD_NAME[way.use.method].toLowerCase()}` : `${tree.tag}, prescribe`}
        below={below}
        here="prescribe"
        step="prescribe"
      />
      {tree.returned && tree.stage === 'prescribe' && (
        <Note says="stop" className="mt-3 max-w-3xl">
          {tree.returned}
        </Note>
      )}
      {view.handed?.anew && (
        <Note says="stop" className="mt-3 max-w-3xl">
          {ANEW[view.handed.anew]} Take it back and prescribe anew.
        </Note>
      )}
      {view.last.length > 0 && view.handed === null && (
        <Note says="know" className="mt-3 max-w-3xl">
          It is treated again{again ? ', with what it was treated with before' : ''}. The dose is worked out
          anew from the newest reading of the trunk.
        </Note>
      )}
      {blocked && <Blocked why={blocked} view={view} />}
      {view.handed && <AgreedLines agreed={view.handed.agreed} className="mt-2 max-w-3xl" />}
      {view.siteNote && <Note className="mt-3">{view.siteNote}</Note>}
      {way && way.asks.length > 0 && (
        <Note says="know" className="mt-3 max-w-3xl">
          Before it is begun: {way.asks.join(' ')}
        </Note>
      )}
      {before.length > 0 && (
        <Note says="know" className="mt-3 max-w-3xl">
          {before.map((w) => METHOD_NAME[w.use.method]).join(', then ')}{' '}
          {before.length === 1 ? 'comes' : 'come'} before this, by the almanac.{' '}
          <Button
            onClick={() => {
              setMeant(way!.id)
              choose(before[0]!.id)
            }}
          >
            Put {METHOD_NAME[before[0]!.use.method].toLowerCase()} first
          </Button>
        </Note>
      )}
      {!way && choice}
      {!way && ways.length > 0 && (
        <p className="mt-4 max-w-2xl">
          Nothing on the shelf may go on this tree as things stand. What would open each way stands beside it;
          otherwise decide anew.
        </p>
      )}
      {way &&
        // Of several stems each is a trunk of its own, with its own ring.
        (isInjection(way) && (view.facts?.stems.length ?? 1) === 1 ? (
          <InjectionBench
            key={benchKey}
            view={view}
            way={way}
            sent={{ ...sent, choice: sent.choice ?? lastRate(way) }}
            choose={choice}
            line={line}
          />
        ) : (
          <Bench key={benchKey} view={view} way={way} rate={lastRate(way)} choose={choice} line={line} />
        ))}
      {view.byHand.length > 0 && (
        <div className="mt-8 max-w-3xl">
          <Ways ways={view.byHand} title={ways.length > 0 ? 'Beside it' : 'What can be done'} />
        </div>
      )}
    </>
  )
}

/** The ways with those open that wait only for a step that is kept in the line. */
function opened(ways: readonly Way[], steps: readonly LineStep[]): Way[] {
  const kept = new Set(
    steps.flatMap((s) => s.items.map((i) => ways.find((w) => w.id === i.useId)?.use.method)),
  )
  return kept.size === 0
    ? [...ways]
    : ways.map((w) => ({ ...w, closed: w.closed.filter((c) => c.after === undefined || !kept.has(c.after)) }))
}

/** What a way asks for first, as ways that may go on and are not in the line yet. */
function worksBefore(way: Way, open: readonly Way[], steps: readonly LineStep[]): Way[] {
  const kept = new Set(
    steps.flatMap((s) => s.items.map((i) => open.find((w) => w.id === i.useId)?.use.method)),
  )
  return way.first.flatMap(({ method: m }) =>
    kept.has(m) ? [] : (open.find((w) => w.use.method === m) ?? []),
  )
}

/** The way by which a tree was treated before. */
function isLast(way: Way, last: PrescribeView['last'][number]): boolean {
  return way.product.code === last.code && way.use.method === last.method
}
