import type { Practice, SourceKind } from '@/core/diagnose/almanac'

const X: SourceKind = 'extension service'
const H: SourceKind = 'handbook of the trade'
const P: SourceKind = 'practice'

const p = (
  works: Practice['works'],
  lookAgain: number[],
  safety: string,
  source: SourceKind,
  degreeDays?: Practice['degreeDays'],
): Practice => ({ works, lookAgain, safety, source, ...(degreeDays && { degreeDays }) })

const LABEL = 'The label, local law and the licence come first; keep open bloom and water out of it.'
const EYES = 'Eye protection when drilling; count everything back in.'
const FALL =
  'A dead or hollow tree may fail: a qualified risk assessor looks before anybody climbs or drills.'
const TOOLS = 'Clean tools between cuts and between trees.'
const POWER = 'Saws, ladders and work near lines are for trained people.'
const FOOD = 'Food is on the tree: only labels that name the crop, with their days to harvest.'
const NONE = 'Nothing beside ordinary care.'

/** What the trade knows of acting on each cause: whether anything works, when to look again, since when, how safe. */
export const PRACTICE: Readonly<Record<string, Practice>> = {
  'emerald-ash-borer': p('yes', [14, 365], `${EYES} ${LABEL} ${FALL}`, X, [
    450,
    550,
    'first adults; peak at 900 to 1,100',
  ]),
  'bronze-birch-borer': p('partly', [30, 365], `${EYES} ${LABEL}`, X, [450, 880, 'adults']),
  'two-lined-chestnut-borer': p('partly', [30, 365], `${LABEL} ${FALL}`, X, [440, 700, 'adults']),
  'clearwing-borer': p('partly', [30, 365], LABEL, X),
  'peach-tree-borer': p('partly', [30, 365], `${FOOD} ${LABEL}`, X, [575, 710, 'adults']),
  'twig-pruner': p('yes', [90, 365], NONE, H),
  'hemlock-woolly-adelgid': p(
    'yes',
    [180, 365, 730],
    `Soil products stay off springs and streams. ${LABEL}`,
    X,
  ),
  'tuliptree-scale': p('yes', [30, 365], `Bees visit both hosts. ${LABEL}`, X, [1900, 2600, 'crawlers']),
  'lecanium-scale': p('yes', [14, 30, 365], `Lindens and maples feed bees. ${LABEL}`, X, [
    800,
    1250,
    'crawlers',
  ]),
  'armored-scale': p('yes', [14, 30, 365], `Oil scorches in heat and near sulfur. ${LABEL}`, X, [
    500,
    700,
    'crawlers of the San Jose type',
  ]),
  'bark-scale-felted': p('yes', [60, 365], LABEL, X),
  'cottony-cushion-scale': p('yes', [21, 42], `${FOOD} ${LABEL}`, X),
  mealybug: p('yes', [7, 14], `${FOOD} ${LABEL}`, X),
  aphids: p('yes', [7, 14], `Leave flowers and predators out of it. ${LABEL}`, X),
  'ants-tending': p('yes', [7, 30, 100], 'A sticky band only over a wrap, with a date to renew it.', H),
  'lace-bugs': p('yes', [14, 30], LABEL, X),
  'spider-mites': p(
    'yes',
    [1, 7, 14],
    `Oil scorches in heat, and takes the blue off blue spruce. ${LABEL}`,
    X,
  ),
  'persea-mite': p('partly', [1, 7, 14], `${FOOD} Spray toward evening.`, X),
  'leaf-footed-bug': p('partly', [7, 30], FOOD, H),
  'spongy-moth': p('yes', [3, 14, 365], 'Hairs of larvae and egg masses irritate: gloves and mask.', X, [
    145,
    200,
    'hatch',
  ]),
  'tussock-moth': p('yes', [3, 10], 'Hairs irritate: gloves and long sleeves.', X),
  cankerworm: p('yes', [3, 10], LABEL, X, [150, 200, 'hatch']),
  'fall-webworm': p('yes', [7, 14], POWER, X, [1200, 1800, 'nests']),
  'japanese-beetle': p('partly', [7, 14], `Lindens in bloom feed bees: no systemic before it. ${LABEL}`, X, [
    950,
    1050,
    'adults',
  ]),
  'citrus-leafminer': p('partly', [14, 30], `${FOOD} ${LABEL}`, X),
  'snails-slugs': p('yes', [7, 14], 'Bait out of reach of pets.', H),
  'chestnut-weevil': p('yes', [365], 'Heated nuts are hot; keep the heat even.', H),
  'nut-moths': p('not needed', [365], NONE, H),
  'chestnut-gall-wasp': p('partly', [365, 1095], NONE, X),
  'peach-leaf-curl': p('yes', [60, 300], `Copper and sulfur only where lawful. ${FOOD}`, X),
  'apple-scab': p('yes', [14, 30], `${FOOD} ${LABEL}`, X),
  'cedar-apple-rust': p('yes', [14, 30], `${FOOD} ${LABEL}`, X),
  'powdery-mildew': p('yes', [14, 30], 'Sulfur scorches in heat and near oil; mask for powders.', X),
  anthracnose: p('not needed', [42, 365], LABEL, X),
  'sooty-blotch-flyspeck': p('yes', [90, 365], `Harmless to eat. ${POWER}`, X),
  'bitter-rot': p('partly', [30, 365], FOOD, X),
  'black-rot': p('partly', [30, 365], FOOD, X),
  'white-rot': p('partly', [30, 365], FOOD, X),
  'plum-pockets': p('yes', [300], `Copper only where lawful. ${FOOD}`, X),
  'sooty-mould': p(
    'yes',
    [14, 30],
    'What drips is honeydew, not a chemical; steps below may be slippery.',
    H,
  ),
  'oak-wilt': p(
    'partly',
    [30, 365, 730],
    `Reportable in places; wood does not leave the site without advice. ${FALL}`,
    X,
  ),
  'dutch-elm-disease': p(
    'partly',
    [14, 365, 730],
    `Reportable in places; wood does not leave the site without advice. ${FALL}`,
    X,
  ),
  'verticillium-wilt': p('no', [365], FALL, X),
  'hypoxylon-canker': p('no', [30, 180], FALL, X),
  'smooth-patch': p('not needed', [365], NONE, X),
  'armillaria-root-rot': p('no', [30, 180], FALL, X),
  'phytophthora-bleeding-canker': p(
    'partly',
    [90, 365],
    `Reportable in places; clean boots and tools. ${LABEL}`,
    X,
  ),
  'phytophthora-root-rot': p('partly', [90, 365], `Clean boots and tools. ${FOOD}`, X),
  'cytospora-canker': p('partly', [365], `${TOOLS} ${POWER}`, X),
  'diplodia-tip-blight': p('yes', [42, 365], `${TOOLS} ${LABEL}`, X),
  'fire-blight': p(
    'partly',
    [14, 30],
    `${TOOLS} Bees are in the bloom: only what the label allows there.`,
    X,
  ),
  'bacterial-leaf-scorch': p('partly', [60, 365], `${EYES} ${LABEL}`, X),
  'bacterial-wetwood': p('not needed', [365], 'Do not drill to drain it.', X),
  'drought-stress': p('yes', [7, 30, 365], NONE, H),
  waterlogging: p('yes', [14, 60], NONE, H),
  'iron-chlorosis': p('yes', [30, 365], `${EYES} A soil test before any product.`, X),
  'nutrient-shortage': p('yes', [60, 365], 'A soil test before any feed; none into drains and water.', X),
  'weedkiller-injury': p('not needed', [30, 60], 'Ask, do not accuse; keep the container’s label.', X),
  'salt-injury': p('partly', [60, 365], NONE, X),
  'frost-injury': p('not needed', [42], POWER, H),
  'buried-flare': p('yes', [30, 365], 'Look for lines in the ground before digging.', H),
  'girdling-roots': p(
    'yes',
    [365, 730],
    'A root that anchors is not cut at once; look for lines before digging.',
    H,
  ),
  'soil-compaction': p(
    'yes',
    [180, 365],
    'Look for lines in the ground before digging; ear and eye protection at the air tool.',
    H,
  ),
  'mechanical-wound': p('not needed', [365], NONE, H),
  'rootstock-takeover': p('yes', [60, 365], POWER, H),
  'crowded-crown': p('yes', [90, 365], POWER, H),
  'vole-gnawing': p('yes', [30, 180], NONE, X),
  'rabbit-gnawing': p('yes', [30, 180], NONE, X),
  'deer-browse': p('yes', [14, 180], NONE, X),
  'deer-rub': p('yes', [180, 365], NONE, X),
  'squirrel-stripping': p(
    'not needed',
    [180],
    `A limb that is more than a quarter girdled may break. ${POWER}`,
    P,
  ),
  'natural-bark-shedding': p('not needed', [365], NONE, H),
  'natural-needle-drop': p('not needed', [30], NONE, H),
}
