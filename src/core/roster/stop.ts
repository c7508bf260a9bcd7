import { byTag } from '../text/byTag'
import type { Method } from '../card/card'
import { grouped } from '../grouped'
import type { PlainDate } from '../time/calendar'

/** A tree of a job at which nothing is signed, as far as its day and crew go. */
export interface OpenWork {
  id: string
  jobId: string
  siteId: string
  onDate: PlainDate
  crewId: string | null
  /** Which one of its crew's day. */
  place: number | null
  pinned: boolean
  prescriptionId: string
  treeId: string
  tag: string
  block: string | null
  useId: string
  method: Method
  /** The name of its card. */
  cardName: string
  /** What is put on has a label, and is put on under a licence. */
  licence: boolean
  /** Of work at the tree. */
  minutes: number
  begun: boolean
  /** Its dose must be worked out again before it is begun: another size or kind, a newer card, a new rule. */
  anew: boolean
  /** From which day on what is done again may be; null for a first time. */
  dueFrom: PlainDate | null
  dueTo: PlainDate
}

/** Work that is due again and stands on no day. */
export interface DueWork {
  occurrenceId: string
  siteId: string
  blocks: string[]
  useId: string
  method: Method
  cardName: string
  licence: boolean
  trees: number
  minutes: number
  dueFrom: PlainDate
  dueTo: PlainDate
  /** A newer version of its card is on the shelf. */
  replaced: boolean
}

/** Work at one site that goes together: one day, one crew. */
export interface Stop {
  id: string
  siteId: string
  jobId: string | null
  occurrenceId: string | null
  /** Where it stands; null on no day yet. */
  onDate: PlainDate | null
  crewId: string | null
  place: number | null
  pinned: boolean
  /** Something was done there; it stays where it is. */
  begun: boolean
  /** At so many of its trees the dose must be worked out again first. */
  anew: number
  methods: Method[]
  cards: string[]
  uses: string[]
  block: string | null
  licence: boolean
  trees: number
  minutes: number
  dueFrom: PlainDate | null
  dueTo: PlainDate
  /** Trees of jobs, by their ids there; empty for what stands on no day. */
  subjects: string[]
}

/** Minutes to set out and pack up at a stop, beside those at its trees. House figure. */
export const SET_OUT_MINUTES = 10

/**
 * The work of jobs as stops. What one prescription asks of a job in one block goes together (what shares a tank or a visit, and a line that is done
 * only if something is found); bundles of one job by the same cards in the same block make one stop. What is begun is a stop of its own. A stop longer than
 * `longest` minutes is cut between trees into parts about as long as one another; all that is done at a tree stays together.
 * @example stopsOf(works, { longest: 450 })[0].minutes // 118
 */
export function stopsOf(works: readonly OpenWork[], { longest }: { longest: number }): Stop[] {
  const bundles = grouped(works, (w) => [w.jobId, w.prescriptionId, w.block ?? '', w.begun].join(' '))
  const alike = grouped([...bundles.values()], (own) => {
    const { jobId, block, begun } = own[0]!
    const uses = [...new Set(own.map((w) => w.useId))].sort()
    return [jobId, block ?? '', begun, uses.join()].join(' ')
  })
  return [...alike.values()].flatMap((own) => inParts(own.flat(), longest).map(stopOf))
}

/** Work that is due again as stops on no day. */
export function dueStops(due: readonly DueWork[]): Stop[] {
  return due.map((d) => ({
    id: d.occurrenceId,
    siteId: d.siteId,
    jobId: null,
    occurrenceId: d.occurrenceId,
    onDate: null,
    crewId: null,
    place: null,
    pinned: false,
    begun: false,
    anew: d.replaced ? d.trees : 0,
    methods: [d.method],
    cards: [d.cardName],
    uses: [d.useId],
    block: d.blocks.length === 1 ? d.blocks[0]! : null,
    licence: d.licence,
    trees: d.trees,
    minutes: SET_OUT_MINUTES + d.minutes,
    dueFrom: d.dueFrom,
    dueTo: d.dueTo,
    subjects: [],
  }))
}

/** Work cut between trees into as few parts as fit, each about as long. */
function inParts(works: readonly OpenWork[], longest: number): OpenWork[][] {
  const trees = [...grouped([...works].sort(byTag), (w) => w.treeId).values()].map((own) => ({
    own,
    minutes: own.reduce((sum, w) => sum + w.minutes, 0),
  }))
  const all = trees.reduce((sum, t) => sum + t.minutes, 0)
  const room = Math.max(1, longest - SET_OUT_MINUTES)
  const parts = Math.min(trees.length, Math.max(1, Math.ceil(all / room)))
  const found: OpenWork[][] = []
  let filled = 0
  for (const { own, minutes } of trees) {
    // The middle of a tree says into which part it falls.
    const part = Math.min(parts - 1, Math.floor(((filled + minutes / 2) / all) * parts) || 0)
    ;(found[part] ??= []).push(...own)
    filled += minutes
  }
  return found.filter((p) => p.length > 0)
}

function stopOf(works: readonly OpenWork[]): Stop {
  const first = works[0]!
  const once = <T>(values: readonly T[]) => [...new Set(values)]
  const again = works.flatMap((w) => (w.dueFrom === null ? [] : [w.dueFrom])).sort()
  return {
    // The first of its trees names it: the same trees make the same stop.
    id: works.map((w) => w.id).sort()[0]!,
    siteId: first.siteId,
    jobId: first.jobId,
    occurrenceId: null,
    onDate: first.onDate,
    crewId: first.crewId,
    place: first.place,
    pinned: works.some((w) => w.pinned),
    begun: first.begun,
    anew: once(works.flatMap((w) => (w.anew ? [w.treeId] : []))).length,
    methods: once(works.map((w) => w.method)),
    cards: once(works.map((w) => w.cardName)),
    uses: once(works.map((w) => w.useId)),
    block: first.block,
    licence: works.some((w) => w.licence),
    trees: once(works.map((w) => w.treeId)).length,
    minutes: SET_OUT_MINUTES + works.reduce((sum, w) => sum + w.minutes, 0),
    dueFrom: again.at(-1) ?? null,
    dueTo: works.map((w) => w.dueTo).sort()[0]!,
    subjects: works.map((w) => w.id),
  }
}
