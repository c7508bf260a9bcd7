import type { WayTime } from '../decide/way'
import { goes, opens } from '../methods/goes'
import { sayClosed } from '../season/cardWindow'
import { spokenDate } from '../time/calendar'
import { firstAfter, isWithin, nextStart, type Yearly } from '../time/yearly'
import { almanacDay, bloomByCalendar, bloomFrom, placeDay } from './calendar'
import { asked, closed, type Found, type Question, type Rule } from './question'
import { waysHere } from './ways'

/** Work goes on in the time of its way, of its card and of the kind. Source: handbook, when work may go on; label. */
export const season: Rule = {
  name: 'season',
  words: 'Work goes on in its time of the year: of the way, of the card, of the kind that is cut.',
  look: (q) => [...ofWay(q), ...ofCard(q), ...ofCut(q), ...ofFeed(q), ...ofMethod(q)],
}

const again = (day: string | null) => (day === null ? '' : `Again from ${spokenDate(day)}.`)

/** Of several ways that the product answers, one that is open is enough. */
function ofWay(q: Question): Found[] {
  const each = waysHere(q).map((w) => outOf(w.time ?? {}, w.when, q))
  const clear = each.find((f) => f.length === 0)
  return clear ?? each.find((f) => f.every((x) => 'ask' in x)) ?? soonest(each)
}

const soonest = (each: readonly Found[][]): Found[] => {
  const until = (found: Found[]) =>
    found.reduce(
      (last, f) =>
        'refusal' in f ? ((f.refusal.until ?? '9999') > last ? (f.refusal.until ?? '9999') : last) : last,
      '',
    )
  return [...each].sort((x, y) => (until(x) < until(y) ? -1 : 1))[0] ?? []
}

function outOf({ window, bloom, larvae, snow }: WayTime, when: string, q: Question): Found[] {
  const found: Found[] = []
  if (window !== undefined) {
    const lies = q.inWindow(window)
    if (lies.is === 'closed')
      found.push(
        closed('season', `This is done ${when}: ${spoken(window)}.`, again(lies.next), {
          field: 'onDate',
          until: lies.next,
        }),
      )
  }
  const { facts } = q
  if (bloom === 'open' && (facts.bloom === 'before' || facts.bloom === 'over')) {
    // Only where the calendar itself said so does a day open it.
    const byDay = q.host.bloom && facts.bloom === bloomByCalendar(q.host.bloom, q.on, q.south)
    const until = byDay ? bloomFrom(q.host.bloom!, q.on, q.south) : null
    found.push(
      closed('season', `This is done ${when}, and nothing is in bloom now.`, again(until), {
        field: 'onDate',
        until,
      }),
    )
  }
  if (bloom === 'not open' && facts.bloom === 'open')
    found.push(closed('season', `This is done ${when}, and the tree is in bloom.`, '', { field: 'onDate' }))
  if (bloom !== undefined && facts.bloom === undefined)
    found.push(asked('bloom', 'Are its flowers still to come, open, or over?'))
  if (snow === 'before' && facts.snow)
    found.push(
      closed(
        'season',
        `This is done ${when}, and snow lies.`,
        'Clear it away from the stem first, or wait.',
        {
          field: 'onDate',
        },
      ),
    )
  if (larvae === 'small') {
    if (facts.larvae === 'large')
      found.push(
        closed(
          'season',
          'The larvae are too large: it works on those of the first to third stage.',
          'Choose another way, or wait for the next brood.',
        ),
      )
    if (facts.larvae === undefined)
      found.push(asked('larvae', 'Are the larvae still small, in their first to third stage?'))
  }
  return found
}

/** Words of a window of dates: what is written is said as it stands. */
const spoken = (window: string) => window.replace(/ or /g, ', or ')

function ofCard({ card, product, on }: Question): Found[] {
  if (!card?.window || card.window.is.is !== 'closed') return []
  const { why, wayOut } = sayClosed(product?.name ?? 'This card', card.window.text, on, card.window.is.next)
  return [closed('season', why, wayOut, { field: 'onDate', until: card.window.is.next })]
}

/** Kinds that are not cut while what comes to the wound is about. */
function ofCut({ method, host, cause, on, south, inWindow }: Question): Found[] {
  const rule = host.uncut
  if (opens(method) !== 'wood' || !rule || rule.not?.includes(cause.id)) return []
  if (rule.only && !rule.only.includes(cause.id)) return []
  const day = almanacDay(on, south)
  const warmth = rule.warmth === undefined ? null : inWindow(rule.warmth)
  // What the warmth of the place says for certain goes before the calendar.
  const shut = warmth?.is === 'open' || (warmth?.is !== 'closed' && isWithin(rule.stretch, day))
  if (!shut) return []
  const until = placeDay(firstAfter(rule.stretch, day), south)
  return [
    closed('season', `${host.name} is not cut now: ${rule.why}`, again(until), { field: 'onDate', until }),
  ]
}

/** A quick feed drives soft growth in summer and is lost on a resting tree; house stretches. */
const QUICK: readonly Yearly[] = [
  { from: '03-01', to: '06-01' },
  { from: '09-01', to: '10-15' },
]

function ofFeed({ method, card, on, south }: Question): Found[] {
  if (goes(method) !== 'onto the ground' || card?.release !== 'quick') return []
  const day = almanacDay(on, south)
  if (QUICK.some((s) => isWithin(s, day))) return []
  const until = placeDay(
    QUICK.map((s) => nextStart(s, day)).reduce((x, y) => (x < y ? x : y)),
    south,
  )
  return [
    closed('season', 'A feed of quick release goes on in spring or autumn only.', again(until), {
      field: 'onDate',
      until,
    }),
  ]
}

/** What a method without a product says itself. */
function ofMethod({ own }: Question): Found[] {
  return own.map(({ why, wayOut }) => closed('season', why, wayOut))
}
