'use client'
import type { SubjectPlan } from '@/core/methods/plan'
import { showProduct } from '@/core/methods/showProduct'
import { readQuantity } from '@/core/quantity/parse'
import type { UnitSystem } from '@/core/quantity/format'
import { shown } from '@/core/quantity/pair'
import { loadsOf } from '@/core/spray/spray'
import { Field } from '@/ui/fields/Field'
import { useKept } from './kept'

/** What goes into each tank for a whole spray: full loads first, then one part load with its own product. */
export function TankLoads({
  spray,
  products,
  units,
}: {
  /** m³ in all, product and water together. */
  spray: number
  /** In the order in which they are added. */
  products: readonly { name: string; product: number; plan: Pick<SubjectPlan, 'kind' | 'method'> }[]
  units: UnitSystem
}) {
  const [{ tank }, setTyped] = useKept('elmhorn tank loads', { tank: '' })
  const read =
    tank.trim() === ''
      ? null
      : readQuantity(tank, 'volume', 'tank', { bareUnit: units === 'us' ? 'gal' : 'L', name: 'The tank' })
  const size = read?.ok && read.value.si > 0 ? read.value.si : null
  const loads = size === null || spray <= 0 ? null : loadsOf(spray, size, 1 / spray)
  const full = loads?.filter((l) => l.volume === size) ?? []
  const part = loads?.find((l) => l.volume !== size)
  const amounts = (share: number) =>
    products
      .map((p) => {
        const amount = showProduct(p.product * share, p.plan.kind, p.plan.method, units)
        return products.length > 1 ? `${amount} of ${p.name}` : amount
      })
      .join(', then ')
  // Each load holds its share of all that is sprayed, of every product alike.
  const show = (l: { volume: number; product: number }) =>
    `${shown(l.volume, 'gal', units)} with ${amounts(l.product)}`
  const fullLoads = `${full.length} full ${full.length === 1 ? 'load' : 'loads'}`
  const mixing = (title: string, load: { product: number }) => (
    <div>
      <p className="font-bold">{title}</p>
      <ol className="list-decimal pl-5">
        <li>half of the water</li>
        {products.map((p) => (
          <li key={p.name}>
            <b>{showProduct(p.product * load.product, p.plan.kind, p.plan.method, units)}</b> of {p.name},
            stirred in
          </li>
        ))}
        <li>the rest of the water</li>
      </ol>
    </div>
  )
  return (
    <div>
      <Field
        label={`The tank holds, ${units === 'us' ? 'gal' : 'L'}`}
        value={tank}
        onChange={(e) => setTyped({ tank: e.target.value })}
        problem={
          read && !read.ok
            ? read.problem.message
            : size !== null && spray > 0 && loads === null
              ? 'That makes too many loads; check the tank and its unit.'
              : null
        }
      />
      {loads === null || size === null ? (
        <p className="mt-1 text-ink2 text-small">
          {shown(spray, 'gal', units)} of spray in all, {amounts(1)}
          {products.length > 1 ? '.' : ' of product.'}
        </p>
      ) : products.length === 1 ? (
        <p className="mt-1 font-bold">
          {full.length > 0 && `${fullLoads}: ${show(full[0]!)}`}
          {full.length > 0 && part && '; then '}
          {part && `${full.length > 0 ? 'one part load' : 'One part load'}: ${show(part)}`}
        </p>
      ) : (
        <div className="mt-1 flex flex-wrap gap-x-8 gap-y-2">
          {full.length > 0 && mixing(`${fullLoads}, ${shown(size, 'gal', units)} each`, full[0]!)}
          {part &&
            mixing(
              `${full.length > 0 ? 'Then one part load' : 'One part load'}, ${shown(part.volume, 'gal', units)}`,
              part,
            )}
        </div>
      )}
    </div>
  )
}
