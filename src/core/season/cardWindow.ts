import { ok, refuse, type Result } from '../problem'
import { addDays, daysBetween, spokenDate, spokenDay, type PlainDate } from '../time/calendar'
import { NOISE } from '../quantity/whole'
import { holds, type WindowRule } from './window'
import type { Warmth } from './year'

/** A rule of a card’s window: by the calendar, by warmth above 50 °F from 1 January (°C·d), by the stage of the tree. */
export type CardRule =
  | Extract<WindowRule, { kind: 'dates' | 'degree-days' }>
  /** While in a stage, or from its beginning until another begins. */
  | { kind: 'stage' | 'not-stage'; stage: string; until?: string }

/** Any of several stretches, each of rules that must all hold. */
export type CardWindow = readonly (readonly CardRule[])[]

/** A year of warmth and stages at a place. */
export interface SeasonYear {
  /** The day its warmth is counted from. */
  begins: PlainDate
  /** Running totals above 50 °F by day, the least and the most that may be: the same where they are measured or forecast. */
  least: Warmth
  most: Warmth
  /** Between which days each stage of the kind begins, in their order; empty where none is known. */
  stages: readonly { stage: string; earliest: PlainDate; latest: PlainDate }[]
}

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec']
const LONGEST = [31, 29, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31]

const DAY = '(\\d{1,2})\\.? +([a-z]{3,9})\\.?'
const DATES = new RegExp(`^${DAY} (?:to|until|–|-) ${DAY}$`)
const WARMTH = /^(\d+(?:\.\d+)?) (?:to|until|–|-) (\d+(?:\.\d+)?) *°? *([fc])[·* ]*d(?:ays?)?$/
const STAGE = "[a-z][a-z' -]{1,40}?"
const IN = new RegExp(`^(not )?in (${STAGE})$`)
const BETWEEN = new RegExp(`^(not )?from (${STAGE}) (?:to|until) (${STAGE})$`)

const HOW =
  'Write days such as “15 Oct to 28 Feb”, warmth such as “450 to 900 °F·d”, or stages such as “in bloom”, “not in bloom”, “from green tip to petal fall”; “and” between what must all hold, “or” between stretches.'

/**
 * A window as it is written on a card: `15 Oct to 28 Feb or 450 to 900 °F·d and not in bloom`. Stretches stand between “or”, rules of one
 * between “and”. Problems: `bad-quantity` for what cannot be read, `out-of-range` for warmth that ends below where it begins.
 *
 * @example readWindow('15 Oct to 28 Feb', 'window') // [[{ kind: 'dates', from: '10-15', to: '02-28' }]]
 */
export function readWindow(text: string, field: string): Result<CardWindow> {
  const found: CardRule[][] = []
  for (const stretch of text.toLowerCase().split(/\s+or\s+/)) {
    const rules: CardRule[] = []
    for (const part of stretch.split(/\s+and\s+|\s*,\s*/)) {
      const rule = readRule(part.trim().replace(/\s+/g, ' '))
      if (rule === null) return refuse('bad-quantity', field, `“${part.trim()}” is no window. ${HOW}`)
      if (rule.kind === 'degree-days' && rule.to < rule.from)
        return refuse(
          'out-of-range',
          field,
          `“${part.trim()}” ends below where it begins; change the sums over.`,
        )
      rules.push(rule)
    }
    found.push(rules)
  }
  return ok(found)
}

function readRule(text: string): CardRule | null {
  const dates = DATES.exec(text)
  if (dates) {
    const [from, to] = [monthDay(dates[1]!, dates[2]!), monthDay(dates[3]!, dates[4]!)]
    return from === null || to === null ? null : { kind: 'dates', from, to }
  }
  const warmth = WARMTH.exec(text)
  if (warmth) {
    const per = warmth[3] === 'f' ? 1.8 : 1
    return { kind: 'degree-days', from: Number(warmth[1]) / per, to: Number(warmth[2]) / per }
  }
  const between = BETWEEN.exec(text)
  if (between) return { kind: between[1] ? 'not-stage' : 'stage', stage: between[2]!, until: between[3]! }
  const inside = IN.exec(text)
  return inside ? { kind: inside[1] ? 'not-stage' : 'stage', stage: inside[2]! } : null
}

function monthDay(day: string, month: string): string | null {
  const at = MONTHS.indexOf(month.slice(0, 3))
  if (at < 0 || Number(day) < 1 || Number(day) > LONGEST[at]!) return null
  return `${String(at + 1).padStart(2, '0')}-${day.padStart(2, '0')}`
}

/** The stages a window names, for whoever knows which there are. */
export function stagesNamed(window: CardWindow): string[] {
  return window.flat().flatMap((r) => ('stage' in r ? [r.stage, ...(r.until ? [r.until] : [])] : []))
}

/** True where more than the calendar must be known to say whether a day lies in a window. */
export function asksSeason(window: CardWindow): boolean {
  return window.flat().some((r) => r.kind !== 'dates')
}

/**
 * Whether a day lies in a window, and from when it does again within two years. `maybe`: the season is not that far, or what the window asks for is not
 * known there; whoever stands at the tree decides.
 */
export type InWindow =
  { is: 'open' } | { is: 'maybe'; why: string } | { is: 'closed'; next: PlainDate | null }

/** As far as the next open day is looked for. */
const LOOK_AHEAD = 760

/**
 * Whether a day lies in a window. Warmth and stages that are still to come lie between those of the past years: a day is closed only where it lies
 * outside of them all. What nobody knows there (no weather yet, a kind without stages) closes nothing. Source: handbook, windows.
 *
 * @example inWindow([[{ kind: 'dates', from: '10-15', to: '02-28' }]], '2026-06-12', []) // { is: 'closed', next: '2026-10-15' }
 */
export function inWindow(window: CardWindow, on: PlainDate, years: readonly SeasonYear[]): InWindow {
  const now = heldOn(window, on, years)
  if (now.is !== 'closed') return now
  for (let i = 1; i <= LOOK_AHEAD; i++) {
    const next = addDays(on, i)
    const then = heldOn(window, next, years)
    // Past what is known of the season every day may be one.
    if (then.is === 'maybe' && !yearOf(next, years) && window.every(asks)) break
    if (then.is !== 'closed') return { is: 'closed', next }
  }
  return { is: 'closed', next: null }
}

const asks = (rules: readonly CardRule[]) => rules.some((r) => r.kind !== 'dates')

/** A stretch of days; `sure`: false where the season decides. */
export interface WindowStretch {
  from: PlainDate
  to: PlainDate
  sure: boolean
}

/** The stretches of a window between two days. */
export function windowBetween(
  window: CardWindow,
  from: PlainDate,
  to: PlainDate,
  years: readonly SeasonYear[],
): WindowStretch[] {
  const found: WindowStretch[] = []
  for (let day = from; day <= to; day = addDays(day, 1)) {
    const held = heldOn(window, day, years)
    if (held.is === 'closed') continue
    const sure = held.is === 'open'
    const last = found.at(-1)
    if (last && last.sure === sure && addDays(last.to, 1) === day) last.to = day
    else found.push({ from: day, to: day, sure })
  }
  return found
}

type Held = { is: 'open' } | { is: 'maybe'; why: string } | { is: 'closed' }

/** The best that one of the stretches says of a day. */
function heldOn(window: CardWindow, on: PlainDate, years: readonly SeasonYear[]): Held {
  let best: Held = { is: 'closed' }
  for (const rules of window) {
    let held: Held = { is: 'open' }
    for (const rule of rules) {
      const one = ruleOn(rule, on, yearOf(on, years))
      if (one.is === 'closed') {
        held = one
        break
      }
      if (one.is === 'maybe') held = one
    }
    if (held.is === 'open') return held
    if (held.is === 'maybe' && best.is === 'closed') best = held
  }
  return best
}

const yearOf = (on: PlainDate, years: readonly SeasonYear[]) =>
  years.find((y) => on >= y.begins && daysBetween(y.begins, on) < y.least.length)

function ruleOn(rule: CardRule, on: PlainDate, year: SeasonYear | undefined): Held {
  if (rule.kind === 'dates') return { is: holds(rule, on) ? 'open' : 'closed' }
  if (rule.kind === 'degree-days') {
    const day = year ? daysBetween(year.begins, on) : 0
    const [least, most] = [year?.least[day] ?? null, year?.most[day] ?? null]
    if (least === null || most === null)
      return { is: 'maybe', why: 'the warmth of the year is not known here' }
    if (most < rule.from - NOISE || least > rule.to + NOISE) return { is: 'closed' }
    return least >= rule.from - NOISE && most <= rule.to + NOISE
      ? { is: 'open' }
      : { is: 'maybe', why: 'in past years the warmth came earlier or later' }
  }
  const at = (stage: string) => year?.stages.findIndex((s) => s.stage === stage) ?? -1
  const begins = at(rule.stage)
  const ends = rule.until === undefined ? begins + 1 : at(rule.until)
  const unknown = begins < 0 ? rule.stage : ends < 0 ? rule.until! : null
  if (unknown !== null) return { is: 'maybe', why: `when this tree is at ${unknown} is not known here` }
  const [a, b] = [year!.stages[begins]!, year!.stages[ends]]
  const possible = on >= a.earliest && (!b || on < b.latest)
  const certain = on >= a.latest && (!b || on < b.earliest)
  const inside = rule.kind === 'stage'
  if (inside ? certain : !possible) return { is: 'open' }
  if (inside ? !possible : certain) return { is: 'closed' }
  return { is: 'maybe', why: `in past years ${rule.stage} came earlier or later` }
}

/** A day outside a window, as a sentence and its way out. `written`: the window as the card says it. */
export function sayClosed(
  name: string,
  written: string,
  on: PlainDate,
  next: PlainDate | null,
): { why: string; wayOut: string } {
  return {
    why: `${name} goes on ${written}; ${spokenDay(on)} lies outside.`,
    wayOut: next === null ? 'No day of the next two years lies inside.' : `Next from ${spokenDate(next)}.`,
  }
}
