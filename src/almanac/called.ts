import { CAUSES } from './causes'
import { FINDINGS } from './findings'
import { HOSTS } from './hosts'
import type { OwnEntry } from './ownEntry'

/** Other names by which people ask for an entry: old and Latin names, letters a crew uses, the word on the street. */
const ALSO: Readonly<Record<string, readonly string[]>> = {
  'emerald-ash-borer': ['eab', 'emerald ash borer', 'agrilus planipennis'],
  'bronze-birch-borer': ['bbb', 'bronze birch borer', 'agrilus anxius'],
  'two-lined-chestnut-borer': ['tlcb', 'two-lined chestnut borer', 'agrilus bilineatus'],
  'hemlock-woolly-adelgid': ['hwa', 'adelges tsugae', 'woolly adelgid'],
  'sooty-mould': ['sooty mold', 'black film', 'capnodium'],
  'dutch-elm-disease': ['ded', 'dutch elm disease', 'ophiostoma'],
  'oak-wilt': ['bretziella'],
  'verticillium-wilt': ['verticillium'],
  'bacterial-leaf-scorch': ['bls', 'xylella'],
  'phytophthora-root-rot': ['phytophthora root rot'],
  'phytophthora-bleeding-canker': ['sudden oak death', 'sod', 'phytophthora ramorum'],
  'spongy-moth': ['gypsy moth', 'lymantria dispar'],
  'lecanium-scale': ['lecanium', 'kermes'],
  'japanese-beetle': ['popillia japonica'],
  'peach-tree-borer': ['peachtree borer', 'peach tree borer', 'synanthedon exitiosa'],
  'buried-flare': ['planted too deep', 'root flare'],
  'girdling-roots': ['girdling root', 'sgr'],
  'iron-chlorosis': ['chlorosis'],
  'fire-blight': ['erwinia'],
  'armillaria-root-rot': ['honey fungus', 'shoestring', 'armillaria'],
  'oak-red-group': ['red oak', 'pin oak', 'black oak', 'quercus rubra', 'quercus palustris'],
  'oak-white-group': ['white oak', 'bur oak', 'quercus alba', 'quercus macrocarpa'],
  'oak-live': ['live oak', 'quercus virginiana'],
  maple: ['field maple', 'silver maple', 'acer'],
  linden: ['lime', 'basswood', 'tilia'],
  sycamore: ['plane', 'london plane', 'planetree', 'platanus'],
  'mountain-ash': ['rowan', 'sorbus'],
}

export interface Called {
  kind: 'cause' | 'finding' | 'host'
  id: string
  name: string
  /** How well the text fits: 0 the whole name, 1 its beginning, 2 the beginning of a word, 3 within. */
  fits: number
}

const plain = (text: string) =>
  text
    .toLowerCase()
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()

/**
 * Entries of the almanac by any name people use for them, the best fit first. `entriesCalled('EAB')[0].id` is
 * `emerald-ash-borer`; a word on the screen, an old name, a Latin one and the letters of a crew all lead there. `own` is what the
 * firm has added: its kinds, causes and findings are found like any other.
 */
export function entriesCalled(text: string, most = 6, own: readonly OwnEntry[] = []): Called[] {
  const wanted = plain(text)
  if (wanted === '') return []
  const found: Called[] = []
  const look = (kind: Called['kind'], id: string, name: string, names: readonly string[]) => {
    let fits = 9
    for (const n of names.map(plain)) {
      if (n === wanted) fits = Math.min(fits, 0)
      else if (n.startsWith(wanted)) fits = Math.min(fits, 1)
      else if (` ${n}`.includes(` ${wanted}`)) fits = Math.min(fits, 2)
      else if (wanted.length >= 4 && n.includes(wanted)) fits = Math.min(fits, 3)
    }
    if (fits < 9) found.push({ kind, id, name, fits })
  }
  for (const h of HOSTS) look('host', h.id, h.name, [h.name, h.botanical, ...(ALSO[h.id] ?? [])])
  for (const c of CAUSES) look('cause', c.id, c.name, [c.name, c.id, ...(ALSO[c.id] ?? [])])
  for (const f of FINDINGS) look('finding', f.id, f.name, [f.name])
  for (const e of own) {
    if (e.kind === 'host') look('host', e.id, e.name, [e.name, e.botanical])
    if (e.kind === 'cause' || e.kind === 'finding') look(e.kind, e.id, e.name, [e.name])
  }
  const order = { cause: 0, host: 1, finding: 2 }
  return found
    .sort((a, b) => a.fits - b.fits || order[a.kind] - order[b.kind] || (a.name < b.name ? -1 : 1))
    .slice(0, most)
}
