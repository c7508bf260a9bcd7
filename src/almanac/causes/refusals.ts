import type { ProductClass } from '@/core/diagnose/almanac'

type Refusals = Partial<Record<ProductClass, string>>

/** No spray works, wherever it goes. */
export function noSpray(reason: string): Refusals {
  return { 'crown-spray': reason, 'bark-spray': reason }
}

/** Nothing the tree takes up works, through the soil or the trunk. */
export function noSystemic(reason: string): Refusals {
  return { soil: reason, injection: reason }
}

export const UNDER_BARK = 'The larvae are under the bark; a crown spray does not reach them.'
export const NO_HOLE = 'Larvae that feed outside for a few weeks are not worth a hole or a drench.'
export const ON_LEAF = 'It lives on leaf, shoot or fruit; covers keep it off, and nothing taken up does.'
export const OFFICIAL = 'The authority decides what is done.'
export const INCURABLE = 'Nothing cures it.'

const NO_MITE = 'A miticide is for mites; no mite is at work.'

/** An insect is the cause: products against fungi, bacteria and mites cannot touch it. */
export const NOT_FOR_INSECTS: Refusals = {
  fungicide: 'A fungicide does not reach an insect.',
  bactericide: 'A bactericide does not reach an insect.',
  miticide: NO_MITE,
}

/** A mite is the cause. */
export const NOT_FOR_MITES: Refusals = {
  fungicide: 'A fungicide does not reach a mite.',
  bactericide: 'A bactericide does not reach a mite.',
  insecticide: 'A broad insecticide kills the mites’ enemies and leaves more mites.',
  soil: 'A neonicotinoid in the soil leaves more mites.',
}

/** A fungus is the cause. */
export const NOT_FOR_FUNGI: Refusals = {
  insecticide: 'An insecticide does not reach a fungus.',
  miticide: 'A miticide does not reach a fungus.',
  bactericide: 'An antibiotic does not reach a fungus.',
}

/** A water mould is the cause: only what is labelled for water moulds reaches it. */
export const NOT_FOR_MOULDS: Refusals = {
  insecticide: 'An insecticide does not reach a water mould.',
  miticide: 'A miticide does not reach a water mould.',
  bactericide: 'A bactericide does not reach a water mould.',
}

/** A bacterium is the cause. */
export const NOT_FOR_BACTERIA: Refusals = {
  fungicide: 'A fungicide does not cure a bacterium.',
  insecticide: 'An insecticide does not reach a bacterium.',
  miticide: 'A miticide does not reach a bacterium.',
}

/** Something is short: only what is short helps. */
export const ONLY_NUTRITION: Refusals = {
  insecticide: 'No insect is at work here.',
  miticide: 'No mite is at work here.',
  fungicide: 'No fungus is at work here.',
  bactericide: 'No bacterium is at work here.',
}

/** Nothing alive is the cause: no pesticide of any class can help. */
export const NOTHING_ALIVE: Refusals = {
  ...ONLY_NUTRITION,
  ...noSpray('No spray puts right what the site does to the tree.'),
  ...noSystemic('Nothing taken up puts right what the site does to the tree.'),
}

/** Nothing is wrong. */
export const HEALTHY_REFUSALS: Refusals = {
  ...ONLY_NUTRITION,
  ...noSpray('Nothing is wrong with it.'),
  ...noSystemic('Nothing is wrong with it.'),
  fertiliser: 'Nothing is wrong with it.',
}
