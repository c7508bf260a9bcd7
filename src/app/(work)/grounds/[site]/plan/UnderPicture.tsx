'use client'
import { useState } from 'react'
import type { Problem } from '@/core/problem'
import { readQuantity } from '@/core/quantity/parse'
import { showGround } from '@/core/quantity/format'
import type { DrawPlanView } from '@/server/read/plan'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { ChooseFile } from '@/ui/files/ChooseFile'
import { useSendPicture } from '@/ui/files/useSendPicture'
import { Button } from '@/ui/pieces/Button'

type Picture = NonNullable<DrawPlanView['picture']>
type Corner = readonly [number, number]

/**
 * The picture beneath the plan: taken in, scaled by two spots and the length between them, turned until north is up, shifted until it fits. What is
 * tried is shown at once and kept by a press.
 */
export function UnderPicture({
  view,
  tried,
  onTried,
  spots,
  onSpots,
  onDone,
}: {
  view: DrawPlanView
  /** As it is being tried; undefined while it lies as it is kept. */
  tried: Picture | null | undefined
  onTried: (picture: Picture | null | undefined) => void
  /** Spots that were pressed to measure by; null while none are asked for. */
  spots: readonly Corner[] | null
  onSpots: (spots: readonly Corner[] | null) => void
  onDone: () => void
}) {
  const place = useVerb('place-picture')
  const [busy, setBusy] = useState(false)
  const [problem, setProblem] = useState<Problem | null>(null)
  const [length, setLength] = useState('')
  const send = useSendPicture<{ width: number; height: number }>(
    (id) => `/api/plan-pictures/${id}?site=${view.site.id}`,
  )
  const lies = tried === undefined ? view.picture : tried

  async function take(file: File) {
    setBusy(true)
    setProblem(null)
    const sent = await send(file)
    setBusy(false)
    if (!sent.ok) return setProblem(sent.problem)
    const { id, kept } = sent.value
    const whole = view.trees.whole
    // It begins as wide as what is drawn; two spots and a length make it true.
    const wide = whole ? Math.max(20, whole.east - whole.west) : 60
    onTried({
      id,
      width: kept.width,
      height: kept.height,
      eastM: whole ? (whole.east + whole.west) / 2 : wide / 2,
      northM: whole ? (whole.north + whole.south) / 2 : (wide * kept.height) / kept.width / 2,
      metresPerPixel: wide / kept.width,
      turned: 0,
    })
  }

  /** Makes the picture as large as the length between two spots says; the first spot stays where it is. */
  function scale() {
    if (!lies || spots?.length !== 2) return
    const read = readQuantity(length, 'length', 'length', {
      bareUnit: view.units === 'us' ? 'ft' : 'm',
      name: 'Length between the two',
    })
    setProblem(read.ok ? null : read.problem)
    if (!read.ok) return
    const [a, b] = spots as [Corner, Corner]
    const by = read.value.si / Math.hypot(b[0] - a[0], b[1] - a[1])
    if (!(by > 0 && Number.isFinite(by)))
      return setProblem({
        code: 'out-of-range',
        field: 'length',
        message: 'Press two spots that lie apart, and type how far.',
      })
    onTried({
      ...lies,
      metresPerPixel: lies.metresPerPixel * by,
      eastM: a[0] + (lies.eastM - a[0]) * by,
      northM: a[1] + (lies.northM - a[1]) * by,
    })
    onSpots(null)
    setLength('')
  }
  const shift = (east: number, north: number) =>
    lies && onTried({ ...lies, eastM: lies.eastM + east, northM: lies.northM + north })
  const step = view.units === 'us' ? 3.048 : 2

  async function keep(picture: Picture | null) {
    const { width: _, height: __, ...own } = picture ?? { width: 0, height: 0 }
    if (await place.send({ siteId: view.site.id, lies: picture ? (own as never) : null })) onDone()
  }

  return (
    <div className="grid gap-3">
      <div className="flex flex-wrap gap-2">
        <ChooseFile accept="image/*" busy={busy} onFile={(file) => void take(file)}>
          {busy ? 'Taking it in' : lies ? 'Another picture' : 'Choose a picture'}
        </ChooseFile>
        {lies && (
          <Button quiet disabled={place.busy} onClick={() => void keep(null)}>
            Take it away
          </Button>
        )}
      </div>
      {lies && (
        <>
          {spots === null ? (
            <div>
              <Button onClick={() => onSpots([])}>Scale it by two spots</Button>
            </div>
          ) : (
            <div className="grid gap-2">
              <p role="status">
                {spots.length === 0
                  ? 'Press the first of two spots whose distance you know.'
                  : spots.length === 1
                    ? 'Press the second.'
                    : `They lie ${showGround(Math.hypot(spots[1]![0] - spots[0]![0], spots[1]![1] - spots[0]![1]), view.units, 1)} apart now.`}
              </p>
              {spots.length === 2 && (
                <form
                  noValidate
                  className="flex flex-wrap gap-2 items-end"
                  onSubmit={(e) => {
                    e.preventDefault()
                    scale()
                  }}
                >
                  <Field
                    label={`Length between the two, ${view.units === 'us' ? 'ft' : 'm'}`}
                    value={length}
                    inputMode="decimal"
                    onChange={(e) => setLength(e.target.value)}
                    problem={problem?.field === 'length' ? problem.message : null}
                  />
                  <Button type="submit">Scale it</Button>
                </form>
              )}
              <div>
                <Button quiet onClick={() => onSpots(null)}>
                  Leave the spots
                </Button>
              </div>
            </div>
          )}
          <div role="group" aria-label="Turn and shift the picture" className="flex flex-wrap gap-2">
            {(
              [
                ['Turn left 1°', -1],
                ['Turn right 1°', 1],
                ['Turn right 90°', 90],
              ] as const
            ).map(([name, by]) => (
              <Button key={name} onClick={() => onTried({ ...lies, turned: turnedTo(lies.turned + by) })}>
                {name}
              </Button>
            ))}
            {(
              [
                ['Shift west', -1, 0],
                ['Shift north', 0, 1],
                ['Shift south', 0, -1],
                ['Shift east', 1, 0],
              ] as const
            ).map(([name, e, n]) => (
              <Button key={name} onClick={() => shift(e * step, n * step)}>
                {name}
              </Button>
            ))}
          </div>
          {tried !== undefined && (
            <div className="flex flex-wrap gap-2">
              <Button now disabled={place.busy} onClick={() => void keep(lies)}>
                Keep it so
              </Button>
              <Button quiet onClick={() => onTried(undefined)}>
                As it was
              </Button>
            </div>
          )}
        </>
      )}
      <ProblemNote problem={problem && problem.field !== 'length' ? problem : place.problem} />
    </div>
  )
}

/** An angle from −180 to 180 degrees. */
const turnedTo = (degrees: number): number => ((((degrees + 180) % 360) + 360) % 360) - 180
