import { isHand } from '../methods/names'
import { refusedByCard, refusedNear } from '../rules/keptClear'
import { asksForWater, refusedByRules } from '../rules/refused'
import { asked, closed, type Rule } from './question'

const HOW_FAR = asked('water', 'How far is the nearest water or well?')

/** The rules of the place, each with its words and its source. */
export const localRule: Rule = {
  name: 'local rule',
  words: 'What the place forbids, restricts or wants told, and what its plan keeps clear.',
  look: (q) => [
    ...[
      ...refusedByRules(q.rules, {
        method: q.method,
        actives: isHand(q.method) ? [] : (q.product?.actives ?? []),
        host: q.host.id,
        on: q.on,
        today: q.today,
        onGround: q.onGround,
        water: q.facts.water ?? null,
        units: q.units,
      }),
      ...refusedNear(q.facts.near ?? [], q),
    ].map((r) => closed('local rule', r.why, r.wayOut)),
    ...(q.onGround && q.facts.near === null
      ? [asked('near', 'Where does it stand? Distances are kept here, and it is not on the plan.')]
      : []),
    ...(q.onGround && q.facts.water === undefined && asksForWater(q.rules, q.method) ? [HOW_FAR] : []),
  ],
}

/** The card’s distance to water and wells. Source: the label. */
export const water: Rule = {
  name: 'water',
  words: 'A card’s distance to water and wells is kept.',
  look: ({ card, onGround, facts, units }) => {
    if (card?.waterSetback === undefined || !onGround) return []
    const { water } = facts
    if (water === undefined) return [HOW_FAR]
    const near = refusedByCard(card.waterSetback, water, units)
    return near ? [closed('water', near.why, near.wayOut)] : []
  },
}
