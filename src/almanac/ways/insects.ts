import type { Way } from '@/core/decide/way'
import { BEARS, BY_CARD, BY_LABEL, ENDS, GAP, HOLDS, ONCE, w, WATER, YEARLY } from './way'

const SYSTEMIC = ['systemic insecticide']
const OIL = ['horticultural oil']
const OIL_SOAP = ['horticultural oil', 'soap']
const BT = ['Bt for caterpillars']

const ANTS_OFF = w(
  'band',
  'Sticky band over a wrap, bridges cut',
  'before ants climb',
  BEARS,
  'every three to four months',
)
const JET = w(
  'hands',
  'Hard water jet under the leaves',
  'as soon as they are seen',
  HOLDS,
  'every few days until few are left',
)
const YOUNG_BT = (again: string) =>
  w(
    'crown-spray',
    'Bt on both leaf faces, overcast or late in the day',
    'while the larvae are young',
    ENDS,
    again,
    { kinds: BT },
  )

/** Ways on what bores, sucks, bites and gnaws from within. */
// prettier-ignore
export const INSECT_WAYS: Readonly<Record<string, readonly Way[]>> = {
  'emerald-ash-borer': [
    w('trunk-injection', 'Inject a long-lasting systemic into the root flares', 'in full leaf with moist soil; spring before autumn', HOLDS, BY_CARD, { kinds: SYSTEMIC, on: 'trees with more than half of the crown alive' }),
    w('soil-drench', 'Drench a systemic round the trunk', 'in moist soil, best weeks before the beetles feed', HOLDS, YEARLY, { kinds: SYSTEMIC, on: 'small and middling trees, no water or flowers near', first: 'soil moist' }),
    w('soil-injection', 'Inject a systemic into the soil below the mulch', 'in moist soil, best weeks before the beetles feed', HOLDS, YEARLY, { kinds: SYSTEMIC, first: 'soil moist' }),
    w('bark-spray', 'Spray a systemic on the lower bark', 'late spring in leaf', HOLDS, YEARLY, { kinds: SYSTEMIC, on: 'smaller stems with thin bark' }),
    WATER,
    w('refer', 'Plan the removal with an assessor', 'once half of the crown is gone', GAP, ONCE),
  ],
  'spotted-lanternfly': [
    w('hands', 'Scrape egg masses into alcohol or soapy water', 'dormant and when seen', HOLDS, 'each season'),
    w('crown-spray', 'Soap or oil on the young where they sit', 'as soon as they are seen', HOLDS, 'weekly', { kinds: OIL_SOAP }),
  ],
  'plant-bugs': [
    w('watch', 'Let it grow out', 'each year', BEARS, YEARLY),
    w('crown-spray', 'Soap or oil on the young bugs', 'as the flush opens, evening', HOLDS, 'again after 7 days', { kinds: OIL_SOAP }),
  ],
  'pine-sawflies': [
    w('hands', 'Clip shoots with their clusters, or wipe the larvae into soapy water', 'while they feed', ENDS, 'each brood'),
    w('crown-spray', 'Soap or oil on small larvae', 'while the larvae are young', HOLDS, 'again after 7 days', { kinds: OIL_SOAP }),
  ],
  'white-pine-weevil': [
    w('prune', 'Cut the leader below the lowest grub, train one side shoot', 'before they fly out in midsummer', ENDS, YEARLY),
  ],
  'bronze-birch-borer': [
    WATER,
    w('trunk-injection', 'Inject a systemic', 'spring in full leaf, before the beetles lay', HOLDS, BY_CARD, { kinds: SYSTEMIC, on: 'trees with little of the top dead', first: 'water' }),
    w('soil-drench', 'Drench a systemic round the trunk', 'in moist soil, best in autumn or early spring', HOLDS, YEARLY, { kinds: SYSTEMIC, on: 'trees with little of the top dead', first: 'water' }),
    w('soil-injection', 'Inject a systemic into the soil below the mulch', 'in moist soil, best in autumn or early spring', HOLDS, YEARLY, { kinds: SYSTEMIC, on: 'trees with little of the top dead', first: 'water' }),
    w('bark-spray', 'Spray a systemic on the lower bark', 'late spring in leaf', HOLDS, YEARLY, { kinds: SYSTEMIC, on: 'smaller stems with thin bark' }),
    w('prune', 'Take dead tops out, never while the beetles fly', 'dormant', BEARS, YEARLY),
  ],
  'two-lined-chestnut-borer': [
    WATER,
    w('trunk-injection', 'Inject a systemic into valuable neighbours', 'spring in full leaf, before the beetles lay', HOLDS, BY_CARD, { kinds: SYSTEMIC, on: 'oaks that are still well in leaf', first: 'relieve the stress' }),
    w('soil-drench', 'Drench a systemic round the trunk', 'in moist soil, best in autumn or early spring', HOLDS, YEARLY, { kinds: SYSTEMIC, on: 'oaks that are still well in leaf', first: 'relieve the stress' }),
    w('soil-injection', 'Inject a systemic into the soil below the mulch', 'in moist soil, best in autumn or early spring', HOLDS, YEARLY, { kinds: SYSTEMIC, on: 'oaks that are still well in leaf', first: 'relieve the stress' }),
    w('bark-spray', 'Spray a systemic on the lower bark', 'late spring in leaf', HOLDS, YEARLY, { kinds: SYSTEMIC, on: 'smaller stems with thin bark' }),
    w('trenches', 'Open hard soil in spokes and mulch it', 'when the soil is moist', BEARS, ONCE),
  ],
  'clearwing-borer': [
    w('bark-spray', 'Wet the bark of trunk and limbs with a labelled contact product', '10 to 14 days after the first moth in a trap', HOLDS, BY_LABEL, { kinds: ['contact insecticide'], on: 'hosts that the label names' }),
    w('watch', 'Trap for the moths', 'from leaf-out', BEARS, 'weekly until the flight ends'),
    w('guard', 'Keep mowers off the stem', 'always', BEARS, ONCE),
    WATER,
  ],
  'locust-borer': [
    WATER,
    w('bark-spray', 'Wet the bark of trunk and large limbs with a labelled contact product', 'as buds swell, or while the beetles lay in September', HOLDS, BY_LABEL, { kinds: ['contact insecticide'], on: 'hosts that the label names' }),
    w('prune', 'Take out riddled limbs before they break', 'dormant', BEARS, YEARLY),
  ],
  'peach-tree-borer': [
    w('hands', 'Bare the base and dig the few out with a wire', 'autumn and spring', HOLDS, YEARLY),
    w('bark-spray', 'Wet the trunk base', 'at the flight of the moths', HOLDS, BY_LABEL, { kinds: ['contact insecticide'], first: 'bare the base' }),
    w('watch', 'Trap for the moths', 'from late spring', BEARS, 'weekly'),
  ],
  'twig-pruner': [w('hands', 'Gather and destroy the fallen twigs', 'late summer to winter', ENDS, YEARLY)],
  'hemlock-woolly-adelgid': [
    w('soil-drench', 'Drench a systemic round the trunk', 'in moist soil, best in spring or autumn', ENDS, 'after several years', { kinds: SYSTEMIC, on: 'trees away from springs and streams', first: 'soil moist' }),
    w('soil-injection', 'Inject a systemic into the soil', 'in moist soil, best in spring or autumn', ENDS, 'after several years', { kinds: SYSTEMIC, on: 'slopes and lawn, away from water' }),
    w('bark-spray', 'Spray a systemic on the lower bark', 'bark dry, best in spring or autumn', ENDS, BY_CARD, { kinds: SYSTEMIC, on: 'bad ones that need it fast, or where the ground may take no more' }),
    w('trunk-injection', 'Inject a systemic', 'best in spring or autumn', HOLDS, BY_CARD, { kinds: SYSTEMIC, on: 'trees beside water' }),
    w('crown-spray', 'Oil or soap over every needle', 'dormant, or in summer at the weaker strength', HOLDS, YEARLY, { kinds: OIL_SOAP, on: 'trees small enough to wet all over' }),
    WATER,
  ],
  'tuliptree-scale': [
    w('crown-spray', 'Oil over twigs and leaves', 'dormant, or when crawlers walk in late summer', HOLDS, YEARLY, { kinds: OIL }),
    w('soil-drench', 'Drench a systemic round the trunk', 'after bloom only', ENDS, 'once a season', { kinds: SYSTEMIC, on: 'large trees where nothing milder holds it' }),
    w('soil-injection', 'Inject a systemic into the soil', 'after bloom only', ENDS, 'once a season', { kinds: SYSTEMIC, on: 'large trees where nothing milder holds it' }),
    WATER,
  ],
  'lecanium-scale': [
    w('crown-spray', 'Oil over twigs and leaves', 'dormant, or when crawlers walk', HOLDS, YEARLY, { kinds: OIL_SOAP }),
    w('soil-drench', 'Drench a systemic round the trunk', 'after bloom only', ENDS, 'once a season', { kinds: SYSTEMIC, on: 'large trees, never lindens' }),
    w('soil-injection', 'Inject a systemic into the soil', 'after bloom only', ENDS, 'once a season', { kinds: SYSTEMIC, on: 'large trees, never lindens' }),
    w('bark-spray', 'Spray a systemic on the lower bark', 'after bloom only', HOLDS, 'once a season', { kinds: SYSTEMIC, on: 'never lindens' }),
    ANTS_OFF,
    WATER,
  ],
  'armored-scale': [
    w('crown-spray', 'Oil with full cover of bark and leaf', 'dormant, and when crawlers walk', HOLDS, YEARLY, { kinds: OIL }),
    w('bark-spray', 'Spray a systemic of the kind that moves in bark', 'at the crawlers', HOLDS, BY_LABEL, { kinds: ['systemic that reaches armoured scales'] }),
    w('soil-drench', 'Drench a systemic of the kind that reaches armoured scales', 'after bloom only', HOLDS, BY_LABEL, { kinds: ['systemic that reaches armoured scales'] }),
    w('crown-spray', 'A growth regulator that spares wasps', 'at the crawlers', HOLDS, YEARLY, { kinds: ['growth regulator of insects'] }),
    w('soil-injection', 'Inject a systemic of the kind that reaches armoured scales', 'after bloom only', HOLDS, BY_LABEL, { kinds: ['systemic that reaches armoured scales'] }),
    w('release', 'Release small wasps', 'when crawlers walk and nothing broad was sprayed', HOLDS, 'two or three times'),
    w('prune', 'Cut the worst limbs out', 'dormant', BEARS, YEARLY),
  ],
  'bark-scale-felted': [
    w('hands', 'Brush the trunk with soapy water', 'winter', BEARS, YEARLY),
    w('soil-drench', 'Drench a systemic round the trunk where it is lawful', 'after bloom only', ENDS, 'once a year', { kinds: SYSTEMIC, on: 'where nothing milder holds it' }),
    w('soil-injection', 'Inject a systemic into the soil where it is lawful', 'after bloom only', ENDS, 'once a year', { kinds: SYSTEMIC, on: 'where nothing milder holds it' }),
    w('crown-spray', 'Oil on bark and twigs', 'at the crawlers', HOLDS, YEARLY, { kinds: OIL }),
  ],
  'cottony-cushion-scale': [
    ANTS_OFF,
    w('release', 'Bring lady beetles of the kind that eats it', 'in mild weather, nothing broad sprayed', ENDS, ONCE),
    w('crown-spray', 'Oil where it sits thick', 'at the crawlers', HOLDS, BY_LABEL, { kinds: OIL }),
  ],
  mealybug: [
    w('hands', 'Water jet into the crotches', 'as soon as they are seen', HOLDS, 'weekly'),
    w('crown-spray', 'Oil or soap into every crotch', 'evening', HOLDS, BY_LABEL, { kinds: OIL_SOAP }),
    ANTS_OFF,
  ],
  aphids: [
    JET,
    ANTS_OFF,
    w('crown-spray', 'Soap or oil under the leaves', 'evening, when the jet does not hold them', HOLDS, BY_LABEL, { kinds: OIL_SOAP }),
    w('soil-drench', 'Drench a systemic round the trunk', 'after bloom only', ENDS, 'once a season', { kinds: SYSTEMIC, on: 'large ornamentals where honeydew is not borne, never lindens' }),
    w('soil-injection', 'Inject a systemic into the soil', 'after bloom only', ENDS, 'once a season', { kinds: SYSTEMIC, on: 'large ornamentals where honeydew is not borne, never lindens' }),
  ],
  'ants-tending': [
    ANTS_OFF,
    w('hands', 'Break the nest, bait out of reach of pets', 'when the trail is seen', HOLDS, 'until no trail is left'),
    w('crown-spray', 'Soap on what they tend', 'evening', BEARS, BY_LABEL, { kinds: OIL_SOAP }),
  ],
  'lace-bugs': [
    JET,
    w('crown-spray', 'Soap or oil under the leaves', 'at the first young ones', HOLDS, BY_LABEL, { kinds: OIL_SOAP }),
    WATER,
  ],
  'spider-mites': [
    JET,
    w('crown-spray', 'Oil under the leaves where the kind bears it', 'evening, after a count; on conifers, hollies and rhododendrons in spring or autumn', HOLDS, BY_LABEL, { kinds: OIL }),
    w('release', 'Release mites that eat them', 'when prey is there and nothing broad was sprayed', HOLDS, 'two or three times'),
    WATER,
  ],
  'persea-mite': [
    w('watch', 'Count on ten leaves; act when a tenth of the leaf area is marked', 'from spring', BEARS, 'every two weeks'),
    w('crown-spray', 'Citrus oil or oil with soap under the leaves', 'evening', HOLDS, 'until the count is down, then stop', { kinds: ['citrus oil', ...OIL_SOAP] }),
    w('release', 'Release mites that eat them', 'before the nests are many', HOLDS, 'two or three times'),
  ],
  'leaf-footed-bug': [
    w('hands', 'Wipe the egg rows, pick or vacuum the bugs at dusk', 'from fruit set', HOLDS, 'weekly'),
    w('bag', 'Bag the fruit', 'at fruit set', ENDS, YEARLY),
    w('crown-spray', 'Clay or soap over the fruit', 'while the young ones are small', HOLDS, 'after rain', { kinds: ['clay', 'soap'] }),
  ],
  'spongy-moth': [
    YOUNG_BT('twice, about 14 days apart'),
    w('hands', 'Scrape egg masses into soapy water', 'winter', HOLDS, YEARLY),
    w('band', 'Burlap or a sticky band over a wrap', 'before the larvae climb', BEARS, 'looked at daily'),
    WATER,
  ],
  'tussock-moth': [YOUNG_BT('again after 7 days'), w('hands', 'Take egg masses off', 'winter', HOLDS, YEARLY)],
  cankerworm: [
    YOUNG_BT('again after 7 days'),
    w('band', 'Sticky band over a wrap against wingless moths', 'late autumn and early spring', HOLDS, YEARLY),
  ],
  'fall-webworm': [
    w('prune', 'Cut the nests out', 'as soon as they are seen', ENDS, YEARLY),
    w('crown-spray', 'Bt into the opened nest', 'while the larvae are young', HOLDS, 'again after 7 days', { kinds: BT }),
  ],
  'japanese-beetle': [
    w('hands', 'Shake or pick into soapy water', 'cool mornings', HOLDS, 'daily while they fly'),
    w('crown-spray', 'Repellent cover of clay or neem', 'before they feed', HOLDS, 'after rain and growth', { kinds: ['clay', 'neem'], on: 'small trees, out of bloom' }),
  ],
  'citrus-leafminer': [
    w('watch', 'Leave it on grown trees', 'each flush', BEARS, 'each flush'),
    w('crown-spray', 'Spinosad on the young flush', 'as the flush opens, evening', HOLDS, BY_LABEL, { kinds: ['spinosad'], on: 'young trees strong enough to flush evenly', first: 'feed it strong' }),
    w('feed', 'Feed so that flushes come together', 'with the flush, not before the tree is strong', BEARS, YEARLY, { kinds: ['complete citrus feed'] }),
  ],
  'snails-slugs': [
    w('hands', 'Clear the cover some feet back, iron phosphate bait', 'damp evenings', ENDS, 'after rain'),
    w('prune', 'Lift the skirt off the ground', 'after harvest', HOLDS, YEARLY),
    w('feed', 'Feed on bared ground only, no thick mulch to hide in', 'soil moist; quick release in spring or autumn only', BEARS, YEARLY, { kinds: ['complete feed'], first: 'clear the cover' }),
  ],
  'chestnut-weevil': [
    w('hands', 'Gather nuts daily; heat in water at 120 to 122 °F for 20 to 30 minutes, 140 °F only for nuts to be eaten', 'harvest', ENDS, 'daily'),
  ],
  'nut-moths': [w('hands', 'Gather and destroy damaged nuts', 'harvest', HOLDS, YEARLY), w('watch', 'Put up with it', 'harvest', BEARS, YEARLY)],
  'chestnut-gall-wasp': [
    w('release', 'Spare and await the parasite that follows it', 'spring, old galls left on', HOLDS, 'over years'),
    w('prune', 'Cut light cases out', 'before the wasps fly', HOLDS, YEARLY),
  ],
}
