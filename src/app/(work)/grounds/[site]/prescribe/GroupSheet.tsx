import type { GroupView } from '@/server/read/group'
import { agreedAs } from '@/core/schools/house'
import type { ChosenMatters } from '@/ui/methods/Matters'
import { WorkSheet } from '@/ui/methods/WorkSheet'
import { usePrinting } from '@/ui/pieces/usePrinting'
import type { Group } from './useGroup'

/** A group on paper, before it is signed. */
export function GroupSheet({
  view: { ways, units, matters },
  group,
  onDate,
  over,
  chosen,
}: {
  view: GroupView
  group: Group
  onDate: string
  /** Actives that are more than their limit leaves. */
  over: readonly string[]
  /** Matters that are done otherwise than the house does them. */
  chosen: ChosenMatters
}) {
  if (!usePrinting()) return null
  return (
    <WorkSheet
      onDate={onDate}
      works={ways.map((w) => ({
        id: w.id,
        block: null,
        agreed: {
          matters: matters.map(({ school, rule }) => agreedAs(school, rule, chosen[school.id] ?? null)),
          notices: [],
        },
        use: w.use,
        product: w.product,
        trees: group.rows.flatMap((r) =>
          r.plan !== null && r.useId === w.id
            ? [
                {
                  id: r.tree.id,
                  tag: r.tree.tag,
                  plan: r.plan,
                  besides: r.besides.map((b) => ({
                    name: ways.find((x) => x.id === b.useId)!.product.name,
                    plan: b.plan,
                  })),
                },
              ]
            : [],
        ),
      }))}
      left={group.rows.flatMap((r) =>
        r.plan === null ? [{ tag: r.tree.tag, why: r.why ?? 'Not this year.' }] : [],
      )}
      draft={
        over.length > 0
          ? `Not to be worked: more ${over.join(', ')} than the limit leaves this year`
          : 'A draft, not signed'
      }
      units={units}
    />
  )
}
