import { ok, refuse, type Result } from '../problem'
import { NOISE } from '../quantity/whole'
import { addDays, daysBetween, isDate, spokenDate, type PlainDate } from '../time/calendar'
import type { Working } from '../working/working'

/** What a window is made of; all of them must hold on a day. Dates are calendar dates, both ends included. */
export type WindowRule =
  /** `10-15` to `02-28`: by the calendar, over the turn of the year where it must. */
  | { kind: 'dates'; from: string; to: string }
  /** While the running total lies between two figures; a day without one is closed. */
  | { kind: 'degree-days'; from: number; to: number }
  | { kind: 'stage'; stage: string; daysBefore?: number; daysAfter?: number }
  | { kind: 'not-stage'; stage: string; daysBefore?: number; daysAfter?: number }
  /** So many days after any such event, and no later than `within`. */
  | { kind: 'after'; event: string; days?: number; within?: number }
  /** At least so many days from a date, before or after. */
  | { kind: 'apart'; from: PlainDate; days: number }

export interface WindowInput {
  from: PlainDate
  to: PlainDate
  /** Running totals. */
  days?: { date: PlainDate; degreeDays: number }[]
  stages?: { stage: string; from: PlainDate; to: PlainDate }[]
  events?: { event: string; date: PlainDate }[]
  rules: WindowRule[]
}

export interface OpenDays {
  /** The longest runs of open days, in order. */
  open: { from: PlainDate; to: PlainDate }[]
  days: number
  /** Index of the first rule after which, taken in order, no day is left. */
  emptiedBy: number | null
  working: Working
}

/** As many days as a window is looked for in. */
const MOST_DAYS = 4000

/**
 * On which days of a stretch every rule holds, and which rule emptied it. Problems: `bad-quantity` for dates that are none,
 * `out-of-range` for a stretch that ends before it begins, figures upside down, days below zero, a date given twice.
 * Source: handbook, windows.
 *
 * @example openDays({ from: '2026-03-01', to: '2026-08-31', rules: [{ kind: 'dates', from: '04-01', to: '04-30' }] }).value.days // 30
 */
export function openDays(input: WindowInput): Result<OpenDays> {
  const wrong = checkInput(input)
  if (wrong) return wrong
  const length = daysBetween(input.from, input.to) + 1
  if (length > MOST_DAYS)
    return refuse(
      'out-of-range',
      'to',
      `At most ${MOST_DAYS} days are looked through; choose a shorter stretch.`,
    )
  const totals = new Map((input.days ?? []).map((d) => [d.date, d.degreeDays]))
  let left = Array.from({ length }, (_, i) => addDays(input.from, i))
  let emptiedBy: number | null = null
  const working: Working = []
  for (const [i, rule] of input.rules.entries()) {
    const before = left.length
    left = left.filter((day) => holds(rule, day, input, totals))
    if (left.length === 0 && emptiedBy === null && before > 0) emptiedBy = i
    working.push({
      label: `Rule ${i + 1}`,
      expression: sayRule(rule),
      result: `${left.length} ${left.length === 1 ? 'day' : 'days'} left of ${before}`,
    })
  }
  const open: OpenDays['open'] = []
  for (const day of left) {
    const run = open.at(-1)
    if (run && addDays(run.to, 1) === day) run.to = day
    else open.push({ from: day, to: day })
  }
  return ok({ open, days: left.length, emptiedBy, working })
}

/** Whether one rule holds on a day, by what is known of stages, events and running totals. `holds({ kind: 'dates', from: '10-15', to: '02-28' }, '2026-12-01')` is true */
export function holds(
  rule: WindowRule,
  day: PlainDate,
  { stages = [], events = [] }: Pick<WindowInput, 'stages' | 'events'> = {},
  totals: ReadonlyMap<PlainDate, number> = new Map(),
): boolean {
  switch (rule.kind) {
    case 'dates': {
      const at = day.slice(5)
      return rule.from <= rule.to ? at >= rule.from && at <= rule.to : at >= rule.from || at <= rule.to
    }
    case 'degree-days': {
      const total = totals.get(day)
      return total !== undefined && total >= rule.from - NOISE && total <= rule.to + NOISE
    }
    case 'stage':
    case 'not-stage': {
      const inside = stages.some(
        (s) =>
          s.stage === rule.stage &&
          day >= addDays(s.from, -(rule.daysBefore ?? 0)) &&
          day <= addDays(s.to, rule.daysAfter ?? 0),
      )
      return inside === (rule.kind === 'stage')
    }
    case 'after':
      return events.some((e) => {
        if (e.event !== rule.event) return false
        const since = daysBetween(e.date, day)
        return since >= (rule.days ?? 0) && since <= (rule.within ?? Infinity)
      })
    case 'apart':
      return Math.abs(daysBetween(rule.from, day)) >= rule.days
  }
}

/** A rule in words. `sayRule({ kind: 'apart', from: '2026-05-20', days: 7 })` is "7 days or more from 20 May 2026" */
export function sayRule(rule: WindowRule): string {
  switch (rule.kind) {
    case 'dates':
      return `from ${rule.from} to ${rule.to}`
    case 'degree-days':
      return `${rule.from} to ${rule.to} degree days`
    case 'stage':
    case 'not-stage': {
      const [before, after] = [rule.daysBefore ?? 0, rule.daysAfter ?? 0]
      const more = [before > 0 && `from ${before} days before`, after > 0 && `until ${after} days after`]
        .filter(Boolean)
        .join(', ')
      return `${rule.kind === 'stage' ? 'in' : 'not in'} ${rule.stage}${more ? `, ${more}` : ''}`
    }
    case 'after':
      return `${rule.days ?? 0} days or more after ${rule.event}${rule.within === undefined ? '' : `, within ${rule.within}`}`
    case 'apart':
      return `${rule.days} days or more from ${spokenDate(rule.from)}`
  }
}

function checkInput(input: WindowInput): Result<never> | null {
  const dated = (date: string, field: string) =>
    isDate(date)
      ? null
      : refuse('bad-quantity', field, 'This is no date such as 2026-05-20; choose it from the calendar.')
  const wrong =
    dated(input.from, 'from') ??
    dated(input.to, 'to') ??
    (input.to < input.from
      ? refuse('out-of-range', 'to', 'The stretch ends before it begins; change the dates over.')
      : null)
  if (wrong) return wrong
  const seen = new Set<string>()
  for (const [i, day] of (input.days ?? []).entries()) {
    const bad = dated(day.date, `days[${i}].date`)
    if (bad) return bad
    if (seen.has(day.date))
      return refuse('out-of-range', `days[${i}].date`, `${spokenDate(day.date)} is given twice; keep one.`)
    seen.add(day.date)
    if (!Number.isFinite(day.degreeDays))
      return refuse('out-of-range', `days[${i}].degreeDays`, 'The degree days of a day are a number.')
  }
  for (const [i, s] of (input.stages ?? []).entries()) {
    const bad = dated(s.from, `stages[${i}].from`) ?? dated(s.to, `stages[${i}].to`)
    if (bad) return bad
    if (s.to < s.from)
      return refuse(
        'out-of-range',
        `stages[${i}].to`,
        'The stage ends before it begins; change the dates over.',
      )
  }
  for (const [i, e] of (input.events ?? []).entries()) {
    const bad = dated(e.date, `events[${i}].date`)
    if (bad) return bad
  }
  for (const [i, rule] of input.rules.entries()) {
    const bad = checkRule(rule, `rules[${i}]`)
    if (bad) return bad
  }
  return null
}

function checkRule(rule: WindowRule, at: string): Result<never> | null {
  const days = (value: number | undefined, field: string) =>
    value === undefined || (Number.isInteger(value) && value >= 0 && value <= 3660)
      ? null
      : refuse('out-of-range', `${at}.${field}`, 'Days are a whole number from 0 on.')
  switch (rule.kind) {
    case 'dates':
      for (const field of ['from', 'to'] as const)
        // A leap year knows every day a calendar has.
        if (!/^\d{2}-\d{2}$/.test(rule[field]) || !isDate(`2024-${rule[field]}`))
          return refuse('bad-quantity', `${at}.${field}`, 'This is no day such as 10-15, month and day.')
      return null
    case 'degree-days':
      if (!Number.isFinite(rule.from) || !Number.isFinite(rule.to) || rule.to < rule.from)
        return refuse(
          'out-of-range',
          `${at}.to`,
          'The sum ends below where it begins; change the figures over.',
        )
      return null
    case 'stage':
    case 'not-stage':
      return days(rule.daysBefore, 'daysBefore') ?? days(rule.daysAfter, 'daysAfter')
    case 'after':
      return days(rule.days, 'days') ?? days(rule.within, 'within')
    case 'apart':
      return isDate(rule.from)
        ? days(rule.days, 'days')
        : refuse(
            'bad-quantity',
            `${at}.from`,
            'This is no date such as 2026-05-20; choose it from the calendar.',
          )
  }
}
