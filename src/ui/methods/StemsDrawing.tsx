import { showGirth, showMl, type UnitSystem } from '@/core/quantity/format'
import type { PlanOf } from '@/core/methods/plan'
import { Ring } from '@/ui/ring/Ring'

/** The stems of a tree from above, each a trunk with its own ports and its own dose. */
export function StemsDrawing({
  plan,
  units,
  className,
}: {
  plan: PlanOf<'trunk-injection'>
  units: UnitSystem
  className?: string
}) {
  const { stems, ports } = plan.shape
  if (!stems) return null
  const numbered = ports.map((p, i) => ({ ...p, number: i + 1 }))
  return (
    <div className={`grid gap-3 grid-cols-[repeat(auto-fill,minmax(170px,1fr))] ${className ?? ''}`}>
      {stems.map((stem, i) => (
        <figure key={i}>
          <Ring
            marks={[]}
            holes={[]}
            ports={numbered
              .filter((p) => p.stem === i + 1)
              .map(({ bearing, number }) => ({ bearing, number }))}
            label={`Stem ${i + 1} from above with ${stem.ports} ports`}
            className="w-full"
          />
          <figcaption className="text-center">
            <b>Stem {i + 1}</b>, {showGirth(stem.diameter, units)} through
            <br />
            {showMl(stem.product)} in {stem.ports} ports, {showMl(stem.perPort)} each
          </figcaption>
        </figure>
      ))}
    </div>
  )
}
