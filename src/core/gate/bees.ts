import { groupKey } from '../actives/actives'
import { isNeonicotinoid, refusedForBees } from '../limits/bees'
import { goes } from '../methods/goes'
import { isSystemicWay } from '../methods/systemic'
import { spokenDate } from '../time/calendar'
import { almanacDay, bloomByCalendar, bloomOver } from './calendar'
import { asked, closed, type Found, type Question, type Rule } from './question'

/** Groups that reach nectar from root or trunk. Source: handbook, bees. */
const IN_NECTAR = new Set(['1B', '4A', '4C', '4D', '6'])
/** Groups that no open bloom is wetted with. Source: handbook, bees and sprays. */
const ON_BLOOM = new Set(['1A', '1B', '3A', '4A', '4C', '4D', '5', '6', '13', '15'])
/** What is drenched after this day of the almanac’s year is in the next spring’s nectar. House figure. */
const SUMMER_ENDS = '08-31'

/** Nothing that harms bees where they forage, now or in the next nectar. Source: handbook, bees. */
export const bees: Rule = {
  name: 'bees',
  words: 'What harms bees keeps off open bloom, and out of the nectar to come.',
  look: (q) => {
    const { product, card, facts } = q
    if (product === null) return []
    const harmful = (groups: ReadonlySet<string>) =>
      product.kind === 'fungicide' || product.kind === 'bactericide'
        ? undefined
        : product.actives.find((a) => groups.has(groupKey(a.group)))
    const found: Found[] = []
    const taken = harmful(IN_NECTAR)
    if (taken && isSystemicWay(q.method)) found.push(...inNectar(q, taken))
    const sprayed = harmful(ON_BLOOM)
    // A card that names its days in bloom was made for them.
    const forBloom = card?.window?.text.match(/(^|or |and )in bloom/i)
    if (sprayed && goes(q.method) === 'over the crown' && !forBloom)
      found.push(...onBloom(facts, `${sprayed.name} (group ${sprayed.group})`))
    else if (card?.neverInBloom && found.length === 0) found.push(...onBloom(facts, product.name))
    return found
  },
}

function onBloom({ bloom }: Question['facts'], name: string): Found[] {
  if (bloom === 'open')
    return [
      closed('bees', `${name} never goes onto open bloom.`, 'Wait until the bloom is over.', {
        field: 'onDate',
      }),
    ]
  return bloom === undefined
    ? [asked('bloom', 'Is anything in bloom on it or beneath it: still to come, open, or over?')]
    : []
}

function inNectar(q: Question, { name, group, key }: { name: string; group: string; key: string }): Found[] {
  const { host, facts, on, south } = q
  const never = refusedForBees(host.noNeonicotinoid, [{ name, group }])
  if (never && !never.ok) return [closed('bees', never.problem.message)]
  if (!host.bloom)
    return isNeonicotinoid(group)
      ? [asked('beneath', 'Do flowers that bees visit stand beneath it? Mow or cut them before.')]
      : []
  const { bloom } = facts
  if (bloom === undefined)
    return [asked('bloom', 'Bees visit it: are this year’s flowers still to come, open, or over?')]
  if (bloom !== 'over') {
    const until = bloomByCalendar(host.bloom, on, south) === 'over' ? null : bloomOver(host.bloom, on, south)
    return [
      closed(
        'bees',
        `Bees visit this kind, and ${bloom === 'open' ? 'it is in bloom' : 'its bloom is still to come'}: ${name} waits until this year’s bloom is over.`,
        until === null
          ? 'Wait until the bloom is over.'
          : `Again from ${spokenDate(until)} by the calendar, earlier where the bloom is seen to be over.`,
        { field: 'onDate', until },
      ),
    ]
  }
  const day = almanacDay(on, south).slice(5)
  if (host.bloom.spring && key === 'imidacloprid' && q.method.startsWith('soil-') && day > SUMMER_ENDS) {
    const until = bloomOver(host.bloom, on, south)
    return [
      closed(
        'bees',
        `It flowers in spring, and ${name} put into the soil after summer is in that nectar.`,
        `Again from ${spokenDate(until)}, after the next bloom.`,
        { field: 'onDate', until },
      ),
    ]
  }
  return []
}
