'use client'
import { isFromTank } from '@/core/methods/crown-spray/isFromTank'
import { whyNotOneTank, type Tanked } from '@/core/methods/crown-spray/tank'
import type { Method } from '@/core/card/card'
import type { UseOf } from '@/core/methods/plan'
import { RateChoice } from './RateChoice'

/** A spray that could share the tank, as it is offered. */
export interface Sprayed {
  id: string
  use: UseOf<Method>
  product: { name: string; actives: readonly { name: string }[] }
}

const tanked = ({ use, product }: Sprayed): Tanked => ({
  use: use as UseOf<'crown-spray'>,
  name: product.name,
  actives: product.actives,
})

/** What else goes into the same tank: only what both labels allow; what does not says why. */
export function SameTank({
  of,
  others,
  chosen,
  onChosen,
  rateOf,
}: {
  of: Sprayed
  /** Other sprays that may go on now. */
  others: readonly Sprayed[]
  /** Rates by the id of a use. */
  chosen: Readonly<Record<string, number>>
  onChosen: (chosen: Record<string, number>) => void
  /** The rate that is proposed for a use, and why. */
  rateOf: (use: UseOf<Method>) => { choice: number; why: string }
}) {
  if (!isFromTank(of.use)) return null
  const sprays = others.filter((o) => o.id !== of.id && isFromTank(o.use))
  if (sprays.length === 0) return null
  const offered = sprays.map((spray) => ({
    spray,
    why:
      [of, ...sprays.filter((s) => s.id !== spray.id && s.id in chosen)]
        .map((s) => whyNotOneTank(tanked(s), tanked(spray)))
        .find((w) => w !== null) ?? null,
  }))
  const fits = offered.filter((o) => o.why === null)
  const not = offered.filter((o) => o.why !== null)
  return (
    <fieldset className="no-print grid gap-2">
      <legend className="label">In the same tank</legend>
      {fits.map(({ spray }) => (
        <div key={spray.id}>
          <label className="flex items-start gap-2.5 min-h-[44px] py-2 cursor-pointer">
            <input
              type="checkbox"
              className="size-5 accent-rust"
              checked={spray.id in chosen}
              onChange={(e) => {
                const { [spray.id]: _, ...rest } = chosen
                onChosen(e.target.checked ? { ...rest, [spray.id]: rateOf(spray.use).choice } : rest)
              }}
            />
            <span className={spray.id in chosen ? 'font-bold' : ''}>
              {spray.product.name}
              <span className="block text-small text-ink2 font-normal">
                {spray.product.actives.map((a) => a.name).join(', ')}
              </span>
            </span>
          </label>
          {spray.id in chosen && (
            <RateChoice
              use={spray.use}
              choice={chosen[spray.id]!}
              onChoice={(c) => onChosen({ ...chosen, [spray.id]: c })}
              why={chosen[spray.id] === rateOf(spray.use).choice ? rateOf(spray.use).why : null}
            />
          )}
        </div>
      ))}
      {fits.length === 0 && <p className="text-small text-ink2">Nothing that may go on now may share it.</p>}
      {not.length > 0 && (
        <details>
          <summary className="cursor-pointer underline underline-offset-2 py-1 text-small hand:py-3">
            {not.length} that may not, and why
          </summary>
          <ul className="border-l-[3px] border-line pl-3 text-small">
            {not.map(({ spray, why }) => (
              <li key={spray.id} className="py-1">
                {why}
              </li>
            ))}
          </ul>
        </details>
      )}
    </fieldset>
  )
}
