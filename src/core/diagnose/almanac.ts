import type { RingMark } from '../ports/marks'
import type { DecisionId } from './decision'

/** The shapes the weighing reads. The almanac fills them; the core knows no entry by name. */

export type Place = 'site' | 'crown' | 'leaf' | 'shoot' | 'trunk' | 'base' | 'soil' | 'fruit' | 'lab'

/** The fixed order in which a tree is walked, so that nothing is skipped. */
export const WALK: readonly Place[] = [
  'site',
  'crown',
  'leaf',
  'shoot',
  'trunk',
  'base',
  'soil',
  'fruit',
  'lab',
]

export interface Finding {
  id: string
  place: Place
  /** How it is looked for: look, rub, scratch, fold, peel, probe, dig, ask … */
  how: string
  /** The name in a list. */
  name: string
  /** What to do and look for, as a question a person can answer on the tree. */
  question: string
  /** Minutes of work. */
  minutes: number
  /** How often it is there on trees where nothing in the almanac makes it. */
  background: number
  /** A test that proves these causes and no other: there lifts only them, not there lowers only them. */
  settles?: readonly string[]
  /** Of a test: how often a negative misses a tree that has it. */
  misses?: number
  /** Of a test: days until the answer is usually there. */
  days?: number
  /** Months (1–12) in which it can be seen; absent in others it says nothing. All year when left out. */
  months?: readonly number[]
  /** The months on kinds that differ, by host. */
  monthsOn?: Readonly<Record<string, readonly number[]>>
  /** The only hosts that can show it. */
  onlyOn?: readonly string[]
  /** Only conifers can show it. */
  conifers?: boolean
  /** Kept for old examinations; never asked again. */
  retired?: boolean
  /** A firm's own. */
  own?: boolean
  /** Said of this tree alone, though it stands among what a site shares. */
  oneTree?: boolean
  /** The mark on the ring that tells it, and what it tells. */
  onRing?: { mark: RingMark['kind']; state: 'there' | 'not-there' }
  /** There, it sends the tree to a qualified risk assessor before anything else, whatever cause leads. */
  unsafe?: boolean
}

export type Frequency = 'always' | 'usual' | 'sometimes' | 'seldom' | 'never'

/** Chance that a finding is there when the cause is. */
export const CHANCE: Record<Frequency, number> = {
  always: 0.95,
  usual: 0.8,
  sometimes: 0.4,
  seldom: 0.12,
  never: 0.01,
}

/** What a kind of tree carries: some signs need leaves to be seen on. */
export type Foliage = 'deciduous' | 'evergreen' | 'conifer'

/** Classes of product; the last four by the way it is put on: over the leaves, on the bark, through the soil, into the trunk. */
export const PRODUCT_CLASSES = [
  'insecticide',
  'miticide',
  'fungicide',
  'bactericide',
  'fertiliser',
  'crown-spray',
  'bark-spray',
  'soil',
  'injection',
] as const
export type ProductClass = (typeof PRODUCT_CLASSES)[number]

/** What a cause calls for. Leaders that call for different ones must be parted before anything is bought. */
export type ActionClass =
  | 'protect-systemic'
  | 'sap-feeder-care'
  | 'sanitation'
  | 'leaf-feeder-care'
  | 'cover-spray'
  | 'barrier'
  | 'pruning'
  | 'water-care'
  | 'root-collar-work'
  | 'laboratory'
  | 'wait'
  | 'none'
  | 'remove-or-plan'

export interface Cause {
  id: string
  name: string
  kind: string
  /** Host ids, or `*` for any. */
  hosts: readonly string[] | '*'
  /** Narrower kinds of them that it leaves alone. */
  notOn?: readonly string[]
  /** What is done between a suspicion that must be reported and the answer. */
  meanwhile?: string
  /** Relative commonness among the causes of a host. */
  prior: number
  /** How many times as common it is on a narrower kind as on the others. */
  oftenerOn?: Readonly<Record<string, number>>
  /** Months (1–12) in which it can be seen. All year when absent. */
  months?: readonly number[]
  findings: Readonly<Record<string, Frequency>>
  /** Where a kind of tree shows it otherwise: frequencies by host, over the common ones. */
  on?: Readonly<Record<string, Readonly<Record<string, Frequency>>>>
  /** The signs and tests that make it certain; without one of them there it is never taken as told. */
  defining?: readonly string[]
  action: ActionClass
  /** What would be bought or done, finer than the action class; the class's own where left out. */
  decision?: DecisionId
  /** A test comes before the work: always, where the district has none of it yet, or before a product but not before care. */
  proof?: 'first' | 'where new' | 'before a product'
  /** Normal or harmless: signed with a date only. */
  harmless?: boolean
  /** Classes that are a labelled practice on a kind of tree, though refused on others. */
  bearsOn?: Readonly<Record<string, readonly ProductClass[]>>
  /** Causes it opens the door for: they are likelier beside it. */
  opens?: readonly string[]
  /** Product classes that cannot touch it, with the reason. */
  refuses: Partial<Record<ProductClass, string>>
  /** Causes it lives on (a film on honeydew) or tends (ants): treating those is the way. */
  livesOn?: readonly string[]
  /** A borer that girdles: above half the crown lost, the wood carries no systemic any more. Of no other kind is that so. */
  girdles?: boolean
  /** Oil is part of what is done, so that trees that do not bear it must be told. */
  oil?: boolean
  /** Must be reported where it is regulated. */
  reportable?: boolean
  oneLine: string
  act: string
  doNot: string
  expect: string
  spread: string
  lookAlikes: readonly { cause: string; check: string }[]
}

/** Where an almanac entry's figures come from. */
export type SourceKind = 'extension service' | 'label style' | 'handbook of the trade' | 'practice'

/** What the trade knows of acting on a cause, beside telling it. */
export interface Practice {
  /** Whether anything works at all. */
  works: 'yes' | 'partly' | 'no' | 'not needed'
  /** Days after the work on which to look, count or measure. */
  lookAgain: readonly number[]
  /** Degree days (base 50 °F from 1 January) between which it begins to be seen or is open to treatment. */
  degreeDays?: readonly [from: number, to: number, what: string]
  safety: string
  source: SourceKind
}

export type FindingState = 'there' | 'not-there' | 'unsure' | 'not-looked'

/** What was seen, by finding id. What is absent here was not looked at. */
export type Seen = Readonly<Record<string, FindingState>>

/** The state of a finding; one that was never set was not looked at. */
export function stateOf(seen: Seen, finding: string): FindingState {
  return seen[finding] ?? 'not-looked'
}
