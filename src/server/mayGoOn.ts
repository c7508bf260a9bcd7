import { isHand } from '@/core/methods/names'
import { UNKNOWN_KIND } from '@/almanac/unknownKind'
import { isByPorts } from '@/core/methods/trunk-injection/isByPorts'
import { isFed } from '@/core/methods/feed/isFed'
import { causeFacts, hostFacts } from '@/almanac/gateFacts'
import { host as hostOf } from '@/almanac/hosts'
import type { OwnEntry } from '@/almanac/ownEntry'
import type { Method } from '@/core/card/card'
import { lineBefore } from '@/core/card/line'
import { leavesOut, namesHost } from '@/core/card/namesHost'
import type { Way as KnownWay } from '@/core/decide/way'
import { almanacWindow, bloomByCalendar, leafByCalendar } from '@/core/gate/calendar'
import { gate, type Answer } from '@/core/gate/gate'
import { LOOKED_AT, type LookedAt, type Seen } from '@/core/gate/looks'
import type { CardFacts, Facts, HostFacts, Question, Refusal } from '@/core/gate/question'
import { dueAgain } from '@/core/history/dueAgain'
import { feedsOnly, type Use } from '@/core/history/use'
import { answersFinding, handMethod } from '@/core/methods/hand'
import { handTerms } from '@/core/methods/handTerms'
import type { UseOf } from '@/core/methods/plan'
import { methodOf } from '@/core/methods/registry'
import { readQuantity } from '@/core/quantity/parse'
import type { InWindow } from '@/core/season/cardWindow'
import type { UseRow } from '@/db/queries/card'
import { keepsOf, productOf, retreatOf } from './historyOf'
import { screenedDanger, signsOfDanger } from './seen'
import type { TreeAtHand } from './treesAtHand'

/** The almanac names the method of a use among the ways. */
const inAlmanac = ({ method }: UseOf<Method>, ways: readonly KnownWay[]) =>
  ways.some((w) => w.method === method)

/** True for a use that names a cause, or leaves it to the almanac, which does; what changes nothing at a tree is for every cause. */
function namesCause(use: UseOf<Method>, cause: string, named: boolean): boolean {
  if (use.targets.length > 0) return use.targets.includes(cause)
  return isHand(use.method) && (named || handMethod(use.method).anyCause === true)
}

/** What was found at a tree and is there, by its findings. */
export const foundAt = ({ decided }: Pick<TreeAtHand, 'decided'>): string[] =>
  Object.entries(decided?.seen ?? {}).flatMap(([finding, state]) => (state === 'there' ? [finding] : []))

/** True for a use that is for the cause of a tree, or answers what was found at it. */
export const isFor = (hand: TreeAtHand, use: UseOf<Method>): boolean =>
  namesCause(use, hand.cause?.id ?? '', inAlmanac(use, hand.cause?.ways ?? [])) ||
  answersFinding(use.method, foundAt(hand))

/** True for feed capsules: they go into a tree beside what is against its cause, and are against none themselves. */
export const goesBeside = ({ use, product }: UseRow): boolean => isByPorts(use) && feedsOnly(product.actives)

/** How a day lies to the window of a use, at a tree. */
export const cardWindow = (hand: TreeAtHand, use: UseOf<Method>, on: string): InWindow =>
  use.window === undefined || !hand.season
    ? { is: 'open' }
    : hand.season.inWindow(hand.tree.host, use.window, on)

/** What is asked beside the tree itself. */
export interface Asked {
  on: string
  /** It is asked as the work is begun. */
  begins?: boolean
  units: 'us' | 'metric'
  /** Who eats of it, where that was answered. */
  eaten?: boolean | null
  harvestOn?: string | null
  /** What somebody sees at the tree now: it comes before what the calendar says. */
  seen?: Seen
}

/** What is asked of the gate: a use of a card at a tree on a day. */
export function questionOf(hand: TreeAtHand, row: UseRow, q: Asked): Question {
  const { use, product } = row
  const cause = hand.cause ?? {
    id: '',
    name: '',
    refuses: {},
    bears: [],
    treatable: NOTHING,
    ways: [],
    onKind: true,
  }
  const method = methodOf(use)
  return {
    on: q.on,
    today: hand.today,
    ...(q.begins && { begins: true }),
    units: q.units,
    south: hand.south,
    host: hand.host,
    cause,
    method: use.method,
    product: productOf(use, product),
    card: cardFacts(hand, row, q.on),
    keeps: keepsOf(use),
    facts: factsOf(hand, q),
    history: hand.history,
    again: dueAgain(use, retreatOf(cause, row)),
    onGround: method.onGround,
    rules: hand.rules,
    inWindow: (window) => almanacWindow(window, q.on, hand.south, hand.season?.years(hand.tree.host) ?? []),
    own: ownSays(hand, use, q.on),
  }
}

const NOTHING = { kind: 'seldom kills', good: 50, none: 100 } as const

function cardFacts(hand: TreeAtHand, row: UseRow, on: string): CardFacts {
  const { use } = row
  const setback =
    use.waterSetback === undefined ? null : readQuantity(use.waterSetback, 'length', 'waterSetback')
  return {
    namesHost: namesHost(use, hand.tree.host),
    ...(leavesOut(use, hand.tree.host) && { leavesOut: true }),
    namesCause: isFor(hand, use) || goesBeside(row),
    ...lineFor(hand, row),
    timesPerYear: use.limits?.timesPerYear,
    ...(setback?.ok && { waterSetback: setback.value.si }),
    forbiddenOnFood: use.forbiddenOnFood,
    foodCrops: use.foodCrops,
    neverInBloom: use.neverInBloom,
    ...(use.window !== undefined && { window: { text: use.window, is: cardWindow(hand, use, on) } }),
    ...(isFed(use) && { release: use.terms.release }),
  }
}

/** The line of the card that comes before this one for a tree. */
function lineFor(hand: TreeAtHand, { card }: UseRow): Pick<CardFacts, 'lineBefore'> {
  const before = card && lineBefore(card, { host: hand.tree.host, cause: hand.cause?.id ?? '' })
  return before ? { lineBefore: before } : {}
}

/** What is known of tree, ground and day: what was found, what the calendar says for certain, and what somebody sees now. */
function factsOf(hand: TreeAtHand, q: Asked): Facts {
  const seen = hand.decided?.seen ?? {}
  const there = (finding: string) => seen[finding] === 'there'
  const dry = there('soil-dry') || there('leaf-fold-crisp')
  const live = hand.tree.liveCrownPercent
  return {
    ...byCalendar(hand.host, q.on, hand.south),
    // What was found at the examination stands until somebody looks again.
    ...(there('soil-wet') ? { soil: 'saturated' as const } : dry ? { soil: 'dry' as const } : {}),
    ...(live !== null && { crownLost: 100 - live }),
    ...(q.eaten !== undefined && q.eaten !== null && { eaten: q.eaten }),
    ...(q.harvestOn !== undefined && q.harvestOn !== null && { harvestOn: q.harvestOn }),
    ...(hand.water !== undefined && { water: hand.water }),
    near: hand.near,
    ...(hand.joined !== null && { joined: hand.joined }),
    there: foundAt(hand),
    unsafe: [...signsOfDanger(seen), ...screenedDanger(hand.screen)],
    kindOpen:
      !hand.tree.identityConfirmedAt &&
      (hand.tree.host === UNKNOWN_KIND || hostOf(hand.tree.host)?.confusedWith !== undefined),
    ...q.seen,
  }
}

/** What a method without a product says against it itself. */
function ownSays(hand: TreeAtHand, use: UseOf<Method>, on: string): Question['own'] {
  if (!isHand(use.method)) return []
  const method = handMethod(use.method)
  const terms = handTerms(method, use.terms)
  return (terms.ok && method.gate?.({ terms: terms.value, host: hand.tree.host, on })) || []
}

/** May a use of a card go on a tree on a day? All that closes it, and what must be asked. */
export function gateOf(hand: TreeAtHand, row: UseRow, q: Asked): Answer {
  const answer = gate(questionOf(hand, row, q))
  return { ...answer, asks: answer.asks.map((a) => ({ ...a, message: onPlan(hand, a.field) ?? a.message })) }
}

/** What only the plan of the site answers, and where it is answered. */
function onPlan({ tree }: TreeAtHand, field: string): string | null {
  if (field !== 'water' && field !== 'near') return null
  return tree.placed
    ? `Nobody has said where water and wells lie at ${tree.siteName}. Draw them on its plan, or say there that there is none.`
    : `${tree.tag} is not on the plan of ${tree.siteName}, and distances are kept there. Put it where it stands first.`
}

/** Why work that was signed may not be done at a tree on another day, or undefined; who eats of it was answered when it was signed. */
export function closedOn(
  hand: TreeAtHand,
  row: UseRow,
  q: Pick<Asked, 'on' | 'harvestOn' | 'units' | 'seen'>,
): Refusal | undefined {
  return gateOf(hand, row, q).closed[0]
}

/**
 * What is looked at before work is begun on kinds of tree on a day: what the gate asks of them that only a look answers, and the
 * calendar does not say for certain.
 */
export function looksBefore(
  row: UseRow,
  at: { cause: string; hosts: readonly string[]; on: string; south: boolean; own: readonly OwnEntry[] },
): LookedAt[] {
  const { use, product } = row
  const fields = at.hosts.flatMap((id) => {
    const host = hostFacts(id, at.own)
    const question: Question = {
      on: at.on,
      today: at.on,
      units: 'us',
      south: at.south,
      host,
      cause: causeFacts(at.cause, id, at.own),
      method: use.method,
      product: productOf(use, product),
      card: { namesHost: true, namesCause: true, forbiddenOnFood: false },
      keeps: {},
      facts: { ...byCalendar(host, at.on, at.south), crownLost: 0, water: null },
      history: [],
      again: null,
      onGround: methodOf(use).onGround,
      rules: [],
      inWindow: (window) => almanacWindow(window, at.on, at.south, []),
      own: [],
    }
    return gate(question).asks.map((a) => a.field)
  })
  return LOOKED_AT.filter((field) => fields.includes(field))
}

/** What the calendar alone says of leaves and flowers of a kind on a day. */
function byCalendar(host: HostFacts, on: string, south: boolean): Seen {
  const leaf = leafByCalendar(host.foliage, on, south)
  const bloom = bloomByCalendar(host.bloom, on, south)
  return { ...(leaf !== undefined && { leaf }), ...(bloom !== undefined && { bloom }) }
}

/** A tree as the gate is asked about it for a cause that was signed before: another one may have been signed since. */
export function against(hand: TreeAtHand, cause: string): TreeAtHand {
  return { ...hand, cause: hand.causeOf(cause) }
}

/** Notice was given when work was put on its day. */
export const NOTICE_GIVEN_DAYS = 400

/**
 * A tree without work that stands on a day, or is promised: what is moved or begun is not in its own way, nor is what its prescription still promises,
 * whose days go with it.
 */
export function outOfItsOwnWay(
  hand: TreeAtHand,
  { workIds = [], occurrenceId }: { workIds?: readonly string[]; occurrenceId?: string },
): TreeAtHand {
  const isOwn = (e: Use) =>
    (e.workId !== null && workIds.includes(e.workId)) ||
    (e.occurrenceId !== undefined && e.occurrenceId === occurrenceId)
  const signedIn = new Set(hand.history.filter(isOwn).map((e) => e.signedIn))
  return {
    ...hand,
    history: hand.history.filter((e) => !isOwn(e) && !(e.state === 'promised' && signedIn.has(e.signedIn))),
  }
}

/** A tree on the day to which work moves: what moves with it stands on that day too, and is not in its own way. */
export function onMoving(
  hand: TreeAtHand,
  {
    own,
    moving,
    on,
    occurrenceId,
  }: { own: string | null; moving: readonly string[]; on: string; occurrenceId?: string },
): TreeAtHand {
  const out = outOfItsOwnWay(hand, { workIds: own === null ? [] : [own], occurrenceId })
  return {
    ...out,
    history: out.history.map((e) => (e.workId !== null && moving.includes(e.workId) ? { ...e, on } : e)),
  }
}

/** A tree without what is still to be done of a prescription: what it was signed by is shown as it was chosen. */
export function withoutPrescription(hand: TreeAtHand, prescriptionId: string): TreeAtHand {
  return {
    ...hand,
    history: hand.history.filter((e) => e.state === 'done' || e.signedIn !== prescriptionId),
  }
}
