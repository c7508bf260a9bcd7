import { isHand } from '@/core/methods/names'
import { cause as causeOf } from '@/almanac/causes'
import type { Method } from '@/core/card/card'
import { leavesOut, namesHost } from '@/core/card/namesHost'
import { notDecided } from '@/core/decide/allowed'
import { said } from '@/core/gate/gate'
import { comesFirst, waitsFor } from '@/core/gate/order'
import type { Refusal } from '@/core/gate/question'
import { feedsOnly } from '@/core/history/use'
import { merit } from '@/core/methods/merit'
import { answersFinding } from '@/core/methods/hand'
import { daysBetween } from '@/core/time/calendar'
import type { UseRow } from '@/db/queries/card'
import { kindsOf } from '@/core/gate/ways'
import { productOf } from './historyOf'
import type { LimitsAtHand } from './limitsAtHand'
import { cardWindow, foundAt, gateOf, goesBeside, isFor } from './mayGoOn'
import { cardSource, type TreeAtHand } from './treesAtHand'

/** Asks of the gate that only a look at the tree answers. */
const LOOKED_FOR: readonly string[] = ['leaf', 'bloom', 'beneath', 'larvae', 'bark', 'sort', 'water', 'near']

const kindsIn = ({ use, product }: UseRow) => {
  const facts = productOf(use, product)
  return facts === null || facts.actives.length === 0 ? null : kindsOf(facts)
}

/** As far ahead as work is offered for its day: the year in which a reading is good. */
const AHEAD = 366

/**
 * The first day on which nothing closes a way any more that a day alone opens, within the year; null where something else closes it.
 */
function rightDay(
  refused: readonly Refusal[],
  q: { on: string; closedOn: (on: string) => readonly Refusal[] },
): string | null {
  let now = refused
  for (let i = 0; i < 8; i++) {
    if (now.some((r) => r.until === null)) return null
    const day = now.map((r) => r.until!).reduce((x, y) => (x > y ? x : y))
    if (daysBetween(q.on, day) > AHEAD) return null
    now = q.closedOn(day)
    if (now.length === 0) return day
  }
  return null
}

/** A way as it is offered for a tree: a use on the shelf, what stands against it, and why it stands where it does. */
export interface Way extends UseRow {
  source: string
  /** Empty when it may be chosen. What is only still to be asked, such as who eats of it, is no refusal. */
  closed: { rule: string; text: string; after?: Method }[]
  reasons: string[]
  /** The first day on which its card lets it go on, where that is not the day asked about. */
  opensOn: string | null
  /** After so many days it is due again for this cause; null where nobody says. */
  again: number | null
  /** What is looked for at the tree before it is begun. */
  asks: string[]
  /** What it waits for in a line of work; null where it waits for nothing. */
  waits: ReturnType<typeof waitsFor>
  /** Works that it asks for first, in their order, and that were not done this year. */
  first: ReturnType<typeof comesFirst>
  /** By merit; the greater stands first. */
  score: number
}

/**
 * Every use on the shelf that names a tree's signed cause and kind: first those that may be chosen, in order of merit, those for a later day after
 * those for this one; then the closed ones with what would open them.
 */
export function waysFor(
  hand: TreeAtHand,
  uses: readonly UseRow[],
  q: {
    on: string
    units: 'us' | 'metric'
    action: string | null
    /** What goes beside a way instead: feed capsules, whatever the cause. */
    beside?: boolean
    /** What the yearly limits of the ground have closed; nothing is asked of them where what is signed is shown. */
    limits?: LimitsAtHand
  },
): Way[] {
  const { decided, tree } = hand
  if (!decided) return []
  const found = foundAt(hand)
  const byHandFirst = q.action === 'care'
  return (
    uses
      // A card that leaves this kind out is shown closed, so that nobody looks for it.
      .filter(
        (u) =>
          (namesHost(u.use, tree.host) || leavesOut(u.use, tree.host)) &&
          (q.beside ? goesBeside(u) : isFor(hand, u.use)),
      )
      .map((u) => {
        const answer = (on: string) => {
          const said = gateOf(hand, u, { on, units: q.units })
          const limit = q.limits?.(u, on)
          return limit ? { ...said, closed: [...said.closed, limit] } : said
        }
        const { closed: refused, asks, again } = answer(q.on)
        // Where only the day is wrong, it can be chosen for the right one.
        const opensOn =
          refused.length === 0 ? null : rightDay(refused, { on: q.on, closedOn: (on) => answer(on).closed })
        const closed: Way['closed'] =
          opensOn === null
            ? refused.map((r) => ({ rule: r.rule, text: said(r), ...(r.after && { after: r.after }) }))
            : []
        const not = q.action === null ? null : notDecided(q.action, u.use.method)
        if (not !== null) closed.unshift({ rule: 'decision', text: not })
        const { score, reasons } = merit(u.use, {
          girdles: causeOf(decided.cause)?.girdles ?? false,
          ways: hand.cause!.ways,
          kinds: kindsIn(u),
          feeds: feedsOnly(u.product.actives),
          again,
          answers: answersFinding(u.use.method, found),
        })
        const work = { cause: hand.cause!, method: u.use.method, product: productOf(u.use, u.product) }
        const window = cardWindow(hand, u.use, q.on)
        const season =
          opensOn !== null
            ? refused.map(said)
            : window.is === 'maybe'
              ? [`goes on ${u.use.window}: ${window.why}, look at the tree`]
              : []
        return {
          ...u,
          source: cardSource(u),
          closed,
          reasons: [...reasons, ...season],
          opensOn,
          again,
          waits: waitsFor(work),
          first: comesFirst({ ...work, history: hand.history, on: q.on }),
          asks: asks.filter((a) => LOOKED_FOR.includes(a.field)).map((a) => a.message),
          score,
        }
      })
      .sort(
        (a, b) =>
          Number(a.closed.length > 0) - Number(b.closed.length > 0) ||
          Number(a.opensOn !== null) - Number(b.opensOn !== null) ||
          // Where care was decided, hands come before a feed.
          (byHandFirst ? Number(isHand(b.use.method)) - Number(isHand(a.use.method)) : 0) ||
          b.score - a.score,
      )
  )
}
