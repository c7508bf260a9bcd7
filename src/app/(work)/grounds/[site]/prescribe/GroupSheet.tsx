import { METHOD_NAME } from '@/core/card/say'
import { sayRate, sayTask } from '@/core/methods/say'
import { showProduct } from '@/core/methods/showProduct'
import { showGirth } from '@/core/quantity/format'
import { shown } from '@/core/quantity/pair'
import type { GroupView } from '@/server/read/group'
import { writtenDate } from '@/ui/when'
import type { Group } from './useGroup'

/** A group on paper: what goes on and how, once; every tree's own amount, with a box to tick; what is left out, with why. */
export function GroupSheet({ view, group, onDate }: { view: GroupView; group: Group; onDate: string }) {
  const { ways, units } = view
  const planned = group.rows.filter((r) => r.plan !== null)
  const used = ways.filter((w) => group.totals.byUse[w.id])
  const left = group.rows.filter((r) => r.plan === null)
  const reasons = [...new Set(left.map((r) => r.why ?? 'not this year'))]
  return (
    <section aria-label="On paper" className="hidden print:block mt-3">
      <p>For {writtenDate(onDate)}</p>
      {used.map((way) => {
        const own = planned.filter((r) => r.useId === way.id)
        const shares = planned.filter((r) => r.besides.some((b) => b.useId === way.id))
        const plans = [
          ...own.map((r) => r.plan!),
          ...shares.flatMap((r) => r.besides.filter((b) => b.useId === way.id).map((b) => b.plan)),
        ]
        const product = plans.reduce((sum, p) => sum + p.product, 0)
        const { use } = way
        const tasks = plans[0]?.steps.flatMap((s) => (s.kind === 'task' ? [s.task] : [])) ?? []
        return (
          <div key={way.id} className="mt-3">
            <h2>
              {METHOD_NAME[use.method]}, {way.product.name}: {plans.length}{' '}
              {plans.length === 1 ? 'tree' : 'trees'},{' '}
              {showProduct(product, plans[0]!.kind, use.method, units)} in all
            </h2>
            <p className="text-small">
              {way.product.actives.map((a) => `${a.name} ${a.strength}`).join(', ')}
              {way.product.actives.length > 0 && ' · '}
              {way.product.registration ?? 'a house card'} · card {way.product.code} v{way.product.version} ·
              rate {sayRate(group.choices[way.id] ?? 0)}
              {own.length === 0 && ' · out of the same tank'}
            </p>
            {own.length > 0 && (
              <>
                <p className="text-small mt-1">
                  <b>Worn:</b> {use.protectiveGear.join(', ')}. {use.waterCaution} {use.beeCaution}
                </p>
                {tasks.map((task) => {
                  const texts = new Set(plans.map((p) => sayTask(task, p, use, units).text))
                  const { name } = sayTask(task, plans[0]!, use, units)
                  return (
                    <p key={task} className="text-small">
                      <b>{name}.</b> {texts.size === 1 ? [...texts][0] : 'Each tree as it stands below.'}
                    </p>
                  )
                })}
                <ul className="columns-2 gap-8 mt-2">
                  {own.map(({ tree, plan, besides }) => (
                    <li
                      key={tree.id}
                      className="grid grid-cols-[14px_1fr_auto] gap-x-2 border-b border-line2 py-[3px] break-inside-avoid text-small"
                    >
                      <span aria-hidden className="border border-ink size-[12px] mt-[3px]" />
                      <span>
                        <b>{tree.tag}</b> {showGirth(tree.facts.diameter, units)}
                      </span>
                      <span className="text-right">
                        <b>{showProduct(plan!.product, plan!.kind, plan!.method, units)}</b>
                        {besides.map((b) => (
                          <span key={b.useId}>
                            {' '}
                            + {showProduct(b.plan.product, b.plan.kind, b.plan.method, units)}
                          </span>
                        ))}
                        {plan!.water ? ` in ${shown(plan!.water, 'gal', units)}` : ''}
                      </span>
                    </li>
                  ))}
                </ul>
              </>
            )}
          </div>
        )
      })}
      {reasons.map((why) => (
        <p key={why} className="text-small mt-2">
          <b>
            Not worked:{' '}
            {left.flatMap((r) => ((r.why ?? 'not this year') === why ? [r.tree.tag] : [])).join(', ')}.
          </b>{' '}
          {why}
        </p>
      ))}
      <p className="text-small mt-2">The label in the hand decides.</p>
    </section>
  )
}
