import type { Volume } from '../quantity/units'
import type { Line } from './lines'

/** So many days must lie between another step and this one: a collar dries before roots are cut. */
export interface Waits {
  after: string
  days: number
}

/**
 * What is to be done at a tree, as it is signed: a port of an injection, or a task, such as a pour. `product` is what a step
 * puts on, m³ of a liquid or kg of a weighed one; zero where it only prepares or clears up.
 */
export type PlannedStep =
  | {
      kind: 'port'
      bearing: number
      product: Volume
      /** Product and water together, where it is made up with water. */
      mix?: Volume
      /** Which of several stems it is in, from 1; left out on one trunk. */
      stem?: number
    }
  | {
      kind: 'task'
      /** Which of its method's tasks; the method says it in words. */
      task: string
      product: number
      /** How often it is done: holes, loads, rounds; 1 when it is done once. */
      times: number
      /** What is written down when it is done. */
      note?: Line
      waits?: Waits
    }
