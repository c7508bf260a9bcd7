import type { Leaf } from '../decide/way'
import type { Foliage } from '../diagnose/almanac'
import {
  asksSeason,
  inWindow,
  readWindow,
  type CardWindow,
  type InWindow,
  type SeasonYear,
} from '../season/cardWindow'
import { addDays, type PlainDate } from '../time/calendar'
import { firstAfter, isWithin, nextStart, type Yearly } from '../time/yearly'
import type { Bloom, Facts } from './question'

const HALF_A_YEAR = 182

/** A day as the almanac’s calendar of the north has it: half a year on in the south. */
export function almanacDay(on: PlainDate, south: boolean): PlainDate {
  return south ? addDays(on, HALF_A_YEAR) : on
}

/** A day of the almanac’s calendar as the place has it. */
export function placeDay(day: PlainDate, south: boolean): PlainDate {
  return south ? addDays(day, -HALF_A_YEAR) : day
}

const read = new Map<string, CardWindow>()
function windowOf(text: string): CardWindow {
  const known = read.get(text)
  if (known) return known
  const result = readWindow(text, 'window')
  if (!result.ok) throw new Error(`“${text}” of the almanac is no window: ${result.problem.message}`)
  read.set(text, result.value)
  return result.value
}

/** What was asked of days alone: a list of trees asks for the same day hundreds of times, and a closed one is looked ahead from. */
const asked = new Map<string, InWindow>()
const MOST_ASKED = 2000

/**
 * How a day lies to a stretch that the almanac names, by the calendar of the north, half a year later in the south. Warmth is held
 * against the years that are known of the place; without them it is `maybe`.
 *
 * @example almanacWindow('1 Apr to 31 Jul', '2026-05-12', false, []).is // 'open'
 */
export function almanacWindow(
  text: string,
  on: PlainDate,
  south: boolean,
  years: readonly SeasonYear[],
): InWindow {
  const window = windowOf(text)
  if (asksSeason(window)) return inWindow(window, on, years)
  const key = `${text}|${on}|${south}`
  const before = asked.get(key)
  if (before) return before
  const found = inWindow(window, almanacDay(on, south), [])
  const here: InWindow =
    found.is === 'closed' && found.next !== null ? { is: 'closed', next: placeDay(found.next, south) } : found
  if (asked.size >= MOST_ASKED) asked.clear()
  asked.set(key, here)
  return here
}

/** When trees that shed their leaves stand bare, and when in leaf, anywhere in the temperate north. House figures. */
const BARE: Yearly = { from: '12-01', to: '03-15' }
const IN_LEAF: Yearly = { from: '06-01', to: '09-15' }

/** What the calendar alone says of a day; undefined where only a look does. */
export function leafByCalendar(foliage: Foliage, on: PlainDate, south: boolean): Leaf | undefined {
  if (foliage !== 'deciduous') return undefined
  const day = almanacDay(on, south)
  return isWithin(BARE, day) ? 'none' : isWithin(IN_LEAF, day) ? 'out' : undefined
}

/** The first day on which the calendar alone says of the leaves no more what it says of a day; null where it says nothing of that. */
export function leafChanges(foliage: Foliage, on: PlainDate, south: boolean): PlainDate | null {
  const now = leafByCalendar(foliage, on, south)
  if (now === undefined) return null
  return placeDay(firstAfter(now === 'none' ? BARE : IN_LEAF, almanacDay(on, south)), south)
}

/** What the calendar alone says of the flowers of a kind; undefined where they may be open and only a look tells. */
export function bloomByCalendar(bloom: Bloom | undefined, on: PlainDate, south: boolean): Facts['bloom'] {
  if (!bloom) return undefined
  const day = almanacDay(on, south).slice(5)
  return day < bloom.from ? 'before' : day > bloom.to ? 'over' : undefined
}

/** The first day on or after one on which the flowers of a kind are over anywhere. */
export function bloomOver(bloom: Bloom, on: PlainDate, south: boolean): PlainDate {
  return placeDay(firstAfter(bloom, almanacDay(on, south)), south)
}

/** The first day after one on which the flowers of a kind may be open again. */
export function bloomFrom(bloom: Bloom, on: PlainDate, south: boolean): PlainDate {
  return placeDay(nextStart(bloom, almanacDay(on, south)), south)
}
