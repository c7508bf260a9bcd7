import type { GroundUse } from '@/core/limits/ground'
import type { UnitSystem } from '@/core/quantity/format'
import { plain } from '@/core/quantity/format'
import { quantityIn, shown } from '@/core/quantity/pair'

/** What the yearly limit of a ground is used up by: put on by us, by others, planned, and what is being planned now. */
export function LimitBar({
  ground,
  areaM2,
  units,
}: {
  ground: GroundUse & { limit: number; wanted: number }
  areaM2: number
  units: UnitSystem
}) {
  const lb = (kg: number) => {
    const { value, unit } = quantityIn(kg, 'lb', units)
    return `${plain(value, 3)} ${unit}`
  }
  const parts = [
    ['put on', ground.applied, 'bg-straw'],
    ['by others', ground.others, 'bg-plum'],
    ['with the crew', ground.planned, 'bg-water'],
    ['this plan', ground.wanted, 'bg-rust'],
  ] as const
  const used = parts.reduce((n, [, kg]) => n + kg, 0)
  const whole = Math.max(ground.limit, used)
  const left = ground.limit - used
  return (
    <section aria-label={`Yearly limit of ${ground.active}`}>
      <p className="label">
        {ground.active} on this ground, {shown(areaM2, 'acre', units)}
      </p>
      <div
        className="relative flex h-[16px] bg-line2"
        role="img"
        aria-label={`${lb(used)} of ${lb(ground.limit)} a year`}
      >
        {parts.map(([name, kg, look]) =>
          kg > 0 ? (
            <span key={name} className={`h-full ${look}`} style={{ width: `${(kg / whole) * 100}%` }} />
          ) : null,
        )}
        <span
          className="absolute -top-1 -bottom-1 border-l-2 border-ink"
          style={{ left: `${(ground.limit / whole) * 100}%` }}
        />
      </div>
      <dl className="text-small mt-1">
        {parts.map(([name, kg, look]) =>
          kg > 0 ? (
            <div key={name} className="flex justify-between gap-3">
              <dt className="flex items-center gap-2">
                <span className={`inline-block size-2.5 ${look}`} aria-hidden /> {name}
              </dt>
              <dd>{lb(kg)}</dd>
            </div>
          ) : null,
        )}
        <div className="flex justify-between gap-3 font-bold">
          <dt>{left < 0 ? 'too much by' : 'left'}</dt>
          <dd>
            {lb(Math.abs(left))} of {lb(ground.limit)}
          </dd>
        </div>
      </dl>
    </section>
  )
}
