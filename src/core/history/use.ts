import { activeKey, activeOf, type ActsOn } from '../actives/actives'
import type { Method } from '../card/card'
import type { PlainDate } from '../time/calendar'

/** Where a use stands: done and recorded, with the crew or on a day, signed at this moment, or promised for days of which none is chosen. */
export type UseState = 'done' | 'on a day' | 'in this signature' | 'promised'

/** What a use keeps from others, by its own card: it holds whichever of the two comes first. */
export interface Keeps {
  leastDays?: number
  apart?: readonly { active: string; days: number }[]
  /** So many days before and after it nothing is sprayed: what was set free dies of it. */
  sprayDays?: number
}

/** An active as history knows it: its one key beside the words of the label. */
export interface UsedActive {
  key: string
  name: string
  group: string
}

/** One time something was, is or will be put on a tree or done at it. Calendar dates. */
export interface Use {
  /** Of the work at the tree, where it stands on a day; null where it stands on none. */
  workId: string | null
  /** The prescription it was signed in; null where it is none of ours, or not signed yet. */
  signedIn: string | null
  on: PlainDate
  /** Of what is promised, the last of its days; `on` is the first. */
  to?: PlainDate
  /** Of what is promised, which occurrence it is. */
  occurrenceId?: string
  state: UseState
  cause: string
  method: Method
  /** Of its card; null where it is none of ours. */
  code: string | null
  name: string
  /** All of the product; none of work by hand. */
  actives: readonly UsedActive[]
  /** What its product is against; rotation is asked within one kind. */
  kind: string | null
  /** Record or plan, as it is said: `record 14`. */
  from: string
  /** m³ or kg. */
  amount: number
  /** It got all that its label asks for. */
  treated: boolean
  /** A check said that it does not work. */
  failed: boolean
  /** For so many days from `on` it works on its cause; 0 where it works only while it is put on. */
  lastsDays: number
  /** It was sprayed: what is set free afterwards may die of it. */
  sprayed: boolean
  /** It only feeds the tree: it takes the place of nothing that works on a cause. */
  feeds: boolean
  keeps: Keeps
}

/** The actives of a product by their keys. A group the label names comes before that of the list. */
export function usedActives(actives: readonly { name: string; group?: string }[]): UsedActive[] {
  return actives.map(({ name, group }) => ({
    key: activeKey(name),
    name,
    group: group ?? activeOf(name)?.group ?? '',
  }))
}

/** What a product is against, by the first of its actives that is known; null where none is. */
export function actsOn(actives: readonly { name: string; group?: string }[]): ActsOn | null {
  if (feedsOnly(actives)) return 'feed'
  for (const { name } of actives) {
    const known = activeOf(name)
    if (known) return known.actsOn
  }
  return null
}

/** True for a product that only feeds. `feedsOnly([{ group: 'feed' }]) === true` */
export function feedsOnly(actives: readonly { group?: string }[]): boolean {
  return actives.length > 0 && actives.every((a) => a.group === 'feed')
}
