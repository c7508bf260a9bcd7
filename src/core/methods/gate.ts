import { capital } from '../capital'
import type { EarlierWork } from './facts'
import type { Method } from '../card/card'
import { judgeTreatable, type Treatable } from '../decide/treatable'
import type { ProductClass } from '../diagnose/almanac'
import { namesHost } from '../card/namesHost'
import { refusedForBees } from '../limits/bees'
import { refusedOnFood } from '../limits/food'
import { refusedForHarvest } from '../limits/harvest'
import type { Problem } from '../problem'
import { shown } from '../quantity/pair'
import { readQuantity } from '../quantity/parse'
import type { UnitSystem } from '../quantity/format'
import type { Length } from '../quantity/units'
import type { StandingRule } from '../rules/localRule'
import { refusedByRules } from '../rules/refused'
import { sayClosed, type InWindow } from '../season/cardWindow'
import { addDays, daysBetween, spokenDate } from '../time/calendar'
import { handMethod, isHand } from './hand'
import { handTerms } from './handTerms'
import { methodOf } from './registry'
import type { UseOf } from './plan'

/** True for a product that only feeds. `feedsOnly([{ name: 'iron', group: 'feed' }]) === true` */
export function feedsOnly(actives: readonly { group: string }[]): boolean {
  return actives.length > 0 && actives.every((a) => a.group === 'feed')
}

/** Fields of refusals that are only still to be asked when it is signed. */
export const ASKED_AT_SIGNING: readonly string[] = ['eaten', 'harvestOn']

/** Everything a gate looks at. */
export interface GateFacts {
  use: UseOf<Method>
  card: { code: string; name: string; actives: readonly { name: string; group: string }[] }
  /** The day of the work. */
  on: string
  cause: string
  /** The almanac names this method for the cause: what a house card that names no cause is held to. */
  inAlmanac: boolean
  tree: {
    host: string
    edible: boolean
    askFood?: string
    /** Whether people eat of it, where that must be asked; null while it was not. */
    eaten: boolean | null
    noNeonicotinoid?: string
    /** It has a look-alike and nobody has said which it is. */
    kindOpen: boolean
    /** Per cent; null when not taken. */
    liveCrown: number | null
    /** Named signs of danger that are there. */
    unsafe: readonly string[]
    /** Found at the last examination. */
    dry: boolean
    saturated: boolean
  }
  /** What the almanac says against ways for this cause. */
  refuses?: Partial<Record<ProductClass, string>>
  /** How trees with the cause answer to treatment. */
  treatable: Treatable
  /** How the day lies to the window of the use; a use without one is open. */
  window: InWindow
  /** The day on which picking begins; null while nobody said it. */
  harvestOn: string | null
  /** The nearest water or well on the plan. */
  water: { distance: Length; what: string } | null
  earlier: readonly EarlierWork[]
  /** The rules of the place. */
  rules: readonly StandingRule[]
  today: string
  units: UnitSystem
}

/** Why a way is closed for a tree, by which rule, and what would open it. */
export interface Refusal {
  rule:
    | 'label'
    | 'local rule'
    | 'cause'
    | 'kind'
    | 'food'
    | 'bees'
    | 'harvest'
    | 'safety'
    | 'water'
    | 'soil'
    | 'crown'
    | 'count'
    | 'interval'
    | 'at work'
    | 'apart'
    | 'window'
  code: Problem['code']
  field: string
  why: string
  wayOut: string
  /** The first day on which the rule itself no longer closes it, where only the day does. */
  next?: string
}

/** How the almanac calls a way where it says that it cannot touch a cause. */
export const CLASS: Partial<Record<Method, ProductClass>> = {
  'trunk-injection': 'injection',
  'bark-spray': 'bark-spray',
  'crown-spray': 'crown-spray',
  feed: 'fertiliser',
}

/** True for a use that names a cause, or leaves it to the almanac, which does; what changes nothing at a tree is for every cause. */
export function namesCause(use: UseOf<Method>, cause: string, inAlmanac: boolean): boolean {
  if (use.targets.length > 0) return use.targets.includes(cause)
  return isHand(use.method) && (inAlmanac || handMethod(use.method).anyCause === true)
}

/** A refusal as a sentence of its rule and its way out. */
export function said(r: Pick<Refusal, 'why' | 'wayOut'>): string {
  return `${r.why} ${r.wayOut}`.trim()
}

/**
 * Every reason why a use of a card may not go on a tree, by the label, the almanac, the tree, the ground and what was done
 * before; empty when it may. What the yearly limit of the ground leaves is looked at over all trees together, in
 * `core/limits`. Source: handbook, choosing a way.
 *
 * @example gate({ use: drench, water: { distance: 4, what: 'spring' }, … })[0].rule // 'water'
 */
export function gate(f: GateFacts): Refusal[] {
  const { use, tree, card } = f
  const method = methodOf(use)
  const found: Refusal[] = []
  const no = (
    rule: Refusal['rule'],
    why: string,
    wayOut: string,
    field = 'useId',
    code: Problem['code'] = 'not-allowed',
  ) => void found.push({ rule, code, field, why, wayOut })

  if (tree.unsafe.length > 0)
    no(
      'safety',
      `${tree.unsafe.join(', ')}: nothing is drilled until a qualified risk assessor has looked.`,
      'Decide anew and refer it.',
      'action',
    )
  if (tree.kindOpen)
    no(
      'kind',
      'Confirm what kind of tree it is first: it has look-alikes that this treatment does nothing for.',
      '',
      'identity',
      'missing',
    )
  const kind = CLASS[use.method]
  const against = kind && f.refuses?.[kind]
  if (against)
    no(
      'cause',
      use.method === 'trunk-injection'
        ? `No injection for this cause: ${against}`
        : `Not for this cause: ${against}`,
      '',
      'label',
    )

  if (!namesHost(use, tree.host))
    no('label', 'This card does not name this kind of tree.', 'Choose a card that does.', 'useId')
  if (!namesCause(use, f.cause, f.inAlmanac))
    no('label', `${card.name} does not name this cause.`, 'Choose a card that does.')
  if (isHand(use.method)) {
    const hand = handMethod(use.method)
    const terms = handTerms(hand, use.terms)
    for (const own of (terms.ok &&
      hand.gate?.({ terms: terms.value, host: tree.host, on: f.on, earlier: f.earlier })) ||
      [])
      no('window', own.why, own.wayOut)
  }
  if (f.window.is === 'closed' && use.window !== undefined) {
    const shut = sayClosed(card.name, use.window, f.on, f.window.next)
    found.push({
      rule: 'window',
      code: 'not-allowed',
      field: 'onDate',
      ...shut,
      ...(f.window.next !== null && { next: f.window.next }),
    })
  }
  if (!isHand(use.method)) for (const r of refusedToEaters(f, method.systemic)) found.push(r)

  for (const r of refusedByRules(f.rules, {
    ...f,
    method: use.method,
    actives: isHand(use.method) ? [] : card.actives,
    host: tree.host,
    onGround: method.onGround,
  }))
    no('local rule', r.why, r.wayOut)
  if (use.waterSetback !== undefined && method.onGround && f.water) {
    const setback = readQuantity(use.waterSetback, 'length', 'waterSetback')
    if (setback.ok && f.water.distance < setback.value.si)
      no(
        'water',
        `${capital(f.water.what)} at ${shown(f.water.distance, 'ft', f.units, 0)}: the card keeps ${use.waterSetback} from water and wells.`,
        'Choose a way that stays inside the tree.',
      )
  }
  if (use.method === 'soil-drench' || use.method === 'soil-injection') {
    if (tree.saturated) no('soil', 'The soil was found saturated.', 'Wait until it drains, and look again.')
  }
  if (method.systemic) {
    if (tree.dry)
      no(
        'soil',
        'The tree was found standing dry; a dry tree takes nothing up.',
        'Water first, then look again.',
      )
    const judged = judgeTreatable(f.treatable, tree.liveCrown === null ? null : 100 - tree.liveCrown)
    if (judged.grade === 'none') no('crown', judged.why, 'Decide anew.')
  }
  for (const r of before(f, method.atWorkDays(use))) found.push(r)
  return found
}

/** What stands against putting a product where bees forage or people eat. */
function refusedToEaters(f: GateFacts, systemic: boolean): Refusal[] {
  const { use, tree, card } = f
  const found: Refusal[] = []
  const take = (rule: Refusal['rule'], refused: ReturnType<typeof refusedOnFood>) => {
    if (refused && !refused.ok)
      found.push({
        rule,
        code: refused.problem.code,
        field: refused.problem.field,
        why: refused.problem.message,
        wayOut: '',
      })
  }
  take('bees', refusedForBees(tree.noNeonicotinoid, card.actives))
  take(
    'food',
    refusedOnFood({
      host: tree.host,
      edible: tree.edible,
      askFood: systemic || use.forbiddenOnFood ? tree.askFood : undefined,
      eaten: tree.eaten,
      forbiddenOnFood: use.forbiddenOnFood,
      foodCrops: use.foodCrops?.map((c) => c.host),
    }),
  )
  take(
    'harvest',
    refusedForHarvest({
      host: tree.host,
      foodCrops: use.foodCrops,
      eaten: tree.edible || tree.eaten === true,
      on: f.on,
      harvestOn: f.harvestOn,
    }),
  )
  return found
}

/** What was put on before stands against it: too soon, too often, still at work, or a product that keeps its distance. */
function before(f: GateFacts, ownDays: number): Refusal[] {
  const { use, card, on, earlier } = f
  const found: Refusal[] = []
  const no = (rule: Refusal['rule'], why: string, wayOut: string) =>
    void found.push({ rule, code: 'not-allowed', field: 'useId', why, wayOut })
  const names = new Set(card.actives.map((a) => a.name))
  const sameActive = earlier.filter((e) => e.actives.some((a) => names.has(a)))
  const year = on.slice(0, 4)

  const times = use.limits?.timesPerYear
  const inYear = sameActive.filter((e) => e.code === card.code && e.on.slice(0, 4) === year)
  if (times !== undefined && inYear.length >= times)
    no(
      'count',
      `${card.name} goes on at most ${times === 1 ? 'once' : `${times} times`} a year: ${inYear.map((e) => `${e.from}, ${spokenDate(e.on)}`).join('; ')}.`,
      `Next from ${spokenDate(`${Number(year) + 1}-01-01`)}.`,
    )
  const least = use.limits?.leastDays
  const last = sameActive.filter((e) => e.code === card.code).sort((a, b) => (a.on < b.on ? 1 : -1))[0]
  if (least !== undefined && last && Math.abs(daysBetween(last.on, on)) < least)
    no(
      'interval',
      `${least} days lie between two of ${card.name}; the last was ${spokenDate(last.on)} (${last.from}).`,
      `Next from ${spokenDate(addDays(last.on, least))}.`,
    )
  const working = earlier.find(
    (e) =>
      e.code !== card.code &&
      e.cause === f.cause &&
      ownDays > 0 &&
      !e.feeds &&
      !feedsOnly(card.actives) &&
      e.treated &&
      !e.failed &&
      e.atWorkDays > 0 &&
      daysBetween(e.on, on) < e.atWorkDays,
  )
  if (working)
    no(
      'at work',
      `${working.name} is at work in this tree against the same cause since ${spokenDate(working.on)} (${working.from}).`,
      `Again from ${spokenDate(addDays(working.on, working.atWorkDays))}, or when a check finds that it does not work.`,
    )
  for (const { active, days } of use.apart ?? []) {
    const near = earlier.find(
      (e) =>
        e.actives.some((a) => a.toLowerCase() === active.toLowerCase()) &&
        Math.abs(daysBetween(e.on, on)) < days,
    )
    if (near)
      no(
        'apart',
        `${days} days lie between it and ${active}, which went on ${spokenDate(near.on)} (${near.from}).`,
        `Next from ${spokenDate(addDays(near.on, days))}.`,
      )
  }
  return found
}
