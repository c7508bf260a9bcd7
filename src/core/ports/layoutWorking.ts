import { plain, showLength, type UnitSystem } from '../quantity/format'
import type { Working } from '../working/working'
import type { LayoutInput, PortLayout } from './layout'
import { suitabilityParts } from './suitability'

/** How a layout can be followed on paper: what each bearing is worth and why, the total, the gaps. */
export function layoutWorking(layout: PortLayout, input: LayoutInput, units: UnitSystem): Working {
  const working: Working = layout.ports.slice(0, 60).map((p, i) => {
    const parts = suitabilityParts(p.bearing, input)
    const terms = [`${plain(parts.start)} ${parts.start < 0.4 ? 'between flares' : 'start'}`]
    if (parts.flare > 0.0005) terms.push(`+ ${plain(parts.flare, 3)} flare`)
    if (parts.thin > 0) terms.push(`+ ${plain(parts.thin, 3)} thin side`)
    if (parts.holes > 0.0005) terms.push(`− ${plain(parts.holes, 3)} earlier holes`)
    return {
      label: `Port ${i + 1} at ${p.bearing}°`,
      expression: terms.join(' '),
      result: plain(p.suitability, 3),
      source: 'handbook',
    }
  })
  working.push({
    label: 'Best total',
    expression: `${layout.ports.length} ports, at least ${showLength(input.minSpacing, units)} apart`,
    result: plain(layout.total, 3),
  })
  working.push({
    label: 'Widest gap',
    expression:
      input.maxGap === undefined
        ? 'no limit given'
        : `limit ${showLength(input.maxGap, units)}${layout.maxGapMet ? '' : ', cannot be met'}`,
    result: showLength(layout.largestGap, units),
  })
  if (layout.missing > 0)
    working.push({
      label: 'Could not be placed',
      expression: `${input.count} wanted, ${layout.ports.length} fit beside dead wood, resting holes and the spacing`,
      result: `${layout.missing} missing; take another method or rest the trunk`,
    })
  return working
}
