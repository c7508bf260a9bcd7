import { sameActive } from '../actives/actives'
import { goes, opens } from '../methods/goes'
import { isSpray, isSystemicWay } from '../methods/systemic'
import { asked, closed, type Found, type Rule } from './question'

/** The soil carries what is put on it, or the root that takes it up. Source: handbook, drench, feed, injection. */
export const soil: Rule = {
  name: 'soil',
  words: 'Soil that is saturated, frozen, dry or under snow takes nothing; a dry tree takes nothing up.',
  look: (q) => {
    const { soil, drought, snow } = q.facts
    const [where, opened] = [goes(q.method), opens(q.method)]
    const [poured, dug, fed] = [where === 'into the soil', opened === 'soil', where === 'onto the ground']
    const systemic = isSystemicWay(q.method)
    const found: Found[] = []
    const no = (why: string, wayOut: string) => void found.push(closed('soil', why, wayOut))
    const WET = 'Wait until it drains, and look again.'
    if (soil === 'saturated' && (poured || dug || fed)) no('The soil was found saturated.', WET)
    if (soil === 'frozen' && (poured || dug || fed)) no('The soil is frozen.', 'Wait until it has thawed.')
    if (soil === 'frozen' && opened === 'trunk')
      no('The soil is frozen: nothing is drawn up the trunk.', 'Wait until the soil is above 45 °F.')
    if (snow && (poured || fed))
      no('Snow lies on the ground.', 'Wait until it is gone and the soil takes water.')
    if (soil === 'dry' && systemic)
      no('The tree was found standing dry; a dry tree takes nothing up.', 'Water first, then look again.')
    if (soil === 'dry' && fed)
      no('The soil is dry: a feed burns the roots in it.', 'Water first, then look again.')
    if (drought && (opened === 'trunk' || fed))
      no(
        fed ? 'Nothing is fed in a drought.' : 'Nothing is injected in a drought: the tree does not draw.',
        'Water until it is over.',
      )
    if (found.length === 0 && soil === undefined && (poured || fed || opened === 'trunk'))
      found.push(asked('soil', 'How is the soil: moist, dry, saturated or frozen?'))
    return found
  },
}

/** Bark and drought; what the hour says is asked at the hour. Source: handbook, bark spray, oil, pruning. */
export const weather: Rule = {
  name: 'weather',
  words: 'Bark is dry when it is sprayed or cut; no oil in a drought.',
  look: ({ method, product, facts }) => {
    const [where, cut] = [goes(method), opens(method) === 'wood']
    const oil = product?.actives.some((a) => sameActive(a.key, 'horticultural oil')) ?? false
    const found: Found[] = []
    if (facts.bark === 'wet' && (where === 'onto the bark' || cut))
      found.push(
        closed(
          'weather',
          cut ? 'The bark is wet: wet cuts take sickness on.' : 'The bark is wet: it runs off.',
          'Wait for dry bark.',
          { field: 'onDate' },
        ),
      )
    if (facts.bark === undefined && where === 'onto the bark') found.push(asked('bark', 'Is the bark dry?'))
    if (oil && facts.drought && isSpray(method))
      found.push(
        closed(
          'weather',
          'Oil burns a tree that stands in drought.',
          'Water first, and spray when it is over.',
        ),
      )
    return found
  },
}
