import { isOf } from '../kind/kind'
import { refuse, type Result } from '../problem'

/** The rule, as it is said wherever a tree bears food. */
export const FOOD_RULE =
  'It bears food: nothing systemic goes into trunk or soil, and no antibiotic is injected, without a label that names this crop and its days to harvest.'

export interface FoodQuestion {
  /** The kind of tree, by its id. */
  host: string
  /** People eat of this kind of tree. */
  edible: boolean
  /** What of it, or beneath it, may be eaten; asked before anything systemic goes in. */
  askFood?: string
  /** The answer to that: true when it is eaten. */
  eaten: boolean | null
  /** Crops the label names for this way of putting it on. */
  foodCrops?: readonly string[]
  /** The label forbids it on food outright. */
  forbiddenOnFood: boolean
}

/**
 * Whether a systemic may go into a tree that people may eat of, whatever the cause: only by a label that names the crop.
 * Problems: `missing` (field `eaten`) while it has not been asked on kinds of which some people eat; `not-allowed` (field
 * `useId`) on food without such a label. Null when nothing stands against it.
 * Source: handbook, food crops.
 *
 * @example refusedOnFood({ host: 'apple', edible: true, eaten: null, forbiddenOnFood: true }) // not-allowed
 */
export function refusedOnFood(q: FoodQuestion): Result<never> | null {
  if (!q.edible && q.askFood && q.eaten === null)
    return refuse('missing', 'eaten', `Ask first, and answer here: ${q.askFood}`)
  if (!q.edible && q.eaten !== true) return null
  if (!q.forbiddenOnFood && isOf(q.foodCrops ?? [], q.host)) return null
  return refuse('not-allowed', 'useId', `${FOOD_RULE} This card names no such crop.`)
}
