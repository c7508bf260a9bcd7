'use client'
import { METHOD_NAME, isHand } from '@/core/methods/names'
import type { GroupRow } from '@/core/methods/group'
import { sayPlan } from '@/core/methods/say'
import { showProduct } from '@/core/methods/showProduct'
import { methodOf } from '@/core/methods/registry'
import { showGirth } from '@/core/quantity/format'
import { shown } from '@/core/quantity/pair'
import type { GroupView } from '@/server/read/group'
import { SmallRing } from '@/ui/ring/SmallRing'
import { useViewKeys } from '@/ui/shell/keys'
import type { Group } from './useGroup'

const STANDS: Record<GroupRow['stands'], [word: string, tag: string]> = {
  planned: ['planned', 'tag-moss'],
  'left out': ['not this year', 'tag-straw'],
  asks: ['measure first', 'tag-straw'],
  closed: ['closed', 'tag-plum'],
  refused: ['cannot be', 'tag-plum'],
}

/** Every tree's own figures; what is chosen for one is an exception to what holds for all. */
export function GroupTable({
  view,
  group,
  chosen,
  onChosen,
}: {
  view: GroupView
  group: Group
  chosen: string | null
  onChosen: (id: string) => void
}) {
  const { ways, units } = view
  const at = Math.max(
    0,
    group.rows.findIndex((r) => r.tree.id === chosen),
  )
  const go = (by: number) => {
    const next = group.rows[Math.min(group.rows.length - 1, Math.max(0, at + by))]
    if (!next) return
    onChosen(next.tree.id)
    document.getElementById(`row-${next.tree.id}`)?.scrollIntoView({ block: 'nearest' })
  }
  const set = (id: string, useId: string | null) => group.setOwn({ ...group.own, [id]: useId })
  useViewKeys({
    j: () => go(1),
    k: () => go(-1),
    x: () => {
      const row = group.rows[at]
      if (row) set(row.tree.id, row.useId === null ? group.useId : null)
    },
    m: () => {
      const row = group.rows[at]
      if (!row) return
      const open = ways.filter((w) => (row.tree.closed[w.id] ?? []).length === 0)
      const next = open[(open.findIndex((w) => w.id === row.useId) + 1) % Math.max(1, open.length)]
      if (next) set(row.tree.id, next.id)
    },
  })
  const unmeasured = view.trees.filter((t) => t.facts === null)
  return (
    <div data-plan-ms={group.ms.toFixed(1)} id="group" className="overflow-x-auto min-w-0">
      <table className="w-full border-collapse">
        <caption className="sr-only">Trees of this prescription, each with its own figures</caption>
        <thead>
          <tr className="text-small text-ink2 text-left border-b border-ink">
            <th className="font-normal py-1.5 w-[48px]">
              <span className="sr-only">Trunk</span>
            </th>
            <th className="font-normal">Tree</th>
            <th className="font-normal text-right pr-3">Through</th>
            <th className="font-normal">Way</th>
            <th className="font-normal text-right pl-2">Product</th>
            <th className="font-normal text-right pl-2">Water</th>
            <th className="font-normal text-right pl-2">Active</th>
          </tr>
        </thead>
        <tbody>
          {group.rows.map((row) => {
            const { tree, plan } = row
            const [word, tag] = STANDS[row.stands]
            const use = ways.find((w) => w.id === row.useId)?.use
            const asksGirth = use !== undefined && methodOf(use).asks(use).includes('portGirth')
            const exception = tree.id in group.own
            return (
              <tr
                key={tree.id}
                id={`row-${tree.id}`}
                aria-current={tree.id === chosen}
                onClick={() => onChosen(tree.id)}
                className={`border-b border-line2 ${tree.id === chosen ? 'bg-sheet' : ''}`}
              >
                <td className="py-1">
                  <SmallRing size={Math.round(20 + Math.min(24, tree.facts.diameter * 32))} />
                </td>
                <td className="font-bold whitespace-nowrap pr-2">{tree.tag}</td>
                <td className="text-right pr-3 whitespace-nowrap">{showGirth(tree.facts.diameter, units)}</td>
                <td>
                  <select
                    aria-label={`Way for ${tree.tag}`}
                    className={`bg-transparent border-0 border-b border-line min-h-[34px] max-w-[170px] ${exception ? 'font-bold text-rust' : ''}`}
                    value={row.useId ?? ''}
                    onChange={(e) => set(tree.id, e.target.value === '' ? null : e.target.value)}
                  >
                    {ways.map((w) => (
                      <option key={w.id} value={w.id} disabled={(tree.closed[w.id] ?? []).length > 0}>
                        {METHOD_NAME[w.use.method].toLowerCase()}, {w.product.code}
                      </option>
                    ))}
                    <option value="">not this year</option>
                  </select>
                  {row.stands !== 'planned' && row.stands !== 'left out' && (
                    <span className={`tag ${tag} ml-2`}>{word}</span>
                  )}
                  {row.why && <span className="block text-small pb-1">{row.why}</span>}
                  {asksGirth && (
                    <input
                      aria-label={`Girth at the ports of ${tree.tag}`}
                      placeholder={units === 'us' ? 'girth at ports, in' : 'girth at ports, cm'}
                      className="field !min-h-[32px] !py-0.5 mt-1 max-w-[170px]"
                      value={group.given[tree.id]?.portGirth ?? ''}
                      onChange={(e) =>
                        group.setGiven(tree.id, { ...group.given[tree.id], portGirth: e.target.value })
                      }
                    />
                  )}
                </td>
                <td className="text-right pl-2 font-head font-bold text-lead whitespace-nowrap">
                  {!plan ? (
                    '–'
                  ) : isHand(plan.method) ? (
                    <span className="text-base font-text whitespace-normal">
                      {sayPlan(plan, use!, units)}
                    </span>
                  ) : (
                    showProduct(plan.product, plan.kind, plan.method, units)
                  )}
                  {row.besides.map((b) => (
                    <span key={b.useId} className="block text-small font-text font-normal">
                      with {showProduct(b.plan.product, b.plan.kind, b.plan.method, units)}{' '}
                      {ways.find((w) => w.id === b.useId)?.product.code}
                    </span>
                  ))}
                </td>
                <td className="text-right pl-2 whitespace-nowrap">
                  {plan?.water ? shown(plan.water, 'gal', units) : '–'}
                </td>
                <td className="text-right pl-2 whitespace-nowrap">
                  {plan?.active ? shown(plan.active, 'lb', units, 4) : '–'}
                </td>
              </tr>
            )
          })}
        </tbody>
      </table>
      {unmeasured.length > 0 && (
        <p className="mt-3 text-small">
          Not measured, so nothing can be dosed: {unmeasured.map((t) => t.tag).join(', ')}.
        </p>
      )}
      <p className="no-print mt-2 text-small text-ink2 max-sm:hidden">
        j and k move, m another way for this tree, x leaves it out or takes it in again
      </p>
    </div>
  )
}
