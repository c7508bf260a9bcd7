import { isHand } from '../methods/names'
import { refusedOnFood } from '../limits/food'
import { harvestDaysOf, refusedForHarvest } from '../limits/harvest'
import { isSystemicWay } from '../methods/systemic'
import type { Result } from '../problem'
import { asked, closed, type Found, type Question, type Rule } from './question'

/** What goes on or into what people eat of, and how long before they do. Source: label; handbook, food crops. */
export const food: Rule = {
  name: 'food',
  words: 'Nothing goes into food without a label for it, nor too near its harvest.',
  look: (q) => {
    if (isHand(q.method)) return []
    return [...eaten(q), ...harvest(q)].flatMap((r) => r ?? [])
  },
}

function told(problem: Result<never>, field: 'eaten' | 'harvestOn'): Found[] {
  if (problem.ok) return []
  const { code, message, field: at } = problem.problem
  return code === 'missing' ? [asked(field, message)] : [closed('food', message, '', { field: at, code })]
}

function eaten({ host, card, method, facts }: Question): Found[] {
  const systemic = isSystemicWay(method)
  // Without a card only what goes through the tree is held: a spray has its label.
  if (card === null && !systemic) return []
  const refused = refusedOnFood({
    host: host.id,
    edible: host.edible,
    askFood: systemic || card?.forbiddenOnFood ? host.askFood : undefined,
    eaten: facts.eaten ?? null,
    forbiddenOnFood: card?.forbiddenOnFood ?? false,
    foodCrops: card?.foodCrops?.map((c) => c.host),
  })
  return refused ? told(refused, 'eaten') : []
}

function harvest({ host, card, facts, on }: Question): Found[] {
  if (!card || harvestDaysOf(card.foodCrops, host.id) === 0) return []
  const refused = refusedForHarvest({
    host: host.id,
    foodCrops: card.foodCrops,
    eaten: host.edible || facts.eaten === true,
    on,
    harvestOn: facts.harvestOn ?? null,
  })
  return refused ? told(refused, 'harvestOn') : []
}
