import type { Finding } from '@/core/diagnose/almanac'
import { f, UNSAFE, ONE_TREE, onRing, seen } from './finding'

/** What the foot, the soil and the fruit show. */
// prettier-ignore
export const BASE_SOIL_FRUIT: readonly Finding[] = [
  f('gnaw-base', 'base', 'look', 'Gnawed at the ground', 'Is bark gnawed near the ground with small tooth marks?', 0.5, 0.003),
  f('wound-mower', 'base', 'look', 'Mower or trimmer wounds', 'Are there fresh or repeated machine wounds at the base?', 0.5, 0.03),
  f('tunnels-mulch', 'base', 'look', 'Runways in the mulch', 'Are there runways or tunnels in mulch or grass?', 1, 0.01),
  f('slime-shells', 'base', 'look', 'Slime and shells', 'Are there slime trails or many snails in the ground cover?', 1, 0.004),
  f('flare-hidden', 'base', 'look', 'Root flare hidden', 'Look where trunk meets soil. Does it go in straight, like a post, with no flare?', 0.5, 0.03, onRing('flare', 'not-there')),
  f('root-girdling', 'base', 'dig', 'Root across the trunk', 'Clear the soil at the base. Does a root press across or round the trunk?', 8, 0.006, onRing('girdling')),
  f('mulch-piled', 'base', 'look', 'Mulch against the trunk', 'Is mulch or soil piled against the trunk?', 0.5, 0.15),
  f('mushrooms-base', 'base', 'look', 'Mushrooms at the base', 'Do clusters of mushrooms stand round the base or on roots?', 0.5, 0.012, seen(9, 10, 11, 12)),
  f('fans-white-under-bark', 'base', 'peel', 'White sheets under the bark', 'Lift bark at the base. Are there white sheets beneath?', 4, 0.001),
  f('conk-base', 'base', 'look', 'Bracket on the base', 'Does a bracket grow from the base or a surface root?', 0.5, 0.002, UNSAFE),
  f('crust-charred-base', 'base', 'look', 'Charred crust at the base', 'Is there a crust like charcoal at the base?', 0.5, 0.001, UNSAFE),
  f('anchor-root-soft', 'base', 'probe', 'Butt or root sounds hollow', 'Sound and probe the butt and main roots. Hollow, or does the probe sink in?', 4, 0.03, UNSAFE),
  f('root-plate-lifting', 'base', 'look', 'Soil heaves or cracks at the base', 'Is the soil raised or cracked on one side of the base, or does the tree lean anew?', 1, 0.003, UNSAFE),
  f('flame-dark-base', 'base', 'peel', 'Dark tongue up from the roots', 'Peel bark at the collar. Does a dark tongue of dead bark run up from the roots?', 4, 0.002),
  f('cups-white-stalks', 'base', 'look', 'White cups on old leaf stalks', 'In the litter: are there tiny white cups on last year’s black leaf stalks?', 1, 0.001, seen(6, 7, 8, 9, 10)),

  f('soil-hard', 'soil', 'probe', 'Soil too hard to probe', 'Push the probe in. Is the soil too hard?', 1, 0.03),
  f('soil-dry', 'soil', 'probe', 'Soil dry at 4 to 6 in', 'Is the soil dry four to six inches down?', 1, 0.08),
  f('soil-wet', 'soil', 'probe', 'Soil saturated', 'Is the soil saturated?', 1, 0.03),
  f('roots-dark-soft', 'soil', 'dig', 'Fine roots dark and soft', 'Dig up fine roots. Are they dark and soft?', 6, 0.01, ONE_TREE),
  f('roots-few-new', 'soil', 'dig', 'Few new roots', 'Open the soil outside the old root ball. Are roots cut, or few new ones there?', 6, 0.04, ONE_TREE),
  f('grubs-white-roots', 'soil', 'dig', 'White grubs at the roots', 'Are there white, legless, curled grubs among chewed roots?', 4, 0.005, seen(8, 9, 10, 11, 12, 1, 2, 3, 4, 5)),

  f('leafhopper-bug-beak', 'fruit', 'look', 'Long-beaked bugs or their eggs', 'Are there large long-legged bugs, or their eggs in a row?', 1, 0.002),
  f('fruit-rings-sunken', 'fruit', 'look', 'Sunken ringed rot', 'Is there sunken rot with rings, or a V into the core?', 0.5, 0.002),
  f('fruit-rot-calyx', 'fruit', 'look', 'Firm rot at the blossom end', 'Does firm dark rot start at the blossom end?', 0.5, 0.002),
  f('fruit-rot-soft-pale', 'fruit', 'look', 'Soft pale late rot', 'Is there soft, watery, pale rot late in the season?', 0.5, 0.002),
  f('fruit-scabs', 'fruit', 'look', 'Corky scabs', 'Are there corky scabs on the skin?', 0.5, 0.01),
  f('fruit-smudge-rubs', 'fruit', 'rub', 'Smudges that rub off', 'Do smudges or specks rub off the skin?', 0.5, 0.003),
  f('fruit-pale-dry-inside', 'fruit', 'cut', 'Pale and dry inside', 'Cut a fruit. Is it pale, shrunken and dry inside?', 1, 0.003),
  f('fruit-cracked', 'fruit', 'look', 'Cracked fruit', 'Is fruit cracked open?', 0.5, 0.05),
  f('fruit-mummies', 'fruit', 'look', 'Mummies hang on', 'Does shrivelled fruit of last year hang on?', 0.5, 0.05),
  f('fruit-misshapen-spring', 'fruit', 'look', 'Swollen hollow young fruit', 'Is young fruit swollen like a bladder and hollow?', 0.5, 0.002),
  f('nut-hole-grub', 'fruit', 'cut', 'Hole or grub in the nut', 'Cut a nut. Is there a round hole or a legless grub?', 1, 0.003),
  f('fruit-frass-core', 'fruit', 'cut', 'Tunnel to the core', 'Cut a fruit. Is there a hole with crumbly droppings and a tunnel to the core?', 1, 0.002),
  f('fruit-trails-brown', 'fruit', 'cut', 'Brown trails in the flesh', 'Cut a dimpled fruit. Do brown trails wind through the flesh, away from the core?', 1, 0.002),
  f('fruit-crescent-scar', 'fruit', 'look', 'Crescent cuts', 'Are there crescent cuts or scars on young fruit?', 0.5, 0.001),
  f('fruit-soft-maggots', 'fruit', 'cut', 'Maggots in ripe fruit', 'Open soft ripe fruit. Are tiny white maggots inside?', 1, 0.002),
  f('fruit-lopsided-green', 'fruit', 'cut', 'Lopsided fruit, green end', 'Is fruit small and lopsided, green at one end, with dark shrunken seeds?', 1, 0.002),
  f('fruit-tan-tufts', 'fruit', 'look', 'Tan tufts on rotting fruit', 'Are there tan powdery tufts on rotting stone fruit?', 0.5, 0.001),
  f('nut-caterpillar-silk', 'fruit', 'cut', 'Caterpillar and silk in a nut', 'Open a nut. Is there a caterpillar with legs, and silk?', 1, 0.003),
  f('nut-husk-spots', 'fruit', 'look', 'Sunken spots on husks', 'Are there sunken dark spots on the walnut husks?', 0.5, 0.006),
]
