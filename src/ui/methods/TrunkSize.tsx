import { showGirth, type UnitSystem } from '@/core/quantity/format'
import type { Length } from '@/core/quantity/units'
import type { StemInput } from '@/core/trunk/trunk'

const girthOf = ({ girth, diameter }: StemInput): Length => girth ?? diameter! * Math.PI
const bare = (length: Length, units: UnitSystem) => showGirth(length, units).replace(/ (in|cm)$/, '')

/** How big a trunk is: its girth as it was read, or that of each of several stems, and how far through. */
export function TrunkSize({
  stems,
  diameter,
  read,
  units,
}: {
  /** As the tape read them. */
  stems: readonly StemInput[]
  /** Of one round stem of the same wood. */
  diameter: Length
  /** When it was read, in words. */
  read: string
  units: UnitSystem
}) {
  const one = stems.length === 1
  return (
    <>
      <p className="label">{one ? 'Girth at breast height' : `Girths of ${stems.length} stems`}</p>
      <p className={`font-head font-bold leading-none ${one ? 'text-figure' : 'text-title'}`}>
        {stems.map((s) => bare(girthOf(s), units)).join(' · ')}{' '}
        <span className="text-lead font-text font-normal text-ink2">{units === 'us' ? 'in' : 'cm'}</span>
      </p>
      <p className="text-ink2 mt-1">
        {one
          ? `${showGirth(diameter, units)} through`
          : `each a trunk of its own; soil and crown go by ${showGirth(diameter, units)} through`}{' '}
        · read {read}
      </p>
    </>
  )
}
