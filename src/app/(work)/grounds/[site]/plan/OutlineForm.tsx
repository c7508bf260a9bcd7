'use client'
import { useMemo, useState } from 'react'
import { changeOutlineAsks, outlineAsks } from '@/asks/plan'
import { sizeOf } from '@/core/place/measured'
import { OUTLINE } from '@/core/place/outlineKinds'
import { readPlace, showPlace, type TypedPlace } from '@/core/place/place'
import type { Problem } from '@/core/problem'
import { showGround, type UnitSystem } from '@/core/quantity/format'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Asked } from '@/ui/form/Asked'
import { AskedForm, type Sending } from '@/ui/form/AskedForm'
import { useStep } from '@/ui/form/useStep'
import { Button } from '@/ui/pieces/Button'
import { PlaceFields } from '../PlaceFields'
import { saySize } from './saySize'
import { outlineOf, withCorner, type Sketch } from './sketch'

const NOWHERE: TypedPlace = { east: '', north: '' }
const SHAPE = { Polygon: 'an area', LineString: 'a line', Point: 'a spot' } as const

/** The outline that is being drawn: its corners, what it is called, what is kept from it. */
export function OutlineForm({
  sketch,
  siteId,
  units,
  onSketch,
  onDone,
  onLeave,
}: {
  sketch: Sketch
  siteId: string
  units: UnitSystem
  onSketch: (sketch: Sketch) => void
  onDone: () => void
  onLeave: () => void
}) {
  const { kind, of, corners, type } = sketch
  const { name, setback, shapes, words } = OUTLINE[kind]
  const outline = outlineOf(sketch)
  const draw = useDrawOne(siteId)
  const change = useStep('change-outline')
  const take = useVerb('take-outline')
  const fixed = useMemo(
    () => ({
      ...(of ? { outlineId: of.id, version: of.version } : { id: sketch.id }),
      kind,
      geometry: outline ?? { type, coordinates: [] },
      ...(setback ? {} : { setback: null }),
    }),
    [of, sketch.id, kind, outline, type, setback],
  )
  const size = outline && sizeOf(outline)
  return (
    <section className="bg-sheet border border-line p-4 grid gap-3" aria-label={`Draw: ${name}`}>
      <div>
        <h2>{of ? `${of.name ?? name}` : name}</h2>
        <p className="text-small text-ink2">{words}</p>
      </div>
      {shapes.length > 1 && !of && (
        <div role="group" aria-label="Drawn as" className="flex flex-wrap gap-2">
          {shapes.map((s) => (
            <Button
              key={s}
              chosen={type === s}
              aria-pressed={type === s}
              onClick={() =>
                onSketch({ ...sketch, type: s, corners: s === 'Point' ? corners.slice(0, 1) : corners })
              }
            >
              {SHAPE[s]}
            </Button>
          ))}
        </div>
      )}
      <p role="status">
        {type === 'Point'
          ? corners.length === 0
            ? 'Press the plan where it is.'
            : 'Its spot is marked; press elsewhere to move it.'
          : corners.length === 0
            ? `Press the plan at ${type === 'Polygon' ? 'each corner, one after the other' : 'each bend'}.`
            : `${corners.length} ${corners.length === 1 ? 'corner' : 'corners'}${size ? `, ${saySize(size, units)}` : ''}. Drag one to move it.`}
      </p>
      {type !== 'Point' && corners.length > 0 && (
        <div>
          <Button quiet onClick={() => onSketch({ ...sketch, corners: corners.slice(0, -1) })}>
            Take the last corner back
          </Button>
        </div>
      )}
      <TypedCorner
        units={units}
        last={corners.at(-1)}
        onCorner={(at) => onSketch(withCorner(sketch, at))}
        what={type === 'Point' ? 'Put it there' : 'Add this corner'}
      />
      <AskedForm
        asks={of ? changeOutlineAsks : outlineAsks}
        start={{
          name: of?.name ?? '',
          ...(setback && {
            setback: of?.setback ? showGround(of.setback, units, 0).replace(/,/g, '') : '',
          }),
        }}
        fixed={fixed}
        by={of ? change : draw}
        onDone={onDone}
        keep={of ? 'Keep it so' : `Draw the ${name.toLowerCase()}`}
        onLeave={onLeave}
      >
        <Asked at="name" label="What it is called, if anything" />
        {setback && (
          <Asked
            at="setback"
            hint={
              setback === 'asked'
                ? `such as 100 ft: from the label, the place or its owner`
                : 'only where more is kept than labels and local rules ask'
            }
          />
        )}
      </AskedForm>
      {of && (
        <div>
          <Button
            quiet
            disabled={take.busy}
            onClick={async () => {
              if (await take.send({ outlineId: of.id, version: of.version })) onDone()
            }}
          >
            Take it from the plan
          </Button>
          <ProblemNote problem={take.problem} />
        </div>
      )}
    </section>
  )
}

/** Sends one outline; what is refused of it is refused of the form. */
function useDrawOne(siteId: string): Sending<unknown> {
  const draw = useVerb('draw-outlines')
  return {
    send: (outline) => draw.send({ siteId, outlines: [outline as never] }),
    busy: draw.busy,
    problem: draw.problem && { ...draw.problem, field: draw.problem.field.replace(/^outlines\[0\]\./, '') },
    renew: draw.renew,
    clear: draw.clear,
  }
}

/** A corner by two distances, for whoever measured it or has no pointer. */
function TypedCorner({
  units,
  last,
  onCorner,
  what,
}: {
  units: UnitSystem
  last: readonly [number, number] | undefined
  onCorner: (at: readonly [number, number]) => void
  what: string
}) {
  const [place, setPlace] = useState(NOWHERE)
  const [problem, setProblem] = useState<Problem | null>(null)
  const at = (field: string) => (problem?.field === field ? problem.message : null)
  return (
    <details>
      <summary className="cursor-pointer py-1">Type a corner</summary>
      <form
        noValidate
        className="grid gap-2 mt-1"
        onSubmit={(e) => {
          e.preventDefault()
          const read = readPlace(place, units)
          setProblem(read.ok ? null : read.problem)
          if (!read.ok) return
          onCorner([read.value.eastM, read.value.northM])
          setPlace(NOWHERE)
        }}
      >
        <PlaceFields
          place={place}
          units={units}
          problems={{ eastM: at('eastM'), northM: at('northM') }}
          onPlace={setPlace}
        />
        {last && (
          <p className="text-small text-ink2">
            The last is {showPlace({ eastM: last[0], northM: last[1] }, units).east} east,{' '}
            {showPlace({ eastM: last[0], northM: last[1] }, units).north} north ({units === 'us' ? 'ft' : 'm'}
            ).
          </p>
        )}
        <div>
          <Button type="submit">{what}</Button>
        </div>
      </form>
    </details>
  )
}
