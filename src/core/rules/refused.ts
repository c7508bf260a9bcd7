import { isOf } from '../kind/kind'
import type { Method } from '../card/card'
import { capital } from '../capital'
import type { UnitSystem } from '../quantity/format'
import { shown } from '../quantity/pair'
import { readQuantity } from '../quantity/parse'
import type { Length } from '../quantity/units'
import { addDays, daysBetween, spokenDate, type PlainDate } from '../time/calendar'
import { firstAfter, isWithin } from '../time/yearly'
import type { LocalRule, StandingRule } from './localRule'

/** What the rules of a place look at. */
export interface RuleFacts {
  method: Method
  /** Of the card; none for work without a product. */
  actives: readonly { name: string; group: string }[]
  host: string
  /** The day of the work. */
  on: PlainDate
  /** Null where the work was signed before and notice was given then. */
  today: PlainDate | null
  /** It reaches the ground. */
  onGround: boolean
  water: { distance: Length; what: string } | null
  units: UnitSystem
}

/** A rule that stands against work, why, and what would open it. */
export interface AgainstRule {
  why: string
  wayOut: string
}

const ofKind = (hosts: 'any' | readonly string[], host: string) => hosts === 'any' || isOf(hosts, host)
const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase()

/**
 * Every rule of the place that stands against work at a tree on a day. Rules of reporting and of what amateurs may do stand
 * against nothing here: see {@link toReport} and {@link refusedToAmateur}.
 * Source: the firm's own copy of its local rules.
 *
 * @example refusedByRules(rules, { method: 'prune', host: 'oak-red-group', on: '2026-06-12', … })[0].wayOut
 */
export function refusedByRules(rules: readonly StandingRule[], f: RuleFacts): AgainstRule[] {
  return rules.flatMap((standing) => {
    const against = againstOne(standing.rule, f)
    return against === null ? [] : [{ why: `${against.why} ${sourceOf(standing)}`, wayOut: against.wayOut }]
  })
}

/** How a refusal names the rule it comes from. */
export function sourceOf({ name, source }: Pick<StandingRule, 'name' | 'source'>): string {
  return `(${name}; ${source})`
}

function againstOne(rule: LocalRule, f: RuleFacts): { why: string; wayOut: string } | null {
  switch (rule.kind) {
    case 'closed-season':
      return rule.methods.includes(f.method) && ofKind(rule.hosts, f.host) && isWithin(rule, f.on)
        ? { why: 'Closed here at this time of year.', wayOut: again(firstAfter(rule, f.on)) }
        : null
    case 'restricted': {
      const active = f.actives.find((a) => rule.actives.some((r) => same(r, a.name)))
      if (!active || !ofKind(rule.hosts, f.host)) return null
      if (rule.from === undefined || rule.to === undefined)
        return { why: `${capital(active.name)} may not be put on here.`, wayOut: 'Choose a card without it.' }
      const stretch = { from: rule.from, to: rule.to }
      return isWithin(stretch, f.on)
        ? {
            why: `${capital(active.name)} may not be put on here now.`,
            wayOut: again(firstAfter(stretch, f.on)),
          }
        : null
    }
    case 'bloom': {
      const active = f.actives.find((a) => rule.groups.some((g) => same(g, a.group)))
      return active && ofKind(rule.hosts, f.host) && isWithin(rule, f.on)
        ? {
            why: `${capital(active.name)} (group ${active.group}) is kept off this kind of tree while it flowers.`,
            wayOut: again(firstAfter(rule, f.on)),
          }
        : null
    }
    case 'setback': {
      const distance = readQuantity(rule.distance, 'length', 'distance')
      return f.onGround &&
        rule.methods.includes(f.method) &&
        f.water &&
        distance.ok &&
        f.water.distance < distance.value.si
        ? {
            why: `${capital(f.water.what)} at ${shown(f.water.distance, 'ft', f.units, 0)}: here ${rule.distance} are kept from water and wells.`,
            wayOut: 'Choose a way that stays inside the tree.',
          }
        : null
    }
    case 'notice':
      return f.today !== null && rule.methods.includes(f.method) && daysBetween(f.today, f.on) < rule.days
        ? {
            why: `${capital(rule.whom)} ${rule.days === 1 ? 'is told the day' : `are told ${rule.days} days`} before.`,
            wayOut: `The earliest day is ${spokenDate(addDays(f.today, rule.days))}.`,
          }
        : null
    case 'amateur':
    case 'report':
      return null
  }
}

const again = (day: PlainDate) => `Again from ${spokenDate(day)}.`

/** True where a rule of the place asks how far water is: `asksForWater(rules, 'soil-drench')`. */
export function asksForWater(rules: readonly StandingRule[], method: Method): boolean {
  return rules.some(({ rule }) => rule.kind === 'setback' && rule.methods.includes(method))
}

/** The rule by which work is not left to the client; undefined where none stands against it. */
export function refusedToAmateur(rules: readonly StandingRule[], method: Method): StandingRule | undefined {
  return rules.find(({ rule }) => rule.kind === 'amateur' && rule.methods.includes(method))
}

/** Whom a signed cause is reported to, by which rule, within how many days. */
export function toReport(
  rules: readonly StandingRule[],
  cause: string,
): { rule: StandingRule; whom: string; days: number }[] {
  return rules.flatMap((standing) =>
    standing.rule.kind === 'report' && standing.rule.causes.includes(cause)
      ? [{ rule: standing, whom: standing.rule.whom, days: standing.rule.days }]
      : [],
  )
}

/** Who is told before the work, and when at the latest: what stands on the prescription. */
export function toNotify(
  rules: readonly StandingRule[],
  method: Method,
  on: PlainDate,
): { rule: StandingRule; whom: string; by: PlainDate }[] {
  return rules.flatMap((standing) =>
    standing.rule.kind === 'notice' && standing.rule.methods.includes(method)
      ? [{ rule: standing, whom: standing.rule.whom, by: addDays(on, -standing.rule.days) }]
      : [],
  )
}
