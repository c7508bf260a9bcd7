'use client'
import { cutListFor } from '@/core/methods/guard/cutList'
import type { SubjectPlan } from '@/core/methods/plan'
import type { UnitSystem } from '@/core/quantity/format'
import { shown } from '@/core/quantity/pair'
import { Field } from '@/ui/fields/Field'
import { useKept } from './kept'

/** As many strips as are drawn; beyond them the list goes on in words alone. */
const MOST_STRIPS = 12

/** What is cut from rolls of mesh for all these trees: how many rolls, and every strip with its pieces. */
export function CutListPanel({
  trees,
  units,
}: {
  trees: readonly { id: string; tag: string; plan: SubjectPlan }[]
  units: UnitSystem
}) {
  const [typed, setTyped] = useKept('elmhorn mesh roll', { height: '', length: '' })
  const list = cutListFor(trees, typed, units)
  const problem = list.ok ? null : list.problem
  const cut = list.ok ? list.value : null
  const unit = units === 'us' ? 'ft' : 'm'
  const field = (name: keyof typeof typed, label: string) => (
    <Field
      label={`${label}, ${unit}`}
      value={typed[name]}
      onChange={(e) => setTyped({ ...typed, [name]: e.target.value })}
      problem={problem?.field === name ? problem.message : null}
    />
  )
  const inch = (m: number) => shown(m, 'in', units)
  return (
    <section aria-label="Cut list" className={cut ? '' : 'no-print'}>
      <h2 className="text-base">Cut list</h2>
      <div className="no-print grid grid-cols-2 gap-2 items-end mt-1">
        {field('height', 'A roll is high')}
        {field('length', 'A roll is long')}
      </div>
      {cut && (
        <>
          <p className="mt-2">
            <b>
              {cut.rolls} {cut.rolls === 1 ? 'roll' : 'rolls'}
            </b>
            , {cut.perRoll} {cut.perRoll === 1 ? 'strip' : 'strips'} each; {cut.strips.flat().length} pieces.
          </p>
          <ol className="mt-1 grid gap-1.5">
            {cut.strips.slice(0, MOST_STRIPS).map((strip, n) => (
              <li key={n}>
                <div aria-hidden className="flex h-[26px] border border-ink2 bg-paper">
                  {strip.map((p) => (
                    <div
                      key={p.id}
                      className="border-r border-ink2 bg-straw-soft overflow-hidden"
                      style={{ width: `${(p.length / cut.roll.length) * 100}%` }}
                    />
                  ))}
                </div>
                <span className="text-small">
                  {strip.map((p) => `${p.tag} ${inch(p.length)}`).join(', ')}
                </span>
              </li>
            ))}
          </ol>
          {cut.strips.length > MOST_STRIPS && (
            <p className="text-small">
              {cut.strips
                .slice(MOST_STRIPS)
                .map((strip) => strip.map((p) => `${p.tag} ${inch(p.length)}`).join(', '))
                .join('; ')}
            </p>
          )}
        </>
      )}
    </section>
  )
}
