import type { Way } from './way'

/** The card that is worked by: what is in it, its number and version, and that it is an example. */
export function CardLine({ way }: { way: Way }) {
  const { product } = way
  return (
    <p className="text-small text-ink2">
      <b className="text-ink">{product.name}</b>
      {product.actives.length > 0 &&
        `, ${product.actives.map((a) => `${a.name} ${a.strength}`).join(', ')}`}{' '}
      · {product.registration ?? 'a house card'} · card v{product.version}
      {product.example && ' · an example, not a label'}
    </p>
  )
}
