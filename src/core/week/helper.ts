import { DayProgram, type Best } from './dayProgram'
import { dive } from './dive'
import { weekField, type WeekField, type WeekInput } from './field'
import { drawn, Improver, type Plan } from './improve'
import type { BeginProgram } from './program'

/** Days worth trying as they are, with the shifts they can stand on. */
export type Liked = readonly { shifts: readonly number[]; day: readonly number[] }[]

/** Somebody who makes a plan better beside the one who bounds it, on a thread of its own. */
export interface Helper {
  /** The best plan it has found since it was last asked; null where there is none. */
  better: () => Plan | null
  /** A plan to go on from, where there is one, and days worth trying. */
  tell: (plan: Plan | null, liked: Liked) => void
  /** Days to make a whole plan of, within so many seconds, and to go on from. */
  choose: (best: Best, seconds: number) => void
  end: () => void
}

/** What somebody who helps is told. */
export interface Told {
  plan: Plan | null
  /** Null where nothing new is liked. */
  liked: Liked | null
  choose: { best: Best; seconds: number } | null
}

/** How it hears and is heard. */
export interface Line {
  /** What was told since, the newest of each; `end` where it shall stop. */
  heard: () => Told | 'end' | null
  say: (plan: Plan) => void
  clock: () => number
}

/** From bold to careful takes so long, s; then from the beginning, from the best. */
const ROUND = 2.5
/** How much worse is kept, as a part of the cost: at first, where it goes on from a good plan, and at last. */
const [BOLD, CAREFUL, COLD] = [0.002, 0.0006, 0.00005]
const SAY_EVERY = 0.2
/** A whole plan that costs so many times the best leads nowhere. */
const WORSE = 1.03

/** Makes a plan better until it is told to stop or the time is over; says the best as it finds it. */
export function helpWithWeek(
  input: WeekInput,
  start: Plan,
  seconds: number,
  { heard, say, clock }: Line,
  program: BeginProgram,
): void {
  const read = weekField(input)
  if (!read.ok || read.value.jobs === 0 || read.value.shifts.length === 0) return
  const improver = new Improver(read.value, start, drawn(2))
  const end = clock() + seconds
  let began = clock()
  let said = began
  let known = improver.bestCost
  let bold = BOLD
  for (let i = 0; ; i++) {
    if (i % 32 === 0) {
      const now = clock()
      if (now >= end) return
      const news = heard()
      if (news === 'end') return
      if (news) {
        improver.liked = news.liked ?? improver.liked
        if (news.plan) {
          improver.take(news.plan)
          known = Math.min(known, improver.cost)
          began = now
          bold = CAREFUL
        }
        if (news.choose) {
          const chosen = wholePlan(read.value, program, news.choose, improver.bestCost * WORSE, clock)
          if (chosen) {
            improver.take(chosen)
            improver.fill()
            if (improver.cost > improver.bestCost * WORSE) improver.take(improver.best)
          }
          began = clock()
          bold = CAREFUL
          continue
        }
      }
      if (now - began > ROUND) {
        improver.take(improver.best)
        began = now
        bold = bold === BOLD ? CAREFUL : BOLD
      }
      if (now - said > SAY_EVERY && improver.bestCost < known - 1e-6) {
        said = now
        known = improver.bestCost
        say(improver.best)
      }
    }
    const part = Math.min(1, (clock() - began) / ROUND)
    improver.step(improver.bestCost * bold * (COLD / bold) ** part)
  }
}

/** A whole plan out of days, and out of new ones for what is left; null where the program finds none in the time. */
function wholePlan(
  field: WeekField,
  program: BeginProgram,
  { best, seconds }: NonNullable<Told['choose']>,
  most: number,
  clock: () => number,
): Plan | null {
  const end = clock() + seconds
  const days = new DayProgram(field, program)
  try {
    days.knowBest(best)
    return dive(days, () => end - clock(), most)
  } finally {
    days.end()
  }
}
