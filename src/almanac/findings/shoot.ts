import type { Finding } from '@/core/diagnose/almanac'
import { f, seen, conifers } from './finding'

/** What twigs and shoots show. */
// prettier-ignore
export const SHOOT: readonly Finding[] = [
  f('shoot-crook', 'shoot', 'look', 'Blackened, hooked tips', 'Are blackened shoot tips bent over like a walking stick?', 0.5, 0.002),
  f('shoot-black-rubs-off', 'shoot', 'rub', 'Black rubs off, bark sound', 'Rub a black twig and scratch it. Does the black come off over green, sound bark?', 0.5, 0.01),
  f('shoot-black-inside', 'shoot', 'scratch', 'Dark beneath the bark', 'Scratch the shoot. Is the tissue beneath dark or dead?', 0.5, 0.04),
  f('twig-bumps-flip-off', 'shoot', 'scratch', 'Shells flip off', 'Push at small bumps with a nail. Do shell-like covers flip off?', 1, 0.004),
  f('twig-bumps-large-soft', 'shoot', 'look', 'Large soft bumps', 'Look along ten twigs. Are there rounded bumps that squash?', 0.5, 0.003),
  f('twig-felt-white', 'shoot', 'look', 'White felt, crushes pink', 'Crush white felted patches on the bark. Do they bleed pink?', 0.5, 0.001),
  f('cottony-masses', 'shoot', 'look', 'Cottony clusters', 'Are there cottony ridged masses or mealy clusters?', 0.5, 0.004),
  f('crawlers-on-tape', 'shoot', 'tape', 'Crawlers on tape', 'Look at the double-sided tape round the twig. Are crawlers caught on it?', 3, 0.02),
  f('twig-cut-clean', 'shoot', 'look', 'Twigs cut clean', 'Pick up fallen twigs. Are they cut clean across with a hollow core?', 1, 0.002),
  f('bud-gall', 'shoot', 'look', 'Galls that stop shoots', 'Are there swollen galls on buds or stalks, and do those shoots stop?', 0.5, 0.003),
  f('shoots-from-below-graft', 'shoot', 'look', 'Shoots from below the graft', 'Do strong shoots with other leaves or long thorns rise from below the graft?', 1, 0.003),
  f('shoots-upright-inside', 'shoot', 'look', 'Upright shoots inside', 'Do strong upright shoots crowd the centre?', 0.5, 0.04),
  f('sapwood-streaks', 'shoot', 'peel', 'Streaks in the sapwood', 'Cut a wilting twig aslant and peel it. Are there brown streaks or a ring in the outer wood?', 3, 0.003),
  f('gnaw-clipped-twigs', 'shoot', 'look', 'Twigs clipped aslant', 'Are low twigs clipped off clean at a slant?', 0.5, 0.002),
  f('browse-torn', 'shoot', 'look', 'Twigs torn ragged', 'Are twigs torn ragged at browsing height?', 0.5, 0.002),
  f('twig-knot-black', 'shoot', 'look', 'Hard black knots', 'Are there hard, rough, black swellings along the twigs?', 0.5, 0.001),
  f('twig-egg-band', 'shoot', 'look', 'Egg collar on a twig', 'Is there a shiny dark collar of eggs round a thin twig?', 1, 0.002, seen(7, 8, 9, 10, 11, 12, 1, 2, 3)),
  f('twig-gouty', 'shoot', 'look', 'Knobby swollen tips', 'Are twig tips swollen and knobby?', 0.5, 0.002),
  f('twig-growth-short', 'shoot', 'look', 'Short growth of late years', 'Compare the growth of the last years, ring to ring of bud scars. Has it grown much shorter?', 1.5, 0.12),
  f('scale-cotton-popcorn', 'shoot', 'look', 'Brown scale, cotton like popcorn', 'Do flat brown scales carry a white cotton sac like popcorn, without ridges?', 0.5, 0.001, seen(5, 6, 7, 8)),
  f('cotton-ridged-sac', 'shoot', 'look', 'Ridged white sac', 'Does a ridged white sac lift off whole, with a red-brown scale at its end?', 0.5, 0.001),
  f('mealy-insects', 'shoot', 'hand lens', 'Mealy insects with a fringe', 'Under the lens: do soft oval insects creep, dusted white, with a waxy fringe?', 1, 0.002),
  f('lesion-diamond', 'shoot', 'look', 'Diamond of dead bark', 'Is there a long diamond of dead bark where a dead side twig joins?', 1, 0.002),
  f('stem-black-streaks', 'shoot', 'look', 'Black streaks on green stems', 'Are there narrow black streaks on the green stems?', 0.5, 0.001),
  f('blossom-brown-gum', 'shoot', 'look', 'Brown blossom stuck, gum below', 'Do brown blossoms cling to the twig, with gum at its base?', 0.5, 0.002),
  f('cone-dots-black', 'shoot', 'hand lens', 'Black pinheads on cone scales', 'Under the lens: are there black pinheads on old cone scales or at the base of dead needles?', 1, 0.004),
  f('wood-wedge-brown', 'shoot', 'cut', 'Brown wedge in the wood', 'Cut the dead limb across. Is there a brown wedge behind an old wound?', 4, 0.008),
  f('wood-core-brown', 'shoot', 'cut', 'Brown stain in the middle', 'Cut a silvered limb, an inch thick, across. Is there a brown stain in the middle?', 3, 0.01),
  f('cankers-many-small', 'shoot', 'peel', 'Many small dark cankers', 'Shave a branch. Are there many small dark spots round pinhole tunnels?', 4, 0.001),
  f('leader-crook-resin', 'shoot', 'look', 'Leader hooked over resin beads', 'Has the leader wilted to a hook, with beads of resin or cocoons of wood chips below?', 1, 0.001, conifers()),
  f('resin-missing', 'shoot', 'cut', 'No resin in a fresh cut', 'Cut into a limb. Does the wound stay dry of resin?', 2, 0.01, { ...seen(5, 6, 7, 8, 9, 10), ...conifers() }),
]
