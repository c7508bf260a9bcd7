import type { Finding } from '@/core/diagnose/almanac'
import type { OwnEntry } from './ownEntry'

/** A test of one organism or question: by a laboratory, on the spot, or by a qualified assessor. */
export interface Test {
  id: string
  /** `sample` is sent away, `test` is made on the spot, `refer` is an assessor's. */
  how: 'sample' | 'test' | 'refer'
  name: string
  /** What a positive answer means, as a name in a list. */
  positive: string
  /** The causes it proves and no other. */
  settles: readonly string[]
  /** Minutes of work to take it. */
  minutes: number
  /** Days until the answer is usually there. */
  days: number
  take: string
  /** What the answer is worth. */
  note: string
  /** How often a negative misses a tree that has it. House guess: 15 in a hundred for wilt cultures, 5 for DNA tests. */
  misses: number
}

const CULTURE = 0.15
const DNA = 0.05

const t = (
  id: string,
  how: Test['how'],
  name: string,
  positive: string,
  settles: readonly string[],
  days: number,
  minutes: number,
  take: string,
  note: string,
  misses = 0.1,
): Test => ({ id, how, name, positive, settles, minutes, days, take, note, misses })

const MOULDS = ['phytophthora-bleeding-canker', 'phytophthora-root-rot', 'ink-disease']
const DECAYS = ['butt-rot', 'trunk-rot', 'brittle-cinder']

/** Every test the almanac knows, each with what it settles. Days and minutes are usual ones; the laboratory says its own. */
// prettier-ignore
export const TESTS: readonly Test[] = [
  t('lab-elm-wilt', 'sample', 'Elm wilt culture', 'Elm wilt fungus grown', ['dutch-elm-disease'], 10, 15, 'Six lengths of a flagging branch with streaked outer wood, up to an inch thick and a hand long, bark on, dry in a bag, cool.', 'It grows only from living sick wood. A negative from dead or hot wood proves nothing: take it again.', CULTURE),
  t('lab-oak-wilt', 'sample', 'Oak wilt culture or DNA test', 'Oak wilt fungus proved', ['oak-wilt'], 14, 20, 'Six lengths of living, wilting branch from two limbs, up to an inch thick and a hand long, on ice at once, there within two days.', 'A DNA test is faster where it is offered. Culture fails on dead or warm wood. Paint the cut at once in the season of risk.', CULTURE),
  t('lab-verticillium', 'sample', 'Verticillium culture', 'Verticillium grown', ['verticillium-wilt'], 21, 15, 'Six wilting twigs with streaked wood, a thumb thick and a hand long, from the edge of the sound part, cool and dry.', 'Ash and some others streak little: send them without. One negative is weak.', CULTURE),
  t('lab-elm-yellows', 'sample', 'Elm yellows test', 'Elm yellows organism found', ['elm-yellows'], 10, 15, 'Inner bark or leaf stalks from yellowing limbs, and a palm of inner bark from the base, cool.', 'Ask for DNA of the organism, and for the wilt culture of the same elm.', DNA),
  t('lab-laurel-wilt', 'sample', 'Laurel wilt test', 'Laurel wilt fungus found', ['laurel-wilt'], 14, 20, 'Chips or a disc of sapwood with dark streaks from a wilting limb, bagged twice, cold.', 'Ask the authority first how the wood may travel. On avocado have root rot tested too.', CULTURE),
  t('lab-thousand-cankers', 'sample', 'Thousand cankers test', 'Thousand cankers fungus found', ['thousand-cankers'], 21, 20, 'Branch pieces up to four inches thick and a foot long, with small cankers and pinholes, unpeeled, bagged twice.', 'An official sample: the wood does not leave the place without leave.', CULTURE),
  t('lab-ash-dieback', 'sample', 'Ash dieback test', 'Ash dieback fungus found', ['ash-dieback'], 14, 15, 'Shoots across the edge of a lesion, and leaves with dark stalks, in dry paper and a bag, cool.', 'A DNA test; official where it is not known yet.', DNA),
  t('lab-bacteria-xylem', 'sample', 'Xylem bacteria test', 'Xylem bacteria proved', ['bacterial-leaf-scorch'], 10, 10, 'Twenty leaves with stalks that show the band, from two sides of the crown, in late summer, in dry paper, cool.', 'Too early in the year it misses. An official test where the bacterium is regulated.', 0.1),
  t('lab-water-mould', 'sample', 'Water mould culture or baiting', 'Water mould proved', MOULDS, 14, 20, 'Inner bark from the edge of a fresh bleed, or a cup of fine roots from the edge of the rot with a pint of soil, damp and cool.', 'Dry old bark gives nothing. Ask for the species: the law asks, the treatment hardly.', CULTURE),
  t('test-water-mould-strip', 'test', 'Water mould strip test', 'Strip shows a water mould', MOULDS, 0, 12, 'A pinch of inner bark or root from the edge of the rot, ground in the buffer.', 'It names the group only, and a near relative can react. A regulated host still needs the official test.', 0.15),
  t('lab-ramorum', 'sample', 'Official sudden oak death test', 'Sudden oak death proved', ['phytophthora-bleeding-canker'], 21, 20, 'Taken by the inspector: edge of the bark, and leaves of laurel, rhododendron or larch near by.', 'Ask the authority before anything is cut.', DNA),
  t('lab-pine-nematode', 'sample', 'Pinewood nematode test', 'Pinewood nematodes found', ['pine-wilt'], 7, 20, 'A quart of drill shavings or a disc from the stem and a large limb, sealed, cool, not dried.', 'Take it from several heights; twigs miss it.', 0.1),
  t('lab-beech-nematode', 'sample', 'Beech leaf nematode test', 'Beech leaf nematodes found', ['beech-leaf-disease'], 7, 8, 'Ten banded leaves, or twenty buds in winter, sealed, cool.', 'It tells whether the disease is here; where it is known the bands nearly prove it.', DNA),
  t('lab-greening', 'sample', 'Citrus greening test', 'Citrus greening proved', ['citrus-greening'], 10, 15, 'Twenty mottled leaves with stalks from the sick limb, bagged twice, through the authority.', 'A young infection tests negative for months: again after half a year.', 0.15),
  t('lab-fire-blight', 'sample', 'Fire blight test', 'Fire blight bacterium found', ['fire-blight'], 5, 10, 'Shoots across the edge of dark and sound wood, dry, cool.', 'Worth it only where the law asks or a blossom blight is in doubt.', DNA),
  t('lab-stone-canker', 'sample', 'Bacterial canker test', 'Stone-fruit canker bacterium found', ['bacterial-canker'], 7, 10, 'Bark from the edge of a young canker, early in spring.', 'The bacterium lives on sound leaves too: only bark counts.', 0.1),
  t('lab-horse-chestnut-canker', 'sample', 'Horse-chestnut canker test', 'Bleeding canker bacterium found', ['horse-chestnut-bleeding-canker'], 10, 15, 'Bark from the edge of a fresh weeping spot, cool.', 'Have the same piece tested for water moulds.', DNA),
  t('lab-acute-oak-decline', 'sample', 'Acute oak decline test', 'Bacteria of oak decline found', ['acute-oak-decline'], 21, 20, 'A swab or bark from a fresh weeping crack, cool.', 'It hardly changes the work; send it where a survey asks.', 0.1),
  t('lab-chestnut-blight', 'sample', 'Chestnut blight culture', 'Chestnut blight fungus grown', ['chestnut-blight'], 10, 15, 'Bark from the edge of a canker with orange dots, dry, cool.', 'Ask whether the weakened strain is there. Official where it is regulated.', 0.1),
  t('lab-boxwood-blight', 'sample', 'Boxwood blight test', 'Boxwood blight fungus found', ['boxwood-blight'], 5, 8, 'A handful of streaked stems with spotted leaves, sealed, cool.', 'Damp chamber or DNA. Clean hands and tools on leaving.', DNA),
  t('lab-dogwood-anthracnose', 'sample', 'Dogwood anthracnose look', 'Dogwood anthracnose fungus seen', ['dogwood-anthracnose'], 7, 8, 'Ten blotched leaves, and five twigs across dead and green.', 'The microscope finds its fruiting bodies from late spring to autumn.', 0.1),
  t('lab-needle-fungus', 'sample', 'Needle fungus look', 'Needle cast fungus seen', ['needle-cast'], 7, 8, 'Twigs with last year’s browning needles and green ones, in dry paper, cool.', 'In spring, before the needles fall. Tip blight can be named from the same parcel.', 0.1),
  t('lab-eutypa', 'sample', 'Eutypa culture', 'Eutypa fungus grown', ['eutypa-dieback'], 28, 15, 'A piece of limb across the edge of the brown wedge.', 'Slow. The wedge behind an old cut in a collapsed limb is usually enough.', CULTURE),
  t('lab-armillaria', 'sample', 'Honey fungus named', 'Honey fungus named', ['armillaria-root-rot'], 14, 15, 'White sheet with bark, black cords, or a mushroom, in a paper bag, cool.', 'The species tells how hard it attacks.', 0.1),
  t('lab-decay-fungus', 'sample', 'Decay fungus named', 'Decay fungus named', DECAYS, 14, 12, 'A piece of the bracket or crust with its underside, or of rotten wood, in a paper bag.', 'Pictures of both faces help. The kind of rot matters for the risk; it does not measure the wood that is left.', 0.1),
  t('lab-ash-borer-id', 'sample', 'Ash borer named', 'Emerald ash borer named', ['emerald-ash-borer'], 3, 10, 'A larva in alcohol, a beetle, or a picture with a scale; a piece of gallery.', 'Official for the first find in a county.', DNA),
  t('lab-longhorn-id', 'sample', 'Longhorned beetle named', 'Longhorned beetle named', ['asian-longhorned-beetle'], 3, 10, 'The beetle in a jar, frozen, or a sharp picture with a coin; pictures of pits and holes.', 'Call the authority the same day. Cut nothing.', DNA),
  t('test-soil-ph', 'test', 'Soil pH', 'Soil pH above 7', ['iron-chlorosis', 'manganese-shortage'], 0, 10, 'Soil from 2 to 8 in deep at six places under the crown, mixed.', 'Above 7 iron and manganese get scarce; pin oak and red maple may pale above 6.5.', 0.1),
  t('lab-soil-nutrients', 'sample', 'Soil nutrient test', 'Soil test finds a nutrient short', ['nutrient-shortage'], 10, 15, 'A pint of soil from 2 to 8 in deep, mixed from ten places under the crown.', 'Write the kind of tree on it. Total nitrogen tells little.', 0.15),
  t('lab-leaf-nutrients', 'sample', 'Leaf nutrient analysis', 'Leaf analysis finds nutrients short', ['nutrient-shortage'], 10, 10, 'Fifty full-grown leaves from the middle of this year’s shoots, in a paper bag, in midsummer.', 'Send leaves of a sound neighbour beside them.', 0.1),
  t('lab-leaf-manganese', 'sample', 'Leaf manganese', 'Leaf analysis finds manganese short', ['manganese-shortage'], 10, 10, 'The same fifty leaves.', 'One parcel with the nutrient analysis. Total iron in leaves misleads: do not judge iron by it.', 0.1),
  t('test-iron-trial', 'test', 'Iron trial on a shoot', 'Brushed shoot greens with iron', ['iron-chlorosis'], 12, 6, 'Labelled leaf iron brushed on marked yellow leaves of one shoot, manganese on another; not in heat.', 'The one that greens within two weeks tells which is short.', 0.15),
  t('lab-soil-salt', 'sample', 'Soil salts and sodium', 'Soil test finds too much salt', ['salt-injury'], 7, 12, 'Two pints from the top foot, one from the exposed side and one from the far side.', 'Before any gypsum, early in spring before rain has washed it.', 0.15),
  t('lab-weedkiller', 'sample', 'Weedkiller residue test', 'Weedkiller residue found', ['weedkiller-injury'], 21, 20, 'A pound of twisted leaves, frozen at once, with two or three suspected actives named.', 'Dear, and gone in weeks. Only where somebody must pay.', 0.3),
  t('test-drain-hole', 'test', 'Drainage hole', 'Water stands in a test hole', ['waterlogging'], 0, 15, 'A hole a foot deep and wide, filled, drained, filled again and timed.', 'Less than an inch an hour: roots drown. Look back after an hour.', 0.1),
  t('test-salt-water', 'test', 'Salt water test of fruit', 'Maggots float out of ripe fruit', ['spotted-wing-drosophila'], 0, 15, 'Thirty ripe fruit crushed lightly in a bag, with a quarter cup of salt to a quart of warm water.', 'Maggots float out within a quarter of an hour.', 0.1),
  t('test-decay-resistance', 'refer', 'Decay sounding by instrument', 'Too little sound wood', DECAYS, 21, 15, 'A referral: map of the mallet, pictures of brackets and cavity, and what stands below.', 'Resistance drill or sound picture, by a qualified risk assessor. Targets stay away until the answer.', 0.1),
  t('test-pull', 'refer', 'Pull test of the anchorage', 'Weak anchorage', ['armillaria-root-rot', 'butt-rot', 'root-loss'], 28, 15, 'A referral: pictures of the root plate and cuts, and what stands below.', 'By a qualified risk assessor, not on frozen or soaked ground.', 0.1),
]

const byId = new Map(TESTS.map((x) => [x.id, x]))

/** How often a negative of a firm's own test misses a tree that has it; house guess. */
const OWN_MISSES = 0.15

/** A firm's own tests. */
export function ownTests(own: readonly OwnEntry[]): Test[] {
  return own.flatMap((e) =>
    e.kind === 'test' ? [{ ...e, positive: `${e.name}: positive`, misses: OWN_MISSES }] : [],
  )
}

/** The test of an id, of the almanac or of the firm's own, or undefined. `testOf('lab-elm-wilt')?.settles // ['dutch-elm-disease']` */
export function testOf(id: string, own: readonly OwnEntry[] = []): Test | undefined {
  return byId.get(id) ?? ownTests(own).find((x) => x.id === id)
}

/** The tests that settle a cause, a firm's own among them; those that are named soonest first. */
export function testsFor(cause: string, own: readonly OwnEntry[] = []): Test[] {
  return [...TESTS, ...ownTests(own)].filter((x) => x.settles.includes(cause)).sort((a, b) => a.days - b.days)
}

/** A positive where nothing of the kind is there: a slip of the laboratory. */
const FALSE_POSITIVE = 0.003

/** A test as an examination records it: there is positive, not there is negative. */
export const findingOfTest = (x: Test): Finding => ({
  id: x.id,
  place: 'lab',
  how: x.how,
  name: x.positive,
  question: `${x.name}: is the answer positive?`,
  minutes: x.minutes,
  background: FALSE_POSITIVE,
  settles: x.settles,
  misses: x.misses,
  days: x.days,
})

/** Every test of the almanac as a finding. */
export const TEST_FINDINGS: readonly Finding[] = [
  ...TESTS.map(findingOfTest),
  {
    id: 'lab-wilt-fungus',
    place: 'lab',
    how: 'sample',
    name: 'A wilt fungus, not named',
    question: 'Did the laboratory grow a wilt fungus, without naming it?',
    minutes: 30,
    background: 0.05,
    retired: true,
  },
]
