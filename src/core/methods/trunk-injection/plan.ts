import { ok, refuse, type Result } from '../../problem'
import { describeLayout, layoutPorts, type LayoutInput, type PortLayout } from '../../ports/layout'
import {
  holesIn,
  marksOn,
  roundOf,
  woundAccount,
  type Hole,
  type RingMark,
  type WoundAccount,
} from '../../ports/marks'
import { refusalAt } from '../../ports/move'
import { plain, showLength, showMl, type UnitSystem } from '../../quantity/format'
import { DIAMETER_LIMITS } from '../../trunk/trunk'
import type { Length, Temperature } from '../../quantity/units'
import type { Working } from '../../working/working'
import { namesHost } from '../../card/namesHost'
import { doseInjection, type Injection } from '../../dose/injection'
import type { Planned, Question, UseOf } from '../plan'
import { doubtPortGirth, leastDose, mostDose, readInjectionUse, type InjectionTerms } from './terms'
import { estimateUptake, type Soil, type Wood } from '../../dose/uptake'

export interface InjectionPlanInput {
  diameter: Length
  breastGirth: Length
  portGirth: Length
  /** 0 the label's low rate, 1 its high rate. */
  choice: number
  use: UseOf<'trunk-injection'>
  host: string
  wood: Wood
  marks: readonly RingMark[]
  holes: readonly Hole[]
  today: string
  soil: Soil
  temperature: Temperature
  /** Per cent, as it was taken; it tells how fast wounds close. */
  liveCrown?: number | null
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
  const { use, units } = input
  if (!namesHost(use, input.host))
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
  const terms = readInjectionUse(use.terms)
  if (!terms.ok) return terms
  const dose = doseInjection({
    diameter: input.diameter,
    portGirth: input.portGirth,
    ratePerInch: terms.value.ratePerInch,
    capsule: terms.value.capsule,
    choice: input.choice,
    ports: terms.value.ports,
    perPortMax: terms.value.perPortMax,
    dilution: terms.value.dilution,
    minPorts: terms.value.minPorts,
    units,
    sources: input.sources,
  })
  if (!dose.ok) return dose
  const placed = place(input, terms.value, dose.value)
  if (!placed.ok) return placed
  const uptake = estimateUptake({
    base: { from: use.terms.uptakeMinutes.from * 60, to: use.terms.uptakeMinutes.to * 60 },
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
    wounds: woundAccount(
      layoutInput.earlierHoles ?? [],
      layout.ports.length,
      input.portGirth,
      input.liveCrown ?? null,
    ),
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
  const best = bestLayout(layoutInput)
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

/** The best places of the trunks that were asked about last: the rate does not move them, and a table asks for many. */
const kept = new Map<string, PortLayout>()
const MOST_KEPT = 500

function bestLayout(input: LayoutInput): PortLayout {
  const key = JSON.stringify(input)
  const before = kept.get(key)
  if (before) return before
  const best = layoutPorts(input)
  if (kept.size >= MOST_KEPT) kept.delete(kept.keys().next().value!)
  kept.set(key, best)
  return best
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

/** Finding the flares and setting up at a tree, and each port of it, drilled, set and pulled; house figures. */
const SET_UP_MINUTES = 8
const MINUTES_A_PORT = 4

/**
 * The injection of one tree as it is signed, from the question every method is asked. Problems: `missing` (field `portGirth`)
 * while nobody has measured where the ports go, `not-allowed` for ports that find no sound wood, and those of
 * {@link planInjection}.
 */
export function planTrunkInjection(q: Question<'trunk-injection'>): Result<Planned<'trunk-injection'>> {
  const { tree, given } = q
  if (tree.stems.length > 1) return planStems(q)
  if (given.portGirth === undefined)
    return refuse('missing', 'portGirth', 'Measure the girth where the ports go; then this can be signed.')
  const whole = planInjection({
    diameter: tree.diameter,
    breastGirth: tree.diameter * Math.PI,
    portGirth: given.portGirth,
    choice: q.choice,
    use: q.use,
    host: tree.host,
    wood: tree.wood,
    marks: marksOn(tree.marks, null),
    holes: tree.holes,
    today: q.day.on,
    soil: q.day.soil,
    temperature: q.day.temperature,
    units: q.units,
    sources: q.sources,
    bearings: given.bearings,
  })
  if (!whole.ok) return whole
  const { dose, layout, bestBearings, uptake, working } = whole.value
  if (!uptake.ok) return uptake
  if (layout.missing > 0)
    return refuse(
      'not-allowed',
      'bearings',
      `${layout.missing} of ${dose.ports} ports cannot be placed on sound wood. Choose another method or let the trunk rest.`,
    )
  const terms = readInjectionUse(q.use.terms)
  if (!terms.ok) return terms
  return ok({
    plan: {
      method: 'trunk-injection',
      choice: q.choice,
      diameter: tree.diameter,
      product: dose.volume,
      kind: 'liquid',
      least: leastDose(terms.value, tree.diameter, dose.volume),
      most: mostDose(terms.value, tree.diameter) ?? dose.volume,
      water: dose.water,
      // What goes into a trunk counts to no limit of the ground.
      active: null,
      minutes: SET_UP_MINUTES + dose.ports * MINUTES_A_PORT,
      steps: layout.ports.map((p) => ({
        kind: 'port',
        bearing: p.bearing,
        product: dose.perPort,
        ...(dose.water !== null && { mix: dose.mixPerPort }),
      })),
      shape: {
        portGirth: given.portGirth,
        perPort: dose.perPort,
        uptake: { from: uptake.value.from, to: uptake.value.to },
        ports: layout.ports.map((p) => ({ ...p, moved: !bestBearings.includes(p.bearing) })),
        largestGap: layout.largestGap,
      },
    },
    working,
  })
}

const missingOf = (stems: number) =>
  `It has ${stems} stems, each a trunk of its own: measure the girth where the ports go of each of them.`

/**
 * The injection of a tree that was measured above its fork: each stem is a trunk with its own girth, ports and dose, and the tree’s dose is
 * their sum. Each has its own ring; what is drawn of the foot is not taken for a stem. Problems as
 * {@link planTrunkInjection}, `missing` (field `portGirth`) while not every stem was measured. Source: handbook, one trunk or several.
 */
function planStems(q: Question<'trunk-injection'>): Result<Planned<'trunk-injection'>> {
  const { tree, given } = q
  const girths = given.portGirths ?? []
  if (girths.length !== tree.stems.length) return refuse('missing', 'portGirth', missingOf(tree.stems.length))
  const each: Planned<'trunk-injection'>[] = []
  for (const [i, stem] of tree.stems.entries()) {
    const one = planTrunkInjection({
      ...q,
      tree: {
        ...tree,
        stems: [stem],
        diameter: stem.diameter ?? stem.girth! / Math.PI,
        // On the one trunk that is planned here it is a mark like any other.
        marks: marksOn(tree.marks, i + 1).map((mark) => ({ ...mark, stem: null })),
        holes: holesIn(tree.holes, i + 1),
      },
      given: { ...given, portGirth: girths[i]!, portGirths: undefined, bearings: undefined },
    })
    if (!one.ok) {
      const { code, field, message } = one.problem
      return refuse(code, field, `Stem ${i + 1}: ${message}`)
    }
    each.push(one.value)
  }
  const plans = each.map((e) => e.plan)
  const sum = (of: (p: (typeof plans)[number]) => number) => plans.reduce((n, p) => n + of(p), 0)
  const product = sum((p) => p.product)
  const first = plans[0]!.shape
  return ok({
    plan: {
      ...plans[0]!,
      diameter: tree.diameter,
      product,
      least: sum((p) => p.least),
      most: sum((p) => p.most),
      water: plans[0]!.water === null ? null : sum((p) => p.water ?? 0),
      minutes: SET_UP_MINUTES + sum((p) => p.steps.length) * MINUTES_A_PORT,
      steps: plans.flatMap((p, i) => p.steps.map((s) => ({ ...s, stem: i + 1 }))),
      shape: {
        portGirth: first.portGirth,
        perPort: first.perPort,
        uptake: {
          from: Math.min(...plans.map((p) => p.shape.uptake.from)),
          to: Math.max(...plans.map((p) => p.shape.uptake.to)),
        },
        ports: plans.flatMap((p, i) => p.shape.ports.map((port) => ({ ...port, stem: i + 1 }))),
        largestGap: Math.max(...plans.map((p) => p.shape.largestGap)),
        stems: plans.map((p) => ({
          diameter: p.diameter,
          portGirth: p.shape.portGirth,
          perPort: p.shape.perPort,
          product: p.product,
          ports: p.steps.length,
        })),
      },
    },
    working: [
      ...each.flatMap((e, i) => e.working.map((s) => ({ ...s, label: `Stem ${i + 1}: ${s.label}` }))),
      {
        label: `All ${plans.length} stems`,
        expression: plans.map((p) => showMl(p.product)).join(' + '),
        result: `${showMl(product)} in ${sum((p) => p.steps.length)} ports`,
        source: 'handbook',
      },
    ],
  })
}
