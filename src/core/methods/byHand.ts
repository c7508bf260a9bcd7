import type { DayFacts, PromisedCheck, Repeats, TreeFacts } from './facts'
import type { Result } from '../problem'
import type { UnitSystem } from '../quantity/format'
import type { Volume } from '../quantity/units'
import type { Working } from '../working/working'
import type { ForecastHour, HourReason } from './hourReasons'
import type { Line, Values } from './lines'
import type { SaidTask } from './saidTask'
import type { Waits } from './step'

/** One step of work by hand as its method plans it. */
export interface HandStep {
  task: string
  /** How often it is done at this tree: cuts, spokes, rounds. */
  times: number
  /** What is written down when it is done. */
  note?: Line
  waits?: Waits
}

/** What work by hand comes to at one tree. */
export interface HandWork {
  /** Of work at the tree; a house figure. */
  minutes: number
  water: Volume | null
  /** What its words and its drawing need, SI. */
  shape: Values
  steps: HandStep[]
  working: Working
}

/** What work by hand is planned from. */
export interface HandQuestion {
  tree: TreeFacts
  day: DayFacts
  /** Of the house card. */
  terms: Values
  /** Of this tree. */
  given: Values
  units: UnitSystem
}

/** What a house card holds, as it was written. */
export type HandTerms = Readonly<Record<string, string | number>>

/** What its words are made from. */
export interface HandSaid {
  terms: Values
  shape: Values
  times: number
  units: UnitSystem
}

/** What a method's own gate looks at. */
export interface HandFacts {
  terms: Values
  host: string
  /** The day of the work. */
  on: string
}

/**
 * Work without a product: one folder of `core/methods`, all its parts in one object, named in `core/methods/hand`. Its card is a
 * house card; the bench, the crew's page, the record and the checks are made from these parts.
 */
export interface HandMethod {
  /** What the house sets on its card. */
  terms: readonly Line[]
  /** What is asked of each tree beside its reading. */
  asks: readonly Line[]
  /** It may be done whatever the cause: it changes nothing at the tree. */
  anyCause?: true
  /** Findings that it answers whatever the cause: hard soil is opened, a buried flare bared. */
  answers?: readonly string[]
  /** What it opens: the soil over roots, or living wood by a cut. */
  opens?: 'soil' | 'wood'
  /** It is part of taking a tree away, and may be signed where that was decided. */
  whenRemoved?: true
  /** What is brought along beside the gear. */
  kit: string
  /** How much of it the trees of a day take, by the shapes of their plans; by the tree where it is not counted. */
  brought?: (shapes: readonly Values[], units: UnitSystem) => string
  plan: (q: HandQuestion) => Result<HandWork>
  /** A step in words, with this tree's own numbers: its name on the button, and what to do. */
  say: (task: string, said: HandSaid) => SaidTask
  /** All of it in one line of a list. */
  inOneLine: (said: Omit<HandSaid, 'times'>) => string
  /** After how many days it is done again; none where it is done once. */
  repeats?: (terms: Values) => Repeats | null
  /** What is looked at afterwards. */
  /** `shape` of what was planned; none while it is not. */
  checks: (terms: Values, shape?: Values) => PromisedCheck[]
  /** What weather, ground and bark set, hour by hour. */
  hours?: (terms: HandTerms, hours: readonly ForecastHour[]) => HourReason[][]
  /** For so many days before and after it nothing may be sprayed. */
  sprayDays?: (terms: Values) => number
  /** What of its own stands against it. */
  gate?: (f: HandFacts) => { why: string; wayOut: string }[]
  /** Why the tree goes back to the arborist after what was noted at its steps, by task, beside what was planned; null when nothing does. */
  leads?: (noted: Readonly<Record<string, string>>, shape: Values) => string | null
}
