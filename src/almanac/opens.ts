const BORERS = ['bronze-birch-borer', 'two-lined-chestnut-borer']
const MOULDS = ['phytophthora-root-rot', 'phytophthora-bleeding-canker', 'ink-disease']
const STRIPPED = ['two-lined-chestnut-borer', 'armillaria-root-rot']
const LOST_ROOTS = [...BORERS, 'ambrosia-beetle', 'sunscald-frost-crack', 'hypoxylon-canker']

/**
 * What each stress opens the door for: beside it these are likelier, and it is the stress that is treated first.
 * Source: handbook, what opens the door.
 */
export const OPENS: Readonly<Record<string, readonly string[]>> = {
  'drought-stress': [
    ...BORERS,
    'conifer-bark-beetle',
    'cytospora-canker',
    'botryosphaeria-canker',
    'diplodia-tip-blight',
    'cypress-canker',
    'hypoxylon-canker',
    'armillaria-root-rot',
    'white-rot',
  ],
  'root-loss': LOST_ROOTS,
  'soil-compaction': LOST_ROOTS,
  'buried-flare': ['girdling-roots'],
  waterlogging: [...MOULDS, 'ambrosia-beetle'],
  'frost-injury': ['bacterial-canker', 'ambrosia-beetle'],
  'spongy-moth': STRIPPED,
  cankerworm: STRIPPED,
  'tent-caterpillar': STRIPPED,
  'tussock-moth': STRIPPED,
  'mechanical-wound': ['clearwing-borer', 'butt-rot', 'trunk-rot', 'silver-leaf', 'oak-wilt'],
  'sunscald-frost-crack': ['trunk-rot'],
  'winter-burn': ['volutella-blight'],
}
