'use client'
import { METHOD_NAME } from '@/core/methods/names'
import type { JobView } from '@/server/read/work'
import { Link } from '@/ui/pieces/Link'
import { PrintButton } from '@/ui/pieces/PrintButton'
import { writtenDate } from '@/ui/when'
import { namesOf, type JobItem, type JobTree } from './job'

/** Which tree is under the hands, and what for: on a hand one line and a way out, at a desk all of it. */
export function JobHeading({
  job,
  tree,
  at,
  of,
  item,
  mates,
  inTrees,
  prints,
}: {
  job: JobView['job']
  tree: JobTree
  /** The how-manieth of its work, and of how many. */
  at: number
  of: number
  item: JobItem
  mates: readonly JobItem[]
  /** How many ports of the job are in trees; null where none is opened. */
  inTrees: number | null
  prints: boolean
}) {
  const products = namesOf([item, ...mates])
  return (
    <div className="flex flex-wrap items-end justify-between gap-x-6 gap-y-1">
      <div className="min-w-0 max-w-full">
        <p className="text-small text-ink2 hand:hidden">
          <Link href="/run" className="underline underline-offset-2">
            all work
          </Link>{' '}
          · {job.siteName} · {writtenDate(job.onDate)}
          {job.crew !== null && ` · ${job.crew}`}
        </p>
        <div className="flex items-center gap-2">
          <Link
            href="/run"
            aria-label="All work"
            className="desk:hidden no-print shrink-0 size-12 -ml-2 grid place-items-center no-underline text-title"
          >
            ←
          </Link>
          <h1 className="min-w-0">
            {tree.tag}{' '}
            <span className="text-ink2 text-base font-text font-normal">
              {at} of {of}
            </span>
          </h1>
        </div>
        <p className="text-ink2 hand:hidden">
          {item.block !== null && `${item.block} · `}
          {tree.kind} · {item.cause.toLowerCase()} · {METHOD_NAME[item.method].toLowerCase()} · {products} ·{' '}
          {tree.gets}
        </p>
        <p className="text-ink2 text-small desk:hidden lying:hidden">
          {tree.kind} · {METHOD_NAME[item.method].toLowerCase()} · {products}
        </p>
      </div>
      <div className="flex flex-wrap items-center gap-2 hand:hidden">
        {prints && <PrintButton what="Print the work" />}
        {inTrees !== null && (
          <span className={`tag ${inTrees > 0 ? 'tag-straw' : ''}`}>
            {inTrees > 0 ? `${inTrees} still in trees: do not leave them` : 'nothing is in a tree'}
          </span>
        )}
      </div>
    </div>
  )
}
