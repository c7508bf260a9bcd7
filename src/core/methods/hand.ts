import { bag } from './bag/bag'
import { band } from './band/band'
import { barrier } from './barrier/barrier'
import type { HandMethod } from './byHand'
import { collar } from './collar/collar'
import { fell } from './fell/fell'
import { fence } from './fence/fence'
import { guard } from './guard/guard'
import { hands } from './hands/hands'
import { isHand, type HandName } from './names'
import { prune } from './prune/prune'
import { release } from './release/release'
import { repel } from './repel/repel'
import { sample } from './sample/sample'
import { save } from './save/save'
import { shelter } from './shelter/shelter'
import { trenches } from './trenches/trenches'
import { watch } from './watch/watch'
import { water } from './water/water'
import { wood } from './wood/wood'

/** Every method without a product, by its name in cards, plans and records. A new one is its folder, a word here and its name in `names`. */
export const HAND = {
  collar,
  trenches,
  water,
  prune,
  guard,
  fence,
  shelter,
  bag,
  repel,
  band,
  hands,
  release,
  save,
  watch,
  sample,
  barrier,
  fell,
  wood,
} as const satisfies Record<HandName, HandMethod>

/** The parts of a method without a product. */
export function handMethod(method: HandName): HandMethod {
  return HAND[method]
}

/** True for a method that answers something that was found, whatever the cause. `answersFinding('trenches', ['soil-hard'])` */
export function answersFinding(method: string, there: readonly string[]): boolean {
  return isHand(method) && (handMethod(method).answers ?? []).some((f) => there.includes(f))
}
