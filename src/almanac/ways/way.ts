import type { HowWell, Way, WayMethod } from '@/core/decide/way'
import { AGAIN } from './again'
import { FIRST } from './first'
import { WHEN } from './when'

type More = Pick<Way, 'kinds' | 'on' | 'first'>

/** One way, in the order it is read: how, what is done, when, how well, how often, and the rest. */
export const w = (
  method: WayMethod,
  what: string,
  when: string,
  well: HowWell,
  again: string,
  more: More = {},
): Way => ({
  method,
  what,
  when,
  time: WHEN[when],
  well,
  again,
  againDays: AGAIN[again],
  ...more,
  ...(more.first !== undefined && { leads: FIRST[more.first] }),
})

export const ENDS = 'ends it'
export const HOLDS = 'holds it down'
export const BEARS = 'helps the tree bear it'
export const GAP = 'a stop-gap'
export const ONCE = 'once'
export const YEARLY = 'each year'
export const BY_LABEL = 'at the label’s interval'
export const BY_CARD = 'after the years the card names'

export const WATER = w(
  'water',
  'Water slowly and deep, with a mulch bed',
  'in every dry spell',
  BEARS,
  'weekly while it is dry',
)
export const SAMPLE = w(
  'sample',
  'Take the sample and wait for the answer',
  'before anything is bought',
  BEARS,
  ONCE,
)
export const ASSESSOR = w(
  'refer',
  'A qualified risk assessor looks; people and targets kept away',
  'at once',
  BEARS,
  ONCE,
)
export const ROOT_CARE = w(
  'trenches',
  'Open the soil, compost and a wide mulch bed',
  'when the soil is moist',
  BEARS,
  ONCE,
)
