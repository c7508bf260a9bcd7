import type { Way } from '@/core/decide/way'
import { BEARS, ENDS, GAP, HOLDS, ONCE, w, WATER, YEARLY } from './way'

const NOTHING = [w('watch', 'Nothing is needed', 'each visit', BEARS, YEARLY)]
const FEED = (when: string, kinds: string[], first: string) =>
  w('feed', 'Feed slowly what a soil test says is missing', when, HOLDS, 'next season, after a look', {
    kinds,
    first,
  })

/** Ways on soil, water, weather, wounds, growth and animals. */
// prettier-ignore
export const SITE_WAYS: Readonly<Record<string, readonly Way[]>> = {
  'drought-stress': [
    w('water', 'Slow deep water by size, to moist at six inches', 'as soon as the probe comes up dry', ENDS, 'weekly while it is dry'),
    w('trenches', 'A mulch bed instead of lawn', 'when workable', BEARS, ONCE),
    w('soil-drench', 'Biostimulant round the trunk', 'after water, in moist soil', BEARS, YEARLY, { kinds: ['biostimulant'], first: 'water' }),
    w('soil-injection', 'Biostimulant into the root zone', 'after water, in moist soil', BEARS, YEARLY, { kinds: ['biostimulant'], first: 'water' }),
  ],
  waterlogging: [w('water', 'Stop the irrigation and drain', 'at once', ENDS, 'by the probe'), w('trenches', 'Open the soil', 'once it drains', BEARS, ONCE)],
  'nutrient-shortage': [
    w('sample', 'Soil and leaf test', 'before anything is bought', BEARS, ONCE),
    FEED('soil moist; quick release in spring or autumn only', ['slow-release feed', 'micronutrients'], 'soil test'),
    w('trunk-injection', 'Inject what is missing', 'in leaf', GAP, YEARLY, { kinds: ['micronutrients'], on: 'where the soil locks it up' }),
    w('soil-injection', 'Feed in holes below the lawn', 'best in spring or autumn', HOLDS, YEARLY, { kinds: ['slow-release feed'] }),
  ],
  'iron-chlorosis': [
    w('sample', 'Test the pH', 'before anything is bought', BEARS, ONCE),
    FEED('spring', ['acidifier', 'iron'], 'soil test'),
    w('trunk-injection', 'Inject iron', 'in leaf', GAP, 'after two or three years', { kinds: ['iron'] }),
  ],
  'weedkiller-injury': [w('water', 'Find the source and stop it; water', 'at once', BEARS, 'weekly while it is dry'), w('watch', 'Wait for the next flush', 'next spring', BEARS, ONCE)],
  'salt-injury': [w('water', 'Leach with water, keep the salt off', 'spring', HOLDS, YEARLY), w('feed', 'Gypsum where sodium is proven', 'spring, then water', HOLDS, YEARLY, { kinds: ['gypsum'], first: 'soil test' })],
  'frost-injury': [w('prune', 'Prune when the extent shows', 'after the second flush', BEARS, ONCE)],
  'buried-flare': [w('collar', 'Open the collar by hand and air, let it dry', 'when workable', ENDS, 'looked at each year'), w('trenches', 'Mulch off the bark', 'with it', BEARS, ONCE), WATER],
  'girdling-roots': [w('collar', 'Expose and cut in steps', 'best while dormant, a set share of the roots a year', ENDS, 'over two or three years'), WATER],
  'soil-compaction': [
    w('trenches', 'Radial trenches or air tool, compost', 'when the soil is moist', ENDS, ONCE),
    w('soil-drench', 'Biostimulant over the opened soil', 'afterwards', BEARS, YEARLY, { kinds: ['biostimulant'], first: 'open the soil' }),
    w('soil-injection', 'Biostimulant into the opened soil', 'afterwards', BEARS, YEARLY, { kinds: ['biostimulant'], first: 'open the soil' }),
    w('feed', 'A light slow release', 'a season after the soil is open', BEARS, YEARLY, { kinds: ['slow-release feed'], first: 'open the soil' }),
    WATER,
  ],
  'mechanical-wound': [w('guard', 'A mulch ring and a guard', 'at once', ENDS, ONCE), w('watch', 'Watch for decay', 'each year', BEARS, YEARLY)],
  'rootstock-takeover': [w('prune', 'Cut each at its origin on a slant, rub new ones off', 'as seen', ENDS, 'each season')],
  'crowded-crown': [w('prune', 'Open the centre, a third at most at a time', 'stone fruit in dry summer after harvest, others best while dormant', ENDS, 'over years')],
  'vole-gnawing': [w('guard', 'Mesh 18 in high, or 6 in above the snow, and into the soil; ground bare', 'before snow', ENDS, 'off or looked at in spring'), w('save', 'Tape, bridge graft or cut back, by how much bark is gone', 'at once, grafts in early spring', HOLDS, ONCE)],
  'rabbit-gnawing': [w('guard', 'Guard 24 in above the snow', 'before snow', ENDS, 'off or looked at in spring'), w('fence', 'Fence a bed or a young tree', 'before they come', ENDS, ONCE), w('repel', 'Repellent', 'before hunger', HOLDS, 'after each rain')],
  'deer-browse': [w('fence', 'Fence or cage', 'before they come', ENDS, ONCE), w('repel', 'Repellent', 'before hunger', HOLDS, 'after each rain')],
  'deer-rub': [w('fence', 'Cage the stem', 'before autumn', ENDS, YEARLY), w('save', 'Cut below the wound, or graft', 'at once, grafts in early spring', HOLDS, ONCE)],
  'squirrel-stripping': [w('prune', 'Shorten a limb more than a quarter girdled', 'dry weather', BEARS, ONCE), w('refer', 'Wildlife control where it goes on', 'as it is borne', GAP, ONCE)],
  lightning: [w('refer', 'A qualified risk assessor looks; people and targets kept away', 'at once', BEARS, ONCE), WATER, w('watch', 'Wait a season before more is decided', 'each visit', BEARS, YEARLY)],
  'gas-leak': [w('refer', 'Ring the gas emergency line; nobody digs or lights anything', 'at once', ENDS, ONCE), w('trenches', 'Open and air the soil', 'when the soil is moist', BEARS, ONCE, { first: 'the line declared safe' }), WATER],
  'natural-bark-shedding': NOTHING,
  'natural-needle-drop': NOTHING,
}
