const WOOD = 'Move no wood, chips or plants off the site until the authority answers.'
const PLANTS = 'Move no plant, leaf or clipping off the site; clean tools and shoes before the next one.'
const BEETLE = 'Keep the insect in a jar or take a sharp picture of it; move no wood.'
const WILT =
  'Paint every wound at once, cut no neighbour of its kind, and move no wood; grafted neighbours are asked about with it.'
const NESTS = 'Touch no nest or hair; keep people and dogs away.'
const INSECT =
  'Keep a specimen or a sharp picture, and look over vehicles and stored things before they leave.'

/**
 * What is done between a suspicion and the answer, by cause that must be reported somewhere: beside the rule of the place, which
 * goes before it. Source: handbook, reportable by jurisdiction; extension advice.
 */
export const MEANWHILE: Readonly<Record<string, string>> = {
  'asian-longhorned-beetle': BEETLE,
  'emerald-ash-borer': WOOD,
  'bronze-birch-borer': WOOD,
  'conifer-bark-beetle': WOOD,
  'ambrosia-beetle': WOOD,
  'laurel-wilt': 'Move no wood or chips; no avocado or bay beside it is cut until the answer.',
  'oak-wilt': WILT,
  'dutch-elm-disease': WILT,
  'elm-yellows': 'Cut no elm beside it and move none; the leafhopper carries it on.',
  'pine-wilt':
    'Move no pine wood; a dead pine is felled and chipped before its beetles fly, when the authority says so.',
  'thousand-cankers': WOOD,
  'ash-dieback': PLANTS,
  'acute-oak-decline': PLANTS,
  'chestnut-blight': 'Move no chestnut wood or plants; clean tools at every cut.',
  'chestnut-gall-wasp': 'Move no chestnut plants or scions.',
  'phytophthora-bleeding-canker': PLANTS,
  'bacterial-leaf-scorch': 'Move no plants or scions of its kind; leafhoppers carry it on.',
  'citrus-greening': 'Move no citrus plant, leaf or fruit with leaves; keep psyllids off its neighbours.',
  'fire-blight': 'Cut nothing in wet weather, clean tools at every cut, and move no scions.',
  'beech-leaf-disease': PLANTS,
  'boxwood-blight': PLANTS,
  'box-tree-moth': 'Move no box plants or clippings.',
  'black-knot': 'Burn or bury what is cut; move no scions.',
  'processionary-moth': NESTS,
  'spongy-moth': INSECT,
  'japanese-beetle': 'Move no soil or turf; keep a beetle for the authority.',
  'spotted-lanternfly': INSECT,
  'elm-zigzag-sawfly': INSECT,
  'hemlock-woolly-adelgid': 'Move no hemlock plants or twigs; brush clothes off before the next site.',
  'balsam-woolly-adelgid': 'Move no fir plants or twigs.',
  'apple-maggot': 'Move no fruit off the site.',
  'plum-curculio': 'Move no fruit off the site.',
}
