import { Link } from './Link'
import type { ReactNode } from 'react'
import { PrintButton } from './PrintButton'

/** The head of a page about a site: the way back to it, what the page is, and its print. */
export function SiteHeading({
  site,
  title,
  below,
}: {
  site: { id: string; name: string }
  title: ReactNode
  below: ReactNode
}) {
  return (
    <>
      <p className="text-small text-ink2">
        <Link href={`/grounds/${site.id}`} className="underline underline-offset-2">
          {site.name}
        </Link>
      </p>
      <div className="flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>{title}</h1>
          <p className="text-ink2 mt-1">{below}</p>
        </div>
        <PrintButton />
      </div>
    </>
  )
}
