import { byKind } from '@/core/kind/kind'
import type { Wetting } from '@/core/season/wetting'
import type { StageSum } from '@/core/season/stages'
import type { Sum } from '@/core/season/year'
import { toSI, type Temperature } from '@/core/quantity/units'

/** °F·d, as sums are published, to °C·d. */
const fd = (sum: number) => sum / 1.8

/** What most sums of insects and ornamentals are counted above. Source: handbook, windows. */
export const BASE: Temperature = toSI(50, 'F')
/** The sum that is shown of every site. */
export const SITE_SUM: Sum = { base: BASE }

const FRUIT: Sum = { base: toSI(43, 'F') }

/** The stages of apple, base 43 °F from 1 January. Source: handbook, stages by degree days. */
const APPLE: readonly StageSum[] = (
  [
    ['silver tip', 57, 91],
    ['green tip', 95, 131],
    ['half-inch green', 148, 193],
    ['tight cluster', 206, 257],
    ['pink', 274, 331],
    ['bloom', 372, 439],
    ['petal fall', 480, 545],
  ] as const
).map(([stage, low, high]) => ({ stage, low: fd(low), high: fd(high) }))

/** How the stages of a kind are timed. */
export interface Phenology {
  sum: Sum
  stages: readonly StageSum[]
  /** Days earlier than the sums say. */
  daysBefore: number
}

const bloom = (low: number, high: number): Phenology => ({
  sum: SITE_SUM,
  stages: [{ stage: 'bloom', low: fd(low), high: fd(high) }],
  daysBefore: 0,
})

/** By kind of tree. Source: handbook, stages by degree days; all of them give way to what is seen. */
const PHENOLOGY: Readonly<Record<string, Phenology>> = {
  apple: { sum: FRUIT, stages: APPLE, daysBefore: 0 },
  crabapple: { sum: FRUIT, stages: APPLE, daysBefore: 0 },
  pear: { sum: FRUIT, stages: APPLE, daysBefore: 5 },
  cherry: { sum: FRUIT, stages: APPLE, daysBefore: 4 },
  peach: { sum: FRUIT, stages: APPLE, daysBefore: 10 },
  linden: bloom(1250, 1500),
  tuliptree: bloom(380, 560),
  'horse-chestnut': bloom(300, 480),
  'black-locust': bloom(490, 620),
}

/** How the stages of a kind are timed, or nothing where no sums are known. */
export function phenologyOf(host: string): Phenology | undefined {
  return byKind(PHENOLOGY, host)
}

/** Every stage that some kind is timed by. */
export const STAGE_NAMES: readonly string[] = APPLE.map((s) => s.stage)

/** Something that comes with the warmth: when to look, from a sum to another above 50 °F. */
export interface WarmthTarget {
  id: string
  name: string
  /** Causes it belongs to. */
  causes: readonly string[]
  hosts: readonly string[]
  from: number
  to: number
  /** Counted from when this other target is first seen or caught, not from the beginning of the year. */
  since?: string
}

const target = (
  id: string,
  name: string,
  causes: readonly string[],
  hosts: readonly string[],
  from: number,
  to: number,
  since?: string,
): WarmthTarget => ({ id, name, causes, hosts, from: fd(from), to: fd(to), ...(since && { since }) })

const OAKS = ['oak-red-group', 'oak-white-group']
const ORCHARD = ['apple', 'crabapple', 'pear']
const STONE = ['peach', 'plum', 'cherry', 'apricot', 'almond']

/** Published sums to start from, base 50 °F from 1 January; counts on the ground decide. Source: handbook, windows. */
// prettier-ignore
export const TARGETS: readonly WarmthTarget[] = [
  target('spongy-moth-hatch', 'Spongy moth hatch', ['spongy-moth'], [...OAKS, 'birch', 'apple', 'crabapple', 'linden'], 145, 200),
  target('cankerworm-hatch', 'Cankerworm hatch', ['cankerworm'], ['elm', 'linden', 'maple', 'apple', ...OAKS], 150, 200),
  target('crawlers-oystershell', 'Crawlers, oystershell type', ['armored-scale'], ['ash', 'maple', 'apple', 'dogwood'], 360, 700),
  target('tent-caterpillar-hatch', 'Tent caterpillar hatch', ['tent-caterpillar'], ['cherry', 'apple', 'crabapple', 'hawthorn', 'plum', 'pear'], 90, 190),
  target('crawlers-conifer', 'Crawlers of pine needle scale', ['pine-needle-scale'], ['pine', 'spruce', 'fir', 'douglas-fir', 'hemlock'], 300, 450),
  target('crawlers-hemlock', 'Crawlers of elongate hemlock scale', ['elongate-hemlock-scale'], ['hemlock', 'fir', 'spruce', 'yew'], 360, 700),
  target('crawlers-euonymus', 'Crawlers of euonymus scale', ['euonymus-scale'], ['euonymus'], 400, 700),
  target('elm-leaf-beetle', 'Elm leaf beetle, first grubs', ['elm-leaf-beetle'], ['elm'], 360, 910),
  target('bagworm-hatch', 'Bagworm hatch', ['bagworm'], ['arborvitae', 'juniper', 'cypress', 'spruce', 'pine', 'honeylocust', 'sycamore'], 600, 900),
  target('crawlers-cottony', 'Crawlers of cottony maple scale', ['cottony-maple-scale'], ['maple', 'linden', 'honeylocust'], 800, 1270),
  target('boxwood-midges', 'Boxwood leafminer midges', ['boxwood-leafminer'], ['boxwood'], 250, 450),
  target('crawlers-san-jose', 'Crawlers, San Jose type', ['armored-scale'], [...ORCHARD, 'peach', 'plum', 'cherry'], 500, 700),
  target('ash-borer-first', 'Ash borer, first adults', ['emerald-ash-borer'], ['ash'], 450, 550),
  target('ash-borer-peak', 'Ash borer, most adults', ['emerald-ash-borer'], ['ash'], 900, 1100),
  target('two-lined-borer', 'Two-lined borer adults', ['two-lined-chestnut-borer'], [...OAKS, 'chestnut'], 440, 700),
  target('birch-borer', 'Birch borer adults', ['bronze-birch-borer'], ['birch'], 450, 880),
  target('stone-borer', 'Stone-fruit borer adults', ['peach-tree-borer'], STONE, 575, 710),
  target('crawlers-lecanium', 'Crawlers of soft scale', ['lecanium-scale'], ['maple', 'honeylocust', 'walnut', 'plum', ...OAKS], 800, 1250),
  target('japanese-beetle', 'Japanese beetle adults', ['japanese-beetle'], ['linden', 'birch', 'apple', 'crabapple', 'cherry', 'elm', 'crape-myrtle'], 950, 1050),
  target('fall-webworm', 'Fall webworm', ['fall-webworm'], ['walnut', 'elm', 'maple', 'apple', 'cherry'], 1200, 1800),
  target('clearwing-moths', 'Clearwing moths, ash and lilac kind', ['clearwing-borer'], ['ash'], 275, 500),
  target('codling-first', 'Codling moth, first moths to first hatch', ['codling-moth'], [...ORCHARD, 'walnut'], 200, 450),
  target('codling-hatch', 'Codling moth eggs hatch, from the first catch', ['codling-moth'], [...ORCHARD, 'walnut'], 250, 500, 'codling-first'),
  target('codling-hatch-second', 'Codling moth, second hatch, from the first catch', ['codling-moth'], [...ORCHARD, 'walnut'], 1250, 1550, 'codling-first'),
  target('codling-second', 'Codling moth, second brood', ['codling-moth'], [...ORCHARD, 'walnut'], 1100, 1400),
  target('apple-maggot-flies', 'Apple maggot flies', ['apple-maggot'], ['apple', 'crabapple', 'hawthorn'], 900, 1500),
  target('plum-curculio', 'Plum curculio, cuts on young fruit', ['plum-curculio'], ['peach', 'plum', 'cherry', 'apricot', 'apple', 'pear'], 150, 400),
  target('spruce-mite-hatch', 'Spruce mite hatch', ['spider-mites'], ['spruce', 'hemlock', 'fir', 'arborvitae', 'juniper', 'douglas-fir'], 50, 160),
  target('lace-bugs', 'Lace bugs, first young', ['lace-bugs'], ['rhododendron', 'sycamore', 'hawthorn', 'oak-white-group'], 240, 370),
  target('birch-leafminer', 'Birch leafminer wasps', ['birch-leafminer'], ['birch'], 190, 290),
  target('holly-leafminer', 'Holly leafminer flies', ['holly-leafminer'], ['holly'], 190, 290),
  target('boxwood-psyllid', 'Boxwood psyllid, young', ['boxwood-psyllid'], ['boxwood'], 290, 440),
  target('adelgid-spring', 'Adelgid crawlers, spring brood', ['hemlock-woolly-adelgid'], ['hemlock'], 150, 300),
  target('adelgid-summer', 'Adelgid crawlers, before they rest', ['hemlock-woolly-adelgid'], ['hemlock'], 600, 900),
  target('plant-bugs', 'Plant bugs, young on the first leaves', ['plant-bugs'], ['honeylocust', 'ash', 'sycamore'], 58, 250),
  target('pine-sawflies', 'Pine sawfly larvae, spring kind', ['pine-sawflies'], ['pine'], 90, 190),
  target('white-pine-weevil', 'White pine weevils on the leader', ['white-pine-weevil'], ['pine', 'spruce', 'douglas-fir'], 7, 58),
  target('elm-leaf-beetle-second', 'Elm leaf beetle, second brood', ['elm-leaf-beetle'], ['elm'], 1100, 1400),
  target('crawlers-conifer-second', 'Pine needle scale, second brood', ['pine-needle-scale'], ['pine', 'spruce', 'fir', 'douglas-fir', 'hemlock'], 1290, 1720),
  target('crawlers-euonymus-second', 'Euonymus scale, second brood', ['euonymus-scale'], ['euonymus'], 1800, 2100),
  target('crawlers-tuliptree', 'Crawlers on tuliptree and magnolia', ['tuliptree-scale'], ['tuliptree', 'magnolia'], 1900, 2600),
]

/** A disease that gets in while leaves are wet, in a stretch between two stages of its kinds. */
export interface WettingTarget extends Wetting {
  id: string
  name: string
  cause: string
  hosts: readonly string[]
  /** From the first day of a stage until so many days after that of another. */
  from: string
  until: { stage: string; days: number }
  /** The stretch in words. */
  when: string
  /** What follows where it got in. */
  then: string
}

const f = (from: number, to: number) => ({ from: toSI(from, 'F'), to: toSI(to, 'F') })

/** Source: handbook, cedar rusts, leaf curl. Peach leafs out as its bloom ends: a house figure. */
export const WETTINGS: readonly WettingTarget[] = [
  {
    id: 'rust-wetting',
    name: 'Cedar rusts',
    cause: 'cedar-apple-rust',
    hosts: ['apple', 'crabapple'],
    from: 'pink',
    until: { stage: 'petal fall', days: 28 },
    when: 'From pink until four weeks after petal fall',
    within: f(50, 75),
    hours: 4,
    rain: false,
    then: 'A cover that was on held it off; one that goes on afterwards does not.',
  },
  {
    id: 'curl-wetting',
    name: 'Leaf curl',
    cause: 'peach-leaf-curl',
    hosts: ['peach'],
    from: 'silver tip',
    until: { stage: 'petal fall', days: 0 },
    when: 'From bud swell until the leaves are out',
    within: f(39, 60),
    hours: 1,
    rain: true,
    then: 'Nothing ends it this year: what protects goes on after leaf fall and before buds swell.',
  },
]

/** What begins when a target is seen: the name of its one stage. */
export const SEEN_FIRST = 'first seen'
