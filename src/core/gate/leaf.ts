import type { Leaf } from '../decide/way'
import { goes, opens } from '../methods/goes'
import { spokenDate } from '../time/calendar'
import { leafByCalendar, leafChanges } from './calendar'
import { asked, closed, type Found, type Question, type Rule } from './question'
import { waysHere } from './ways'

const SAID: Record<Leaf, string> = {
  none: 'it stands bare',
  swelling: 'its buds only swell',
  out: 'its leaves are out',
  falling: 'its leaves are falling',
}
const WANTED: Record<Leaf, string> = {
  none: 'a bare tree',
  swelling: 'swelling buds',
  out: 'a tree in full leaf',
  falling: 'falling leaves',
}
const INTO_A_TRUNK: readonly Leaf[] = ['out']

/**
 * A trunk takes up while leaves draw; what is put on bare twigs burns leaves. Of kinds that shed their leaves only. Source:
 * handbook, when work may go on.
 */
export const leaf: Rule = {
  name: 'leaf',
  words: 'Injections go into trees in leaf; what is for bare twigs goes on no leaf.',
  look(q) {
    if (q.host.foliage !== 'deciduous') return []
    if (goes(q.method) === 'onto the ground') return fedLate(q)
    const trunk = opens(q.method) === 'trunk'
    const wanted = waysHere(q).map((w) => w.time?.leaf ?? (trunk ? INTO_A_TRUNK : null))
    if (wanted.length === 0 && trunk) wanted.push(INTO_A_TRUNK)
    if (wanted.length === 0 || wanted.includes(null)) return []
    const any = [...new Set(wanted.flatMap((w) => w ?? []))]
    const now = q.facts.leaf
    if (now === undefined) return [asked('leaf', 'How do its leaves stand: none, swelling, out or falling?')]
    return any.includes(now) ? [] : [out(q, now, any)]
  },
}

/** Nitrogen near leaf fall drives shoots that the frost takes, and is washed out. Source: handbook, feed. */
function fedLate({ facts, product }: Question): Found[] {
  const nitrogen = product?.actives.some((a) => /nitrogen|urea|ammoni|nitrate/i.test(a.name)) ?? false
  return facts.leaf === 'falling' && nitrogen
    ? [
        closed('leaf', 'Its leaves are falling: no nitrogen within a month of it.', 'Feed in spring.', {
          field: 'onDate',
        }),
      ]
    : []
}

function out(q: Question, now: Leaf, any: readonly Leaf[]): Found {
  // Only where the calendar itself said so does a day open it.
  const byDay = leafByCalendar(q.host.foliage, q.on, q.south) === now
  const until = byDay ? leafChanges(q.host.foliage, q.on, q.south) : null
  return closed(
    'leaf',
    `This wants ${any.map((l) => WANTED[l]).join(' or ')}, and ${SAID[now]}.`,
    until === null
      ? 'Wait until it is so, and look again.'
      : `Again once it is so, from ${spokenDate(until)} at the earliest.`,
    { field: 'onDate', until },
  )
}
