import { ALSO_CALLED } from './alsoCalled'
import { HOSTS } from './hosts'

// prettier-ignore
const SPECIES: Readonly<Record<string, string>> = {
  // Oaks by their group.
  'quercus rubra': 'oak-red-group', 'quercus borealis': 'oak-red-group', 'quercus palustris': 'oak-red-group', 'quercus velutina': 'oak-red-group',
  'quercus coccinea': 'oak-red-group', 'quercus shumardii': 'oak-red-group', 'quercus falcata': 'oak-red-group', 'quercus phellos': 'oak-red-group',
  'quercus nigra': 'oak-red-group', 'quercus laurifolia': 'oak-red-group', 'quercus imbricaria': 'oak-red-group', 'quercus buckleyi': 'oak-red-group',
  'quercus ellipsoidalis': 'oak-red-group', 'quercus agrifolia': 'oak-red-group', 'quercus kelloggii': 'oak-red-group', 'quercus texana': 'oak-red-group', 'quercus pagoda': 'oak-red-group', 'quercus marilandica': 'oak-red-group',
  'quercus alba': 'oak-white-group', 'quercus macrocarpa': 'oak-white-group', 'quercus bicolor': 'oak-white-group', 'quercus robur': 'oak-white-group',
  'quercus petraea': 'oak-white-group', 'quercus stellata': 'oak-white-group', 'quercus muehlenbergii': 'oak-white-group', 'quercus montana': 'oak-white-group',
  'quercus prinus': 'oak-white-group', 'quercus michauxii': 'oak-white-group', 'quercus lyrata': 'oak-white-group', 'quercus garryana': 'oak-white-group', 'quercus lobata': 'oak-white-group', 'quercus gambelii': 'oak-white-group',
  'quercus virginiana': 'oak-live', 'quercus fusiformis': 'oak-live',
  // Stone fruits, and what flowers like them.
  'prunus persica': 'peach', 'prunus domestica': 'plum', 'prunus cerasifera': 'plum', 'prunus salicina': 'plum', 'prunus americana': 'plum',
  'prunus avium': 'cherry', 'prunus cerasus': 'cherry', 'prunus serrulata': 'cherry', 'prunus yedoensis': 'cherry', 'prunus x yedoensis': 'cherry', 'prunus subhirtella': 'cherry',
  'prunus serotina': 'cherry', 'prunus virginiana': 'cherry', 'prunus sargentii': 'cherry', 'prunus padus': 'cherry', 'prunus armeniaca': 'apricot', 'prunus dulcis': 'almond',
  'malus domestica': 'apple', 'malus pumila': 'apple', 'persea americana': 'avocado', 'persea borbonia': 'redbay', 'umbellularia californica': 'redbay',
  'olea europaea': 'olive', 'styphnolobium japonicum': '', 'sequoia sempervirens': '', 'taxodium distichum': '',
  'acer rubrum': 'maple.red', 'acer platanoides': 'maple.norway', 'acer saccharum': 'maple.sugar', 'acer palmatum': 'maple.japanese',
  'betula nigra': 'birch.river', 'picea pungens': 'spruce.blue', 'cupressocyparis leylandii': 'cypress', 'x cupressocyparis leylandii': 'cypress',
}

/** Genera whose species are told apart, or that hold others too: alone they say too little. */
const NOT_BY_GENUS = new Set(['quercus', 'prunus', 'persea', 'olea', 'arecaceae'])

// prettier-ignore
const COMMON: Readonly<Record<string, string>> = {
  'northern red oak': 'oak-red-group', 'scarlet oak': 'oak-red-group',
  'shumard oak': 'oak-red-group', 'southern red oak': 'oak-red-group', 'willow oak': 'oak-red-group', 'water oak': 'oak-red-group', 'laurel oak': 'oak-red-group',
  'shingle oak': 'oak-red-group', 'texas red oak': 'oak-red-group', 'coast live oak': 'oak-red-group', 'nuttall oak': 'oak-red-group', 'cherrybark oak': 'oak-red-group', 'blackjack oak': 'oak-red-group',
  'swamp white oak': 'oak-white-group', 'english oak': 'oak-white-group', 'post oak': 'oak-white-group',
  'chinkapin oak': 'oak-white-group', 'chinquapin oak': 'oak-white-group', 'chestnut oak': 'oak-white-group', 'swamp chestnut oak': 'oak-white-group', 'overcup oak': 'oak-white-group', 'valley oak': 'oak-white-group',
  'southern live oak': 'oak-live',
  boxelder: 'maple', 'box elder': 'maple', 'mountain ash': 'mountain-ash', 'american basswood': 'linden',
  'london planetree': 'sycamore', 'plane tree': 'sycamore',
  'tulip poplar': 'tuliptree', 'yellow poplar': 'tuliptree', 'tulip tree': 'tuliptree', 'honey locust': 'honeylocust', 'thornless honeylocust': 'honeylocust',
  'crab apple': 'crabapple', 'flowering crab': 'crabapple', 'flowering crabapple': 'crabapple', 'eastern red cedar': 'juniper', 'eastern redcedar': 'juniper',
  'western red cedar': 'arborvitae', 'western redcedar': 'arborvitae', 'northern white cedar': 'arborvitae', 'red cedar': 'juniper', 'horse chestnut': 'horse-chestnut', horsechestnut: 'horse-chestnut',
  buckeye: 'horse-chestnut', 'ohio buckeye': 'horse-chestnut', cottonwood: 'poplar', aspen: 'poplar', pecan: 'hickory', 'douglas fir': 'douglas-fir', sweetbay: 'magnolia',
  'crepe myrtle': 'crape-myrtle', crapemyrtle: 'crape-myrtle', 'leyland cypress': 'cypress', 'colorado spruce': 'spruce.blue', 'colorado blue spruce': 'spruce.blue', nectarine: 'peach', 'maidenhair tree': 'ginkgo', butternut: 'walnut',
}

/** What ends like a kind and is none. */
const NOT_BY_LAST = new Set([
  'prickly ash',
  'osage orange',
  'hop hornbeam',
  'russian olive',
  'autumn olive',
  'bald cypress',
  'pond cypress',
  'incense cedar',
  'poison oak',
  'she oak',
  'silk oak',
  'water elm',
  'white cedar',
  'monkey puzzle',
  'norfolk island pine',
  'star pine',
  'yew pine',
  'water hickory',
  'chinese pistache',
])

/** Written the same way whoever writes it: small letters, without sorts, forms, crosses and marks. */
function plain(written: string): string {
  return written
    .normalize('NFKD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase()
    .replace(/['‘’`"“”][^'‘’`"“”]*['‘’`"“”]/g, ' ')
    .replace(/\([^)]*\)/g, ' ')
    .replace(/\b(var|subsp|ssp|f|cv|sect)\.?\s+[a-z-]+/g, ' ')
    .replace(/\b(sp|spp|species)\b\.?/g, ' ')
    .replace(/×/g, ' x ')
    .replace(/[^a-z ]+/g, ' ')
    .replace(/\bx (?=[a-z])/g, ' ')
    .replace(/ +/g, ' ')
    .trim()
}

const BY_NAME = new Map<string, string>()
const BY_GENUS = new Map<string, string>()
for (const host of HOSTS) {
  // An oak alone is of neither group.
  const names = host.id.startsWith('oak') ? [] : host.name.split(/,| and /)
  for (const name of [host.name, ...names, ...(ALSO_CALLED[host.id] ?? [])]) BY_NAME.set(plain(name), host.id)
  for (const botanical of host.botanical.split(',')) {
    const words = plain(botanical).split(' ')
    BY_NAME.set(words.join(' '), host.id)
    if (words.length === 1 && words[0] && !NOT_BY_GENUS.has(words[0])) BY_GENUS.set(words[0], host.id)
  }
}
for (const genus of NOT_BY_GENUS) BY_NAME.delete(genus)
for (const [name, id] of Object.entries(COMMON)) BY_NAME.set(plain(name), id)

/** The last word of a common name, where that is a kind: a green ash is an ash, a white pine a pine. */
const BY_LAST = new Map(
  HOSTS.filter((h) => !h.id.includes('.') && !h.id.startsWith('oak')).map((h) => [
    plain(h.name.split(',')[0]!),
    h.id,
  ]),
)

/**
 * The kind a list means by a name, common or scientific, in either order, with its sort or without; null for one nobody here knows. The
 * firm’s own kinds come first.
 *
 * @example kindCalled('Maple, Red') // 'maple.red'
 * kindCalled('Fraxinus pennsylvanica ‘Marshall’s Seedless’') // 'ash'
 */
export function kindCalled(
  written: string,
  own: readonly { id: string; name: string; botanical: string }[] = [],
): string | null {
  const name = plain(written)
  if (name === '') return null
  const ours = own.find((o) => plain(o.name) === name || (o.botanical && plain(o.botanical) === name))
  if (ours) return ours.id
  const [first, ...rest] = written.split(/,| - |;/)
  // "Maple, red" and "Oak - pin" are the same in the other order.
  const turned = rest.length > 0 ? plain(`${rest.join(' ')} ${first}`) : name
  for (const text of [name, turned]) {
    const exact = BY_NAME.get(text)
    if (exact) return exact
  }
  const words = name.split(' ')
  for (const text of [words.slice(0, 2).join(' '), words.slice(0, 3).join(' ')]) {
    const species = SPECIES[text]
    if (species !== undefined) return species || null
  }
  const genus = BY_GENUS.get(words[0]!)
  // A genus begins a scientific name; a common name that begins like one is longer or in the list.
  if (genus && (words.length <= 3 || /^[A-Z]/.test(written.trim()))) return genus
  for (const text of [turned, name]) {
    const own = text.split(' ')
    if (NOT_BY_LAST.has(own.slice(-2).join(' ')) || NOT_BY_LAST.has(own.slice(-3).join(' '))) return null
    for (const length of [3, 2]) {
      const tail = BY_NAME.get(own.slice(-length).join(' '))
      if (own.length > length && tail) return tail
    }
    const last = own.length > 1 ? BY_LAST.get(own.at(-1)!) : undefined
    if (last) return last
  }
  return null
}
