'use client'
import { afterPage } from '@/ui/pieces/afterPage'
import type { Blockage } from '@/core/plan/blocked'
import type { PrescribeView } from '@/server/read/tree'
import { ButtonLink } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { OnceOpened } from '@/ui/pieces/OnceOpened'
import { useMay } from '@/ui/shell/may'

const TakeBack = afterPage(() => import('./TakeBack'), 'TakeBack')

/** Where the way out of each blockage is. */
function wayOut({ at }: Blockage, view: PrescribeView): { href: string; link: string } | null {
  const tree = `/trees/${view.tree.id}`
  switch (at) {
    case 'work':
      return { href: view.handed?.jobId ? `/run/${view.handed.jobId}` : '/run', link: 'Open the work' }
    case 'measure':
      return { href: `${tree}#measure`, link: 'Measure it' }
    case 'examine':
      return { href: `${tree}/examine`, link: 'Examine' }
    case 'decide':
      return { href: `${tree}/decide`, link: 'Decide' }
    case 'decided otherwise':
      return { href: `${tree}/decide`, link: 'See the decision' }
    case 'kind':
      return { href: tree, link: 'Confirm it' }
    case 'shelf':
      return null
  }
}

/** What stands in the way of signing, with the way out. */
export function Blocked({ why, view }: { why: Blockage; view: PrescribeView }) {
  const may = useMay()
  const way = wayOut(why, view)
  return (
    <>
      <Note className="mt-3 flex flex-wrap items-center gap-3">
        {why.text}
        {way && (
          <ButtonLink href={way.href} className="desk:!min-h-[34px]">
            {way.link} →
          </ButtonLink>
        )}
      </Note>
      {(view.handed?.status === 'handed' || view.handed?.status === 'client') &&
        may('withdraw-prescription') && <FromTheCrew view={view} />}
    </>
  )
}

/** Takes the prescription back from the crew, with a reason, as long as nothing is drilled. */
function FromTheCrew({ view }: { view: PrescribeView }) {
  return (
    <OnceOpened say="Take it back from the crew">
      <TakeBack of={{ treeId: view.tree.id, prescriptionId: view.handed!.id }} />
    </OnceOpened>
  )
}
