import { LEAF } from '../decide/way'
import { dateIn, spokenWeekday } from '../time/calendar'
import type { Facts } from './question'

/** What only somebody who stands at the tree can say, and is asked before work is begun. */
export const LOOKS = {
  leaf: { question: 'Leaves', options: LEAF, said: ['none', 'swelling buds', 'out', 'falling'] },
  bloom: {
    question: 'Flowers of this year',
    options: ['before', 'open', 'over'],
    said: ['still to come', 'open', 'over'],
  },
  soil: {
    question: 'Soil',
    options: ['moist', 'dry', 'saturated', 'frozen'],
    said: ['moist', 'dry', 'saturated', 'frozen'],
  },
  bark: { question: 'Bark', options: ['dry', 'wet'], said: ['dry', 'wet'] },
  larvae: {
    question: 'Larvae',
    options: ['small', 'large'],
    said: ['small, first to third stage', 'large'],
  },
} as const satisfies Record<string, { question: string; options: readonly string[]; said: readonly string[] }>

export type LookedAt = keyof typeof LOOKS
export const LOOKED_AT = Object.keys(LOOKS) as LookedAt[]

/** What somebody sees at the tree. */
export type Seen = Pick<Facts, LookedAt>

/** True for a field of the gate that a look at the tree answers. `isLook('leaf') === true` */
export function isLook(field: string): field is LookedAt {
  return Object.hasOwn(LOOKS, field)
}

/** What was seen of the fields that are asked for. `only({ soil: 'moist', leaf: 'out' }, ['leaf'])` is `{ leaf: 'out' }` */
export function only(seen: Seen, fields: readonly LookedAt[]): Seen {
  return Object.fromEntries(fields.flatMap((f) => (seen[f] === undefined ? [] : [[f, seen[f]]])))
}

/** What was seen, as a record says it. `saidOfSeen({ soil: 'moist' })` is `[{ label: 'Soil', value: 'moist' }]` */
export function saidOfSeen(seen: Seen): { label: string; value: string }[] {
  return LOOKED_AT.flatMap((field) => {
    const { question, options, said } = LOOKS[field]
    const at = (options as readonly string[]).indexOf(seen[field] ?? '')
    return at < 0 ? [] : [{ label: question, value: said[at]! }]
  })
}

/** What was seen in one line. `saySeen({ soil: 'moist', leaf: 'out' })` is `leaves out, soil moist` */
export function saySeen(seen: Seen): string {
  return saidOfSeen(seen)
    .map(({ label, value }) => `${label.toLowerCase()} ${value}`)
    .join(', ')
}

/**
 * What speaks against going on by what was seen on an earlier day: leaves, soil and bark are looked at on the day of the work. Null where it was
 * seen on the day itself, or where nothing was looked for. `seenAt` and `at`: instants, epoch ms.
 *
 * @example seenBefore({ soil: 'moist' }, monday, wednesday, 'America/New_York') // 'soil moist was seen on Mon 8 Jun and not looked at since'
 */
export function seenBefore(seen: Seen, seenAt: number | null, at: number, timeZone: string): string | null {
  const said = saySeen(seen)
  if (said === '' || seenAt === null) return null
  const [day, now] = [dateIn(timeZone, new Date(seenAt)), dateIn(timeZone, new Date(at))]
  return day < now ? `${said} was seen on ${spokenWeekday(day)} and not looked at since` : null
}
