import type { CardUse, PutOnMethod } from '../card/card'
import type { Soil, Wood } from '../dose/uptake'
import type { RingMark } from '../ports/marks'
import type { UnitSystem } from '../quantity/format'
import type { Length, Mass, Temperature, Volume } from '../quantity/units'
import type { CrownDensity, CrownShape } from '../spray/crown'
import type { StemInput } from '../trunk/trunk'
import type { Working } from '../working/working'
import type { PlannedStep } from './step'

/** A use of a card by one method. */
export type UseOf<M extends PutOnMethod> = Extract<CardUse, { method: M }>

/** What is known of a tree when a dose is worked out for it. Lengths in metres. */
export interface TreeFacts {
  host: string
  wood: Wood
  /** As the tape read them. */
  stems: StemInput[]
  /** Of one round stem of the same wood area. */
  diameter: Length
  marks: readonly RingMark[]
  /** Of recorded injections; calendar dates. */
  holes: readonly { bearing: number; drilledOn: string; keep?: Length }[]
}

/** The day the work is for. The dose does not rest on soil and warmth, how long it takes does. */
export interface DayFacts {
  /** A calendar date. */
  on: string
  soil: Soil
  temperature: Temperature
}

/** What a person must say of a tree beside its reading; a method asks for some of it. */
export interface Given {
  /** Girth where ports go. */
  portGirth?: Length
  /** Of ports, as they were moved; the best there are when not given. */
  bearings?: readonly number[]
  crown?: { shape: CrownShape; density: CrownDensity; height: Length; width: Length }
  /** How far out from the middle of the trunk the ground is fed or injected. */
  reach?: Length
  /** Paved or roofed share of that ground, 0–100. */
  hardscapePercent?: number
}

/** The question a plan answers for one tree. */
export interface Question<M extends PutOnMethod> {
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

/** What a method draws and the crew needs beside amounts; one shape a method. */
export interface Shapes {
  'trunk-injection': {
    portGirth: Length
    perPort: Volume
    /** Seconds. */
    uptake: { from: number; to: number }
    ports: { bearing: number; suitability: number; moved: boolean }[]
    largestGap: Length
  }
  'soil-drench': { basin: { from: Length; to: Length } }
  'soil-injection': {
    holes: number
    /** Product and water together. */
    mixPerHole: Volume
    rings: { radius: Length; holes: number }[]
    /** Of a grid: its square and how far it reaches. */
    grid: { spacing: Length; reach: Length } | null
    depth: { from: Length; to: Length }
  }
  'bark-spray': { bandHeight: Length; perStem: Volume[]; bandArea: number }
  'crown-spray': { spray: Volume; height: Length; width: Length }
  feed: {
    put: 'ring' | 'thrown' | 'deep'
    area: number
    reach: Length
    delivered: { n: Mass; p2o5: Mass; k2o: Mass }
    holes: number
  }
}

/** What one tree gets by one method, as it is signed. SI. */
export interface PlanOf<M extends PutOnMethod> {
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
export type SubjectPlan = { [M in PutOnMethod]: PlanOf<M> }[PutOnMethod]

/** A plan with its working; the working is kept beside it. */
export interface Planned<M extends PutOnMethod> {
  plan: PlanOf<M>
  working: Working
}
