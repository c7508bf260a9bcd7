import type { Way } from '@/core/decide/way'
import { ASSESSOR, BEARS, BY_LABEL, ENDS, GAP, HOLDS, ONCE, SAMPLE, w, WATER, YEARLY } from './way'

const COPPER = ['copper']
const COVERS = ['protective fungicide', 'sulfur']
/** Sulfur holds scab and mildew, not rusts and fruit rots. */
const NO_SULFUR = ['protective fungicide']
const CLEAN = (what: string, when: string) => w('hands', what, when, HOLDS, YEARLY)
const DRY_CUT = (what: string) => w('prune', what, 'dry weather', HOLDS, YEARLY)
const COVER = (when: string, kinds = COVERS) =>
  w(
    'crown-spray',
    'Protective cover on both leaf faces, inside first',
    when,
    HOLDS,
    'renewed after wash-off and new growth, inside the label’s interval',
    { kinds },
  )

/** What keeps a wilt from going on, in its order: the line, then the axe, then the wood. */
// prettier-ignore
export const CONTAINED = [
  w('barrier', 'Cut joined roots: a line 4 to 5 ft deep between it and its neighbours', 'before felling', HOLDS, ONCE),
  w('fell', 'Fell it, once the line is cut', 'after the line is cut', HOLDS, ONCE),
  w('wood', 'Chip, debark, bury or burn the wood, or cover and seal it through the next spring', 'the day it is felled', HOLDS, ONCE),
]

/** Ways on fungi, bacteria and water moulds of trees and fruit. */
// prettier-ignore
export const DISEASE_WAYS: Readonly<Record<string, readonly Way[]>> = {
  'sooty-mould': [
    w('hands', 'Find what feeds above and treat that; wash the film off', 'when the feeder is gone', ENDS, ONCE),
    w('crown-spray', 'Soap to loosen the film', 'evening, after the feeder', BEARS, ONCE, { kinds: ['soap'], first: 'the sap feeder' }),
  ],
  'fire-blight': [
    w('crown-spray', 'Bactericide over open bloom where lawful', 'in bloom by warmth and wetting, before symptoms', HOLDS, 'twice by risk, up to the label’s count', { kinds: ['bactericide'] }),
    w('crown-spray', 'Copper where lawful, before any leaf is larger than that; it russets later', 'silver tip to half-inch green', HOLDS, YEARLY, { kinds: ['copper'] }),
    w('prune', 'Cut 8 to 12 in below the last dark wood, tool cleaned at every cut', 'dry weather, or dormant', HOLDS, 'as strikes show'),
    w('feed', 'No nitrogen; feed only what a test says is missing', 'not while it strikes', BEARS, YEARLY, { kinds: ['no nitrogen'] }),
  ],
  'verticillium-wilt': [SAMPLE, WATER, w('prune', 'Take dead wood out', 'dormant', BEARS, YEARLY)],
  'oak-wilt': [
    SAMPLE,
    w('trunk-injection', 'Inject a fungicide into healthy neighbours', 'in leaf, before they show it', HOLDS, 'after the time the card names', { kinds: ['propiconazole'], on: 'sound neighbours, and oaks early in it' }),
    ...CONTAINED,
    w('prune', 'No cut in the local risk season; wounds painted at once', 'outside the local risk season, best in deep dormancy', HOLDS, YEARLY),
  ],
  'bacterial-leaf-scorch': [
    SAMPLE,
    w('trunk-injection', 'Inject an antibiotic', 'early summer in leaf', GAP, YEARLY, { kinds: ['antibiotic'], on: 'ornamentals worth it', first: 'laboratory proof' }),
    w('soil-drench', 'Biostimulant and root care', 'when soil is moist', BEARS, YEARLY, { kinds: ['biostimulant'] }),
    w('soil-injection', 'Biostimulant and root care', 'when soil is moist', BEARS, YEARLY, { kinds: ['biostimulant'] }),
    WATER,
  ],
  anthracnose: [
    w('hands', 'Rake the leaves', 'autumn', HOLDS, YEARLY),
    w('trunk-injection', 'Inject a fungicide', 'late summer to early spring by the label', HOLDS, 'after the time the card names', { kinds: ['systemic fungicide'], on: 'sycamores stripped year after year, and no other kind' }),
    w('crown-spray', 'Protective cover', 'from bud break in wet springs', HOLDS, BY_LABEL, { kinds: COPPER, on: 'young or often stripped trees' }),
  ],
  'powdery-mildew': [w('prune', 'Cut white shoots out, open the crown', 'dormant and when seen', HOLDS, YEARLY), COVER('at the first white, away from oil and heat')],
  'hypoxylon-canker': [ASSESSOR, WATER],
  'smooth-patch': [w('watch', 'Nothing is needed', 'each visit', BEARS, YEARLY)],
  'armillaria-root-rot': [ASSESSOR, w('collar', 'Bare the collar and keep it dry', 'when the soil is workable', BEARS, ONCE), w('hands', 'Take stump and roots out', 'after felling', HOLDS, ONCE)],
  'bacterial-wetwood': [w('watch', 'Nothing is needed; keep vigour', 'each visit', BEARS, YEARLY)],
  'peach-leaf-curl': [
    w('crown-spray', 'Copper or lime sulfur over bare twigs where lawful', 'after leaf fall, and again before bud swell', ENDS, 'twice each dormant season', { kinds: ['copper', 'lime sulfur'] }),
    w('shelter', 'Rain shelter over the crown', 'October to May', ENDS, YEARLY),
    w('hands', 'Take curled leaves away', 'spring', BEARS, YEARLY),
    WATER,
  ],
  'apple-scab': [w('crown-spray', 'Copper as the first cover, where lawful; it russets later', 'silver tip to half-inch green', HOLDS, YEARLY, { kinds: ['copper'] }), COVER('from green tip to four to six weeks after petal fall, by rain and growth'), CLEAN('Rake or shred the fallen leaves', 'autumn'), w('prune', 'Open the crown', 'dormant', BEARS, YEARLY)],
  'cedar-apple-rust': [COVER('from pink to mid-season where it costs fruit', NO_SULFUR), w('hands', 'Take galls off the second host where practical', 'winter', BEARS, YEARLY)],
  'sooty-blotch-flyspeck': [w('prune', 'Open the crown so that fruit dries', 'dormant', HOLDS, YEARLY), COVER('from three weeks after petal fall, where looks are paid for', NO_SULFUR)],
  'bitter-rot': [CLEAN('Mummies and dead wood out', 'winter'), COVER('warm wet weather', NO_SULFUR)],
  'black-rot': [CLEAN('Mummies, cankers and dead wood out', 'winter'), COVER('from pink on', NO_SULFUR)],
  'white-rot': [CLEAN('Mummies and dead wood out', 'winter'), WATER, COVER('late in the season', NO_SULFUR)],
  'plum-pockets': [CLEAN('Pick and bin the pockets before they turn grey', 'spring'), w('crown-spray', 'Copper or lime sulfur over bare twigs where lawful', 'dormant, before bud swell', ENDS, YEARLY, { kinds: ['copper', 'lime sulfur'] })],
  'dutch-elm-disease': [
    SAMPLE,
    w('trunk-injection', 'Inject a fungicide into healthy neighbours', 'in leaf, before they show it', HOLDS, 'after the time the card names', { kinds: ['thiabendazole', 'propiconazole'], on: 'sound elms, or one flag far out' }),
    w('prune', 'Cut the flag out with 8 to 10 ft of clean wood below the last streak', 'at once', HOLDS, ONCE, { on: 'a new beetle infection in under about 5 % of the crown; else it is felled' }),
    ...CONTAINED,
  ],
  'phytophthora-bleeding-canker': [
    SAMPLE,
    w('bark-spray', 'Phosphonate on the lower bark', 'in leaf', HOLDS, BY_LABEL, { kinds: ['phosphonate'] }),
    w('trunk-injection', 'Inject phosphonate', 'in leaf', HOLDS, BY_LABEL, { kinds: ['phosphonate'] }),
    w('water', 'Keep water off the trunk and drain', 'always', BEARS, ONCE),
  ],
  'phytophthora-root-rot': [
    SAMPLE,
    w('water', 'Drain, water less and wider', 'always', BEARS, 'by the probe'),
    w('trunk-injection', 'Inject phosphonate', 'in leaf', HOLDS, BY_LABEL, { kinds: ['phosphonate'] }),
    w('trenches', 'Coarse mulch, wide', 'when workable', BEARS, ONCE),
  ],
  'cytospora-canker': [DRY_CUT('Prune dead limbs'), WATER],
  'diplodia-tip-blight': [DRY_CUT('Prune dead tips'), w('crown-spray', 'Labelled fungicide on the new growth', 'bud swell, then twice about two weeks apart', HOLDS, BY_LABEL, { kinds: ['protective fungicide'], on: 'trees that matter' }), WATER],
}
