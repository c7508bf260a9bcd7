import { ownName } from './ownName'
import { UNKNOWN_KIND } from './unknownKind'
import type { Foliage } from '@/core/diagnose/almanac'
import type { Wood } from '@/core/dose/uptake'

export interface Host {
  id: string
  name: string
  botanical: string
  wood: Wood
  /** People eat of it: nothing systemic goes in without a label that names the crop. */
  edible: boolean
  /** What of it, or beneath it, may be eaten, so that it is asked before anything systemic goes in. */
  askFood?: string
  /** Why oil is kept off it, or used with care. */
  oil?: string
  /** Why no neonicotinoid goes on it, by any way and in any season. */
  noNeonicotinoid?: string
  note?: string
  /** What this host is taken for, and the look that parts them. */
  confusedWith?: { host: string; question: string; ifThis: string; ifOther: string }
}

const OIL_SORTS =
  'Some sorts do not bear oil: try a limb first, keep to dormant rates, and never in drought or on wet leaves.'
const OIL_NOT = 'Oil takes the colour or burns it: leave it off.'

/** What a kind does not bear, by host. Lists of oil-sensitive trees differ by sort; the label decides. */
const CAUTIONS: Readonly<Record<string, Pick<Host, 'askFood' | 'oil' | 'noNeonicotinoid'>>> = {
  linden: {
    askFood: 'Are its flowers gathered for tea?',
    noNeonicotinoid:
      'Linden feeds bees, and a neonicotinoid lasts into the next bloom; some places forbid it by rule.',
  },
  crabapple: { askFood: 'Is its fruit eaten or cooked?' },
  'oak-red-group': { askFood: 'Are its acorns gathered for food, or does food grow beneath it?' },
  'oak-white-group': { askFood: 'Are its acorns gathered for food, or does food grow beneath it?' },
  'oak-live': { askFood: 'Are its acorns gathered for food, or does food grow beneath it?' },
  juniper: { oil: `${OIL_NOT} Blue sorts most of all.` },
  spruce: { oil: `${OIL_NOT} Blue spruces and the dwarf Alberta kind most of all.` },
  maple: {
    askFood: 'Is it tapped for syrup?',
    oil: `${OIL_SORTS} Japanese, red and sugar maple are known for it.`,
  },
  'maple.red': { oil: OIL_NOT },
  'maple.norway': {},
  'maple.sugar': { askFood: 'Is it tapped for syrup?', oil: OIL_SORTS },
  'maple.japanese': { oil: OIL_NOT },
  'spruce.blue': { oil: 'Oil takes its blue off for years.' },
  walnut: { oil: OIL_SORTS },
  hawthorn: { askFood: 'Is its fruit gathered for food?' },
  redbud: { oil: OIL_SORTS },
  'douglas-fir': { oil: OIL_SORTS },
}

const h = (
  id: string,
  name: string,
  botanical: string,
  wood: Wood,
  edible = false,
  note?: string,
  confusedWith?: Host['confusedWith'],
): Host => ({ id, name, botanical, wood, edible, note, confusedWith, ...CAUTIONS[id] })

const R = 'ring-porous'
const S = 'semi-ring-porous'
const D = 'diffuse-porous'
const C = 'conifer'

/** The kinds of tree the almanac knows. */
// prettier-ignore
export const HOSTS: readonly Host[] = [
  h('ash', 'Ash', 'Fraxinus', R, false, 'True ash: twigs and buds in pairs, compound leaves of five to nine leaflets.', {
    host: 'mountain-ash',
    question: 'Do the twigs and buds stand in pairs, one opposite the other?',
    ifThis: 'In pairs: a true ash',
    ifOther: 'One by one, alternating: a mountain ash',
  }),
  h('mountain-ash', 'Mountain ash', 'Sorbus', D, false, 'Not a true ash: twigs alternate, and ash borers leave it alone.', {
    host: 'ash',
    question: 'Do the twigs and buds alternate, one by one along the shoot?',
    ifThis: 'One by one, alternating: a mountain ash',
    ifOther: 'In pairs: a true ash',
  }),
  h('elm', 'Elm', 'Ulmus', R),
  h('oak-red-group', 'Oak, red group', 'Quercus sect. Lobatae', R, false, 'Leaf lobes end in points; coast live oak belongs here too. A wilt runs through it fast.', {
    host: 'oak-white-group',
    question: 'Do the leaf lobes end in bristle points?',
    ifThis: 'Points: red group',
    ifOther: 'Rounded: white group',
  }),
  h('oak-white-group', 'Oak, white group', 'Quercus sect. Quercus', R, false, 'Leaf lobes are rounded. Plugs in its vessels slow a wilt down.', {
    host: 'oak-red-group',
    question: 'Are the leaf lobes rounded, without bristle points?',
    ifThis: 'Rounded: white group',
    ifOther: 'Points: red group',
  }),
  h('oak-live', 'Live oak', 'Quercus sect. Virentes', S, false, 'The live oaks of the South, in groups joined at the roots. Coast live oak is a red oak.'),
  h('maple', 'Maple', 'Acer', D),
  h('maple.red', 'Red maple', 'Acer rubrum', D, false, 'Yellows on limy soil for want of manganese. Early pollen for bees.'),
  h('maple.norway', 'Norway maple', 'Acer platanoides', D, false, 'A torn leaf stalk bleeds white. Deep shade, many girdling roots.'),
  h('maple.sugar', 'Sugar maple', 'Acer saccharum', D, false, 'A torn leaf stalk runs clear. Suffers first from salt and trodden ground.'),
  h('maple.japanese', 'Japanese maple', 'Acer palmatum', D),
  h('birch', 'Birch', 'Betula', D),
  h('birch.river', 'River birch', 'Betula nigra', D, false, 'Shaggy bark; the birch borer leaves it alone. Yellows on limy soil.'),
  h('beech', 'Beech', 'Fagus', D),
  h('linden', 'Linden', 'Tilia', D, false, 'Bees come from far when it flowers.'),
  h('honeylocust', 'Honeylocust', 'Gleditsia', R),
  h('black-locust', 'Black locust', 'Robinia', R, false, 'Bees come from far when it flowers. Its leaves, bark and seeds are poisonous.'),
  h('sycamore', 'Sycamore', 'Platanus', D, false, 'Sheds its bark by nature.'),
  h('tuliptree', 'Tuliptree', 'Liriodendron', D, false, 'Bees visit its flowers.'),
  h('magnolia', 'Magnolia', 'Magnolia', D),
  h('dogwood', 'Dogwood', 'Cornus', D),
  h('crape-myrtle', 'Crape myrtle', 'Lagerstroemia', D, false, 'Sheds its bark by nature.'),
  h('walnut', 'Walnut', 'Juglans', S, true, 'Oil harms it.'),
  h('chestnut', 'Chestnut', 'Castanea', R, true),
  h('hemlock', 'Hemlock', 'Tsuga', C),
  h('spruce', 'Spruce', 'Picea', C, false, 'Oil takes the colour off blue forms.'),
  h('spruce.blue', 'Blue spruce', 'Picea pungens', C, false, 'Oil takes its blue off. Sheds its needles in wet places.'),
  h('pine', 'Pine', 'Pinus', C),
  h('juniper', 'Juniper, red cedar', 'Juniperus', C, false, 'Carries the other half of apple rust. Oil harms it.'),
  h('arborvitae', 'Arborvitae', 'Thuja', C),
  h('holly', 'Holly', 'Ilex', D),
  h('rhododendron', 'Rhododendron', 'Rhododendron', D),
  h('crabapple', 'Crabapple', 'Malus', D),
  h('apple', 'Apple', 'Malus domestica', D, true),
  h('pear', 'Pear', 'Pyrus', D, true),
  h('peach', 'Peach, nectarine', 'Prunus persica', S, true),
  h('plum', 'Plum', 'Prunus domestica', S, true),
  h('cherry', 'Cherry', 'Prunus avium, P. cerasus', S, true),
  h('apricot', 'Apricot', 'Prunus armeniaca', S, true, 'Sulfur harms it.'),
  h('almond', 'Almond', 'Prunus dulcis', S, true),
  h('citrus', 'Citrus', 'Citrus', D, true, 'Grafted; its thin bark burns when it is bared to the sun.'),
  h('avocado', 'Avocado', 'Persea americana', D, true),
  h('pomegranate', 'Pomegranate', 'Punica', D, true),
  h('fir', 'Fir', 'Abies', C, false, 'Flat needles that leave round scars; cones stand up.', {
    host: 'douglas-fir',
    question: 'Do the cones stand up, and are the buds blunt?',
    ifThis: 'Cones up, buds blunt: a true fir',
    ifOther: 'Cones hang, buds pointed: Douglas-fir',
  }),
  h('douglas-fir', 'Douglas-fir', 'Pseudotsuga', C, false, 'No true fir: buds are pointed and cones hang.', {
    host: 'fir',
    question: 'Do the cones hang, with pointed buds?',
    ifThis: 'Cones hang, buds pointed: Douglas-fir',
    ifOther: 'Cones up, buds blunt: a true fir',
  }),
  h('yew', 'Yew', 'Taxus', C, false, 'Poisonous to people and stock. Drops its oldest needles in late spring.'),
  h('cypress', 'Cypress, Leyland type', 'Cupressus, × Hesperotropsis', C),
  h('boxwood', 'Boxwood', 'Buxus', D),
  h('euonymus', 'Euonymus', 'Euonymus', D),
  h('horse-chestnut', 'Horse-chestnut, buckeye', 'Aesculus', D, false, 'No chestnut: leaves like a hand, in pairs.', {
    host: 'chestnut',
    question: 'Do leaves shaped like a hand stand in pairs?',
    ifThis: 'Hands in pairs: a horse-chestnut',
    ifOther: 'Single toothed leaves, one by one: a chestnut',
  }),
  h('hawthorn', 'Hawthorn', 'Crataegus', D, false, 'Bees visit its flowers.'),
  h('willow', 'Willow', 'Salix', D, false, 'Early pollen for bees.'),
  h('poplar', 'Poplar, aspen, cottonwood', 'Populus', D),
  h('hornbeam', 'Hornbeam', 'Carpinus', D),
  h('redbud', 'Redbud', 'Cercis', R, false, 'Weedkillers of the growth kind mark it first. Bees visit its flowers.'),
  h('sassafras', 'Sassafras', 'Sassafras', R),
  h('hickory', 'Hickory, pecan', 'Carya', R, true, 'Nuts are eaten; no walnut: its pith is solid.', {
    host: 'walnut',
    question: 'Split a twig: is the pith solid?',
    ifThis: 'Solid pith: a hickory or pecan',
    ifOther: 'Pith in thin plates: a walnut',
  }),
  h('hackberry', 'Hackberry', 'Celtis', R, false, 'Nipple galls on its leaves are harmless.'),
  h('ginkgo', 'Ginkgo', 'Ginkgo', C, false, 'Hardly anything lives on it. It sheds its leaves each autumn.'),
  h('olive', 'Olive', 'Olea europaea', D, true, 'Evergreen; its fruit is eaten, its pollen rides on the wind.'),
  h('palm', 'Palm', 'Arecaceae', D, false, 'One growing point, no growing layer: a hole in its stem never closes, and nothing is cut back to a side shoot.'),
  h('larch', 'Larch', 'Larix', C, false, 'A conifer that sheds its needles each autumn.'),
  h('redbay', 'Redbay and other bays', 'Persea borbonia, Umbellularia', D, false, 'Of the laurel family, beside avocado.'),
]

/** Kinds that keep their leaves, conifers beside them. */
const EVERGREEN = [
  'olive',
  'palm',
  'oak-live',
  'holly',
  'rhododendron',
  'boxwood',
  'euonymus',
  'citrus',
  'avocado',
  'redbay',
]

/** What every kind carries, for signs that need leaves to be seen on. */
export const FOLIAGE: Readonly<Record<string, Foliage>> = Object.fromEntries(
  HOSTS.map((x) => [
    x.id,
    x.wood === 'conifer' && x.id !== 'ginkgo'
      ? 'conifer'
      : EVERGREEN.includes(x.id)
        ? 'evergreen'
        : 'deciduous',
  ]),
)

/** Conifers that stand bare in winter: what hangs on leaves is asked of them as of any tree that sheds. */
export const BARE_CONIFERS: readonly string[] = ['larch']

const byId = new Map(HOSTS.map((x) => [x.id, x]))

/** The host of an id, or undefined. `host('ash')?.wood === 'ring-porous'` */
export function host(id: string): Host | undefined {
  return byId.get(id)
}

/** The name of a host; an id nobody knows is shown as it is. */
export function hostName(id: string): string {
  return byId.get(id)?.name ?? ownName(id) ?? (id === UNKNOWN_KIND ? 'Kind not known yet' : id)
}
