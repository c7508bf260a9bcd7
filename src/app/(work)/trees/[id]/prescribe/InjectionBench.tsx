'use client'
import { Link } from '@/ui/pieces/Link'
import { useMemo, useState, type ReactNode } from 'react'
import { feedsOnly } from '@/core/history/use'
import { planInjection, type InjectionPlanInput } from '@/core/methods/trunk-injection/plan'
import type { RingMark } from '@/core/ports/marks'
import { harvestDaysOf } from '@/core/limits/harvest'
import { SAME_VISIT } from '@/core/ports/suitability'
import { movePort } from '@/core/ports/move'
import { readQuantity } from '@/core/quantity/parse'
import { plain, showMl } from '@/core/quantity/format'
import { fromSI } from '@/core/quantity/units'
import type { PrescribeView } from '@/server/read/tree'
import { RingLegend } from '@/ui/ring/RingLegend'
import { RingEditor } from '@/ui/ring/RingEditor'
import { usePlan } from '@/ui/ring/usePlan'
import { Slip } from '@/ui/slip/Slip'
import { useViewKeys } from '@/ui/shell/keys'
import { DoseTable } from './DoseTable'
import { HandOver, type Line } from './HandOver'
import { RingPanel } from './RingPanel'
import { reckonLink } from './reckonLink'
import { HoursPanel } from '@/ui/methods/HoursPanel'
import { Note } from '@/ui/pieces/Note'
import { Choice } from '@/ui/fields/Choice'
import { Toggle } from '@/ui/fields/Toggle'
import { NotSigned } from '@/ui/pieces/NotSigned'
import { PrintButton } from '@/ui/pieces/PrintButton'
import { TrunkRead } from './TrunkRead'
import { isChanged, marksOfStem, withStem } from './marksOfStem'
import { isInjection, type InjectionWay } from './way'

/** Drilling and setting before the first takes up, minutes. House figure. */
const SET_UP = 30

/** The bench of a trunk injection: dose by the label, ports on the ring, the working beside it. */
export function InjectionBench({
  view,
  way,
  choose,
  sent,
  line,
}: {
  view: PrescribeView
  way: InjectionWay
  line: Line
  /** The choice among the ways, shown first. */
  choose: ReactNode
  /** What was reckoned and sent here. */
  sent: { portGirth: string | null; choice: number | null }
}) {
  const { tree, units, facts, day } = view
  const [choice, setChoice] = useState<number>(sent.choice ?? view.rate.choice)
  const [girthTyped, setGirthTyped] = useState(sent.portGirth ?? '')
  const [marks, setMarks] = useState<RingMark[]>(view.marks)
  const [mode, setMode] = useState<'ports' | 'marks'>('ports')
  const [moved, setMoved] = useState<number[] | null>(null)
  const [chosen, setChosen] = useState<number | null>(null)
  const [refusal, setRefusal] = useState<{ at: number; why: string } | null>(null)
  const [slip, setSlip] = useState(true)
  const [beside, setBeside] = useState('')
  useViewKeys({ w: () => setSlip(!slip) })

  const girth = readQuantity(girthTyped, 'length', 'portGirth', {
    bareUnit: units === 'us' ? 'in' : 'cm',
    name: 'Girth at the ports',
  })
  // Until somebody has measured there, the ring is drawn for a guess, and nothing can be signed on it.
  const guessed = facts !== null && girthTyped.trim() === ''
  const guess = guessed ? girthText(facts.diameter * Math.PI * USUAL_SWELL, units) : null
  const read = guess === null ? girth : readQuantity(guess, 'length', 'portGirth')
  const girthM = read.ok ? read.value.si : null
  const input = useMemo<InjectionPlanInput | null>(
    () =>
      facts && girthM !== null
        ? {
            diameter: facts.diameter,
            breastGirth: facts.diameter * Math.PI,
            host: facts.host,
            wood: facts.wood,
            holes: facts.holes,
            marks,
            use: way.use,
            choice,
            portGirth: girthM,
            today: day.on,
            soil: day.soil,
            temperature: day.temperature,
            liveCrown: tree.liveCrownPercent,
            units,
            sources: { reading: view.readingSource ?? '', label: way.source, weather: day.source },
            bearings: moved ?? undefined,
          }
        : null,
    [facts, day, units, view.readingSource, way, girthM, marks, choice, moved, tree.liveCrownPercent],
  )
  const { plan, ms } = usePlan(input)
  const value = plan?.ok ? plan.value : null
  // What is drawn of stems that were measured apart before stays as it is.
  const drawn = marksOfStem(marks, null)
  const bearings = moved ?? value?.bestBearings ?? []

  /** Anything the best places depend on has changed: what was moved by hand is planned anew. */
  function replan(change: () => void) {
    change()
    setMoved(null)
    setRefusal(null)
    setChosen(null)
  }
  function move(index: number, to: number) {
    if (!value || to === bearings[index]) return setRefusal(null)
    const result = movePort(bearings, index, to, value.layoutInput, units)
    if (!result.ok) return setRefusal({ at: to, why: result.problem.message })
    setRefusal(null)
    setMoved(bearings.map((b, i) => (i === index ? result.value.bearing : b)))
  }

  const feeds = view.feeds.filter((w): w is InjectionWay => isInjection(w) && w.closed.length === 0)
  const feed = feedsOnly(way.product.actives) ? undefined : feeds.find((w) => w.id === beside)
  const fed = input && feed && value ? planBeside(input, feed, bearings) : null
  const { blocked } = view
  const dirty = isChanged(marks, view.marks)

  return (
    <div className="grid gap-x-7 gap-y-5 mt-4 lg:grid-cols-[236px_minmax(340px,1fr)_minmax(268px,292px)]">
      <div>
        {choose}
        <div className="mt-3">
          <TrunkRead view={view} />
        </div>
        {facts && (
          <DoseTable
            way={way}
            why={choice === view.rate.choice ? view.rate.why : null}
            choice={choice}
            onChoice={(c) => replan(() => setChoice(c))}
            girth={girthTyped}
            onGirth={(g) => replan(() => setGirthTyped(g))}
            girthProblem={
              guessed || girth.ok
                ? plan && !plan.ok && plan.problem.field === 'portGirth'
                  ? plan.problem.message
                  : null
                : !girth.ok
                  ? girth.problem.message
                  : null
            }
            guess={guess}
            plan={value}
            units={units}
          />
        )}
        {facts && feeds.length > 0 && !feedsOnly(way.product.actives) && (
          <div className="no-print mt-3">
            <Choice
              label="Feed capsules beside it"
              value={beside}
              onValue={setBeside}
              options={[['', 'none'], ...feeds.map((w) => [w.id, w.product.name] as const)]}
              problem={fed && !fed.ok ? fed.problem.message : null}
            />
            {fed?.ok && (
              <p className="text-small text-ink2 mt-1">
                {fed.value.layout.ports.length} × {showMl(fed.value.dose.perPort)}, between the others, by its
                own record.
              </p>
            )}
          </div>
        )}
        {facts && (
          <Link
            className="no-print underline underline-offset-2 inline-block mt-3 hand:py-3"
            href={reckonLink(tree, facts.diameter, girthTyped, way.use.terms, choice)}
          >
            Reckon with other numbers
          </Link>
        )}
        {value && (
          <div className="mt-2">
            <PrintButton />
          </div>
        )}
        {view.handed === null && <NotSigned />}
      </div>
      <div id="ring" data-plan-ms={ms ?? undefined}>
        <div className="no-print mb-1">
          <Toggle
            label="What is moved on the ring"
            hideLabel
            className="flex justify-center gap-2"
            options={[
              ['ports', 'Ports'],
              ['marks', 'The trunk itself'],
            ]}
            value={mode}
            onChange={(m) => {
              setMode(m)
              setChosen(null)
              setRefusal(null)
            }}
          />
        </div>
        <RingEditor
          label={`${tree.tag} from above, ${bearings.length} ports`}
          marks={drawn}
          holes={view.holes}
          beside={fed?.ok ? fed.value.bestBearings : []}
          ports={bearings.map((bearing, i) => ({ bearing, chosen: chosen === i }))}
          mode={mode}
          chosen={chosen}
          onChoose={setChosen}
          onMovePort={move}
          onChangeMark={(i, m) =>
            replan(() => {
              setMarks(
                withStem(
                  marks,
                  null,
                  drawn.map((x, j) => (j === i ? m : x)),
                ),
              )
              setChosen(i)
            })
          }
          refusedAt={refusal?.at ?? null}
          className="w-full max-w-[500px] mx-auto"
        />
        <RingLegend
          marks={drawn}
          holes={view.holes}
          ports={mode === 'ports' && bearings.length > 0}
          beside={fed?.ok === true}
        />
        {value && (
          <p className="text-center text-small text-ink2 mt-1">
            suitability of the wood at the ports: {plain(value.layout.total)} of {plain(value.bestTotal)}{' '}
            possible, 1 a port at best
          </p>
        )}
        {value?.uptake.ok && (
          <HoursPanel
            use={way.use}
            actives={way.product.actives}
            forecast={view.forecast}
            minutes={SET_UP + value.uptake.value.to / 60}
          />
        )}
      </div>
      <div>
        {plan && !plan.ok && plan.problem.field !== 'portGirth' && (
          <Note says="stop" className="mb-3" role="alert">
            {plan.problem.message}
          </Note>
        )}
        <RingPanel
          view={view}
          mode={mode}
          marks={marks}
          onMarks={(m) => replan(() => setMarks(m))}
          chosen={chosen}
          onChoose={setChosen}
          dirty={dirty}
          bearings={bearings}
          best={value?.bestBearings ?? []}
          plan={value}
          refusal={refusal?.why ?? null}
          onMove={move}
          onPutBack={() => {
            setMoved(null)
            setRefusal(null)
          }}
        />
        {mode === 'ports' && (
          <HandOver
            view={view}
            blocked={blocked !== null}
            ready={
              !guessed &&
              value !== null &&
              value.layout.missing === 0 &&
              value.uptake.ok &&
              (!feed || (fed?.ok === true && fed.value.layout.missing === 0))
            }
            notReady={
              dirty
                ? 'The trunk on the ring was changed. Save it under “The trunk itself” before handing over.'
                : guessed
                  ? 'Measure the girth where the ports go; then this can be signed.'
                  : null
            }
            way={way}
            says={value && `${showMl(value.dose.volume)} in ${value.layout.ports.length} ports`}
            line={line}
            items={[
              { useId: way.id, choice, given: { portGirth: girthTyped, bearings } },
              ...(feed ? [{ useId: feed.id, choice, given: { portGirth: girthTyped } }] : []),
            ]}
            harvestDays={harvestDaysOf(way.use.foodCrops, tree.host)}
          />
        )}
        {value && mode === 'ports' && (
          <div className={slip ? 'mt-4' : 'hidden print:block print:mt-4'}>
            <Slip title="Working" about={tree.tag} working={value.working} />
          </div>
        )}
      </div>
    </div>
  )
}

/** Feed capsules beside a systemic: the same trunk, with the ports of this visit as holes to keep off. */
function planBeside(input: InjectionPlanInput, feed: InjectionWay, ports: readonly number[]) {
  return planInjection({
    ...input,
    use: feed.use,
    holes: [
      ...input.holes,
      ...ports.map((bearing) => ({ bearing, drilledOn: input.today, keep: SAME_VISIT })),
    ],
    sources: { ...input.sources, label: feed.source },
    bearings: undefined,
  })
}

/** Trunks are about so much wider at the ports than at breast height; only for drawing. */
const USUAL_SWELL = 1.04

/** A girth as it would be typed. */
function girthText(metres: number, units: 'us' | 'metric'): string {
  return units === 'us' ? `${Math.round(fromSI(metres, 'in'))} in` : `${Math.round(metres * 100)} cm`
}
