import { showGirth, showMl, type UnitSystem } from '@/core/quantity/format'
import type { PlanOf } from '@/core/methods/plan'
import type { RingMark } from '@/core/ports/marks'
import { StemRings } from '@/ui/ring/StemRings'

/** The stems of a tree from above, each a trunk with its own ring, ports and dose. */
export function StemsDrawing({
  plan,
  marks,
  holes,
  units,
  className,
}: {
  plan: PlanOf<'trunk-injection'>
  marks: readonly RingMark[]
  holes: readonly { years: number; bearings: readonly number[]; stem?: number }[]
  units: UnitSystem
  className?: string
}) {
  const { stems, ports } = plan.shape
  if (!stems) return null
  return (
    <StemRings
      className={className}
      marks={marks}
      holes={holes}
      ports={ports.map(({ bearing, stem }, i) => ({ bearing, stem, number: i + 1 }))}
      stems={stems.map((stem, i) => ({
        stem: i + 1,
        label: `Stem ${i + 1} from above with ${stem.ports} ports`,
        below: (
          <>
            , {showGirth(stem.diameter, units)} through
            <br />
            {showMl(stem.product)} in {stem.ports} ports, {showMl(stem.perPort)} each
          </>
        ),
      }))}
    />
  )
}
