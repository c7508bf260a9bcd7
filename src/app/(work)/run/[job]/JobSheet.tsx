import { ANEW } from '@/core/plan/anew'
import type { JobView } from '@/server/read/work'
import { WorkSheet } from '@/ui/methods/WorkSheet'
import { usePrinting } from '@/ui/pieces/usePrinting'
import type { JobItem, JobTree } from './job'
import { besides, matesOf } from './tank'

/** What of a job is still to be done, on paper; what must be worked out again stays off it. */
export function JobSheet({
  view,
  works,
  trees,
}: {
  view: JobView
  works: readonly JobItem[]
  trees: readonly JobTree[]
}) {
  if (!usePrinting()) return null
  return (
    <WorkSheet
      onDate={view.job.onDate}
      works={works.map((i) => {
        const shares = matesOf(view.items, i)
        return {
          id: i.id,
          block: i.block,
          agreed: i.agreed,
          use: i.use,
          product: i.product,
          trees: trees.flatMap((t) =>
            t.itemId === i.id && t.status === 'open' && !t.anew
              ? [
                  {
                    id: t.id,
                    tag: t.tag,
                    plan: t.plan,
                    besides: besides(trees, shares, t).map((b) => ({
                      name: shares.find((m) => m.id === b.itemId)!.product.name,
                      plan: b.plan,
                    })),
                  },
                ]
              : [],
          ),
        }
      })}
      left={trees.flatMap((t) => (t.status === 'open' && t.anew ? [{ tag: t.tag, why: ANEW[t.anew] }] : []))}
      draft={null}
      units={view.units}
    />
  )
}
