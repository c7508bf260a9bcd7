import { capital } from '../capital'
import { isHand } from '../methods/hand'
import { shown } from '../quantity/pair'
import { refusedByRules } from '../rules/refused'
import { asked, closed, type Rule } from './question'

/** The rules of the place, each with its words and its source. */
export const localRule: Rule = {
  name: 'local rule',
  words: 'What the place forbids, restricts or wants told.',
  look: (q) =>
    refusedByRules(q.rules, {
      method: q.method,
      actives: isHand(q.method) ? [] : (q.product?.actives ?? []),
      host: q.host.id,
      on: q.on,
      today: q.today,
      onGround: q.onGround,
      water: q.facts.water ?? null,
      units: q.units,
    }).map((r) => closed('local rule', r.why, r.wayOut)),
}

/** The card’s distance to water and wells. Source: the label. */
export const water: Rule = {
  name: 'water',
  words: 'A card’s distance to water and wells is kept.',
  look: ({ card, onGround, facts, units }) => {
    if (card?.waterSetback === undefined || !onGround) return []
    const { water } = facts
    if (water === undefined) return [asked('water', 'How far is the nearest water or well?')]
    if (water === null) return []
    return water.distance < card.waterSetback
      ? [
          closed(
            'water',
            `${capital(water.what)} at ${shown(water.distance, 'ft', units, 0)}: the card keeps ${shown(card.waterSetback, 'ft', units, 0)} from water and wells.`,
            'Choose a way that stays inside the tree.',
          ),
        ]
      : []
  },
}
