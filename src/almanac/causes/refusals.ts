import type { ProductClass } from '@/core/diagnose/almanac'

type Refusals = Partial<Record<ProductClass, string>>

/** No spray works, wherever it goes. */
export function noSpray(reason: string): Refusals {
  return { 'crown-spray': reason, 'bark-spray': reason }
}

/** An insect or mite is the cause: products against fungi and bacteria cannot touch it. */
export const NOT_FOR_INSECTS: Refusals = {
  fungicide: 'A fungicide does not reach an insect.',
  bactericide: 'A bactericide does not reach an insect.',
}

/** A fungus is the cause. */
export const NOT_FOR_FUNGI: Refusals = {
  insecticide: 'An insecticide does not reach a fungus.',
  miticide: 'A miticide does not reach a fungus.',
  bactericide: 'A bactericide does not reach a fungus.',
}

/** A bacterium is the cause. */
export const NOT_FOR_BACTERIA: Refusals = {
  fungicide: 'A fungicide does not cure a bacterium.',
  insecticide: 'An insecticide does not reach a bacterium.',
  miticide: 'A miticide does not reach a bacterium.',
}

/** Nothing alive is the cause: no pesticide of any class can help. */
export const NOTHING_ALIVE: Refusals = {
  insecticide: 'No insect is at work here.',
  miticide: 'No mite is at work here.',
  fungicide: 'No fungus is at work here.',
  bactericide: 'No bacterium is at work here.',
  ...noSpray('No spray puts right what the site does to the tree.'),
}
