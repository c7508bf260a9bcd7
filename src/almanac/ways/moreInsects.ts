import type { Way } from '@/core/decide/way'
import { BEARS, BY_CARD, BY_LABEL, ENDS, HOLDS, ONCE, SAMPLE, WATER, YEARLY, w } from './way'

const OIL = ['horticultural oil']
const OIL_SOAP = ['horticultural oil', 'soap']
const BT = ['Bt for caterpillars']
const OIL_AT_CRAWLERS = w(
  'crown-spray',
  'Oil or soap over twigs and leaves',
  'dormant, or when crawlers walk',
  HOLDS,
  YEARLY,
  { kinds: OIL_SOAP, on: 'kinds that bear oil' },
)
const REACHES_ARMOURED = w(
  'soil-drench',
  'Drench a systemic of the kind that reaches armoured scales',
  'in moist soil, after bloom',
  HOLDS,
  BY_LABEL,
  { kinds: ['systemic that reaches armoured scales'] },
)
const SYSTEMIC_AFTER_BLOOM = w(
  'soil-drench',
  'Drench a systemic round the trunk where it is lawful',
  'after bloom only',
  HOLDS,
  'once a year',
  { kinds: ['systemic insecticide'], first: 'soil moist' },
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

/** Ways on beetles in stems, scales, miners, caterpillars in nests, and insects in fruit. */
// prettier-ignore
export const MORE_INSECT_WAYS: Readonly<Record<string, readonly Way[]>> = {
  'asian-longhorned-beetle': [
    w('refer', 'Report with pictures; the authority looks', 'the same day', ENDS, ONCE),
    SAMPLE,
  ],
  'conifer-bark-beetle': [
    w('bark-spray', 'Wet the bark of sound trees of worth', 'before the first flight', HOLDS, YEARLY, { kinds: ['contact insecticide'], on: 'sound trees only' }),
    w('trunk-injection', 'Inject sound pines of worth', 'before the first flight', HOLDS, BY_CARD, { kinds: ['systemic insecticide'], on: 'sound trees only' }),
    w('repel', 'Hang pheromones that send beetles away', 'before the first flight', HOLDS, YEARLY, { on: 'stands not yet attacked' }),
    w('refer', 'Have brood trees taken out and chipped', 'before the beetles fly', HOLDS, ONCE),
    WATER,
  ],
  'ambrosia-beetle': [
    w('water', 'Put the water right: drain, or water by the probe', 'at once', BEARS, 'by the probe'),
    w('bark-spray', 'Wet the stem before the flight', 'before the first days near 70 °F', HOLDS, BY_LABEL, { kinds: ['contact insecticide'], on: 'stems not yet bored' }),
    w('prune', 'Take badly bored stems out', 'at once', HOLDS, ONCE),
  ],
  'cottony-maple-scale': [
    OIL_AT_CRAWLERS,
    SYSTEMIC_AFTER_BLOOM,
    w('release', 'Spare and await the beetles and wasps that eat it', 'all season, nothing broad sprayed', HOLDS, 'each year'),
    WATER,
  ],
  'elongate-hemlock-scale': [
    w('crown-spray', 'Oil over every needle', 'dormant, and while crawlers walk', HOLDS, YEARLY, { kinds: OIL, on: 'kinds that bear oil' }),
    REACHES_ARMOURED,
    w('bark-spray', 'Spray a systemic that reaches armoured scales on the lower bark', 'spring', HOLDS, BY_LABEL, { kinds: ['systemic that reaches armoured scales'] }),
  ],
  'pine-needle-scale': [
    OIL_AT_CRAWLERS,
    w('release', 'Spare the beetles that eat it', 'all season', HOLDS, 'each year'),
  ],
  'euonymus-scale': [
    w('prune', 'Cut the worst stems out at the ground', 'late winter', HOLDS, ONCE),
    OIL_AT_CRAWLERS,
    REACHES_ARMOURED,
  ],
  'boxwood-psyllid': [
    w('prune', 'Clip the cupped tips', 'after the cups form', HOLDS, YEARLY),
    w('crown-spray', 'Oil or soap on the young ones', 'as buds open', HOLDS, ONCE, { kinds: OIL_SOAP, on: 'where looks are paid for' }),
  ],
  'balsam-woolly-adelgid': [
    w('bark-spray', 'Oil or soap over the wool on stem and limbs', 'dormant, or as crawlers walk', HOLDS, YEARLY, { kinds: OIL_SOAP }),
    w('hands', 'Brush the stem with soapy water', 'when wool is seen', HOLDS, YEARLY),
  ],
  'leaf-galls': [
    w('watch', 'Nothing is needed', 'each visit', BEARS, YEARLY),
  ],
  'elm-leaf-beetle': [
    w('crown-spray', 'Bt of the beetle kind or oil on young grubs', 'while grubs are small', HOLDS, 'each brood', { kinds: ['Bt for beetles', 'horticultural oil'] }),
    w('bark-spray', 'Band of bark wetted where grubs walk down', 'as they walk down', HOLDS, 'each brood', { kinds: ['contact insecticide'] }),
    SYSTEMIC_AFTER_BLOOM,
    WATER,
  ],
  'elm-zigzag-sawfly': [
    w('watch', 'Report where it is new, count, water', 'May to September', BEARS, YEARLY),
    WATER,
  ],
  'birch-leafminer': [
    w('watch', 'Put up with it on grown trees', 'each spring', BEARS, YEARLY),
    WATER,
  ],
  'holly-leafminer': [
    w('hands', 'Pick mined leaves', 'before April', HOLDS, YEARLY),
    w('watch', 'Put up with it', 'each winter', BEARS, YEARLY),
  ],
  'horse-chestnut-leafminer': [
    w('hands', 'Gather the fallen leaves', 'autumn', HOLDS, YEARLY),
  ],
  'boxwood-leafminer': [
    w('prune', 'Shear before the flight or after it', 'late April to June', HOLDS, YEARLY),
    SYSTEMIC_AFTER_BLOOM,
  ],
  'black-vine-weevil': [
    w('release', 'Insect-eating nematodes on moist, warm soil', 'late summer, or spring', HOLDS, YEARLY),
    w('crown-spray', 'Labelled cover of leaves and stem against the adults, at night', 'at the first notches', HOLDS, 'every three to four weeks', { kinds: ['contact insecticide'] }),
    w('hands', 'Boards to hide under, emptied each morning', 'June to September', HOLDS, 'daily'),
  ],
  bagworm: [
    w('hands', 'Pick the bags and destroy them', 'autumn to spring', ENDS, YEARLY),
    YOUNG_BT('again after 7 days'),
  ],
  'tent-caterpillar': [
    w('hands', 'Wipe tents out, take egg collars off', 'cool of the day; winter', ENDS, YEARLY),
    YOUNG_BT('again after 7 days'),
  ],
  'processionary-moth': [
    w('refer', 'Trained crew with respirator and suit', 'at once', HOLDS, YEARLY),
    w('crown-spray', 'Bt on young larvae by local rule', 'in its season', HOLDS, 'again by the label', { kinds: BT }),
  ],
  'box-tree-moth': [
    YOUNG_BT('each generation'),
    w('hands', 'Pick and jet larvae out', 'as soon as silk is seen', HOLDS, 'weekly'),
  ],
  'codling-moth': [
    w('hands', 'Take infested fruit off and drops up', 'weekly from June', HOLDS, 'weekly'),
    w('bag', 'Bag the fruit', 'when it is the size of a thumb', ENDS, YEARLY),
    w('crown-spray', 'Virus or a labelled cover', 'at egg hatch, evening', HOLDS, 'by brood and label', { kinds: ['codling moth virus', 'contact insecticide'] }),
    w('watch', 'Trap and count', 'from bloom', BEARS, 'weekly'),
  ],
  'apple-maggot': [
    w('hands', 'Gather drops, hang sticky spheres', 'from July', HOLDS, 'weekly'),
    w('bag', 'Bag the fruit', 'by late June', ENDS, YEARLY),
    w('crown-spray', 'Clay or a labelled cover', 'at the first catch', HOLDS, BY_LABEL, { kinds: ['clay', 'contact insecticide'] }),
  ],
  'plum-curculio': [
    w('hands', 'Jar beetles onto a sheet, take drops up', 'mornings from petal fall', HOLDS, 'daily for six weeks'),
    w('crown-spray', 'Clay or a labelled cover', 'from petal fall, evening', HOLDS, 'after rain and growth', { kinds: ['clay', 'contact insecticide'] }),
  ],
  'spotted-wing-drosophila': [
    w('hands', 'Pick early and clean, chill at once', 'from the first colour', HOLDS, 'every other day'),
    w('shelter', 'Fine net over the tree', 'before colour', ENDS, YEARLY),
    w('crown-spray', 'Labelled covers, another group each time', 'from the first colour, evening', HOLDS, BY_LABEL, { kinds: ['spinosad', 'contact insecticide'] }),
  ],
}
