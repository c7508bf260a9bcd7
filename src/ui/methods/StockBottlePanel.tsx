'use client'
import { useState } from 'react'
import type { StockBottle, TypedBottle } from '@/core/methods/soil-drench/bottle'
import type { Result } from '@/core/problem'
import { plain, type UnitSystem } from '@/core/quantity/format'
import { shown } from '@/core/quantity/pair'
import { Field } from '@/ui/fields/Field'
import { Note } from '@/ui/pieces/Note'

/**
 * One bottle of stock for all these trees: what is mixed in it, drawn to scale, and the measure with the pour of one tree at its
 * graduation.
 */
export function StockBottlePanel({
  bottle,
  typed,
  onTyped,
  basis,
  tree,
  units,
}: {
  bottle: Result<StockBottle | null>
  typed: TypedBottle
  onTyped: (typed: TypedBottle) => void
  /** What the label's inch is of. */
  basis: 'diameter' | 'girth'
  /** Whose pour is drawn. */
  tree: { id: string; tag: string } | null
  units: UnitSystem
}) {
  const unit = units === 'us' ? 'fl oz' : 'mL'
  const problem = bottle.ok ? null : bottle.problem
  const mixed = bottle.ok ? bottle.value : null
  const [open, setOpen] = useState(false)
  const field = (name: keyof TypedBottle, label: string) => (
    <Field
      label={label}
      value={typed[name]}
      onChange={(e) => onTyped({ ...typed, [name]: e.target.value })}
      problem={problem?.field === name ? problem.message : null}
    />
  )
  const pour = tree && mixed?.pours.get(tree.id)
  const f = (v: number, digits?: number) => shown(v, 'fl oz', units, digits)
  return (
    <section aria-label="Stock bottle" className={mixed ? '' : 'no-print'}>
      <h2 className={mixed ? 'text-base' : 'sr-only'}>Out of one stock bottle</h2>
      {/* Who pours from a bottle opens it once; this device then keeps it. */}
      <details className="no-print" open={open} onToggle={(e) => setOpen(e.currentTarget.open)}>
        <summary className="cursor-pointer underline underline-offset-2 py-1 hand:py-3">
          {mixed ? 'Another bottle or measure' : 'Pour out of one stock bottle'}
        </summary>
        <div className="grid grid-cols-3 gap-2 items-end mt-1">
          {field('bottle', `Holds, ${unit}`)}
          {field('pour', `Pour an inch of ${basis}, ${unit}`)}
          {field('graduation', `Measure shows, ${unit}`)}
        </div>
      </details>
      {problem && !open && (
        <Note says="stop" className="mt-1">
          {problem.message}
        </Note>
      )}
      {mixed && (
        <div className="flex flex-wrap items-center gap-x-4 mt-2">
          <Drawn bottle={mixed} pour={pour?.pour ?? null} />
          <div>
            <p>
              <b>{f(mixed.concentrate)}</b> of product, <b>{f(mixed.water)}</b> of water; shake it.
            </p>
            <p className="text-small text-ink2">
              {mixed.bottles === 1 ? 'One bottle is' : `${mixed.bottles} bottles are`} enough for all{' '}
              {mixed.pours.size}.
            </p>
            {tree && pour && (
              <p className="mt-1">
                {tree.tag}: pour <b>{f(pour.pour)}</b>, {f(pour.product, 3)} of product in it
                {Math.abs(pour.errorPercent) >= 0.05 &&
                  `, ${plain(Math.abs(pour.errorPercent), 1)} % ${pour.errorPercent > 0 ? 'above' : 'below'} its exact dose`}
                .
              </p>
            )}
          </div>
        </div>
      )}
    </section>
  )
}

/** As many steps as a measure is drawn with. */
const MOST_STEPS = 24

/** The bottle with its two parts, and the measure filled to the graduation of a pour. */
function Drawn({ bottle, pour }: { bottle: StockBottle; pour: number | null }) {
  const share = bottle.concentrate / bottle.holds
  const [top, foot] = [34, 126]
  const line = foot - (foot - top) * share
  const steps = pour === null ? 0 : Math.round(pour / bottle.graduation)
  // Every step where they can be told apart, else every second, fifth, tenth.
  const every = [1, 2, 5, 10, 20, 50, 100].find((n) => steps / n <= MOST_STEPS) ?? 1000
  const of = Math.max(4, steps + every)
  const y = (step: number) => 126 - (92 * step) / of
  return (
    <svg
      viewBox="0 0 190 136"
      className="w-[170px]"
      role="img"
      aria-label={
        pour === null
          ? 'The bottle: product below, water above'
          : `The bottle: product below, water above. The measure, filled to step ${steps}`
      }
    >
      <path
        d="M34,6h18v12q20,5 20,16v92H14V34q0,-11 20,-16Z"
        className="fill-paper stroke-ink2"
        strokeWidth="1.4"
      />
      <path d={`M15,${line}h56V125H15Z`} className="fill-rust" opacity="0.6" />
      <path d={`M15,${top}h56V${line}H15Z`} className="fill-water" opacity="0.3" />
      <path d={`M14,${line}h58`} className="stroke-ink" strokeWidth="1.4" />
      {pour !== null && (
        <>
          <path d={`M112,${y(steps)}h50V126h-50Z`} className="fill-water" opacity="0.45" />
          <path d="M110,28V127h54V28" className="fill-none stroke-ink2" strokeWidth="1.4" />
          {Array.from({ length: Math.floor(of / every) }, (_, i) => (i + 1) * every).map((n) => (
            <path
              key={n}
              d={`M111,${y(n)}h${(n / every) % 5 === 0 ? 18 : 10}`}
              className="stroke-ink2"
              strokeWidth="0.8"
            />
          ))}
          <path d={`M106,${y(steps)}h62`} className="stroke-rust" strokeWidth="2" />
        </>
      )}
    </svg>
  )
}
