'use client'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import type { ReactNode } from 'react'
import { hostName } from '@/almanac/hosts'
import type { TreeBase } from '@/server/read/tree'
import { Steps, type StepName } from '@/ui/steps/Steps'
import { useViewKeys } from '@/ui/shell/keys'

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
  useViewKeys({ '[': () => to(view.previous), ']': () => to(view.next) })
  return (
    <div className="flex flex-wrap items-end justify-between gap-x-6 gap-y-2">
      <div>
        <p className="text-[0.88rem] text-ink2">
          <Link href={`/grounds/${view.tree.siteId}`} className="underline underline-offset-2">
            {view.tree.siteName}
          </Link>{' '}
          ·{' '}
          <Link href={`/almanac/host/${view.tree.host}`} className="underline underline-offset-2">
            {hostName(view.tree.host)}
          </Link>
          {view.previous && (
            <>
              {' · '}
              <Link
                href={`/trees/${view.previous}${step ? `/${step}` : ''}`}
                className="underline underline-offset-2"
                title="Previous tree ( [ )"
              >
                previous
              </Link>
            </>
          )}
          {view.next && (
            <>
              {' · '}
              <Link
                href={`/trees/${view.next}${step ? `/${step}` : ''}`}
                className="underline underline-offset-2"
                title="Next tree ( ] )"
              >
                next
              </Link>
            </>
          )}
        </p>
        <h1>{title}</h1>
        <p className="text-ink2 mt-1">{below}</p>
      </div>
      <Steps treeId={view.tree.id} state={view.tree} here={here} />
    </div>
  )
}
