import type { FindingState, Seen } from '@/core/diagnose/almanac'
import { weighTree } from './weighing'

interface Pair {
  name: string
  host: string
  month: number
  there: string[]
  not?: string[]
  lead?: string
  /** One of these must be among the first two checks. */
  check?: string[]
  hold?: boolean
  refused?: string[]
  notRefused?: string[]
  chain?: string[]
}

const of = (
  name: string,
  host: string,
  month: number,
  there: string[],
  rest: Omit<Pair, 'name' | 'host' | 'month' | 'there'>,
): Pair => ({ name, host, month, there, ...rest })

/** What looks alike, in practice: who must lead, which check parts them, what waits, what cannot work. */
const PAIRS: Pair[] = [
  of('black pear, before anybody rubbed it', 'pear', 6, ['branch-dieback-scattered'], {
    check: [
      'shoot-black-inside',
      'shoot-crook',
      'shoot-black-rubs-off',
      'leaf-black-film',
      'leaf-hang-black',
    ],
  }),
  of('black pear that rubs clean', 'pear', 6, ['shoot-black-rubs-off', 'leaf-sticky', 'ants-trail'], {
    not: ['shoot-black-inside', 'shoot-crook'],
    lead: 'sooty-mould',
    refused: ['fungicide', 'bactericide'],
    chain: ['ants-tending'],
  }),
  of('black pear that does not', 'pear', 6, ['shoot-crook', 'shoot-black-inside', 'leaf-hang-black'], {
    not: ['shoot-black-rubs-off', 'leaf-sticky'],
    lead: 'fire-blight',
    refused: ['fungicide', 'insecticide'],
    notRefused: ['bactericide'],
  }),
  of('apple with hooked shoots', 'apple', 5, ['shoot-crook', 'leaf-hang-black'], {
    lead: 'fire-blight',
    refused: ['fungicide'],
  }),
  of('curled peach, red blisters', 'peach', 5, ['leaf-curl-red-blister', 'cool-wet-spring'], {
    lead: 'peach-leaf-curl',
    refused: ['insecticide'],
  }),
  of('curled peach, insects inside', 'peach', 5, ['leaf-curl-insects-inside', 'aphids-seen'], {
    not: ['leaf-curl-red-blister'],
    lead: 'aphids',
    refused: ['fungicide'],
  }),
  of('curled plum that crackles', 'plum', 8, ['leaf-fold-crisp', 'soil-dry'], {
    not: ['leaf-curl-insects-inside'],
    lead: 'drought-stress',
    refused: ['fertiliser', 'injection'],
  }),
  of('curled plum on wet soil', 'plum', 6, ['leaf-limp-wet-soil', 'soil-wet'], {
    not: ['leaf-curl-insects-inside'],
    lead: 'waterlogging',
    refused: ['injection', 'fertiliser'],
  }),
  of(
    'strappy apple by a sprayed lawn',
    'apple',
    6,
    ['leaf-twisted-strappy', 'weedkiller-used', 'many-kinds-affected'],
    { lead: 'weedkiller-injury', refused: ['insecticide', 'fungicide'] },
  ),
  of('mined citrus', 'citrus', 8, ['leaf-mines-serpentine', 'leaf-twisted-strappy'], {
    not: ['slime-shells'],
    lead: 'citrus-leafminer',
  }),
  of('stripped citrus with slime', 'citrus', 4, ['leaf-stripped-shoots', 'slime-shells'], {
    not: ['leaf-mines-serpentine'],
    lead: 'snails-slugs',
    refused: ['insecticide', 'fungicide'],
  }),
  of('stripped citrus, nobody looked', 'citrus', 4, ['leaf-stripped-shoots'], {
    lead: 'snails-slugs',
    check: ['slime-shells', 'leaf-mines-serpentine'],
  }),
  of('oak bark falling over a crust', 'oak-red-group', 7, ['bark-off-crust', 'crown-thin-top'], {
    lead: 'hypoxylon-canker',
    refused: ['insecticide', 'fungicide', 'injection'],
  }),
  of('oak with smooth pale patches', 'oak-white-group', 7, ['bark-smooth-patch'], {
    not: ['bark-off-crust', 'crown-thin-top'],
    lead: 'smooth-patch',
    refused: ['fungicide', 'injection', 'crown-spray', 'bark-spray'],
  }),
  of('sycamore shedding plates', 'sycamore', 7, ['bark-flakes-natural'], {
    not: ['crown-thin-even', 'bark-off-crust'],
    lead: 'natural-bark-shedding',
    refused: ['fungicide', 'insecticide', 'injection'],
  }),
  of('oak, banded scorch each year', 'oak-red-group', 8, ['leaf-scorch-banded', 'returns-each-summer'], {
    lead: 'bacterial-leaf-scorch',
    hold: true,
    refused: ['fungicide'],
  }),
  of('elm, banded scorch each year', 'elm', 8, ['leaf-scorch-banded', 'returns-each-summer'], {
    not: ['sapwood-streaks'],
    lead: 'bacterial-leaf-scorch',
    hold: true,
  }),
  of(
    'maple scorched in drought',
    'maple',
    8,
    ['leaf-scorch-even', 'drought-recent', 'soil-dry', 'many-kinds-affected'],
    { not: ['leaf-scorch-banded'], lead: 'drought-stress', refused: ['injection'] },
  ),
  of('linden by a salted road', 'linden', 6, ['salt-exposed', 'leaf-scorch-even', 'crown-thin-one-side'], {
    not: ['drought-recent', 'soil-dry'],
    lead: 'salt-injury',
  }),
  of('ash thin at the top', 'ash', 6, ['crown-thin-top'], {
    check: ['exit-hole-d', 'galleries-s', 'woodpecker-blond', 'soil-dry', 'flare-hidden'],
  }),
  of('ash, D holes and galleries', 'ash', 7, ['crown-thin-top', 'exit-hole-d', 'galleries-s'], {
    lead: 'emerald-ash-borer',
    refused: ['fungicide', 'bactericide'],
    notRefused: ['insecticide', 'injection'],
  }),
  of('mountain ash taken for an ash', 'mountain-ash', 6, ['crown-thin-top'], { not: ['exit-hole-d'] }),
  of('sticky linden, bumps', 'linden', 6, ['leaf-sticky', 'ants-trail', 'twig-bumps-large-soft'], {
    not: ['aphids-seen'],
    lead: 'lecanium-scale',
    chain: ['ants-tending'],
    refused: ['fungicide'],
  }),
  of(
    'sticky crape myrtle with felt',
    'crape-myrtle',
    7,
    ['leaf-sticky', 'leaf-black-film', 'twig-felt-white'],
    { lead: 'bark-scale-felted', refused: ['fungicide'] },
  ),
  of('black crape myrtle, nobody looked', 'crape-myrtle', 7, ['leaf-black-film'], {
    check: ['twig-felt-white', 'aphids-seen', 'leaf-sticky', 'shoot-black-rubs-off'],
    refused: ['fungicide'],
  }),
  of('sticky tuliptree', 'tuliptree', 8, ['leaf-sticky', 'twig-bumps-large-soft', 'leaf-black-film'], {
    lead: 'tuliptree-scale',
  }),
  of('citrus with cotton and ants', 'citrus', 6, ['cottony-masses', 'ants-trail', 'leaf-sticky'], {
    refused: ['fungicide'],
    chain: ['ants-tending'],
  }),
  of('stippled linden with webbing', 'linden', 7, ['leaf-stippled', 'silk-fine', 'drought-recent'], {
    lead: 'spider-mites',
  }),
  of('stippled rhododendron', 'rhododendron', 7, ['leaf-stippled'], {
    not: ['mites-tapped', 'silk-fine'],
    lead: 'lace-bugs',
  }),
  of('red oak wilting within weeks', 'oak-red-group', 6, ['wilt-sudden-whole', 'leaf-bronze-green-drop'], {
    lead: 'oak-wilt',
    hold: true,
    refused: ['insecticide'],
  }),
  of('red oak, sudden, nobody looked', 'oak-red-group', 6, ['wilt-sudden-whole'], {
    hold: true,
    check: [
      'leaf-bronze-green-drop',
      'sapwood-streaks',
      'spreads-along-neighbours',
      'pruned-in-risk-season',
      'galleries-zigzag',
      'exit-hole-d',
      'fans-white-under-bark',
      'mushrooms-base',
    ],
  }),
  of(
    'live oak in a group',
    'oak-live',
    6,
    ['leaf-vein-brown', 'spreads-along-neighbours', 'leaf-bronze-green-drop'],
    { lead: 'oak-wilt', hold: true },
  ),
  of(
    'red oak with zigzags',
    'oak-red-group',
    8,
    ['galleries-zigzag', 'exit-hole-d', 'crown-thin-top', 'drought-recent'],
    { lead: 'two-lined-chestnut-borer', chain: ['drought-stress'] },
  ),
  of('flagging elm', 'elm', 6, ['flagging-limb'], {
    lead: 'dutch-elm-disease',
    check: ['sapwood-streaks'],
    hold: true,
  }),
  of('flagging elm with streaks', 'elm', 6, ['flagging-limb', 'sapwood-streaks'], {
    lead: 'dutch-elm-disease',
    hold: true,
    refused: ['crown-spray', 'bark-spray'],
  }),
  of('elm with a sour seep', 'elm', 6, ['bleed-sour'], {
    not: ['flagging-limb', 'sapwood-streaks'],
    lead: 'bacterial-wetwood',
    refused: ['injection'],
  }),
  of('yellow maple between veins', 'maple', 6, ['leaf-yellow-between-veins'], {
    lead: 'iron-chlorosis',
    refused: ['insecticide', 'fungicide'],
  }),
  of('yellow maple, all even', 'maple', 6, ['leaf-yellow-even'], {
    not: ['leaf-yellow-between-veins'],
    check: ['soil-wet', 'soil-hard', 'leaf-limp-wet-soil', 'soil-dry', 'many-kinds-affected'],
  }),
  of('apple, smudge that rubs', 'apple', 9, ['fruit-smudge-rubs', 'crown-dense-dark'], {
    not: ['fruit-scabs'],
    lead: 'sooty-blotch-flyspeck',
  }),
  of('apple with scabs', 'apple', 7, ['fruit-scabs', 'leaf-spots-olive'], {
    not: ['fruit-smudge-rubs'],
    lead: 'apple-scab',
    refused: ['insecticide', 'bactericide'],
    notRefused: ['fungicide'],
  }),
  of('apple, ringed rot', 'apple', 9, ['fruit-rings-sunken'], {
    not: ['fruit-rot-calyx'],
    lead: 'bitter-rot',
  }),
  of('apple, rot at the calyx', 'apple', 8, ['fruit-rot-calyx', 'leaf-spots-target'], { lead: 'black-rot' }),
  of('apple, soft late rot', 'apple', 9, ['fruit-rot-soft-pale'], {
    not: ['fruit-rings-sunken', 'fruit-rot-calyx'],
    lead: 'white-rot',
  }),
  of('apple with orange spots by junipers', 'apple', 6, ['leaf-spots-orange', 'juniper-near'], {
    lead: 'cedar-apple-rust',
  }),
  of('gnawed at the ground in spring', 'apple', 4, ['gnaw-base'], {
    check: ['tunnels-mulch', 'gnaw-clipped-twigs', 'mulch-piled', 'wound-mower'],
  }),
  of('gnawed by voles', 'apple', 4, ['gnaw-base', 'tunnels-mulch'], {
    not: ['gnaw-clipped-twigs'],
    lead: 'vole-gnawing',
    refused: ['insecticide', 'fungicide'],
  }),
  of('clipped by rabbits', 'apple', 3, ['gnaw-clipped-twigs', 'gnaw-base'], {
    not: ['browse-torn'],
    lead: 'rabbit-gnawing',
  }),
  of('browsed by deer', 'apple', 3, ['browse-torn'], { not: ['gnaw-clipped-twigs'], lead: 'deer-browse' }),
  of('rubbed by deer', 'maple', 10, ['rub-torn-bark'], { not: ['gnaw-base'], lead: 'deer-rub' }),
  of('stripped by squirrels', 'maple', 5, ['strip-high-limbs'], {
    lead: 'squirrel-stripping',
    refused: ['insecticide', 'injection'],
  }),
  of('hit by the mower', 'maple', 7, ['wound-mower'], {
    not: ['gnaw-base', 'flare-hidden'],
    lead: 'mechanical-wound',
  }),
  of('dry pomegranate with bugs', 'pomegranate', 9, ['fruit-pale-dry-inside', 'leafhopper-bug-beak'], {
    lead: 'leaf-footed-bug',
  }),
  of('dry pomegranate, nobody looked', 'pomegranate', 9, ['fruit-pale-dry-inside'], {
    check: ['leafhopper-bug-beak'],
  }),
  of('thorny shoots from below', 'citrus', 6, ['shoots-from-below-graft', 'trunk-sprouts'], {
    lead: 'rootstock-takeover',
    refused: ['insecticide'],
  }),
  of('water shoots inside', 'apple', 7, ['shoots-upright-inside', 'crown-dense-dark'], {
    not: ['shoots-from-below-graft'],
    lead: 'crowded-crown',
  }),
  of('strong shoots, nobody followed them', 'plum', 6, ['shoots-upright-inside'], {
    check: ['shoots-from-below-graft', 'crown-dense-dark'],
  }),
  of('apricot dead within weeks, mushrooms', 'apricot', 9, ['wilt-sudden-whole', 'mushrooms-base'], {
    lead: 'armillaria-root-rot',
    check: ['fans-white-under-bark', 'anchor-root-soft'],
    refused: ['injection', 'fungicide'],
  }),
  of('pine, inner needles in autumn', 'pine', 10, ['needle-inner-drop'], {
    not: ['needle-tip-stunted-brown'],
    lead: 'natural-needle-drop',
    refused: ['fungicide', 'insecticide'],
  }),
  of('pine, brown tips', 'pine', 6, ['needle-tip-stunted-brown'], {
    lead: 'diplodia-tip-blight',
    notRefused: ['fungicide'],
  }),
  of('hemlock with wool', 'hemlock', 5, ['needle-wool-base', 'needle-grey-thin'], {
    lead: 'hemlock-woolly-adelgid',
    refused: ['fungicide', 'fertiliser'],
  }),
  of('avocado, spots by the midrib', 'avocado', 8, ['leaf-spots-midrib-below', 'silk-fine'], {
    lead: 'persea-mite',
    refused: ['insecticide'],
  }),
  of(
    'avocado on wet soil with dark roots',
    'avocado',
    6,
    ['soil-wet', 'roots-dark-soft', 'leaf-yellow-even'],
    { lead: 'phytophthora-root-rot' },
  ),
  of('beech that bleeds', 'beech', 6, ['bleed-dark'], {
    not: ['bleed-sour'],
    lead: 'phytophthora-bleeding-canker',
    hold: true,
  }),
  of('maple that strangles itself', 'maple', 7, ['root-girdling', 'flare-hidden', 'crown-thin-one-side'], {
    not: ['sapwood-streaks'],
    lead: 'girdling-roots',
    refused: ['fungicide', 'injection'],
  }),
  of('maple that goes in like a post', 'maple', 7, ['flare-hidden', 'mulch-piled', 'crown-thin-even'], {
    lead: 'buried-flare',
  }),
  of('birch dying from the top', 'birch', 7, ['crown-thin-top', 'exit-hole-d'], {
    lead: 'bronze-birch-borer',
    refused: ['fungicide'],
  }),
  of('peach with gum and sawdust', 'peach', 7, ['frass-sap-base'], { lead: 'peach-tree-borer' }),
  of('spruce losing low limbs', 'spruce', 7, ['canker-sunken', 'branch-dieback-scattered'], {
    lead: 'cytospora-canker',
    refused: ['fungicide', 'insecticide'],
  }),
  of('chestnut twigs on the ground', 'chestnut', 8, ['twig-cut-clean'], { lead: 'twig-pruner' }),
  of('chestnut galls', 'chestnut', 5, ['bud-gall'], { lead: 'chestnut-gall-wasp', refused: ['insecticide'] }),
  of('grub in the nut', 'chestnut', 9, ['nut-hole-grub'], {
    not: ['caterpillars-seen'],
    lead: 'chestnut-weevil',
  }),
  of('nests at branch ends', 'walnut', 9, ['silk-nests', 'leaf-skeleton'], { lead: 'fall-webworm' }),
  of('lace of veins with shiny beetles', 'linden', 7, ['leaf-skeleton', 'beetles-metallic-leaf'], {
    lead: 'japanese-beetle',
  }),
  of(
    'egg masses and caterpillars',
    'oak-white-group',
    5,
    ['caterpillar-egg-mass', 'caterpillars-seen', 'leaf-chewed'],
    { lead: 'spongy-moth', refused: ['fungicide'] },
  ),
  of('hollow young plums', 'plum', 5, ['fruit-misshapen-spring', 'cool-wet-spring'], {
    lead: 'plum-pockets',
  }),
  of('dogwood in white powder', 'dogwood', 8, ['leaf-white-powder'], {
    lead: 'powdery-mildew',
    refused: ['insecticide'],
    notRefused: ['fungicide'],
  }),
  of('sycamore after a wet spring', 'sycamore', 5, ['leaf-blotch-veins', 'cool-wet-spring'], {
    lead: 'anthracnose',
    refused: ['insecticide'],
  }),
  of(
    'magnolia after a late frost',
    'magnolia',
    5,
    ['frost-recent', 'leaf-hang-black', 'many-kinds-affected'],
    { lead: 'frost-injury', refused: ['insecticide', 'fungicide'] },
  ),
  of('shells on an apple twig', 'apple', 6, ['twig-bumps-flip-off', 'crawlers-on-tape'], {
    not: ['leaf-sticky'],
    lead: 'armored-scale',
    refused: ['fungicide'],
  }),
  of('nonsense on an ash', 'ash', 6, ['fruit-misshapen-spring', 'needle-wool-base', 'slime-shells'], {
    lead: 'something-else',
    hold: true,
  }),
  of(
    'nonsense on a birch',
    'birch',
    8,
    ['leaf-spots-orange', 'fruit-scabs', 'rub-torn-bark', 'pads-under-bark'],
    { lead: 'something-else', hold: true },
  ),
  of('two odd things on a holly', 'holly', 6, ['leaf-mines-serpentine', 'twig-felt-white'], {
    lead: 'something-else',
    hold: true,
  }),
]

test.each(PAIRS.map((p) => [p.name, p] as const))('%s', (_, p) => {
  const seen: Seen = Object.fromEntries([
    ...p.there.map((f): [string, FindingState] => [f, 'there']),
    ...(p.not ?? []).map((f): [string, FindingState] => [f, 'not-there']),
  ])
  const { weighed, looks, judgement } = weighTree(p.host, p.month, seen)
  const asked = looks.map((l) => l.finding)
  const refused = judgement.refused.map((r) => r.class as string)
  if (p.lead) expect(weighed[0]!.cause).toBe(p.lead)
  if (p.check) expect([asked, asked.some((f) => p.check!.includes(f))]).toEqual([asked, true])
  if (p.hold !== undefined) expect(judgement.hold !== null).toBe(p.hold)
  for (const c of p.refused ?? []) expect(refused).toContain(c)
  for (const c of p.notRefused ?? []) expect(refused).not.toContain(c)
  for (const c of p.chain ?? []) expect(judgement.chains.map((l) => l.cause)).toContain(c)
})
