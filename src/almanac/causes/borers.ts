import type { Cause } from '@/core/diagnose/almanac'
import { NOT_FOR_INSECTS, noSpray } from './refusals'

const UNDER_BARK = 'The larvae are under the bark; a crown spray does not reach them.'

/** Borers that are told by where and how they cut. */
// prettier-ignore
export const BORERS: readonly Cause[] = [
  {
    id: 'bronze-birch-borer',
    name: 'Birch borer',
    kind: 'wood borer',
    hosts: ['birch'],
    prior: 3,
    findings: { 'exit-hole-d': 'usual', 'galleries-zigzag': 'usual', 'crown-thin-top': 'usual', 'branch-dieback-scattered': 'usual', 'bark-split': 'sometimes', 'drought-recent': 'sometimes', 'woodpecker-blond': 'sometimes', 'trunk-sprouts': 'sometimes', 'leaf-yellow-even': 'sometimes', 'many-kinds-affected': 'seldom' },
    action: 'protect-systemic',
    girdles: true,
    refuses: { ...NOT_FOR_INSECTS, 'crown-spray': UNDER_BARK },
    oneLine: 'Larvae girdle stressed birches, beginning at the top.',
    act: 'Water deeply, mulch wide and shade the roots; a systemic while little of the top is dead.',
    doNot: 'Do not prune birches while the beetles fly, and do not treat one that lost half its crown.',
    expect: 'Dieback stops moving down by next summer.',
    spread: 'By flight to birches short of water.',
    lookAlikes: [{ cause: 'drought-stress', check: 'No D-shaped holes and no ridges or galleries in the upper limbs.' }],
  },
  {
    id: 'peach-tree-borer',
    name: 'Stone-fruit borer',
    kind: 'wood borer',
    hosts: ['peach', 'plum', 'cherry', 'apricot', 'almond'],
    prior: 2.5,
    findings: { 'frass-sap-base': 'always', 'exit-hole-round': 'sometimes', 'crown-thin-even': 'sometimes', 'branch-dieback-scattered': 'sometimes', 'canker-sunken': 'seldom', 'leaf-yellow-even': 'sometimes', 'mulch-piled': 'sometimes', 'bark-off-crust': 'never' },
    action: 'sanitation',
    refuses: { ...NOT_FOR_INSECTS, injection: 'Stone fruit answer a hole with gum, and the larvae sit at the soil line.' },
    oneLine: 'Larvae tunnel at the soil line; gum comes out mixed with their sawdust.',
    act: 'Bare the base, dig out the few there are with a wire, and time a labelled trunk-base spray to the flight.',
    doNot: 'Do not heap mulch or soil against the trunk.',
    expect: 'No fresh sawdust in the gum a month later.',
    spread: 'Moths lay at the base of trunks, most on wounded ones.',
    lookAlikes: [{ cause: 'cytospora-canker', check: 'Clear gum without sawdust, from a sunken canker higher up.' }],
  },
  {
    id: 'twig-pruner',
    name: 'Twig pruner',
    kind: 'wood borer',
    hosts: ['chestnut', 'oak-red-group', 'oak-white-group', 'walnut'],
    prior: 1,
    months: [6, 7, 8, 9, 10],
    findings: { 'twig-cut-clean': 'always', 'branch-dieback-scattered': 'sometimes', 'leaf-drop-early': 'seldom', 'gnaw-clipped-twigs': 'never' },
    action: 'sanitation',
    refuses: { ...NOT_FOR_INSECTS, insecticide: 'The larva lies inside the fallen twig; gathering takes it away.', ...noSpray('The larva lies inside the fallen twig.'), injection: 'A few twigs are not worth a hole.' },
    oneLine: 'A larva cuts a twig from inside and falls with it.',
    act: 'Gather and destroy the fallen twigs before winter.',
    doNot: 'Do not spray for it.',
    expect: 'Fewer twigs on the ground next summer.',
    spread: 'By flight from twigs left lying.',
    lookAlikes: [{ cause: 'squirrel-stripping', check: 'A squirrel’s cut is slanted and ragged and the twig is not hollow.' }],
  },
]
