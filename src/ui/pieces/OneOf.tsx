import { Link } from './Link'

/** A page narrowed to one of a few, each a way to the same page; the one that holds stands in bold. */
export function OneOf({
  label,
  all,
}: {
  label: string
  all: readonly { name: string; href: string; holds: boolean }[]
}) {
  return (
    <p className="no-print mt-2 flex flex-wrap gap-x-4">
      <span className="label">{label}</span>
      {all.map(({ name, href, holds }) =>
        holds ? (
          <b key={href}>{name}</b>
        ) : (
          <Link key={href} href={href} className="underline underline-offset-2">
            {name}
          </Link>
        ),
      )}
    </p>
  )
}
