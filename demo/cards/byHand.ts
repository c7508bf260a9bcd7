import type { HandName } from '@/core/methods/names'
import { GEAR, house, type ShelfCard } from './card'
import type { HandUse } from '@/core/card/card'

const by = (
  code: string,
  name: string,
  formulation: string,
  method: HandName,
  terms: Record<string, string | number>,
  more: Partial<Pick<HandUse, 'hosts' | 'notOn' | 'targets'>> = {},
): ShelfCard =>
  house(code, name, formulation, [
    {
      method,
      hosts: 'any',
      targets: [],
      forbiddenOnFood: false,
      reentryHours: 0,
      beeCaution: '',
      waterCaution: '',
      protectiveGear: GEAR,
      ...more,
      terms,
    },
  ])

const OAKS = ['oak-red-group', 'oak-white-group']

/** How the house works without a product. */
export const BY_HAND: readonly ShelfCard[] = [
  by('HC-FLARE', 'Open the flare', 'soil off the root collar, roots cut in steps', 'collar', {
    out: '18 in',
    mostCutPercent: 25,
    dryDays: 2,
    tool: 'Air tool, or hand tools with no blade on bark',
  }),
  by('HC-SPOKES', 'Spokes and mulch bed', 'radial trenches with compost, mulch over all', 'trenches', {
    spokes: 8,
    width: '4 in',
    depth: '10 in',
    mulch: '3 in',
    fill: 'compost with the loosened soil',
  }),
  by('HC-WATER', 'Water week by week', 'a basin and slow water in dry spells', 'water', {
    perInch: '10 gal',
    days: 7,
    times: 16,
  }),
  by(
    'HC-PRUNE',
    'Cut out, clean tools',
    'sick and unwanted wood, in dry weather',
    'prune',
    {
      below: '10 in',
      paint: 'never',
      clean: '70 % alcohol on the blades, before the first tree and between trees',
      away: 'prunings bagged and away the same day',
    },
    { notOn: OAKS },
  ),
  by(
    'HC-OAKCUT',
    'Cut oaks, paint at once',
    'oaks outside the season of the wilt, wounds painted',
    'prune',
    {
      below: '10 in',
      paint: 'at once',
      clean: '70 % alcohol on the blades, before the first tree and between trees',
      away: 'oak wood chipped fine or covered the same day',
      closedFrom: 4,
      closedTo: 7,
      closedWhy: 'the beetles that carry oak wilt fly from April to July',
    },
    { hosts: OAKS },
  ),
  by('HC-MESH', 'Mesh guard', 'wire mesh against teeth, off the bark', 'guard', {
    mesh: 'welded wire, 1/4 in',
    clearance: '1 1/2 in',
    overlap: '1 1/2 in',
    bury: '3 in',
    margin: '6 in',
    checkDays: 150,
  }),
  by('HC-FENCE', 'Deer fence', 'a fence round a tree, or a cage round its stem', 'fence', {
    height: '8 ft',
    net: 'woven wire, no wider than a hand',
    posts: 'pointed larch, 4 in',
  }),
  by('HC-ROOF', 'Rain roof', 'clear sheet over a small crown', 'shelter', {
    what: 'rain roof',
    sheet: 'clear sheet on a timber frame',
  }),
  by('HC-BAGS', 'Bag the fruit', 'a paper bag round each fruit', 'bag', {
    bag: 'waxed paper bags',
    off: 14,
  }),
  by('HC-LINE', 'Cut joined roots', 'a line between a sick tree and its neighbours', 'barrier', {
    depth: '5 ft',
    tool: 'trencher, or vibratory plow on turf',
  }),
  by('HC-FELL', 'Fell', 'what carries a wilt, or is dead', 'fell', {
    who: 'the felling crew, by its own risk assessment',
    stump: 'Cut to the ground, bark off to below the soil',
  }),
  by('HC-WOOD', 'Wood made harmless', 'chipped, debarked, buried, burned or covered', 'wood', {
    with: 'chipper on site, clear sheet for what stays',
    rule: 'nothing, without a permit',
  }),
  by('HC-SCENT', 'Hung scent', 'scented soap against browsing, one a tree', 'repel', {
    with: 'Scented soap in a net',
    how: 'hung',
    days: 45,
    times: 6,
  }),
  by('HC-EGG', 'Sprayed scent', 'egg solids on shoots and buds against browsing', 'repel', {
    with: 'Egg solids, mixed by the maker’s words',
    how: 'sprayed',
    days: 30,
    times: 8,
    washOff: '0.1 in',
  }),
  by('HC-BAND', 'Band over wrap', 'a band over a wrap against ants and climbing larvae', 'band', {
    overlap: '2 in',
    height: '40 in',
    renew: 100,
    times: 3,
  }),
  by('HC-HANDS', 'Two hands', 'jet, brush, pick, wipe, gather, heat', 'hands', {
    days: 7,
    times: 30,
    water: 'plain water',
  }),
  by('HC-GATHER', 'Gather daily', 'fallen fruit and nuts, every day while they fall', 'hands', {
    days: 1,
    times: 40,
    water: 'none',
  }),
  by('HC-SAVE', 'Save gnawed stems', 'tape, bridge graft, cut back or inarch', 'save', {
    tape: 'moist moss under soft grafting tape',
    scions: 'dormant one-year shoots of the same kind',
  }),
  by('HC-TEN', 'Ten leaves', 'a count on ten leaves, against a number', 'watch', {
    sample: 'ten leaves from different parts of the crown',
    days: 14,
    times: 10,
  }),
  by('HC-PARCEL', 'Parcel to the laboratory', 'a sample taken, packed and sent', 'sample', {
    pack: 'in paper, in a bag, cool, never frozen',
    within: 2,
    answer: 10,
  }),
  by('HC-HELPERS', 'Release helpers', 'predators set free on their prey', 'release', {
    who: 'predatory mites',
    perTree: 500,
    warm: 65,
    sprayDays: 14,
    days: 14,
    times: 4,
  }),
]
