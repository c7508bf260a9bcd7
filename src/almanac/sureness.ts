/** How sure a figure of the almanac is. */
export type Sureness = 'well known' | 'regional' | 'house guess'

/** A kind of figure the almanac gives, how sure it is, and what it rests on. */
export interface Sure {
  how: Sureness
  why: string
}

/**
 * How sure each kind of figure is that stands on a page of the almanac. None of them is measured here: what a firm finds in its
 * own district takes their place.
 */
export const SURENESS = {
  signs: { how: 'well known', why: 'Which signs belong to it is told alike all over the trade.' },
  often: {
    how: 'house guess',
    why: 'How often each sign is there was estimated for this almanac; set your own where you know better.',
  },
  months: {
    how: 'regional',
    why: 'For the temperate north; in the south six months later, near the coast or high up some weeks apart.',
  },
  degreeDays: {
    how: 'regional',
    why: 'Published sums are starting points; what you see first in your own district moves them.',
  },
  negative: {
    how: 'house guess',
    why: 'How often a negative misses it was estimated; ask the laboratory for its own.',
  },
  answerDays: { how: 'regional', why: 'Usual days; each laboratory says its own.' },
  ways: {
    how: 'well known',
    why: 'What works and what does not is told alike in the trade; the label decides.',
  },
  lookAgain: { how: 'house guess', why: 'Days after which a difference can usually be seen.' },
} as const satisfies Record<string, Sure>
