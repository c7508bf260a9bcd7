import { METHOD_NAME, isHand } from '@/core/methods/names'
import { isByPorts } from '@/core/methods/trunk-injection/isByPorts'
import type { Method } from '@/core/card/card'
import type { SubjectPlan, UseOf } from '@/core/methods/plan'
import { sayEquipment, sayPlan, sayRate, sayTask } from '@/core/methods/say'
import { showProduct } from '@/core/methods/showProduct'
import { showGirth, type UnitSystem } from '@/core/quantity/format'
import type { AsAgreed } from '@/core/schools/house'
import { NotSigned } from '@/ui/pieces/NotSigned'
import { AgreedLines } from './AgreedLines'
import { writtenDate } from '@/ui/when'

/** A product as it is put on at trees, with what comes out of the same tank. */
export interface SheetWork {
  id: string
  block: string | null
  agreed: AsAgreed
  use: UseOf<Method>
  product: {
    name: string
    code: string
    version: number
    registration?: string | null
    actives: readonly { name: string; strength: string }[]
  }
  trees: readonly {
    id: string
    tag: string
    plan: SubjectPlan
    besides: readonly { name: string; plan: SubjectPlan }[]
  }[]
}

/** Work on paper: what goes on and how, once; every tree's own amount, with a box to tick; what is left out, with why. */
export function WorkSheet({
  onDate,
  works,
  left,
  draft,
  units,
}: {
  onDate: string
  works: readonly SheetWork[]
  left: readonly { tag: string; why: string }[]
  /** What stands in the way of working by it, as it is not signed; null once it is. */
  draft: string | null
  units: UnitSystem
}) {
  return (
    <section aria-label="On paper" className="hidden print:block mt-3">
      <p>
        For {writtenDate(onDate)}
        {draft !== null && <b> · {draft}</b>}
      </p>
      {draft !== null && <NotSigned />}
      {works.map((work) => (
        <Work key={work.id} work={work} units={units} />
      ))}
      {[...new Set(left.map((l) => l.why))].map((why) => (
        <p key={why} className="text-small mt-2">
          <b>
            Not worked:{' '}
            {left
              .filter((l) => l.why === why)
              .map((l) => l.tag)
              .join(', ')}
            .
          </b>{' '}
          {why}
        </p>
      ))}
      <p className="text-small mt-2">The label in the hand decides.</p>
    </section>
  )
}

function Work({ work, units }: { work: SheetWork; units: UnitSystem }) {
  const { use, product, trees, block } = work
  const first = trees[0]
  if (!first) return null
  const { plan } = first
  const sum = (plans: readonly SubjectPlan[]) =>
    showProduct(
      plans.reduce((n, p) => n + p.product, 0),
      plans[0]!.kind,
      use.method,
      units,
    )
  const mates = first.besides.map((b) => b.name)
  const tasks = plan.steps.flatMap((s) => (s.kind === 'task' ? [s.task] : []))
  return (
    <div className="mt-3">
      <h2>
        {block !== null && `${block}: `}
        {METHOD_NAME[use.method]}, {product.name}: {trees.length} {trees.length === 1 ? 'tree' : 'trees'}
        {!isHand(use.method) && `, ${sum(trees.map((t) => t.plan))} in all`}
        {mates.map((name) => (
          <span key={name}>
            ; out of the same tank {name},{' '}
            {sum(trees.flatMap((t) => t.besides.filter((b) => b.name === name).map((b) => b.plan)))}
          </span>
        ))}
      </h2>
      <p className="text-small">
        {[
          ...product.actives.map((a) => `${a.name} ${a.strength}`),
          product.registration ?? 'a house card',
          `card ${product.code} v${product.version}`,
          ...(isHand(use.method)
            ? [`brought along: ${sayEquipment(use)}`]
            : [`rate ${sayRate(plan.choice)}`]),
        ].join(' · ')}
      </p>
      <p className="text-small mt-1">
        <b>Worn:</b> {use.protectiveGear.join(', ')}. {use.waterCaution} {use.beeCaution}
      </p>
      <AgreedLines agreed={work.agreed} className="mt-1" />
      {tasks.map((task) => {
        const texts = new Set(trees.map((t) => sayTask(task, t.plan, use, units).text))
        return (
          <p key={task} className="text-small">
            <b>{sayTask(task, plan, use, units).name}.</b>{' '}
            {texts.size === 1 ? [...texts][0] : 'Each tree as it stands below.'}
          </p>
        )
      })}
      <ul className="columns-2 gap-8 mt-2">
        {trees.map((t) => (
          <li
            key={t.id}
            className="grid grid-cols-[14px_1fr_auto] gap-x-2 border-b border-line2 py-[3px] break-inside-avoid text-small"
          >
            <span aria-hidden className="border border-ink size-[12px] mt-[3px]" />
            <span>
              <b>{t.tag}</b> {showGirth(t.plan.diameter, units)}
            </span>
            <span className="text-right">
              <Gets plan={t.plan} use={use} units={units} />
              {t.besides.map((b) => (
                <span key={b.name}> + {showProduct(b.plan.product, b.plan.kind, b.plan.method, units)}</span>
              ))}
            </span>
          </li>
        ))}
      </ul>
    </div>
  )
}

/** What a tree gets, with its product in bold; the ports of a trunk by their bearings. */
function Gets({ plan, use, units }: { plan: SubjectPlan; use: UseOf<Method>; units: UnitSystem }) {
  const said = sayPlan(plan, use, units)
  const product = isHand(plan.method) ? said : showProduct(plan.product, plan.kind, plan.method, units)
  return (
    <>
      <b>{product}</b>
      {said.slice(product.length)}
      {isByPorts(plan) && `, at ${plan.shape.ports.map((p) => `${Math.round(p.bearing)}°`).join(' ')}`}
    </>
  )
}
