import { ok, refuse, type Result } from '../problem'
import { describeLayout, layoutPorts, type LayoutInput, type PortLayout } from '../ports/layout'
import { roundOf, woundAccount, type RingMark, type WoundAccount } from '../ports/marks'
import { refusalAt } from '../ports/move'
import { plain, showLength, type UnitSystem } from '../quantity/format'
import { DIAMETER_LIMITS } from '../trunk/trunk'
import type { Length, Temperature } from '../quantity/units'
import type { Working } from '../working/working'
import { namesHost } from '../card/namesHost'
import { doseInjection, type Injection } from './injection'
import { doubtPortGirth, readInjectionUse, type InjectionTerms, type LabelCard } from './labelCard'
import { estimateUptake, type Soil, type Wood } from './uptake'

export interface InjectionPlanInput {
  diameter: Length
  breastGirth: Length
  portGirth: Length
  /** 0 the label's low rate, 1 its high rate. */
  choice: number
  card: LabelCard
  host: string
  wood: Wood
  marks: readonly RingMark[]
  holes: readonly { bearing: number; drilledOn: string }[]
  today: string
  soil: Soil
  temperature: Temperature
  units: UnitSystem
  sources: { reading: string; label: string; weather: string }
  /** Bearings as a person has moved them; the optimum when not given. */
  bearings?: readonly number[]
}

export interface InjectionPlan {
  dose: Injection
  layoutInput: LayoutInput
  layout: PortLayout
  /** The best possible total, to show what moves by hand cost. */
  bestTotal: number
  bestBearings: number[]
  uptake: Result<{ from: number; to: number }>
  wounds: WoundAccount
  working: Working
}

/**
 * Everything a trunk injection of one tree comes to: volume and ports by the label, the bearings by the ring, the time
 * by wood, soil and warmth, and the one working that shows it all.
 *
 * Refuses a card that does not name this kind of tree, a girth that cannot be, and bearings that break a rule.
 */
export function planInjection(input: InjectionPlanInput): Result<InjectionPlan> {
  const { card, units } = input
  if (!namesHost(card, input.host))
    return refuse(
      'not-allowed',
      'label',
      'This card does not name this kind of tree. Choose a card that does.',
    )
  if (!(
    input.portGirth >= DIAMETER_LIMITS.least * Math.PI &&
    input.portGirth <= DIAMETER_LIMITS.most * Math.PI * 2
  ))
    return refuse(
      'out-of-range',
      'portGirth',
      'The girth at the ports is not that of a trunk; check the tape and the unit.',
    )
  const doubt = doubtPortGirth(input.portGirth, input.breastGirth)
  if (doubt) return refuse('out-of-range', 'portGirth', doubt)
  const terms = readInjectionUse(card.use)
  if (!terms.ok) return terms
  const dose = doseInjection({
    diameter: input.diameter,
    portGirth: input.portGirth,
    ratePerInch: terms.value.ratePerInch,
    capsule: terms.value.capsule,
    choice: input.choice,
    ports: terms.value.ports,
    perPortMax: terms.value.perPortMax,
    minPorts: terms.value.minPorts,
    units,
    sources: input.sources,
  })
  if (!dose.ok) return dose
  const placed = place(input, terms.value, dose.value)
  if (!placed.ok) return placed
  const uptake = estimateUptake({
    base: { from: card.use.uptakeMinutes.from * 60, to: card.use.uptakeMinutes.to * 60 },
    wood: input.wood,
    soil: input.soil,
    temperature: input.temperature,
    limits: terms.value.temperature,
    units,
    sources: input.sources,
  })
  const { layout, layoutInput, best } = placed.value
  return ok({
    dose: dose.value,
    layoutInput,
    layout,
    bestTotal: best.total,
    bestBearings: best.ports.map((p) => p.bearing),
    uptake,
    wounds: woundAccount(layoutInput.earlierHoles ?? [], layout.ports.length, input.portGirth),
    working: [
      {
        label: 'Diameter',
        expression: `${showLength(input.breastGirth, units)} ÷ 3.1416`,
        result: showLength(input.diameter, units),
        source: 'reading',
        from: input.sources.reading,
      },
      ...dose.value.working,
      layoutStep(layout, best, layoutInput, units),
      ...(uptake.ok ? uptake.value.working : []),
    ],
  })
}

function place(input: InjectionPlanInput, terms: InjectionTerms, dose: Injection) {
  const layoutInput: LayoutInput = {
    ...roundOf(input.marks, input.holes, input.portGirth, input.today),
    count: dose.ports,
    minSpacing: terms.minSpacing,
    maxGap: terms.maxGap,
  }
  const best = layoutPorts(layoutInput)
  if (!input.bearings) return ok({ layoutInput, best, layout: best })
  const bearings = [...input.bearings]
  const distinct = new Set(bearings)
  if (bearings.length !== best.ports.length || distinct.size !== bearings.length)
    return refuse('conflict', 'bearings', 'The ports no longer match the dose; look at the ring again.')
  for (const [i, b] of bearings.entries()) {
    if (!Number.isInteger(b) || b < 0 || b > 359)
      return refuse('out-of-range', `bearings[${i}]`, 'A port must lie on a whole degree from 0 to 359.')
    const refusal = refusalAt(
      b,
      bearings.filter((_, j) => j !== i),
      layoutInput,
      input.units,
    )
    if (refusal) return refuse('not-allowed', `bearings[${i}]`, refusal)
  }
  return ok({
    layoutInput,
    best,
    layout: describeLayout(bearings, layoutInput, dose.ports - bearings.length),
  })
}

function layoutStep(
  layout: PortLayout,
  best: PortLayout,
  input: LayoutInput,
  units: UnitSystem,
): Working[number] {
  const same = Math.abs(layout.total - best.total) < 1e-9
  return {
    label: same ? 'Places, the best there are' : 'Places, some moved by hand',
    expression:
      input.maxGap === undefined
        ? `widest gap ${showLength(layout.largestGap, units, 1)}`
        : `widest gap ${showLength(layout.largestGap, units, 1)} of ${showLength(input.maxGap, units, 1)}`,
    result: `suitability ${plain(layout.total)} of ${plain(best.total)}`,
    source: 'handbook',
    from: 'flares, thin sides, earlier holes and dead wood on the ring',
  }
}
