import { band } from './band/band'
import type { HandMethod } from './byHand'
import { collar } from './collar/collar'
import { guard } from './guard/guard'
import { hands } from './hands/hands'
import { prune } from './prune/prune'
import { release } from './release/release'
import { repel } from './repel/repel'
import { sample } from './sample/sample'
import { save } from './save/save'
import { trenches } from './trenches/trenches'
import { watch } from './watch/watch'
import { water } from './water/water'

/** Every method without a product, by its name in cards, plans and records. A new one is its folder and a word here. */
export const HAND = {
  collar,
  trenches,
  water,
  prune,
  guard,
  repel,
  band,
  hands,
  release,
  save,
  watch,
  sample,
} as const satisfies Record<string, HandMethod>

export type HandName = keyof typeof HAND

export const HAND_NAMES = Object.keys(HAND) as HandName[]

/** True for a method without a product. `isHand('collar') === true` */
export function isHand(method: string): method is HandName {
  return Object.hasOwn(HAND, method)
}

/** The parts of a method without a product. */
export function handMethod(method: HandName): HandMethod {
  return HAND[method]
}
