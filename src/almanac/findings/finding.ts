import type { Finding, Place } from '@/core/diagnose/almanac'
import type { RingMark } from '@/core/ports/marks'

type More = Pick<
  Finding,
  'settles' | 'retired' | 'unsafe' | 'oneTree' | 'onRing' | 'months' | 'monthsOn' | 'onlyOn' | 'conifers'
>

/** One finding, in the order it is read: id, place, how, name, question, minutes, and how often trees without a cause show it. */
export const f = (
  id: string,
  place: Place,
  how: string,
  name: string,
  question: string,
  minutes: number,
  background = 0.03,
  more: More = {},
): Finding => ({ id, place, how, name, question, minutes, background, ...more })

export const UNSAFE: More = { unsafe: true }
export const ONE_TREE: More = { oneTree: true }

/** The mark on the ring that tells it. */
export const onRing = (mark: RingMark['kind'], state: 'there' | 'not-there' = 'there'): More => ({
  onRing: { mark, state },
})

/** The months in which it can be seen: absent in others it says nothing. */
export const seen = (...months: number[]): More => ({ months })

/** A sign that only conifers can show. */
export const conifers = (): More => ({ conifers: true })

const SPRING_AND_AUTUMN = [4, 5, 6, 9, 10, 11]

/** Kinds whose mites walk in the cool of spring and autumn; in summer only eggs and damage are there. */
export const COOL_MITE_HOSTS: readonly string[] = [
  'spruce',
  'hemlock',
  'fir',
  'arborvitae',
  'juniper',
  'cypress',
  'douglas-fir',
  'pine',
  'holly',
  'rhododendron',
]

/** When mites are seen on those kinds. */
export const COOL_MITES: NonNullable<Finding['monthsOn']> = Object.fromEntries(
  COOL_MITE_HOSTS.map((host) => [host, SPRING_AND_AUTUMN]),
)
