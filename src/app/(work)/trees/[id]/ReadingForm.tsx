'use client'
import { useRouter } from 'next/navigation'
import { useEffect, useState } from 'react'
import { useFormContext, useWatch } from 'react-hook-form'
import { addReadingAsks, MOST_STEMS } from '@/asks/trees'
import { capital } from '@/core/capital'
import { readQuantity } from '@/core/quantity/parse'
import { breastHeight, showGirth, type UnitSystem } from '@/core/quantity/format'
import { measureTrunk } from '@/core/trunk/trunk'
import type { TreeView } from '@/server/read/tree'
import { Select } from '@/ui/fields/Choice'
import { Field } from '@/ui/fields/Field'
import { Toggle } from '@/ui/fields/Toggle'
import { AskedBy } from '@/ui/form/Asked'
import { AskedForm } from '@/ui/form/AskedForm'
import { useStep } from '@/ui/form/useStep'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'

type Tape = 'girth' | 'diameter'
type Unit = 'in' | 'cm'
interface Typed {
  tape: Tape
  bareUnit: Unit
  stems: string[]
}

const ofUnits = (units: UnitSystem): Unit => (units === 'us' ? 'in' : 'cm')

/** A trunk reading: which tape, one number a stem, in any unit. A slip is asked about before it is kept. */
export function ReadingForm({ view }: { view: TreeView }) {
  const router = useRouter()
  const { units } = view
  const [saved, setSaved] = useState<string | null>(null)
  return (
    <div id="measure" className="no-print bg-sheet border border-line p-4">
      <AskedForm
        asks={addReadingAsks}
        start={{ tape: 'girth', bareUnit: ofUnits(units), stems: [''] }}
        fixed={{ treeId: view.tree.id }}
        by={useStep('add-reading', 'id')}
        again
        onDone={({ diameterM }) => {
          setSaved(`Kept: ${showGirth(diameterM, units)} through.`)
          router.refresh()
        }}
        keep="Keep the reading"
        keeping="Keeping"
        quiet={view.readings.length > 0}
        more={<Stems />}
        waysOut={(doubt) => <WaysOut doubt={doubt} />}
      >
        <h2>New reading</h2>
        <FollowUnits own={ofUnits(units)} />
        <AskedBy<Tape> at="tape">
          {({ about, value, set, problem }) => (
            <Toggle
              label={about.label}
              options={about.options as readonly (readonly [Tape, string])[]}
              value={value}
              onChange={set}
              problem={problem}
            />
          )}
        </AskedBy>
        <StemFields units={units} />
        {saved && (
          <Note says="good" role="status">
            {saved}
          </Note>
        )}
      </AskedForm>
    </div>
  )
}

/** A change of units reaches the form too, but never turns a number that is already typed. */
function FollowUnits({ own }: { own: Unit }) {
  const { getValues, setValue } = useFormContext<Typed>()
  useEffect(() => {
    if (getValues('stems').every((s) => s.trim() === '')) setValue('bareUnit', own)
  }, [own, getValues, setValue])
  return null
}

/** One number a stem, and what they mean together, shown while they are typed, by the same functions that will keep them. */
function StemFields({ units }: { units: UnitSystem }) {
  const [tape, bareUnit, stems] = useWatch<Typed, ['tape', 'bareUnit', 'stems']>({
    name: ['tape', 'bareUnit', 'stems'],
  })
  const parsed = stems.map((s) => readQuantity(s, 'length', 'stem', { bareUnit }))
  const preview = parsed.every((p) => p.ok)
    ? measureTrunk(
        parsed.map((p) => ({ [tape]: p.value.si })),
        12,
        units,
      )
    : null
  return (
    <>
      {stems.map((_, i) => (
        <AskedBy<string> key={i} at={`stems.${i}`}>
          {({ value, set, problem }) => (
            <Field
              label={capital(`${stems.length > 1 ? `stem ${i + 1}, ` : ''}${tape} at ${breastHeight(units)}`)}
              value={value}
              onChange={(e) => set(e.target.value)}
              placeholder={bareUnit === 'in' ? '44 1/2' : '113'}
              inputMode="text"
              problem={problem}
            >
              <AskedBy<Unit> at="bareUnit">
                {(unit) => (
                  <Select
                    className="!w-[76px]"
                    aria-label="Unit of a bare number"
                    value={unit.value}
                    onValue={unit.set}
                    options={[
                      ['in', 'in'],
                      ['cm', 'cm'],
                    ]}
                  />
                )}
              </AskedBy>
            </Field>
          )}
        </AskedBy>
      ))}
      <p className="text-small min-h-[1.4em]" aria-live="polite">
        {preview?.ok && stems.some((s) => s.trim() !== '')
          ? tape === 'girth'
            ? `That is ${showGirth(preview.value.equivalentDiameter, units)} through.`
            : `That is a girth of ${showGirth(preview.value.equivalentDiameter * Math.PI, units)}.`
          : 'Feet and inches, fractions and centimetres can be typed: 5\' 3", 14 1/2 in, 37 cm.'}
      </p>
    </>
  )
}

/** One stem more, or one less. */
function Stems() {
  const { setValue } = useFormContext<Typed>()
  const stems = useWatch<Typed, 'stems'>({ name: 'stems' })
  return (
    <>
      <Button onClick={() => setValue('stems', [...stems, ''])} disabled={stems.length >= MOST_STEMS}>
        Another stem
      </Button>
      {stems.length > 1 && <Button onClick={() => setValue('stems', stems.slice(0, -1))}>One less</Button>}
    </>
  )
}

/** What else a doubted number may have been. */
function WaysOut({ doubt }: { doubt: string }) {
  const { getValues, setValue } = useFormContext<Typed>()
  const way = (said: string, change: () => void) => <Button onClick={change}>{said}</Button>
  if (doubt === 'girth-as-diameter') return way('It was the girth', () => setValue('tape', 'girth'))
  if (doubt === 'diameter-as-girth') return way('It was the diameter', () => setValue('tape', 'diameter'))
  if (doubt === 'cm-as-in')
    return way('It was in cm', () => {
      setValue('bareUnit', 'cm')
      setValue(
        'stems',
        getValues('stems').map((s) => s.replace(/\s*(in|inches|")$/i, '')),
      )
    })
  return null
}
