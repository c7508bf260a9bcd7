import type { Way } from '@/core/decide/way'
import { CONTAINED } from './diseases'
import { ASSESSOR, BEARS, BY_LABEL, ENDS, GAP, HOLDS, ONCE, ROOT_CARE, SAMPLE, WATER, YEARLY, w } from './way'

const OIL = ['horticultural oil']
const COVER = (when: string, kinds: readonly string[] = ['protective fungicide', 'sulfur']) =>
  w(
    'crown-spray',
    'Protective cover on both leaf faces, inside first',
    when,
    HOLDS,
    'renewed after wash-off and new growth, inside the label’s interval',
    { kinds },
  )

/** Ways on leaf and needle diseases, cankers, wilts, decay, and what weather and soil do. */
// prettier-ignore
export const MORE_DISEASE_WAYS: Readonly<Record<string, readonly Way[]>> = {
  'tar-spot': [
    w('hands', 'Rake the leaves and take them away', 'autumn', HOLDS, YEARLY),
  ],
  'shot-hole': [
    w('crown-spray', 'Copper over bare twigs where lawful', 'at leaf fall', HOLDS, YEARLY, { kinds: ['copper'] }),
    w('prune', 'Cut sick twigs out', 'dry weather', HOLDS, YEARLY),
  ],
  'pear-trellis-rust': [
    COVER('from bloom, by rain', ['protective fungicide']),
    w('prune', 'Take swollen juniper limbs out', 'winter', HOLDS, YEARLY),
  ],
  'needle-cast': [
    COVER('new needles at half length, again in three to four weeks, two or three years running', ['protective fungicide', 'copper']),
    w('prune', 'Lowest limbs up for air, in dry weather', 'dry weather', BEARS, ONCE),
  ],
  'juniper-tip-blight': [
    w('prune', 'Cut dead tips', 'dry weather', HOLDS, 'as seen'),
    COVER('new growth in spring', ['protective fungicide']),
  ],
  'walnut-anthracnose': [
    w('hands', 'Rake the leaves', 'autumn', HOLDS, YEARLY),
    COVER('from leaf-out, trees of worth'),
  ],
  'boxwood-blight': [
    SAMPLE,
    w('hands', 'Bag and remove sick plants; clean tools and boots', 'dry weather', HOLDS, ONCE),
    COVER('before warm wet days, sound plants only', ['protective fungicide']),
  ],
  'volutella-blight': [
    w('prune', 'Cut straw tips out, thin for air', 'dry weather', HOLDS, YEARLY),
  ],
  'dogwood-anthracnose': [
    w('prune', 'Cut dead twigs and stem shoots out', 'dry weather', HOLDS, YEARLY),
    COVER('new leaves in cool wet springs', ['protective fungicide', 'copper']),
    WATER,
  ],
  'spot-anthracnose': [
    w('watch', 'Nothing is needed', 'each spring', BEARS, YEARLY),
  ],
  'hawthorn-leaf-blight': [
    w('hands', 'Rake the leaves', 'autumn', HOLDS, YEARLY),
    COVER('from leaf-out, trees stripped each year'),
  ],
  'horse-chestnut-leaf-blotch': [
    w('hands', 'Rake the leaves', 'autumn', HOLDS, YEARLY),
    COVER('from leaf-out, young trees only'),
  ],
  'beech-leaf-disease': [
    SAMPLE,
    ROOT_CARE,
    w('crown-spray', 'Fluopyram over all leaves, small trees', 'summer', HOLDS, BY_LABEL, { kinds: ['nematicide'] }),
    w('trunk-injection', 'Inject thiabendazole', 'in leaf', HOLDS, 'after the time the card names', { kinds: ['thiabendazole'] }),
    w('soil-drench', 'Phosphite round the trunk', 'in moist soil, best in spring or autumn', BEARS, YEARLY, { kinds: ['phosphonate'] }),
    w('bark-spray', 'Phosphite on the lower bark', 'in leaf', BEARS, YEARLY, { kinds: ['phosphonate'] }),
  ],
  'brown-rot': [
    w('prune', 'Blighted twigs cut in dry summer, every mummy off before winter', 'dry weather after harvest', HOLDS, YEARLY),
    COVER('wet bloom, and before ripening'),
  ],
  'bacterial-canker': [
    w('prune', 'Cut well below the flecks', 'dry summer, after harvest', HOLDS, YEARLY),
    w('crown-spray', 'Copper where lawful', 'leaf fall', BEARS, YEARLY, { kinds: ['copper'] }),
  ],
  'chestnut-blight': [
    w('prune', 'Cut sick low limbs out', 'dry weather', HOLDS, YEARLY),
    w('hands', 'Pack damp soil on stem cankers', 'spring', HOLDS, 'renewed over two years'),
    SAMPLE,
  ],
  'black-knot': [
    w('prune', 'Cut 4 in or more below each knot', 'dry winter weather', ENDS, YEARLY),
    COVER('from bud break to three weeks past bloom'),
  ],
  'thousand-cankers': [
    SAMPLE,
    w('refer', 'Report; keep the wood on site', 'at once', BEARS, ONCE),
  ],
  'silver-leaf': [
    w('prune', 'Cut beyond the stain', 'dry summer', HOLDS, YEARLY),
    WATER,
  ],
  'eutypa-dieback': [
    w('prune', 'Cut well below the stain, burn it', 'dry summer', HOLDS, YEARLY),
  ],
  'cypress-canker': [
    w('prune', 'Cut below the canker', 'dry weather', HOLDS, 'as seen'),
    WATER,
  ],
  'botryosphaeria-canker': [
    WATER,
    w('prune', 'Cut well below', 'dry weather', HOLDS, YEARLY),
  ],
  'beech-bark-disease': [
    w('hands', 'Brush the scale off', 'autumn or spring', HOLDS, YEARLY),
    w('bark-spray', 'Oil over the wool', 'dormant', HOLDS, YEARLY, { kinds: OIL }),
    ASSESSOR,
  ],
  'horse-chestnut-bleeding-canker': [
    SAMPLE,
    ASSESSOR,
    w('watch', 'Measure how far round it goes', 'spring and autumn', BEARS, YEARLY),
  ],
  'acute-oak-decline': [
    ROOT_CARE,
    ASSESSOR,
    SAMPLE,
  ],
  'ash-dieback': [
    SAMPLE,
    ASSESSOR,
    w('watch', 'Count the crown each summer; keep tolerant trees', 'July', BEARS, YEARLY),
  ],
  'laurel-wilt': [
    SAMPLE,
    w('trunk-injection', 'Inject a fungicide into sound neighbours', 'before they show it', HOLDS, 'after the time the card names', { kinds: ['propiconazole'], on: 'sound trees only' }),
    ...CONTAINED,
  ],
  'pine-wilt': [
    SAMPLE,
    w('refer', 'Fell and chip before the beetles fly', 'winter', HOLDS, ONCE),
    w('trunk-injection', 'Inject sound pines of worth', 'before the beetles fly', HOLDS, 'after the time the card names', { kinds: ['nematicide'], on: 'sound pines only', first: 'laboratory proof' }),
  ],
  'elm-yellows': [
    SAMPLE,
    ...CONTAINED,
    ASSESSOR,
  ],
  'citrus-greening': [
    SAMPLE,
    w('crown-spray', 'Labelled product against psyllids', 'on each flush, out of bloom', HOLDS, BY_LABEL, { kinds: ['horticultural oil', 'soap'] }),
    w('refer', 'Proven trees out, by the authority', 'at once', HOLDS, ONCE),
  ],
  'butt-rot': [
    ASSESSOR,
  ],
  'trunk-rot': [
    ASSESSOR,
  ],
  'brittle-cinder': [
    ASSESSOR,
  ],
  'ink-disease': [
    SAMPLE,
    w('trunk-injection', 'Inject phosphonate', 'in leaf', HOLDS, BY_LABEL, { kinds: ['phosphonate'] }),
    w('water', 'Drain', 'always', BEARS, ONCE),
  ],
  'root-loss': [
    WATER,
    ROOT_CARE,
  ],
  'winter-burn': [
    w('watch', 'Wait for the buds', 'late spring', BEARS, ONCE),
    WATER,
    w('shelter', 'Screen the windy side', 'before winter', HOLDS, YEARLY),
  ],
  'sunscald-frost-crack': [
    w('guard', 'Light-coloured guard on the stem', 'before winter, off in spring', HOLDS, YEARLY),
    w('watch', 'Let it callus', 'each spring', BEARS, YEARLY),
  ],
  'manganese-shortage': [
    SAMPLE,
    w('feed', 'Acidify the soil, manganese by label; on limey soil it holds for some seasons', 'when the soil is moist', HOLDS, 'by the test', { kinds: ['manganese'], first: 'soil pH and leaf analysis' }),
    w('trunk-injection', 'Inject manganese', 'in leaf', GAP, 'after the time the card names', { kinds: ['manganese'], first: 'soil pH and leaf analysis' }),
  ],
  lichen: [
    w('watch', 'Nothing is needed', 'each visit', BEARS, YEARLY),
  ],
  sapsucker: [
    w('guard', 'Loose mesh over the drilled stretch', 'while they feed', HOLDS, YEARLY),
  ],
}
