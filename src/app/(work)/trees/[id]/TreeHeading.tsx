'use client'
import { Link } from '@/ui/pieces/Link'
import { useRouter } from 'next/navigation'
import { useState, type ReactNode } from 'react'
import type { TreeBase } from '@/server/read/tree'
import { Steps, type StepName } from '@/ui/steps/Steps'
import { useViewKeys } from '@/ui/shell/keys'
import { endRound, useRound } from '@/ui/shell/round'

/** Name of the tree and of the step, where it stands, and the way to its neighbours ( [ and ] ). */
export function TreeHeading({
  view,
  title,
  below,
  here,
  step = '',
}: {
  view: TreeBase
  title: string
  below: ReactNode
  here?: StepName
  step?: string
}) {
  const router = useRouter()
  const to = (id: string | null) => id && router.push(`/trees/${id}${step ? `/${step}` : ''}`)
  const round = useRound(view.tree.id)
  const [left, setLeft] = useState(false)
  const { previous, next } = round && !left ? round : view
  useViewKeys({ '[': () => to(previous), ']': () => to(next) })
  return (
    <div className="flex flex-wrap items-end justify-between gap-x-6 gap-y-2">
      <div>
        <p className="text-small text-ink2">
          <Link href={`/grounds/${view.tree.siteId}`} className="underline underline-offset-2">
            {view.tree.siteName}
          </Link>{' '}
          ·{' '}
          <Link href={`/almanac/host/${view.tree.host}`} className="underline underline-offset-2">
            {view.kindName}
          </Link>
          {previous && (
            <span className="no-print">
              {' · '}
              <Link
                href={`/trees/${previous}${step ? `/${step}` : ''}`}
                className="underline underline-offset-2"
                title="Previous tree ( [ )"
              >
                previous
              </Link>
            </span>
          )}
          {next && (
            <span className="no-print">
              {' · '}
              <Link
                href={`/trees/${next}${step ? `/${step}` : ''}`}
                className="underline underline-offset-2"
                title="Next tree ( ] )"
              >
                next
              </Link>
            </span>
          )}
          {round && !left && (
            <span className="no-print">
              {' · '}
              {round.at} of {round.of} chosen{' '}
              <button
                type="button"
                className="underline underline-offset-2 hand:min-h-12"
                onClick={() => {
                  endRound()
                  setLeft(true)
                }}
              >
                leave the round
              </button>
            </span>
          )}
        </p>
        <h1>{title}</h1>
        <p className="text-ink2 mt-1">{below}</p>
      </div>
      <Steps treeId={view.tree.id} state={view.tree} here={here} />
    </div>
  )
}
