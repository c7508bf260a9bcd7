import type { Method } from '../card/card'
import { ok, type Result } from '../problem'
import { inOneTank } from './crown-spray/tank'
import type { Planned, Question, UseOf } from './plan'
import { planSubject } from './registry'

/** What shares the tank with another spray: its use, its rate, and how a working names its card. */
export interface Mate {
  use: UseOf<Method>
  /** 0 the label's low rate, 1 its high rate. */
  choice: number
  source: string
}

/**
 * What one tree gets by a use and by all that shares its tank, in that order. Problems are those of each alone, and of the
 * tank.
 *
 * @example planTogether(captan, [{ use: myclobutanil, choice: 0, source: 'card MY3 v1' }]).value.length // 2
 */
export function planTogether(q: Question<Method>, mates: readonly Mate[]): Result<Planned<Method>[]> {
  const first = planSubject(q)
  if (!first.ok) return first
  if (mates.length === 0) return ok([first.value])
  const all = [first.value]
  for (const mate of mates) {
    const planned = planSubject({
      ...q,
      use: mate.use,
      choice: mate.choice,
      sources: { ...q.sources, label: mate.source },
    })
    if (!planned.ok) return planned
    all.push(planned.value)
  }
  return inOneTank(all as Planned<'crown-spray'>[], q.units)
}
