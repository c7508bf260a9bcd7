import type { Method, PutOnMethod } from '../card/card'
import { showLength, showMl, type UnitSystem } from '../quantity/format'
import { showBottle, shown } from '../quantity/pair'
import { handMethod, isHand, type HandName } from './hand'
import type { PlanOf, SubjectPlan, UseOf } from './plan'
import { saidOf } from './planByHand'
import { showProduct } from './showProduct'

/** A task as the crew reads it: its name on the button, and what to do with this tree's own numbers in it. */
export interface SaidTask {
  name: string
  text: string
  /** What one of several is called: hole, stem. */
  one?: string
}

type Say<M extends Method> = (plan: PlanOf<M>, use: UseOf<M>, units: UnitSystem) => Record<string, SaidTask>

const amount = (plan: SubjectPlan, units: UnitSystem) =>
  showProduct(plan.product, plan.kind, plan.method, units)

const TASKS: { [M in PutOnMethod]: Say<M> } = {
  'trunk-injection': () => ({}),
  'soil-drench': (p, use, units) => ({
    basin: {
      name: 'Basin',
      text: `Pull the mulch back, loosen hard soil, and shape a shallow ring from ${showLength(p.shape.basin.from, units, 0)} to ${showLength(p.shape.basin.to, units, 0)} from the bark.`,
    },
    pour: {
      name: 'Pour',
      text: `${amount(p, units)} of product${p.water ? ` in ${shown(p.water, 'gal', units)} of water` : ''}, evenly all the way round. Let it soak in; nothing may run off.`,
    },
    cover: { name: 'Cover', text: use.terms.after ?? 'Put the mulch back over the wet ring, off the bark.' },
  }),
  'soil-injection': (p, _, units) => ({
    holes: {
      name: 'Holes',
      one: 'hole',
      text: `${p.shape.holes} holes, ${showLength(p.shape.depth.from, units, 0)} to ${showLength(p.shape.depth.to, units, 0)} deep, ${shown(p.shape.mixPerHole, 'fl oz', units)} of mix in each: ${amount(p, units)} of product and ${shown(p.water ?? 0, 'gal', units)} of water in all.${
        p.shape.rings.length > 0
          ? ` ${p.shape.rings.map((r, i) => `Ring ${i + 1}: ${r.holes} holes, ${shown(r.radius, 'ft', units, 1)} from the middle of the trunk.`).join(' ')}`
          : ''
      }`,
    },
  }),
  'bark-spray': (p, use, units) => ({
    clear: { name: 'Clear', text: 'Clear the base of litter and vines, down to the soil line.' },
    wet: {
      name: 'Wet the band',
      one: 'stem',
      text: `From the soil line to ${shown(p.shape.bandHeight, 'ft', units)}, all round, until just before it runs: ${p.shape.perStem.map((v) => shown(v, 'fl oz', units)).join(', ')}${p.shape.perStem.length > 1 ? `, ${amount(p, units)} in all` : ''}.${use.terms.penetrant ? ` With ${use.terms.penetrant}.` : ''}`,
    },
  }),
  'crown-spray': (p, use, units) => ({
    inside: {
      name: 'Inside',
      text:
        use.terms.kind === 'powder'
          ? 'Stand upwind; dust the inside of the crown first, both faces of the leaf.'
          : 'From within the crown first, both faces of the leaf, to just before it runs.',
    },
    outside: {
      name: 'Outside',
      text: `Then once round outside. ${shown(p.shape.spray, 'gal', units)} of spray in all for this crown, ${amount(p, units)} of product in it.`,
    },
  }),
  feed: (p, use, units) => ({
    holes: {
      name: 'Holes',
      one: 'hole',
      text: `${p.shape.holes} holes out to ${shown(p.shape.reach, 'ft', units, 1)}, ${use.terms.holes ? `${use.terms.holes.depth.low} to ${use.terms.holes.depth.high} deep, ` : ''}${shown(p.product / p.shape.holes, 'lb', units)} in each: ${amount(p, units)} in all.`,
    },
    ring: {
      name: 'Spread',
      text: `${amount(p, units)} in an even ring at the drip line, ${shown(p.shape.reach, 'ft', units, 1)} out; none against the bark.`,
    },
    thrown: {
      name: 'Spread',
      text: `${amount(p, units)}, thrown evenly from the bark out to ${shown(p.shape.reach, 'ft', units, 1)}; sweep it off paving.`,
    },
    'water-in': {
      name: 'Water in',
      text: `Water it in${use.terms.biostimulant ? `, with ${use.terms.biostimulant}` : ''}.`,
    },
  }),
}

/** A task of a plan in words. A task the method does not know, as a later version may, is said by its own name. */
export function sayTask(task: string, plan: SubjectPlan, use: UseOf<Method>, units: UnitSystem): SaidTask {
  if (isHand(plan.method)) {
    const step = plan.steps.find((s) => s.kind === 'task' && s.task === task)
    return handMethod(plan.method).say(task, {
      ...saidOf(plan as PlanOf<HandName>, use as UseOf<HandName>, units),
      times: step?.kind === 'task' ? step.times : 1,
    })
  }
  const tasks = (TASKS[plan.method] as unknown as Say<Method>)(plan, use, units)
  return tasks[task] ?? { name: task, text: '' }
}

/** What a tree gets, in one line of a list. `sayPlan(drench, 'us')` is "2.4 fl oz in 1 gal of water". */
export function sayPlan(plan: SubjectPlan, use: UseOf<Method>, units: UnitSystem): string {
  if (isHand(plan.method))
    return handMethod(plan.method).inOneLine(saidOf(plan as PlanOf<HandName>, use as UseOf<HandName>, units))
  return sayPutOn(plan as PutOnPlan, units)
}

type PutOnPlan = { [M in PutOnMethod]: PlanOf<M> }[PutOnMethod]

function inPorts(
  { product, water, shape: { ports, perPort, stems } }: PlanOf<'trunk-injection'>,
  said: string,
  units: UnitSystem,
): string {
  if (stems) return `${said} in ${ports.length} ports of ${stems.length} stems`
  if (water === null) return `${said} in ${ports.length} ports, ${showMl(perPort)} each`
  return `${said} with ${showBottle(water, units)} of water in ${ports.length} ports, ${showMl((product + water) / ports.length)} each`
}

function sayPutOn(plan: PutOnPlan, units: UnitSystem): string {
  const product = amount(plan, units)
  switch (plan.method) {
    case 'trunk-injection':
      return inPorts(plan, product, units)
    case 'soil-drench':
      return plan.water ? `${product} in ${shown(plan.water, 'gal', units)} of water` : product
    case 'soil-injection':
      return `${product} in ${plan.shape.holes} holes`
    case 'bark-spray':
      return `${product} on ${shown(plan.shape.bandArea, 'ft2', units, 0)} of bark`
    case 'crown-spray':
      return `${product} in ${shown(plan.shape.spray, 'gal', units)} of spray`
    case 'feed':
      return `${product}, nitrogen ${shown(plan.shape.delivered.n, 'lb', units)}`
  }
}

/** What of its method a card's use says of the equipment, for the record. */
export function sayEquipment(use: UseOf<Method>): string {
  if (isHand(use.method)) return handMethod(use.method).kit
  switch (use.method) {
    case 'trunk-injection':
      return use.terms.hardware
    case 'soil-drench':
      return 'poured from a measure'
    case 'soil-injection':
      return 'soil probe'
    case 'bark-spray':
      return 'low-pressure sprayer'
    case 'crown-spray':
      return use.terms.kind === 'powder' ? 'duster' : `sprayer, ${use.terms.kind} spray`
    case 'feed':
      return `${use.terms.analysis}, ${use.terms.release} release`
  }
}

/** The chosen rate in words. `sayRate(0.5)` is "50 % from low to high". */
export function sayRate(choice: number): string {
  if (choice === 0) return 'low'
  return choice === 1 ? 'high' : `${Math.round(choice * 100)} % from low to high`
}
