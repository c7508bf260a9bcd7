import { HAND_NAMES, PUT_ON_METHODS, type PutOnMethod, isHand } from '../methods/names'
import type { Method } from '../card/card'

/** The ways of working of the trade: those that put something on, and the work without a bottle. */
export const WAY_METHODS = [...PUT_ON_METHODS, ...HAND_NAMES, 'refer'] as const
export type WayMethod = (typeof WAY_METHODS)[number]

/** How the leaves of a tree that sheds them stand. */
export const LEAF = ['none', 'swelling', 'out', 'falling'] as const
export type Leaf = (typeof LEAF)[number]

/** When a way may go on at all, as the gate holds it; any of it that is left out closes nothing. */
export interface WayTime {
  /** Days of the north, as a card writes them. */
  window?: string
  /** States of the leaves, of kinds that shed them. */
  leaf?: readonly Leaf[]
  /** Of the tree’s own flowers. */
  bloom?: 'open' | 'not open'
  /** Of what eats: it works on the young only. */
  larvae?: 'small'
  /** It is put on before snow lies. */
  snow?: 'before'
  /** Only once this was done at the tree. */
  after?: Method
  /** Before this is done there. */
  before?: Method
}

/** How well a way works on its cause: it ends it, holds it down, helps the tree bear it, or bridges a year. */
export const HOW_WELL = ['ends it', 'holds it down', 'helps the tree bear it', 'a stop-gap'] as const
export type HowWell = (typeof HOW_WELL)[number]

/** One way of working on a cause. What a label, local law or the tree forbids is held against it when it is chosen. */
export interface Way {
  method: WayMethod
  /** What is done, as a crew would be told. */
  what: string
  /** Kinds of active that work, where something is put on. */
  kinds?: readonly string[]
  /** When in the year or by which sign. */
  when: string
  /** What of that the gate holds; a way of the firm’s own holds nothing. */
  time?: WayTime
  well: HowWell
  /** On which trees, when not on all. */
  on?: string
  /** What must come first. */
  first?: string
  /** The works that meet it, in their order; offered before it in a line. */
  leads?: readonly Method[]
  /** How often. */
  again: string
  /** After how many days it is due again; null where it is done once, or the card alone says it. */
  againDays?: number | null
}

/** True for a method that puts something on. */
export function putsOn(method: WayMethod): method is PutOnMethod {
  return (PUT_ON_METHODS as readonly string[]).includes(method)
}

/** False for what only looks, proves or asks: the tree bears nothing better for it. A crew that takes a nest down acts. */
export function acts({ method, well }: Pick<Way, 'method' | 'well'>): boolean {
  return well !== 'helps the tree bear it' || !['watch', 'sample', 'refer'].includes(method)
}

/** True when a bench carries the method; the others lead to a dated answer. */
export function hasBench(method: WayMethod): method is Method {
  return putsOn(method) || isHand(method)
}

const RANK: Record<HowWell, number> = {
  'ends it': 0,
  'holds it down': 1,
  'helps the tree bear it': 2,
  'a stop-gap': 3,
}

/**
 * The ways of a cause as they are read: by how well they work, and among equals in the order of the almanac.
 * @example inOrder(waysOf('armored-scale'))[0].well // 'ends it'
 */
export function inOrder<W extends Pick<Way, 'well'>>(ways: readonly W[]): W[] {
  return [...ways].sort((a, b) => RANK[a.well] - RANK[b.well])
}
