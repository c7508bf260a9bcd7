import type { HandName, PutOnMethod } from './names'
import type { DayFacts, TreeFacts } from './facts'
import type { CardUse, Method } from '../card/card'
import type { UnitSystem } from '../quantity/format'
import type { Length, Mass, Volume } from '../quantity/units'
import type { CrownDensity, CrownShape } from '../spray/crown'
import type { Working } from '../working/working'
import type { Values } from './lines'
import type { PutOnShape } from './schemas'
import type { PlannedStep } from './step'

/** A use of a card by one method. */
export type UseOf<M extends Method> = Extract<CardUse, { method: M }>

/** What a person must say of a tree beside its reading; a method asks for some of it. */
export interface Given {
  /** Girth where ports go. */
  portGirth?: Length
  /** The same of each of several stems. */
  portGirths?: readonly Length[]
  /** Of ports, as they were moved; the best there are when not given. */
  bearings?: readonly number[]
  crown?: { shape: CrownShape; density: CrownDensity; height: Length; width: Length }
  /** The crown is that of another tree of its block, taken for this one too. */
  crownOf?: 'block'
  /** How far out from the middle of the trunk the ground is fed or injected. */
  reach?: Length
  /** Paved or roofed share of that ground, 0–100. */
  hardscapePercent?: number
  /** On the lines of a method without a product, as it was typed. */
  hand?: Readonly<Record<string, string>>
}

/** The question a plan answers for one tree. */
export interface Question<M extends Method> {
  use: UseOf<M>
  tree: TreeFacts
  day: DayFacts
  /** 0 the label's low rate, 1 its high rate. */
  choice: number
  given: Given
  units: UnitSystem
  /** How the working names the reading, the card and the weather. */
  sources: { reading: string; label: string; weather: string }
}

/** What a method draws and the crew needs beside amounts; one shape a method, of work by hand its named figures. */
export type Shapes = { [M in PutOnMethod]: PutOnShape<M> } & Record<HandName, Values>

/** What one tree gets by one method, as it is signed. SI. */
export interface PlanOf<M extends Method> {
  method: M
  choice: number
  diameter: Length
  /** m³ of a liquid, kg of a weighed product. */
  product: number
  kind: 'liquid' | 'weight'
  /** Less than this is less than the label asks for; more than `most` inside one interval is more than it allows. */
  least: number
  most: number
  /** Beside the product; null where none is. */
  water: Volume | null
  /** Of the first active; null where the label gives no strength. */
  active: Mass | null
  /** Of work at the tree, minutes; a house figure. */
  minutes: number
  steps: PlannedStep[]
  shape: Shapes[M]
}

/** A plan by any method, told by its `method`. */
export type SubjectPlan = { [M in Method]: PlanOf<M> }[Method]

/** A plan with its working; the working is kept beside it. */
export interface Planned<M extends Method> {
  plan: PlanOf<M>
  working: Working
}
