import type { Finding } from '@/core/diagnose/almanac'

/** Words people say at the tree, and the words the findings use for the same. */
const SAME: Readonly<Record<string, readonly string[]>> = {
  leave: ['leaf'],
  twig: ['shoot', 'limb', 'branch', 'tip'],
  branch: ['limb', 'shoot', 'twig'],
  limb: ['branch'],
  bug: ['insect', 'bugs', 'beetle', 'aphid'],
  insect: ['bug', 'beetle', 'grub', 'aphid', 'scale'],
  worm: ['caterpillar', 'grub', 'maggot', 'larva'],
  caterpillar: ['loopers'],
  hole: ['holes', 'pinhole', 'tunnel'],
  sticky: ['honeydew', 'drips'],
  wet: ['saturated', 'bleed', 'seep', 'weep'],
  ooze: ['bleed', 'seep', 'gum', 'resin', 'weep'],
  bleeding: ['bleed', 'weep', 'seep'],
  sap: ['gum', 'resin', 'bleed', 'seep'],
  black: ['dark', 'blackened'],
  dark: ['black'],
  brown: ['bronze', 'scorch'],
  yellow: ['pale', 'chlorosis'],
  white: ['wool', 'cotton', 'powder', 'pale'],
  fuzzy: ['wool', 'felt', 'cotton'],
  bump: ['bumps', 'swollen', 'gall', 'shell'],
  lump: ['swollen', 'gall', 'knot', 'bumps'],
  web: ['silk', 'webbing'],
  mushroom: ['mushrooms', 'bracket'],
  fungus: ['bracket', 'mushroom', 'crust', 'mould'],
  conk: ['bracket'],
  shelf: ['bracket'],
  eaten: ['chewed', 'stripped', 'notch', 'lace', 'gnawed'],
  chewed: ['eaten', 'gnawed', 'notch'],
  bitten: ['chewed', 'gnawed', 'torn'],
  curled: ['curl', 'twisted', 'cupped', 'puckered'],
  dead: ['dying', 'dieback', 'died'],
  thin: ['sparse'],
  bare: ['stripped', 'thin'],
  wilting: ['wilt', 'limp', 'droop'],
  hollow: ['cavity', 'sounds'],
  crack: ['split', 'cracked'],
  peeling: ['flake', 'plate', 'strip'],
  sawdust: ['frass', 'shred', 'toothpick'],
  lean: ['heave', 'leans'],
  spot: ['spots', 'blotch', 'freckle'],
  rotten: ['rot', 'soft', 'decay'],
  ant: ['ants'],
  smell: ['sour', 'wintergreen'],
}

const SMALL = new Set([
  'a',
  'an',
  'the',
  'is',
  'are',
  'of',
  'on',
  'in',
  'with',
  'and',
  'all',
  'my',
  'it',
  'there',
])

/** The stem of a word, so that holes are found by a hole. */
function stem(word: string): string {
  return word
    .replace(/ies$/, 'y')
    .replace(/(?<=ch|sh|x|ss)es$/, '')
    .replace(/(?<=[a-z]{3})(ing|ed|s)$/, '')
}

/**
 * Findings that fit what a person says they see, the best first: every word, or another word for it, must be in the name,
 * the question or the place. Names that hold the very words come before questions that do.
 *
 * @example inPlainWords(FINDINGS, 'black twigs')[0].id // 'shoot-black-inside'
 */
export function inPlainWords(findings: Iterable<Finding>, said: string): Finding[] {
  const words = said
    .toLowerCase()
    .split(/[^a-z]+/)
    .filter((w) => w.length > 1 && !SMALL.has(w))
    .map(stem)
  if (words.length === 0) return []
  const others = (word: string) =>
    (SAME[word] ?? Object.entries(SAME).find(([w]) => stem(w) === word)?.[1] ?? []).map(stem)
  const fits: { finding: Finding; rank: number }[] = []
  for (const finding of findings) {
    // A test is no look.
    if (finding.retired || finding.place === 'lab') continue
    const name = ` ${finding.name.toLowerCase()}`
    const text = `${name} ${finding.question.toLowerCase()} ${finding.place}`
    let rank = 0
    const all = words.every((w) => {
      if (name.includes(` ${w}`)) return true
      rank += text.includes(` ${w}`) ? 1 : 2
      return text.includes(w) || others(w).some((o) => text.includes(` ${o}`))
    })
    if (all) fits.push({ finding, rank })
  }
  return fits
    .sort((a, b) => a.rank - b.rank || (a.finding.name < b.finding.name ? -1 : 1))
    .map((f) => f.finding)
}
