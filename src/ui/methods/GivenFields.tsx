'use client'
import { isHand } from '@/core/methods/names'
import type { Method } from '@/core/card/card'
import type { TypedGiven } from '@/core/methods/given'
import { handMethod } from '@/core/methods/hand'
import type { Given } from '@/core/methods/plan'
import type { Problem } from '@/core/problem'
import type { UnitSystem } from '@/core/quantity/format'
import type { CrownDensity, CrownShape } from '@/core/spray/crown'
import { Choice } from '@/ui/fields/Choice'
import { Field } from '@/ui/fields/Field'
import { LineField } from './LineField'

/** What a method asks of a tree beside its reading. */
export function GivenFields({
  asks,
  method,
  typed,
  onTyped,
  units,
  problem,
  stems = 1,
}: {
  asks: readonly (keyof Given)[]
  method: Method
  typed: TypedGiven
  onTyped: (typed: TypedGiven) => void
  units: UnitSystem
  problem: Problem | null
  /** Trunks of the tree: of several, each is measured where its ports go. */
  stems?: number
}) {
  const set = (part: TypedGiven) => onTyped({ ...typed, ...part })
  const at = (...fields: string[]) => (problem && fields.includes(problem.field) ? problem.message : null)
  const unit = units === 'us' ? 'ft' : 'm'
  return (
    <>
      {isHand(method) &&
        handMethod(method).asks.map((line) => (
          <LineField
            key={line.name}
            line={line}
            value={typed.hand?.[line.name] ?? ''}
            onValue={(value) => set({ hand: { ...typed.hand, [line.name]: value } })}
            units={units}
            problem={at(line.name)}
          />
        ))}
      {asks.includes('portGirth') && stems > 1 && (
        <StemGirths
          stems={stems}
          typed={typed.portGirth ?? ''}
          onTyped={(portGirth) => set({ portGirth })}
          units={units}
          problem={at('portGirth')}
        />
      )}
      {asks.includes('crown') && (
        <>
          <div className="grid grid-cols-2 gap-3">
            <Field
              label={`Crown height, ${unit}`}
              value={typed.crownHeight ?? ''}
              onChange={(e) => set({ crownHeight: e.target.value })}
              problem={at('crownHeight', 'crowns[0].height')}
              hint="Without the bare stem."
            />
            <Field
              label={`Crown width, ${unit}`}
              value={typed.crownWidth ?? ''}
              onChange={(e) => set({ crownWidth: e.target.value })}
              problem={at('crownWidth', 'crowns[0].width')}
            />
          </div>
          <div className="grid grid-cols-2 gap-3">
            <Choice<CrownShape>
              label="Shape"
              value={typed.crownShape ?? 'ellipsoid'}
              onValue={(crownShape) => set({ crownShape })}
              options={[
                ['ellipsoid', 'round'],
                ['cone', 'cone'],
                ['cylinder', 'column'],
              ]}
            />
            <Choice<CrownDensity>
              label="Leaves"
              value={typed.crownDensity ?? 'medium'}
              onValue={(crownDensity) => set({ crownDensity })}
              options={[
                ['sparse', 'sparse'],
                ['medium', 'medium'],
                ['dense', 'dense'],
              ]}
            />
          </div>
        </>
      )}
      {asks.includes('reach') && (
        <Field
          label={`How far out from the trunk, ${unit}`}
          value={typed.reach ?? ''}
          onChange={(e) => set({ reach: e.target.value })}
          problem={at('reach', 'radius', 'trunkClear', 'pattern.radius')}
          hint="To the drip line, or as far as the roots are worth it."
        />
      )}
      {asks.includes('hardscapePercent') && (
        <Field
          label="Paved or roofed share of that ground, %"
          inputMode="numeric"
          value={typed.hardscape ?? ''}
          onChange={(e) => set({ hardscape: e.target.value })}
          problem={at('hardscape', 'hardscapePercent', 'pattern.hardscapePercent')}
          hint="Nothing when there is none."
        />
      )}
    </>
  )
}

/** One girth a stem, in their order; what is typed is kept as one text with semicolons between. */
function StemGirths({
  stems,
  typed,
  onTyped,
  units,
  problem,
}: {
  stems: number
  typed: string
  onTyped: (typed: string) => void
  units: UnitSystem
  problem: string | null
}) {
  const each = typed.split(';').map((t) => t.trim())
  return (
    <div className="grid grid-cols-2 gap-3">
      {Array.from({ length: stems }, (_, i) => (
        <Field
          key={i}
          label={`Girth where the ports go, stem ${i + 1}, ${units === 'us' ? 'in' : 'cm'}`}
          value={each[i] ?? ''}
          onChange={(e) =>
            onTyped(
              Array.from({ length: stems }, (_, j) =>
                (j === i ? e.target.value.replace(/;/g, '') : (each[j] ?? '')).trim(),
              ).join('; '),
            )
          }
          problem={
            problem?.includes(`stem ${i + 1}`) || problem?.startsWith(`Stem ${i + 1}:`) ? problem : null
          }
        />
      ))}
    </div>
  )
}
