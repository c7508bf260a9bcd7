import type { PutOnMethod } from './names'
import type { Method, TermsOf } from '../card/card'
import type { Said } from '../card/said'
import type { ProductClass } from '../diagnose/almanac'
import type { UnitSystem } from '../quantity/format'
import type { Length } from '../quantity/units'
import type { Result } from '../problem'
import type { SprayLimits } from '../weather/sprayHours'
import type { PromisedCheck, Repeats } from './facts'
import type { ForecastHour, HourReason } from './hourReasons'
import type { Given, Planned, PlanOf, Question, UseOf } from './plan'
import type { RunningStep } from './running'
import type { SaidTask } from './saidTask'

/** Where what is put on goes: rules of soil, leaf, bark, bees and food ask this, never the name of a method. */
export type Goes = 'into the trunk' | 'into the soil' | 'onto the bark' | 'over the crown' | 'onto the ground'

/** The parts that every method has. */
export interface MethodParts<M extends Method> {
  /** What a person says of each tree beside its reading, before it can be planned. */
  asks: (use: UseOf<M>) => readonly (keyof Given)[]
  plan: (q: Question<M>) => Result<Planned<M>>
  /** Something is put into the ground or drips on it: the card's distance to water holds. */
  onGround: boolean
  /** After how many days it is done again, and how often a year at most; null where the card does not say. */
  repeats: (use: UseOf<M>) => Repeats | null
}

/**
 * A method that puts a product on: one folder of `core/methods`, all its parts in one object, named in `core/methods/putOn`. What is not
 * written of it holds nothing: no limits, no hours, no merit of its own.
 */
export interface PutOn<M extends PutOnMethod> extends MethodParts<M> {
  /** Where its product goes. */
  goes: Goes
  /** How the almanac calls it where it says that it cannot touch a cause. */
  refusedAs: ProductClass
  /** What its card says, line by line, as a label is read. */
  sayTerms: (terms: TermsOf<M>) => Said[]
  /** What is looked at afterwards: at a tree with so much live crown, per cent, that it holds for so many days. */
  checks: (use: UseOf<M>, liveCrown: number, again: number) => PromisedCheck[]
  /** What the crew does, by task; of ports nothing, they are drawn. */
  tasks: (plan: PlanOf<M>, use: UseOf<M>, units: UnitSystem, amount: string) => Record<string, SaidTask>
  /** What a tree gets in one line of a list; `amount` is its product in words. */
  inOneLine: (plan: PlanOf<M>, amount: string, units: UnitSystem) => string
  /** A tree is marked in the colour of the year once it was treated. */
  marks?: true
  /** What the record says of the equipment. */
  equipment: (use: UseOf<M>) => string
  /** The label's range in its own words, with what it is of; null where it gives none. */
  range: (use: UseOf<M>) => { low: string; high: string; of: string } | null
  /** How far it reaches over the ground from the middle of the trunk; null where only trunk or crown is wetted. */
  reach?: (plan: PlanOf<M>) => Length | null
  /** What weather its card or the handbook sets; null for none. */
  limits?: (use: UseOf<M>, actives: readonly { name: string }[]) => SprayLimits | null
  /** What ground, leaves and bark set, hour by hour. */
  hours?: (use: UseOf<M>, hours: readonly ForecastHour[]) => HourReason[][]
  /** What of its card speaks for it or against it among ways that work as well. */
  merit?: (use: UseOf<M>) => { score: number; reasons: string[] }
  /** What went otherwise than planned, where its steps say more than tasks do. */
  deviations?: (plan: PlanOf<M>, steps: readonly RunningStep[]) => string[]
}
