'use client'
import { afterPage } from '@/ui/pieces/afterPage'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { OUTLINE, OUTLINE_KINDS, type OutlineKind } from '@/core/place/outlineKinds'
import { showGround } from '@/core/quantity/format'
import { shown } from '@/core/quantity/pair'
import type { DrawPlanView } from '@/server/read/plan'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { Link } from '@/ui/pieces/Link'
import { NotedList } from '@/ui/pieces/NotedList'
import { SiteHeading } from '@/ui/pieces/SiteHeading'
import { calledOutline } from '@/ui/plan/PlanGround'
import { useMay } from '@/ui/shell/may'
import { clockTime, shortDate } from '@/ui/when'
import { OutlinesFromFile } from './OutlinesFromFile'
import { PlanCanvas } from './PlanCanvas'
import { saySize } from './saySize'
import { newSketch, sketchOf, withCorner, type Sketch } from './sketch'
import { UnderPicture } from './UnderPicture'
import { WaterSaid } from './WaterSaid'

const OutlineForm = afterPage(() => import('./OutlineForm'), 'OutlineForm')

type Corner = readonly [number, number]

/** First what a limit or a distance hangs on, then what helps to find the way. */
const FIRST: readonly OutlineKind[] = ['water', 'well', 'ground', 'hive', 'play']
const REST = OUTLINE_KINDS.filter((k) => !FIRST.includes(k))

/** The plan of a site is drawn: outlines by hand or from a file, a picture beneath, and every change of it undone. */
export function DrawPlan({ view }: { view: DrawPlanView }) {
  const router = useRouter()
  const may = useMay()
  const mayDraw = may('draw-outlines')
  const [sketch, setSketch] = useState<Sketch | null>(null)
  const [picture, setPicture] = useState<DrawPlanView['picture'] | undefined>(undefined)
  const [spots, setSpots] = useState<readonly Corner[] | null>(null)
  const { site, units, features } = view

  function settle() {
    setSketch(null)
    setPicture(undefined)
    setSpots(null)
    router.refresh()
  }
  const press =
    spots && spots.length < 2
      ? (at: Corner) => setSpots([...spots, at])
      : sketch
        ? (at: Corner) => setSketch(withCorner(sketch, at))
        : null

  return (
    <>
      <SiteHeading site={site} title="Plan" below={<Measured view={view} />} />
      <div className="grid gap-6 mt-4 lg:grid-cols-[minmax(0,1.5fr)_minmax(320px,1fr)]">
        <PlanCanvas
          view={view}
          picture={picture === undefined ? view.picture : picture}
          sketch={sketch}
          onCorners={(corners) => sketch && setSketch({ ...sketch, corners })}
          onPress={press}
          onChoose={
            mayDraw
              ? (id) => {
                  setSketch(sketchOf(features.find((o) => o.id === id)!))
                }
              : undefined
          }
          marks={spots ?? []}
        />
        <div className="grid gap-6 content-start">
          {sketch ? (
            <OutlineForm
              key={sketch.id}
              sketch={sketch}
              siteId={site.id}
              units={units}
              onSketch={setSketch}
              onDone={settle}
              onLeave={() => setSketch(null)}
            />
          ) : (
            mayDraw && (
              <section aria-label="Draw">
                <h2>Draw</h2>
                <div className="flex flex-wrap gap-2 mt-2">
                  {FIRST.map((kind) => (
                    <Button key={kind} onClick={() => setSketch(newSketch(kind))}>
                      {OUTLINE[kind].name}
                    </Button>
                  ))}
                </div>
                <div className="flex flex-wrap gap-2 mt-2">
                  {REST.map((kind) => (
                    <Button key={kind} quiet onClick={() => setSketch(newSketch(kind))}>
                      {OUTLINE[kind].name}
                    </Button>
                  ))}
                </div>
              </section>
            )
          )}
          {!sketch && (
            <>
              <WaterSaid view={view} />
              <Drawn view={view} onChoose={mayDraw ? (f) => setSketch(sketchOf(f)) : null} />
              {mayDraw && (
                <>
                  <details open={picture !== undefined}>
                    <summary className="cursor-pointer py-2 font-bold">A picture beneath</summary>
                    <UnderPicture
                      view={view}
                      tried={picture}
                      onTried={setPicture}
                      spots={spots}
                      onSpots={setSpots}
                      onDone={settle}
                    />
                  </details>
                  <details>
                    <summary className="cursor-pointer py-2 font-bold">Outlines from a file</summary>
                    <OutlinesFromFile view={view} onDone={settle} />
                  </details>
                </>
              )}
              <Changes view={view} />
            </>
          )}
        </div>
      </div>
    </>
  )
}

/** What yearly limits are of. */
function Measured({ view: { site, units } }: { view: DrawPlanView }) {
  if (site.areaM2 === null)
    return <>Its size is not known: draw the ground, and yearly limits are worked out by what is measured.</>
  const area = shown(site.areaM2, 'acre', units)
  return (
    <>
      {site.areaMeasured ? `Ground, measured: ${area}` : `${area}, as it was typed`} ·{' '}
      <Link href={`/grounds/${site.id}/limits`} className="underline underline-offset-2">
        limits
      </Link>
    </>
  )
}

/** All that is drawn, with its size and what is kept from it. */
function Drawn({
  view: { features, units },
  onChoose,
}: {
  view: DrawPlanView
  onChoose: ((f: DrawPlanView['features'][number]) => void) | null
}) {
  if (features.length === 0) return null
  return (
    <section aria-label="On the plan">
      <h2>On the plan</h2>
      <NotedList
        noted={features.map((f) => {
          const kind = OUTLINE[f.kind].name.toLowerCase()
          const said = [
            f.name && !f.name.toLowerCase().includes(kind) && kind,
            f.size && saySize(f.size, units),
            f.setback !== null && `${showGround(f.setback, units, 0)} kept from it`,
          ].filter(Boolean)
          return {
            id: f.id,
            named: `Change ${calledOutline(f)}`,
            what: (
              <>
                <b>{calledOutline(f)}</b>
                {said.length > 0 && <span className="text-ink2">, {said.join(', ')}</span>}
              </>
            ),
          }
        })}
        busy={false}
        onBack={onChoose && ((id) => onChoose(features.find((f) => f.id === id)!))}
        press="Change"
      />
    </section>
  )
}

/** The newest changes of the plan, each with its undoing. */
function Changes({ view }: { view: DrawPlanView }) {
  const router = useRouter()
  const may = useMay()
  const undo = useVerb('undo-plan-step')
  if (view.steps.length === 0) return null
  const { timeZone } = view.site
  return (
    <section aria-label="Changes">
      <h2>Changes</h2>
      <NotedList
        noted={view.steps.map((s) => {
          const what = `${s.outline ? calledOutline(s.outline) : s.name} ${s.did}`
          const when = `${shortDate(s.at, timeZone)} ${clockTime(s.at, timeZone)}`
          return { id: s.id, named: `Undo: ${what}`, what, by: `by ${s.by}, ${when}` }
        })}
        busy={undo.busy}
        onBack={
          may('undo-plan-step')
            ? async (stepId) => {
                if (await undo.send({ stepId })) router.refresh()
              }
            : null
        }
        press="Undo"
      />
      <ProblemNote problem={undo.problem} />
    </section>
  )
}
