'use client'
import { isPoured } from '@/core/methods/soil-drench/isPoured'
import { isByPorts } from '@/core/methods/trunk-injection/isByPorts'
import { useMemo, useState, type ReactNode } from 'react'
import { capital } from '@/core/capital'
import { sayTerms } from '@/core/card/say'
import { readGiven, type TypedGiven } from '@/core/methods/given'
import type { SubjectPlan } from '@/core/methods/plan'
import { harvestDaysOf } from '@/core/limits/harvest'
import { methodOf } from '@/core/methods/registry'
import { repeatsOfAll } from '@/core/methods/crown-spray/tank'
import { planTogether } from '@/core/methods/together'
import { reachOf, sayPlan, sayTask } from '@/core/methods/say'
import { sayMinutes } from '@/core/methods/sayTime'
import { stockBottleFor } from '@/core/methods/soil-drench/bottle'
import { rateFor } from '@/core/methods/proposeRate'
import { checksAfter } from '@/core/methods/checks'
import { builtOver } from '@/core/place/builtOver'
import type { RingMark } from '@/core/ports/marks'
import { readQuantity } from '@/core/quantity/parse'
import type { PrescribeView } from '@/server/read/tree'
import { Surroundings } from '@/ui/methods/Surroundings'
import { MethodDrawing } from '@/ui/methods/MethodDrawing'
import { GivenFields } from '@/ui/methods/GivenFields'
import { HoursPanel } from '@/ui/methods/HoursPanel'
import { RateChoice } from '@/ui/methods/RateChoice'
import { SameTank } from '@/ui/methods/SameTank'
import { StockBottlePanel } from '@/ui/methods/StockBottlePanel'
import { useStockBottle } from '@/ui/methods/useStockBottle'
import { Note } from '@/ui/pieces/Note'
import { NotSigned } from '@/ui/pieces/NotSigned'
import { PrintButton } from '@/ui/pieces/PrintButton'
import { useViewKeys } from '@/ui/shell/keys'
import { Slip } from '@/ui/slip/Slip'
import { CardLine } from './CardLine'
import { HandOver, type Line } from './HandOver'
import { TrunkRead } from './TrunkRead'
import { isChanged } from './marksOfStem'
import { StemMarks } from './StemMarks'
import type { Way } from './way'

/** The bench of a method that opens no trunk: what is asked, what one tree gets, drawn, with the crew's steps and the checks. */
export function Bench({
  view,
  way,
  rate: sent,
  choose,
  line,
}: {
  view: PrescribeView
  way: Way
  /** The rate it was treated with before; null where it was not. */
  rate: number | null
  line: Line
  /** The choice among the ways, shown first. */
  choose: ReactNode
}) {
  const { tree, units, day } = view
  const [marks, setMarks] = useState<RingMark[]>(view.marks)
  const facts = view.facts && { ...view.facts, marks }
  const dirty = isChanged(marks, view.marks)
  const stems = facts?.stems.length ?? 1
  const rate = rateFor(way.use, view.rate)
  const [choice, setChoice] = useState<number>(sent ?? rate.choice)
  const [typed, setTyped] = useState<TypedGiven>({})
  const [slip, setSlip] = useState(true)
  const [stock, setStock] = useStockBottle()
  useViewKeys({ w: () => setSlip(!slip) })
  const asks = methodOf(way.use).asks(way.use)
  const given = readGiven(typed, units)
  const [tank, setTank] = useState<Record<string, number>>({})
  const others = view.ways.filter((w) => w.closed.length === 0)
  const mates = others.filter((w) => w.id in tank)
  const together = useMemo(() => {
    if (!facts) return null
    if (!given.ok) return given
    return planTogether(
      {
        use: way.use,
        tree: facts,
        day,
        choice,
        given: given.value,
        units,
        sources: { reading: view.readingSource ?? '', label: way.source, weather: day.source },
      },
      mates.map((m) => ({ use: m.use, choice: tank[m.id]!, source: m.source })),
    )
    // What was read is made anew each time; what was typed is what it rests on.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [view.facts, marks, way, day, choice, typed, units, view.readingSource, tank])
  const setback =
    way.use.waterSetback === undefined ? null : readQuantity(way.use.waterSetback, 'length', 'waterSetback')
  const reach = given.ok ? given.value.reach : undefined
  const built =
    reach !== undefined && asks.includes('hardscapePercent')
      ? Math.round(
          100 *
            builtOver(
              tree,
              reach,
              view.features.filter((f) => f.kind === 'building').map((f) => f.geometry),
            ),
        )
      : 0
  const planned = together?.ok ? together.value : null
  const plan = planned ? (planned[0]!.plan as SubjectPlan) : null
  const problem = together && !together.ok ? together.problem : null
  const asked = problem?.code === 'missing'

  return (
    <div className="grid gap-x-7 gap-y-5 mt-4 lg:grid-cols-[250px_minmax(320px,1fr)_minmax(268px,300px)]">
      <div className="grid gap-3 content-start">
        {choose}
        <div>
          <TrunkRead view={view} />
        </div>
        <CardLine way={way} />
        <RateChoice
          use={way.use}
          choice={choice}
          onChoice={setChoice}
          why={choice === rate.choice ? rate.why : null}
        />
        <GivenFields
          asks={asks}
          method={way.use.method}
          typed={typed}
          onTyped={setTyped}
          units={units}
          problem={problem && !asked ? problem : null}
          stems={stems}
        />
        <SameTank
          of={way}
          others={others}
          chosen={tank}
          onChosen={setTank}
          rateOf={(use) => rateFor(use, view.rate)}
        />
        {built > 0 && typed.hardscape !== String(built) && (
          <p className="text-small no-print">
            By the plan {built} % of that ground lies under a building.{' '}
            <button
              type="button"
              className="underline underline-offset-2 py-1"
              onClick={() => setTyped({ ...typed, hardscape: String(built) })}
            >
              Cut it out
            </button>
          </p>
        )}
        {plan && (
          <div>
            <PrintButton />
          </div>
        )}
        {view.handed === null && <NotSigned />}
      </div>
      <div>
        {plan ? (
          <>
            <p className="font-head font-bold text-figure leading-tight">
              {capital(sayPlan(plan, way.use, units))}
            </p>
            {mates.map((m, i) => (
              <p key={m.id} className="text-lead">
                and out of the same tank <b>{sayPlan(planned![i + 1]!.plan as SubjectPlan, m.use, units)}</b>,{' '}
                {m.product.name}
              </p>
            ))}
            <p className="text-ink2">about {sayMinutes(plan.minutes)} of work at the tree</p>
            <MethodDrawing
              plan={plan}
              marks={marks}
              holes={view.holes}
              units={units}
              className="w-full max-w-[520px] mt-2"
            />
            {isPoured(way.use) && (
              <div className="max-w-[520px] mt-3">
                <StockBottlePanel
                  bottle={stockBottleFor(
                    way.use,
                    choice,
                    [{ id: tree.id, tag: tree.tag, plan }],
                    stock,
                    units,
                  )}
                  typed={stock}
                  onTyped={setStock}
                  basis={way.use.terms.basis}
                  tree={tree}
                  units={units}
                />
              </div>
            )}
            <Surroundings
              tree={tree}
              features={view.features}
              setback={setback?.ok ? setback.value.si : null}
              reach={reachOf(plan)}
              water={view.water}
              units={units}
            />
            {plan.steps.some((s) => s.kind === 'task') && <h2 className="mt-4">What the crew does</h2>}
            <ol className="border-t border-line mt-1">
              {plan.steps.flatMap((s) => {
                if (s.kind !== 'task') return []
                const said = sayTask(s.task, plan, way.use, units)
                return [
                  <li key={s.task} className="border-b border-line2 py-1.5">
                    <b>{said.name}.</b> {said.text}
                  </li>,
                ]
              })}
            </ol>
          </>
        ) : (
          problem && (
            <Note says={asked ? 'know' : 'stop'} role={asked ? undefined : 'alert'}>
              {problem.message}
            </Note>
          )
        )}
        {plan && (
          <HoursPanel
            use={way.use}
            actives={way.product.actives}
            forecast={view.forecast}
            minutes={plan.minutes}
          />
        )}
        {isByPorts(way.use) && stems > 1 && (
          <StemMarks view={view} stems={stems} marks={marks} onMarks={setMarks} dirty={dirty} />
        )}
        <h2 className="mt-4">Afterwards</h2>
        <ul className="border-t border-line mt-1">
          {[
            ...new Map(
              [way, ...mates]
                .flatMap((w) =>
                  checksAfter(w.use, tree.liveCrownPercent ?? 70, w === way ? plan : null, w.again),
                )
                .map((c) => [c.what, c]),
            ).values(),
          ].map((c) => (
            <li key={c.what} className="border-b border-line2 py-1.5 flex justify-between gap-4">
              <span>{c.what}</span>
              <span className="text-ink2 whitespace-nowrap">
                {c.afterYears !== undefined
                  ? `in ${c.afterYears} ${c.afterYears === 1 ? 'year' : 'years'}`
                  : c.afterDays === 0
                    ? 'the same day'
                    : `in ${c.afterDays} ${c.afterDays === 1 ? 'day' : 'days'}`}
              </span>
            </li>
          ))}
        </ul>
      </div>
      <div>
        <HandOver
          view={view}
          blocked={view.blocked !== null}
          ready={plan !== null && !dirty}
          notReady={dirty ? 'What lies on the stems was changed. Save it before handing over.' : null}
          way={way}
          says={plan && sayPlan(plan, way.use, units)}
          line={line}
          items={[
            { useId: way.id, choice, given: typed, tank: mates.length > 0 ? 1 : null },
            ...mates.map((m) => ({ useId: m.id, choice: tank[m.id]!, given: typed, tank: 1 })),
          ]}
          harvestDays={Math.max(...[way, ...mates].map((w) => harvestDaysOf(w.use.foodCrops, tree.host)))}
          repeats={repeatsOfAll([way, ...mates].map((w) => methodOf(w.use).repeats(w.use)))}
        />
        {planned?.map(({ working }, i) => (
          <div key={[way, ...mates][i]!.id} className={slip ? 'mt-4' : 'hidden print:block print:mt-4'}>
            <Slip
              title="Working"
              about={planned.length > 1 ? `${tree.tag}, ${[way, ...mates][i]!.product.name}` : tree.tag}
              working={working}
            />
          </div>
        ))}
        <details className="mt-4 no-print">
          <summary className="cursor-pointer underline underline-offset-2 py-1">What the card says</summary>
          <dl className="text-small mt-1">
            {sayTerms(way.use).map(([about, words]) => (
              <div key={`${about} ${words}`} className="border-b border-line2 py-1">
                <dt className="text-ink2">{about}</dt>
                <dd>{words}</dd>
              </div>
            ))}
          </dl>
        </details>
      </div>
    </div>
  )
}
