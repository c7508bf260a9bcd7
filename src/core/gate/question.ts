import type { CardUse, Method } from '../card/card'
import type { Treatable } from '../decide/treatable'
import type { Leaf, Way } from '../decide/way'
import type { Foliage, ProductClass } from '../diagnose/almanac'
import type { Keeps, Use, UsedActive } from '../history/use'
import type { Problem } from '../problem'
import type { UnitSystem } from '../quantity/format'
import type { Length } from '../quantity/units'
import type { TooNear } from '../rules/keptClear'
import type { StandingRule } from '../rules/localRule'
import type { InWindow } from '../season/cardWindow'
import type { PlainDate } from '../time/calendar'
import type { Yearly } from '../time/yearly'

/** The rules of the gate, by the names they are told by. */
export const RULES = [
  'safety',
  'kind',
  'cause',
  'label',
  'season',
  'order',
  'leaf',
  'bees',
  'food',
  'local rule',
  'water',
  'soil',
  'weather',
  'crown',
  'count',
  'interval',
  'apart',
  'rotation',
] as const
export type RuleName = (typeof RULES)[number]

/** When bees find flowers on a kind, at the earliest and at the latest anywhere: month and day of the north. */
export interface Bloom {
  from: string
  to: string
  /** It flowers in spring: what is put into the soil after summer reaches the next nectar. */
  spring: boolean
}

/** What of a kind of tree bears on what may be done to it. */
export interface HostFacts {
  id: string
  name: string
  foliage: Foliage
  edible: boolean
  /** What of it, or beneath it, may be eaten, where that must be asked. */
  askFood?: string
  /** Why no neonicotinoid goes on it, by any way and in any season. */
  noNeonicotinoid?: string
  /** Only of kinds that bees visit. */
  bloom?: Bloom
  /** What it does not bear: an active by its key, and why; `ask` where only some sorts of it do not. */
  notBorne?: readonly { active: string; why: string; ask?: boolean }[]
  /** When it is not cut. */
  uncut?: Uncut
}

/** A stretch in which a kind is not cut, and why. */
export interface Uncut {
  /** Days of the north. */
  stretch: Yearly
  /** The same by the warmth of the year, where that is known. */
  warmth?: string
  why: string
  /** Causes for which it is cut all the same. */
  not?: readonly string[]
  /** Only for these causes. */
  only?: readonly string[]
}

/** What of a cause bears on what may be done against it. */
export interface CauseFacts {
  id: string
  name: string
  /** Classes that cannot touch it, with the reason. */
  refuses: Partial<Record<ProductClass, string>>
  /** Classes that are a labelled practice on this kind of tree all the same. */
  bears: readonly ProductClass[]
  treatable: Treatable
  /** What the almanac and the firm know of working on it; none where nobody has said. */
  ways: readonly Way[]
  /** It is known from this kind of tree. */
  onKind: boolean
}

/** What somebody has seen or said of tree, ground and day. What is not given is asked where it matters. */
export interface Facts {
  /** Of kinds that shed their leaves. */
  leaf?: Leaf
  soil?: 'moist' | 'dry' | 'saturated' | 'frozen'
  bark?: 'dry' | 'wet'
  bloom?: 'before' | 'open' | 'over'
  /** Per cent. */
  crownLost?: number
  drought?: boolean
  larvae?: 'small' | 'large'
  /** A tree of the same kind stands so near that their roots may be joined. */
  joined?: boolean
  /** People eat of it. */
  eaten?: boolean
  /** The nearest water or well; null where there is none. */
  water?: { distance: Length; what: string } | null
  /** What of the plan is nearer than the distance that is kept from it; null while nobody has said where the tree stands. */
  near?: readonly TooNear[] | null
  snow?: boolean
  /** Findings that are there, by their ids. */
  there?: readonly string[]
  /** Named signs of danger that are there. */
  unsafe?: readonly string[]
  /** It has a look-alike and nobody has said which it is. */
  kindOpen?: boolean
  /** The day on which picking begins. */
  harvestOn?: PlainDate
}

/** What a card asks. */
export interface CardFacts {
  namesHost: boolean
  /** It names this kind among those it leaves out. */
  leavesOut?: boolean
  namesCause: boolean
  /** The line of the card to which this kind and cause fall, where it is one before this. */
  lineBefore?: number
  timesPerYear?: number
  waterSetback?: Length
  forbiddenOnFood: boolean
  foodCrops?: CardUse['foodCrops']
  neverInBloom?: boolean
  /** Its own days, in its words, and how the day lies to them. */
  window?: { text: string; is: InWindow }
  /** Of a feed. */
  release?: 'slow' | 'quick'
}

/** The product that is to go on. */
export interface ProductFacts {
  code: string | null
  name: string
  actives: readonly UsedActive[]
  kind: string | null
  feeds: boolean
}

/** Everything the gate looks at: may this work go on at this tree on this day? */
export interface Question {
  /** The day of the work. */
  on: PlainDate
  today: PlainDate
  units: UnitSystem
  /** It is asked as the work is begun: what is only planned is not done yet. */
  begins?: boolean
  /** South of the equator, where the seasons of the almanac lie half a year off. */
  south: boolean
  host: HostFacts
  cause: CauseFacts
  method: Method
  /** Null for work without a product, and where none is named yet. */
  product: ProductFacts | null
  /** Null where no card is asked. */
  card: CardFacts | null
  keeps: Keeps
  facts: Facts
  history: readonly Use[]
  /** After so many days this way with this active is due again for the cause; null where it is done once or nobody says. */
  again: number | null
  /** It reaches the ground. */
  onGround: boolean
  /** The rules of the place. */
  rules: readonly StandingRule[]
  /** How the day lies to days and warmth of the almanac, at this place. */
  inWindow: (window: string) => InWindow
  /** What a method without a product says itself. */
  own: readonly { why: string; wayOut: string }[]
}

/** Why work may not go on, by which rule, and what would open it. */
export interface Refusal {
  rule: RuleName
  code: Problem['code']
  field: string
  why: string
  wayOut: string
  /** The first day on which this rule no longer closes it; null where a day alone opens nothing. */
  until: PlainDate | null
  /** The work that comes first; a step before this in the same signature opens it. */
  after?: Method
}

/** What must be looked at or said before it is known whether work may go on. */
export interface Ask {
  field: string
  message: string
}

export type Found = { refusal: Refusal } | { ask: Ask }

/** A rule of the gate: one file, one name, one question. */
export interface Rule {
  name: RuleName
  /** In a sentence, as a list of the rules says it. */
  words: string
  look: (q: Question) => readonly Found[]
}

/** A refusal of a rule; `not-allowed` at the card unless said otherwise. */
export function closed(
  rule: RuleName,
  why: string,
  wayOut = '',
  more: Partial<Pick<Refusal, 'field' | 'code' | 'until' | 'after'>> = {},
): Found {
  return {
    refusal: { rule, code: 'not-allowed', field: 'useId', why, wayOut, until: null, ...more },
  }
}

/** Something to ask, by the field that would answer it. */
export function asked(field: keyof Facts | 'beneath' | 'sort', message: string): Found {
  return { ask: { field, message } }
}
