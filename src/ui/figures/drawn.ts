/** What a drawing stands on: bark, a leaf, a twig, needles, the foot of a stem, a fruit, a crown, or nothing. */
export type Ground = 'bark' | 'leaf' | 'twig' | 'needles' | 'foot' | 'fruit' | 'cut' | 'none'

/** What is drawn on it: a line or an area by its path, or dots by middle and radius; in the ink that says what it is. */
export interface Mark {
  ink: 'ink' | 'rust' | 'moss' | 'straw' | 'paper'
  line?: string
  area?: string
  dots?: readonly (readonly [x: number, y: number, r: number])[]
  width?: number
}

/** A drawing as data: what the eye should look for, in a few lines. 96 × 72; rust for what decides. */
export interface Drawn {
  says: string
  on: Ground
  marks: readonly Mark[]
}

const d = (says: string, on: Ground, ...marks: Mark[]): Drawn => ({ says, on, marks })
const r = (line: string, width = 1.6): Mark => ({ ink: 'rust', line, width })
const R = (area: string): Mark => ({ ink: 'rust', area })
const k = (line: string, width = 1.3): Mark => ({ ink: 'ink', line, width })
const K = (area: string): Mark => ({ ink: 'ink', area })
const P = (area: string): Mark => ({ ink: 'paper', area })
const S = (area: string): Mark => ({ ink: 'straw', area })
const M = (area: string): Mark => ({ ink: 'moss', area })
const dots = (ink: Mark['ink'], radius: number, ...at: (readonly [number, number])[]): Mark => ({
  ink,
  dots: at.map(([x, y]) => [x, y, radius] as const),
})

const CATERPILLAR =
  'M14,44C20,34 30,34 36,40S52,46 58,40S74,34 82,44C76,54 66,52 60,48S42,54 36,50S20,54 14,44Z'

/** Drawings of findings that decide between causes, by finding. */
// prettier-ignore
export const DRAWN: Readonly<Record<string, Drawn>> = {
  'exit-hole-pencil': d('A round hole that a pencil goes into.', 'bark', K('M36,40A10,10 0 1 0 56,40A10,10 0 1 0 36,40Z'), r('M48,38L80,10M54,42L86,14M80,10L90,6L86,14', 1.4)),
  'exit-hole-pin': d('Holes no wider than a pin head, straight in.', 'bark', dots('rust', 1.6, [30, 22], [50, 18], [42, 34], [62, 32], [34, 48], [56, 50], [48, 60])),
  'egg-pits-chewed': d('Oval pits chewed into the bark.', 'bark', R('M30,22C36,16 44,18 46,24S38,32 32,30S26,26 30,22Z'), R('M56,42C62,38 70,40 70,46S62,54 56,50S52,46 56,42Z'), k('M34,23l8,4M60,44l7,3')),
  'sawdust-shreds': d('Coarse shreds of wood in a fork.', 'none', k('M40,70V44L18,8M56,70V44L78,8M48,34L30,6M48,34L66,6'), r('M40,32l8,4M46,28l6,7M52,30l-9,6M38,37l10,2M50,38l8,-3', 2)),
  'sawdust-toothpicks': d('Strands of pressed sawdust standing from pinholes.', 'bark', r('M34,20l16,-5M38,32l18,-2M32,44l14,5M42,54l18,3', 2.4), dots('ink', 1.4, [33, 20], [37, 32], [31, 44], [41, 54])),
  'pupal-skin-bark': d('An empty brown skin sticks out of a round hole.', 'bark', K('M34,34A8,8 0 1 0 50,34A8,8 0 1 0 34,34Z'), R('M42,30C52,24 66,24 74,30C70,38 56,40 42,38Z'), k('M50,27v10M58,26v12M66,27v9', 1)),
  'bark-ridges': d('Winding ridges under thin bark.', 'none', k('M20,4C26,26 14,46 22,68M76,4C70,26 82,46 74,68'), r('M26,14L66,22L30,34L68,46L32,58', 3.4)),
  'pitch-tubes': d('Lumps of resin like popcorn on the bark.', 'bark', R('M30,18C34,12 42,14 42,20C48,22 44,30 38,28C32,32 26,24 30,18Z'), R('M56,38C60,32 68,34 68,40C74,42 70,50 64,48C58,52 52,44 56,38Z'), dots('ink', 1.3, [37, 22], [63, 42])),
  'galleries-conifer': d('A straight tunnel with side tunnels.', 'none', k('M48,6V66', 3.4), r('M48,16L24,10M48,24L22,22M48,32L20,36M48,40L24,48M48,50L30,62M48,16L72,10M48,24L74,22M48,32L76,36M48,40L72,48M48,50L66,62', 1.4)),
  'wood-blue-stain': d('Blue-grey wedges in the sapwood of a cut.', 'cut', K('M48,36L30,12A30,30 0 0 1 44,8Z'), K('M48,36L76,46A30,30 0 0 1 66,60Z'), K('M48,36L20,50A30,30 0 0 1 18,36Z')),
  'holes-in-rows': d('Level rows of small holes.', 'bark', dots('rust', 2.2, [24, 22], [34, 22], [44, 22], [54, 22], [64, 22], [74, 22], [24, 38], [34, 38], [44, 38], [54, 38], [64, 38], [74, 38], [34, 54], [44, 54], [54, 54])),
  'lichen-growth': d('Crusts and leafy rosettes on sound bark.', 'bark', { ink: 'moss', area: 'M30,18C38,10 48,16 46,24C54,30 44,38 36,34C26,38 22,26 30,18Z' }, { ink: 'moss', area: 'M56,40C64,34 74,40 70,48C74,58 60,60 56,54C48,52 50,44 56,40Z' }, k('M34,20l4,4M40,26l3,-4M60,46l5,3M62,52l3,-4', 1)),
  'bark-wax-specks': d('White woolly specks on the bark.', 'bark', ...[[28, 18], [46, 14], [60, 24], [36, 32], [54, 40], [30, 48], [66, 50], [46, 58]].map(([x, y]): Mark => ({ ink: 'paper', area: `M${x! - 4},${y}a4,4 0 1 0 8,0a4,4 0 1 0 -8,0Z` })), r('M26,18h4M44,14h4M58,24h4M34,32h4M52,40h4M28,48h4M64,50h4M44,58h4', 1)),
  'bark-red-pinheads': d('Tiny red pinheads in clusters.', 'bark', dots('rust', 1.7, [32, 24], [36, 21], [39, 25], [35, 28], [58, 38], [62, 35], [65, 39], [61, 42], [40, 52], [44, 49], [47, 53], [43, 56])),
  'bark-dead-southwest': d('Dead bark on the sunny side of the stem.', 'none', k('M34,4V68M62,4V68'), R('M34,18C44,22 46,34 44,44S40,58 34,60Z'), r('M6,10A8,8 0 1 0 22,10A8,8 0 1 0 6,10M22,16L30,26', 1.4)),
  'crack-long-frost': d('One long straight crack with rolled edges.', 'bark', r('M48,4C46,24 50,46 48,68', 2.4), k('M43,6C40,26 44,46 42,66M53,6C56,26 52,46 54,66')),
  'bleed-dark': d('Dark spots that run down the lower stem.', 'foot', R('M42,24C46,20 50,24 48,30L46,48L43,30C40,28 40,26 42,24Z'), R('M52,34C56,31 59,35 57,39L55,54L53,40C51,38 51,36 52,34Z')),
  'bleed-sour': d('A watery streak below a crack or stub.', 'bark', K('M44,10A6,5 0 1 0 56,10A6,5 0 1 0 44,10Z'), r('M47,15C45,30 49,46 46,68M51,15C53,32 49,48 54,68', 2)),
  'bleed-many-cracks': d('Several spots weep from short upright cracks.', 'bark', r('M30,12v8M56,10v8M42,30v8M66,30v8M28,46v8M54,48v8', 2.4), R('M29,20L31,30L33,20Z'), R('M55,18L57,28L59,18Z'), R('M41,38L43,48L45,38Z'), R('M65,38L67,48L69,38Z'), R('M53,56L55,66L57,56Z')),
  'bark-inner-brown-edge': d('Shaved bark, brown with a sharp edge.', 'bark', P('M26,14H70V60H26Z'), R('M26,14H46C50,26 40,36 46,46S42,56 44,60H26Z'), k('M46,14C50,26 40,36 46,46S42,56 44,60', 2)),
  'bark-butterscotch': d('Inner bark at the base, tan instead of white.', 'foot', S('M38,20H58V50H38Z'), r('M38,20H58V50H38Z', 2), k('M58,20L70,12M58,50L70,58', 1)),
  'canker-sunken': d('Sunken dead bark with a cracked rim.', 'bark', K('M34,16C50,8 64,22 60,38S44,64 34,54S22,26 34,16Z'), r('M34,16C50,8 64,22 60,38S44,64 34,54S22,26 34,16Z', 3)),
  'canker-orange-pinheads': d('Orange pinheads on a canker.', 'bark', k('M34,14C50,6 66,22 62,38S44,66 34,56S22,26 34,14Z'), dots('rust', 2.2, [38, 22], [46, 20], [52, 28], [42, 30], [50, 38], [36, 40], [44, 46], [54, 46], [40, 54])),
  'canker-gum-sour': d('A gummy canker, flecks in the bark beyond it.', 'bark', R('M36,22C46,14 56,22 54,34S44,48 36,42S28,30 36,22Z'), r('M58,20l4,2M62,30l4,1M60,42l4,2M30,52l3,3M44,54l3,3M24,16l3,-2', 2), S('M44,44C48,46 48,54 44,58C40,54 40,46 44,44Z')),
  'gum-amber-clean': d('Amber gum, no sawdust in it.', 'bark', S('M42,22C52,16 62,24 58,34C66,44 54,56 46,50C34,52 32,36 40,32Z'), r('M42,22C52,16 62,24 58,34C66,44 54,56 46,50C34,52 32,36 40,32Z', 1.6)),
  'resin-white-limb': d('Resin dried to a white crust.', 'twig', P('M34,42C40,34 56,30 64,32C60,42 50,50 38,52Z'), r('M34,42C40,34 56,30 64,32C60,42 50,50 38,52ZM42,48v10M52,44v12M60,38v9', 1.6)),
  'brackets-purple-small': d('Small brackets one above the other.', 'bark', R('M40,18C52,14 64,18 66,22H40Z'), R('M40,32C54,28 70,32 72,36H40Z'), R('M40,46C52,42 64,46 66,50H40Z'), k('M40,22H66M40,36H72M40,50H66')),
  'conk-base': d('A bracket at the base of the stem.', 'foot', R('M60,46C74,42 90,48 90,56H60Z'), k('M60,56H90M64,50C72,48 80,50 84,54')),
  'conk-trunk': d('A bracket high on the stem.', 'bark', R('M44,24C60,16 84,24 86,36H44Z'), k('M44,36H86M50,30C60,26 72,28 78,34')),
  'crust-charred-base': d('A crust like charcoal at the base.', 'foot', K('M34,44C42,40 54,40 62,44L70,62H26Z'), r('M34,44C42,40 54,40 62,44', 2), { ink: 'paper', line: 'M38,48l4,4M48,46l3,5M56,50l4,4M44,56l4,3', width: 1 }),
  'fans-white-under-bark': d('White sheets between bark and wood.', 'foot', P('M36,28H60V60H36Z'), r('M48,58C40,48 38,38 40,30M48,58C48,46 48,38 48,30M48,58C56,48 58,38 56,30', 1.6), k('M60,28L74,20M60,60L74,66M36,28V60')),
  'mushrooms-base': d('Clusters of mushrooms round the base.', 'foot', R('M14,52C18,44 28,44 30,52Z'), R('M70,50C74,42 84,42 86,50Z'), R('M24,58C27,52 34,52 36,58Z'), k('M22,52V64M78,50V64M30,58V64')),
  'flame-dark-base': d('A dark tongue of dead bark up from the roots.', 'foot', K('M36,62C40,50 42,34 48,20C52,36 56,50 60,62Z'), r('M36,62C40,50 42,34 48,20C52,36 56,50 60,62', 2)),
  'cavity-open': d('An open cavity in the stem.', 'bark', K('M36,24C44,14 58,18 58,34S50,60 42,56S30,34 36,24Z'), r('M32,24C42,8 62,14 62,34S52,66 40,60S26,36 32,24Z', 1.8)),
  'root-plate-lifting': d('Soil raised and cracked on one side, the stem leans.', 'none', k('M40,4L54,56M62,2L74,50M2,64H40'), r('M40,64L54,54L80,48L94,58', 2.4), r('M60,52l4,10M72,50l5,10', 1.6)),
  'frass-sap-base': d('Gum with sawdust at the soil line.', 'foot', S('M40,52C46,46 56,48 58,56C60,64 44,66 40,62Z'), r('M42,56l3,2M48,52l3,3M52,58l3,2M46,60l3,2', 1.6)),
  'pads-under-bark': d('Grey pads press a crack open from beneath.', 'bark', K('M46,8C42,26 42,46 46,64L50,64C54,46 54,26 50,8Z'), R('M40,30C44,24 52,24 56,30V44C52,50 44,50 40,44Z')),
  'wound-mower': d('Torn bark at the foot, without tooth marks.', 'foot', R('M36,48L42,40L52,44L58,40L60,54L50,60L40,58Z'), k('M40,50L54,48M42,55L56,54')),
  'strip-high-limbs': d('Bark stripped from an upper limb.', 'twig', P('M28,50L66,34L68,42L30,58Z'), r('M28,50L66,34M30,58L68,42M34,60C30,64 36,70 32,72M52,50C50,58 56,60 54,68', 1.8)),
  'leaf-specks-below': d('Dark shiny specks beneath, flat lacy bugs.', 'leaf', dots('ink', 1.3, [38, 26], [44, 22], [54, 28], [40, 40], [58, 40], [46, 50], [52, 56]), r('M44,34l6,-4l6,4v6l-6,4l-6,-4ZM50,30v14M44,37h12', 1.2)),
  'leaf-stippled': d('The upper face peppered with fine pale dots.', 'leaf', dots('straw', 1.1, [40, 18], [46, 20], [54, 22], [36, 28], [44, 28], [52, 30], [60, 30], [34, 38], [42, 38], [50, 40], [58, 40], [66, 36], [40, 48], [48, 50], [56, 48], [46, 58])),
  'leaf-spot-tar': d('Raised black spots like drops of tar.', 'leaf', K('M36,24A6,5 0 1 0 48,24A6,5 0 1 0 36,24Z'), K('M50,38A7,6 0 1 0 64,38A7,6 0 1 0 50,38Z'), K('M34,46A5,5 0 1 0 44,46A5,5 0 1 0 34,46Z'), r('M38,22q3,-3 6,0M53,35q4,-3 7,0', 1)),
  'leaf-gall-blade': d('Small bladders on the blade; the shoot grows on.', 'leaf', dots('rust', 3, [40, 24], [54, 30], [42, 42], [58, 46], [48, 56]), k('M40,21v-4M54,27v-4M42,39v-4M58,43v-4M48,53v-4', 1)),
  'leaf-shot-holes': d('Round holes with a rim, as if shot.', 'leaf', ...[[40, 24], [54, 30], [38, 42], [56, 46], [48, 56]].map(([x, y]): Mark => ({ ink: 'paper', area: `M${x! - 4},${y}a4,4 0 1 0 8,0a4,4 0 1 0 -8,0Z` })), r('M36,24a4,4 0 1 0 8,0a4,4 0 1 0 -8,0M50,30a4,4 0 1 0 8,0a4,4 0 1 0 -8,0M34,42a4,4 0 1 0 8,0a4,4 0 1 0 -8,0M52,46a4,4 0 1 0 8,0a4,4 0 1 0 -8,0', 1.2)),
  'leaf-mottle-lopsided': d('Yellow blotches cross the veins; the halves differ.', 'leaf', S('M44,14C34,20 30,32 36,36S34,48 46,52Z'), S('M56,24C64,26 66,32 60,36S54,30 56,24Z'), k('M48,8V64M48,22L64,16M48,36L68,30M48,50L64,46M48,22L32,16M48,36L28,30M48,50L32,46', 1)),
  'leaf-bands-dark': d('Dark bands between the veins, seen against the sky.', 'leaf', K('M50,18L66,14L70,22L50,27Z'), K('M50,36L73,32L71,42L50,46Z'), K('M46,18L30,14L26,22L46,27Z'), K('M46,36L23,32L25,42L46,46Z'), r('M48,8V64M48,14L62,10M48,30L73,26M48,50L66,48M48,14L34,10M48,30L23,26M48,50L30,48', 1)),
  'leaf-wide-green-veins': d('Yellow between broad green bands.', 'leaf', S('M48,8C74,20 78,46 48,64C18,46 22,20 48,8Z'), { ink: 'moss', line: 'M48,8V64M48,22L66,16M48,22L30,16M48,38L70,32M48,38L26,32M48,52L62,48M48,52L34,48', width: 6 }),
  'leaf-zigzag-cut': d('A zigzag eaten inward from the edge.', 'leaf', { ink: 'paper', line: 'M72,34L64,28L60,36L52,30L48,38L42,32', width: 5 }, r('M72,31L64,25L60,33L52,27L48,35M72,38L64,32L60,40L52,34L48,42', 1.2)),
  'leaf-mines-blotch': d('A see-through blotch with droppings inside.', 'leaf', P('M36,22C46,16 62,20 62,32S52,48 42,44S28,30 36,22Z'), r('M36,22C46,16 62,20 62,32S52,48 42,44S28,30 36,22Z', 1.4), dots('ink', 1.1, [42, 28], [48, 26], [52, 34], [46, 36], [44, 40])),
  'leaf-blister-grubs-below': d('Blisters beneath a box leaf, orange grubs inside.', 'leaf', P('M36,28C44,22 56,24 58,32S50,44 42,42S30,36 36,28Z'), r('M36,28C44,22 56,24 58,32S50,44 42,42S30,36 36,28Z', 1.4), R('M42,32q5,-3 10,0q-5,5 -10,0Z'), R('M44,38q4,-2 8,0q-4,3 -8,0Z')),
  'leaf-cupped-wax': d('Tip leaves cupped over one another, wax inside.', 'none', k('M48,70V40'), { ink: 'moss', area: 'M48,44C26,40 22,20 36,8C44,18 50,30 48,44Z' }, { ink: 'moss', area: 'M48,44C70,40 74,20 60,8C52,18 46,30 48,44Z' }, P('M42,30C44,22 52,22 54,30S44,38 42,30Z'), r('M42,30C44,22 52,22 54,30S44,38 42,30Z', 1.2)),
  'leaf-spots-purple-small': d('Pinhead spots with a purple rim.', 'leaf', dots('rust', 2, [40, 20], [52, 24], [36, 32], [46, 34], [60, 34], [40, 44], [54, 46], [48, 56]), dots('paper', 0.8, [40, 20], [52, 24], [36, 32], [46, 34], [60, 34], [40, 44], [54, 46], [48, 56])),
  'leaf-blotch-purple-twig': d('A blotch that runs down the stalk into the twig.', 'none', { ink: 'moss', area: 'M44,42C24,36 20,16 32,4C46,12 52,28 44,42Z' }, R('M44,42C36,40 30,32 34,24S46,28 46,40L54,62L48,64Z'), k('M20,70L80,52', 3.4), r('M48,62L66,56', 3.4)),
  'leaf-blotch-yellow-rim': d('A red-brown blotch with a yellow rim.', 'leaf', S('M32,22C46,10 66,22 64,38S44,58 34,48S22,32 32,22Z'), R('M36,26C46,18 60,26 58,38S44,52 38,44S30,34 36,26Z')),
  'leaf-spots-dark-halo': d('Dark spots with a yellow rim.', 'leaf', dots('straw', 6, [40, 24], [56, 32], [42, 46]), dots('ink', 3.4, [40, 24], [56, 32], [42, 46])),
  'leaf-spots-red-tiny': d('Many tiny angular red-brown spots.', 'leaf', r('M38,18h3v3h-3ZM50,22h3v3h-3ZM34,30h3v3h-3ZM44,32h3v3h-3ZM58,30h3v3h-3ZM38,42h3v3h-3ZM52,42h3v3h-3ZM62,42h3v3h-3ZM46,52h3v3h-3ZM54,54h3v3h-3Z', 1.4)),
  'leaf-rust-horns-below': d('Brown horns beneath an orange spot.', 'none', { ink: 'moss', area: 'M8,24C30,14 66,14 88,24C66,32 30,32 8,24Z' }, R('M36,26H60V30H36Z'), r('M40,31L36,50M46,31L44,54M52,31L53,54M58,31L62,50', 2.6)),
  'leaf-notched-edge': d('Half-round notches in the edge.', 'leaf', P('M66,18a6,6 0 1 0 8,10Z'), P('M70,36a6,6 0 1 0 -2,12Z'), P('M28,22a6,6 0 1 1 -6,11Z'), P('M30,50a6,6 0 1 1 8,9Z'), r('M64,20a6,6 0 0 0 8,9M69,37a6,6 0 0 0 -3,11M30,22a6,6 0 0 1 -6,10M31,50a6,6 0 0 1 8,8', 1.6)),
  'leaf-scale-narrow': d('Slim white and brown shells.', 'leaf', { ink: 'paper', line: 'M38,22l4,9M52,20l3,9M40,42l3,9M58,40l3,9', width: 3 }, r('M46,26l4,9M34,34l4,9M54,48l3,9', 3)),
  'leaf-spots-olive': d('Olive velvet spots that do not rub off.', 'leaf', K('M36,22C42,18 48,22 46,28S36,32 34,28Z'), K('M52,34C58,30 64,34 62,40S52,44 50,40Z'), K('M38,44C44,40 50,44 48,50S38,54 36,50Z'), r('M38,25h6M54,37h6M40,47h6', 1)),
  'leaf-spots-orange': d('Bright orange spots with dark dots.', 'leaf', dots('rust', 4.4, [40, 24], [56, 30], [42, 42], [56, 48]), dots('ink', 1, [40, 24], [56, 30], [42, 42], [56, 48])),
  'leaf-white-powder': d('White powder that rubs off.', 'leaf', P('M36,18C46,12 60,18 58,28S40,36 34,30Z'), P('M44,40C54,34 66,40 62,50S46,58 42,50Z'), r('M40,22l2,2M46,20l2,2M52,24l2,2M44,28l2,2M50,44l2,2M56,46l2,2M50,52l2,2', 1.2)),
  'leaf-black-film': d('Black film; a wet thumb takes it off green.', 'leaf', K('M48,7C76,19 79,48 48,65C17,48 20,19 48,7Z'), M('M40,24C54,20 62,30 60,42L44,46C36,40 36,30 40,24Z'), r('M40,24C54,20 62,30 60,42L44,46C36,40 36,30 40,24Z', 1.4)),
  'leaf-vein-brown': d('Veins brown, the rest of the leaf green.', 'leaf', r('M48,8V64M48,22L64,16M48,22L32,16M48,36L70,30M48,36L26,30M48,50L64,46M48,50L32,46', 2.4)),
  'leaf-bronze-green-drop': d('Bronze from the tip and margin, green at the base.', 'leaf', R('M48,7C76,19 79,44 60,56L56,40L62,28L50,22L36,28L40,40L36,56C17,44 20,19 48,7Z')),
  'leaf-twisted-strappy': d('New leaves twisted and narrow like straps.', 'none', k('M48,70V46'), r('M48,46C30,40 40,26 26,18S24,6 18,4M48,46C48,34 56,28 50,18S56,8 50,2M48,46C66,40 56,28 70,22S70,10 80,8', 3)),
  'leaf-chewed': d('Holes and eaten margins.', 'leaf', P('M60,14C54,18 60,26 70,26Z'), P('M24,36C32,38 32,46 26,50Z'), P('M44,26C50,22 56,28 52,34S42,34 44,26Z'), r('M60,14C54,18 60,26 70,26M24,36C32,38 32,46 26,50M44,26C50,22 56,28 52,34S42,34 44,26Z', 1.4)),
  'needle-scale-white': d('White flecks stuck on needles.', 'needles', { ink: 'paper', line: 'M30,34l-2,-8M46,26l-3,-8M62,20l-2,-8M38,50l4,7M56,42l4,7', width: 4 }, r('M32,35l-2,-9M48,27l-3,-9M64,21l-2,-9M36,51l4,8M54,43l4,8', 1)),
  'needle-scale-brown': d('Flat brown covers under the needles, waxy threads.', 'needles', r('M29,33l-2,-7M45,25l-3,-7M38,50l4,7M56,42l4,7', 4), { ink: 'paper', line: 'M27,25q-3,-3 -1,-6M42,17q-3,-3 0,-6M43,58q4,1 4,5', width: 1.4 }),
  'needle-dots-rows': d('Black dots in rows along the pale lines.', 'none', { ink: 'moss', area: 'M6,40C30,22 66,22 90,34C66,48 30,50 6,40Z' }, { ink: 'paper', line: 'M14,38C36,28 62,28 82,34M14,42C36,42 62,42 82,38', width: 2 }, dots('ink', 1.3, [24, 35], [34, 32], [44, 30.6], [54, 30.6], [64, 31.6], [74, 33], [26, 42], [36, 42.4], [46, 42.2], [56, 41.6], [66, 40.6])),
  'needle-bands-red': d('Red bands across needles, green at the base.', 'none', { ink: 'moss', line: 'M48,68C40,44 28,22 14,6M48,68C46,42 44,22 42,4M48,68C56,44 68,22 82,8', width: 4 }, r('M30,27L25,21M43.6,26L43,18M66,29L71,22M22,16L18,11', 4.4)),
  'needle-old-brown-low': d('Last year’s needles brown, this year’s green.', 'none', k('M6,60L90,22', 2), r('M18,54l-8,-14M26,50l-7,-15M34,47l-6,-15M22,54l10,12M30,50l10,12M38,46l10,12', 2), { ink: 'moss', line: 'M56,38l-6,-15M64,34l-5,-15M72,30l-4,-15M58,38l12,10M66,34l12,10M74,30l12,8', width: 2 }),
  'needle-inner-drop': d('Only the oldest, inner needles yellow.', 'none', k('M6,60L90,22', 2), { ink: 'straw', line: 'M18,54l-8,-14M26,50l-7,-15M22,54l10,12M30,50l10,12', width: 2.4 }, { ink: 'moss', line: 'M44,42l-6,-15M54,38l-6,-15M64,34l-5,-15M74,29l-4,-15M46,42l12,11M56,38l12,10M66,33l12,9', width: 2 }),
  'needle-tip-stunted-brown': d('The new tip short and brown.', 'none', k('M48,70V36', 2), { ink: 'moss', line: 'M48,62L26,48M48,62L70,48M48,54L24,38M48,54L72,38M48,46L28,30M48,46L68,30', width: 2 }, r('M48,36V22M48,32l-6,-6M48,32l6,-6M48,27l-5,-5M48,27l5,-5', 2.4)),
  'scale-tips-grey': d('Dead grey tips, black dots where dead meets green.', 'none', { ink: 'moss', line: 'M48,70C46,54 36,46 26,42M48,60C52,50 60,46 70,44M48,64V34', width: 4 }, r('M48,34V8M26,42L12,32M70,44L84,36', 3), dots('ink', 1.6, [48, 35], [27, 42], [69, 44])),
  'twig-knot-black': d('A hard, rough, black swelling.', 'twig', K('M32,52C28,40 40,28 52,26C66,22 70,32 66,38C60,50 42,60 32,52Z'), r('M36,46l4,3M44,38l4,3M52,32l4,3M58,36l3,3M42,48l4,2', 1.4)),
  'twig-egg-band': d('A shiny collar of eggs round a thin twig.', 'twig', K('M38,42L58,32L64,44L44,54Z'), r('M42,43l4,9M48,40l4,9M54,37l4,9', 1.2)),
  'twig-gouty': d('Tips swollen like knuckles.', 'none', k('M8,64C28,54 40,44 48,34', 4), R('M44,38C38,28 48,18 58,22C68,20 72,32 64,38C58,46 48,46 44,38Z'), k('M60,24l12,-10M64,30l14,-4M58,22l4,-14', 1.4)),
  'scale-cotton-popcorn': d('A flat brown scale with a cotton sac, no ridges.', 'twig', P('M50,34C58,22 76,24 78,34S62,48 52,42Z'), r('M50,34C58,22 76,24 78,34S62,48 52,42', 1.4), R('M38,36C44,30 54,32 54,40S42,48 38,42Z')),
  'cotton-ridged-sac': d('A ridged sac that lifts off whole.', 'twig', P('M46,34C54,20 76,20 82,34S60,50 48,42Z'), r('M52,28L80,26M50,33L82,31M50,38L80,37M54,43L72,43', 1.4), R('M36,36C40,30 50,32 50,40S40,46 36,42Z')),
  'mealy-insects': d('An oval insect dusted white, with a waxy fringe.', 'none', P('M24,36C24,24 72,24 72,36S24,48 24,36Z'), r('M24,36C24,24 72,24 72,36S24,48 24,36ZM32,28v16M40,26v20M48,26v20M56,26v20M64,28v16', 1.2), k('M22,34l-8,-3M22,38l-8,3M28,27l-5,-7M36,25l-3,-8M46,24v-8M56,25l3,-8M66,28l6,-7M28,45l-5,7M36,47l-3,8M46,48v8M56,47l3,8M66,44l6,7M74,34l10,-4M74,38l10,4', 1)),
  'lesion-diamond': d('A diamond of dead bark at a dead side twig.', 'none', k('M36,4V68M60,4V68M60,34L84,22M60,40L86,28'), R('M48,12L58,37L48,62L38,37Z')),
  'stem-black-streaks': d('Narrow black streaks on a green stem.', 'none', { ink: 'moss', area: 'M38,4H58V68H38Z' }, k('M44,12v14M52,20v18M46,36v16M53,46v16', 2.6), k('M38,4V68M58,4V68')),
  'blossom-brown-gum': d('Brown blossom stuck to the twig, gum at its base.', 'twig', R('M44,28C38,20 46,12 52,18C58,10 66,18 60,24C66,30 56,36 52,30C50,36 44,34 44,28Z'), S('M46,36C50,34 54,38 52,42S44,44 46,36Z'), k('M50,30L48,38')),
  'cone-dots-black': d('Black pinheads on the scales of a cone.', 'none', k('M48,6C66,14 70,46 48,66C26,46 30,14 48,6ZM34,22C42,28 54,28 62,22M30,36C40,42 56,42 66,36M34,50C42,54 54,54 62,50'), dots('rust', 1.5, [40, 19], [48, 21], [56, 19], [38, 32], [46, 35], [54, 35], [60, 31], [40, 46], [48, 48], [56, 46])),
  'wood-wedge-brown': d('A dead wedge behind an old cut.', 'cut', R('M48,36L32,9A31,31 0 0 1 64,9Z')),
  'wood-core-brown': d('A brown stain in the middle of the limb.', 'cut', R('M36,34C40,24 56,26 60,36S48,52 40,46Z')),
  'cankers-many-small': d('Many small dark spots round pinhole tunnels.', 'bark', ...[[30, 18], [50, 14], [40, 32], [62, 30], [34, 50], [56, 48]].map(([x, y]): Mark => ({ ink: 'rust', area: `M${x! - 6},${y}a6,5 0 1 0 12,0a6,5 0 1 0 -12,0Z` })), dots('ink', 1.4, [30, 18], [50, 14], [40, 32], [62, 30], [34, 50], [56, 48])),
  'bud-gall': d('A gall on the bud; the shoot stops.', 'twig', R('M40,30C40,18 58,14 64,24S56,42 48,40S40,36 40,30Z'), P('M48,26a4,4 0 1 0 8,0a4,4 0 1 0 -8,0Z'), k('M50,26h4', 1)),
  'twig-cut-clean': d('Cut smooth inside, an oval hollow plugged with shavings.', 'none', k('M4,26H60M4,50H60'), k('M54,38A6,12 0 1 0 66,38A6,12 0 1 0 54,38Z'), R('M57,38A3,6 0 1 0 63,38A3,6 0 1 0 57,38Z')),
  'aphids-seen': d('Soft pear-shaped insects with two tail pipes.', 'leaf', M('M38,30C38,22 50,22 54,30S48,40 42,38Z'), r('M38,30C38,22 50,22 54,30S48,40 42,38ZM53,27l6,-3M54,33l6,2M40,24l-5,-5M44,22l-2,-6M42,38l-3,6M48,38l1,6', 1.3)),
  'mites-tapped': d('Dots that walk on white paper, and smear.', 'none', P('M10,18L78,8L88,52L20,62Z'), k('M10,18L78,8L88,52L20,62Z'), dots('rust', 1.7, [34, 28], [48, 22], [60, 34], [42, 42], [66, 24]), k('M34,28q4,-3 7,0M60,34q5,2 8,-2M42,42q5,-1 7,3', 0.9)),
  'bags-hanging': d('Spindle-shaped bags of silk and leaf bits.', 'twig', R('M46,38C40,48 42,60 48,70C54,60 56,48 50,38Z'), k('M48,32V38M43,48l10,-3M43,54l11,-3M45,60l8,-3', 1.2)),
  'silk-nest-fork': d('A dense silk tent in a fork.', 'none', k('M48,70V46L18,8M48,46L78,8', 3), P('M48,46L30,22C40,16 56,16 66,22Z'), r('M48,46L30,22C40,16 56,16 66,22ZM48,44L40,20M48,44L56,20M36,28L60,28M40,34L56,34', 1.2)),
  'silk-nest-tips': d('Loose silk over the leaves at a branch end.', 'none', k('M4,60L60,34', 2.4), M('M56,30C60,20 72,18 80,22C76,32 66,36 56,30Z'), M('M60,38C68,34 80,36 84,42C78,50 68,48 60,38Z'), r('M48,26C56,8 88,8 92,28S76,62 56,54S40,36 48,26ZM54,22L86,44M52,34L78,54M62,14L90,32', 1.2)),
  'silk-nest-ball': d('A tight silk ball in a pine top. Do not touch.', 'none', k('M48,70V30', 2.4), { ink: 'moss', line: 'M48,62L24,50M48,62L72,50M48,52L28,40M48,52L68,40', width: 2 }, P('M34,22A14,14 0 1 0 62,22A14,14 0 1 0 34,22Z'), r('M34,22A14,14 0 1 0 62,22A14,14 0 1 0 34,22ZM38,14C46,20 52,24 58,30M36,26C44,22 54,16 60,14', 1.4)),
  'caterpillars-in-line': d('Hairy caterpillars nose to tail. Keep away.', 'none', R('M4,40q8,-8 16,0q-8,8 -16,0Z'), R('M22,40q8,-8 16,0q-8,8 -16,0Z'), R('M40,40q8,-8 16,0q-8,8 -16,0Z'), R('M58,40q8,-8 16,0q-8,8 -16,0Z'), R('M76,40q8,-8 16,0q-8,8 -16,0Z'), k('M8,35v-7M14,35v-7M26,35v-7M32,35v-7M44,35v-7M50,35v-7M62,35v-7M68,35v-7M80,35v-7M86,35v-7', 1)),
  'caterpillar-tufted': d('Tufts like small brushes on the back.', 'none', M(CATERPILLAR), k(CATERPILLAR), r('M30,36v-16M33,37v-17M42,41v-18M45,42v-19M54,41v-18M57,40v-18M66,37v-16M69,36v-16', 2)),
  'caterpillar-loops': d('A smooth caterpillar that loops.', 'none', r('M10,60C20,60 26,56 32,36S52,10 58,30S66,58 86,58', 6), k('M8,62v4M14,62v4M76,61v5M82,61v5M88,60v4', 1.4)),
  'caterpillar-blue-red-dots': d('Pairs of dots on the back: dark in front, red behind.', 'none', M(CATERPILLAR), k(CATERPILLAR), dots('ink', 2, [24, 41], [24, 46], [32, 41], [32, 46], [40, 43], [40, 48]), dots('rust', 2, [50, 43], [50, 48], [58, 42], [58, 47], [66, 40], [66, 45], [74, 42], [74, 46])),
  'caterpillar-egg-mass': d('A tan felted mass on the bark.', 'bark', S('M30,28C40,18 58,22 64,34S52,54 40,50S22,38 30,28Z'), r('M30,28C40,18 58,22 64,34S52,54 40,50S22,38 30,28ZM36,32h4M46,30h4M54,36h4M40,42h4M50,44h4', 1.4)),
  'beetle-black-white-long': d('Black with white spots, long banded feelers.', 'none', K('M34,34C34,22 62,22 62,34V56C62,68 34,68 34,56Z'), K('M40,22A8,7 0 1 0 56,22A8,7 0 1 0 40,22Z'), dots('paper', 2, [42, 38], [54, 40], [44, 48], [54, 52], [48, 60]), { ink: 'ink', line: 'M43,17C34,4 18,4 6,12M53,17C62,4 78,4 90,12', width: 2 }, r('M30,7l-4,-1M18,6l-4,2M66,7l4,-1M78,6l4,2', 2.4)),
  'fruit-frass-core': d('A tunnel to the core with crumbly droppings.', 'fruit', P('M44,34q4,-4 8,0v10q-4,4 -8,0Z'), r('M74,34C64,30 58,40 50,40', 4), dots('ink', 1.3, [78, 32], [81, 36], [77, 38], [83, 33])),
  'fruit-trails-brown': d('Brown trails wind through the flesh, away from the core.', 'fruit', r('M28,30C36,26 34,36 42,34M62,24C56,28 66,34 60,38M34,52C42,48 40,58 50,56M66,48C60,46 62,54 56,52', 2)),
  'fruit-crescent-scar': d('A half-moon cut in young fruit.', 'fruit', r('M40,30A10,10 0 0 0 56,30', 3), k('M40,30C46,34 50,34 56,30', 1)),
  'fruit-tan-tufts': d('Tan tufts in rings on rotting fruit.', 'fruit', S('M30,40A18,18 0 1 0 66,40A18,18 0 1 0 30,40Z'), dots('rust', 1.8, [48, 40], [40, 36], [56, 36], [40, 46], [56, 46], [48, 30], [48, 50], [34, 40], [62, 40], [37, 28], [59, 28], [37, 53], [59, 53])),
  'fruit-scabs': d('Corky scabs on the skin.', 'fruit', R('M34,30C40,26 46,30 44,36S34,38 34,30Z'), R('M52,42C60,38 64,44 60,50S50,50 52,42Z'), k('M37,31l4,3M55,44l4,3', 1)),
  'nut-hole-grub': d('A round hole and a legless grub.', 'none', k('M20,60C12,38 24,16 46,8C60,22 62,46 50,62C40,66 28,66 20,60Z'), K('M34,36a5,5 0 1 0 10,0a5,5 0 1 0 -10,0Z'), P('M62,44C62,34 78,32 82,42S74,58 66,54Z'), r('M62,44C62,34 78,32 82,42S74,58 66,54M66,38l4,5M72,35l2,6M79,38l-3,5', 1.4)),
  'beetles-metallic-leaf': d('Shiny beetles with white tufts along the sides.', 'leaf', M('M34,34C34,24 60,24 60,36S54,52 46,52S34,44 34,34Z'), k('M47,26V52M34,36L28,32M34,42L27,42M60,36L66,32M60,42L67,42', 1.2), dots('paper', 1.8, [36, 42], [38, 47], [58, 42], [56, 47])),
  'ants-trail': d('Ants in a line, up and down the stem.', 'bark', dots('rust', 2, [40, 8], [40, 13], [44, 24], [44, 29], [48, 40], [48, 45], [54, 56], [54, 61], [58, 12], [58, 17], [62, 34], [62, 39]), k('M36,9l-3,-3M44,9l3,-3M40,25l-3,-3M48,25l3,-3M44,41l-3,-3M52,41l3,-3', 0.9)),
  'leaf-spots-midrib-below': d('Round spots along the midrib beneath, silk over them.', 'leaf', k('M48,8V64'), dots('rust', 2.6, [43, 18], [53, 22], [43, 30], [53, 36], [43, 44], [53, 50]), r('M40,15l8,6M50,19l8,6M40,27l8,6M50,33l8,6', 0.9)),
  'leafhopper-bug-beak': d('A long-legged bug with a beak, eggs in a row.', 'none', R('M26,34C34,22 60,22 68,38C58,48 36,48 26,34Z'), k('M26,34L14,40M34,44L26,60M48,46L46,62M60,44L70,60M66,32L78,18M30,28L20,16', 1.4), dots('straw', 2, [62, 66], [68, 66], [74, 66], [80, 66], [86, 66])),
  'slime-shells': d('A shell, and a shining trail.', 'none', S('M50,38A14,14 0 1 0 78,38A14,14 0 1 0 50,38Z'), r('M64,38A4,4 0 1 0 60,42A9,9 0 1 0 72,36', 1.6), k('M50,46C40,54 30,52 24,46L20,36M24,46L28,34'), { ink: 'straw', line: 'M4,64C24,58 44,66 70,56', width: 4 }),
  'nut-caterpillar-silk': d('A caterpillar with legs, silk and droppings.', 'none', k('M14,60C6,38 18,16 40,8C54,22 56,46 44,62C34,66 22,66 14,60Z'), r('M40,40C52,34 60,46 72,40S86,44 88,40', 5), k('M56,45v5M62,46v5M68,44v5', 1.2), dots('ink', 1.2, [24, 30], [30, 36], [26, 44], [34, 28])),
  'leaf-grubs-yellow-black': d('A yellow grub with black lines, yellow eggs in rows.', 'leaf', S('M34,40C40,32 58,32 64,40S42,50 34,40Z'), k('M38,40H60M40,36H58', 2), dots('straw', 1.6, [42, 20], [46, 20], [50, 20], [54, 20], [42, 25], [46, 25], [50, 25], [54, 25])),
  'box-webbing-droppings': d('Silk and green droppings among eaten leaves.', 'none', k('M48,70V8', 2), M('M48,22C36,20 30,12 34,6C44,8 48,14 48,22Z'), M('M48,44C60,42 66,34 62,28C52,30 48,36 48,44Z'), r('M30,14L66,34M28,30L64,52M30,46L60,18', 1), dots('moss', 2, [40, 34], [56, 50], [38, 52], [54, 24])),
  'fruit-soft-maggots': d('Tiny maggots in soft ripe fruit.', 'fruit', { ink: 'paper', line: 'M38,34q4,-3 8,0M50,44q4,-3 8,0M40,50q4,3 8,0M54,30q4,3 6,0', width: 3 }, r('M36,36l-2,1M60,44l2,1', 1.6)),
  'fruit-smudge-rubs': d('Smudges and specks on the skin that rub off.', 'fruit', K('M30,30C38,24 46,30 42,38S28,40 30,30Z'), dots('ink', 1.1, [58, 34], [61, 36], [59, 39], [63, 40], [57, 42], [54, 52], [57, 54], [60, 52])),
  'fruit-rot-soft-pale': d('Soft, watery, pale rot.', 'fruit', S('M28,44C36,28 60,28 66,44C64,62 34,64 28,44Z'), r('M36,44q4,4 8,0M50,48q4,4 8,0M48,64l-2,6M54,62l0,6', 1.4)),
  'fruit-misshapen-spring': d('Young fruit swollen like a bladder, hollow.', 'none', M('M34,14C26,30 30,58 46,66C64,60 70,34 58,16C50,8 40,8 34,14Z'), P('M42,26C38,36 40,50 47,54C56,48 58,36 52,26C49,23 45,23 42,26Z'), k('M34,14C26,30 30,58 46,66C64,60 70,34 58,16C50,8 40,8 34,14ZM46,10V2')),
  'spore-cushions-pink': d('Pink cushions under straw-coloured leaves.', 'none', k('M10,62L86,20', 2), S('M30,52C24,40 32,30 42,30C44,40 40,48 30,52Z'), S('M56,38C50,26 58,16 68,16C70,26 66,34 56,38Z'), dots('rust', 2, [34, 44], [38, 38], [35, 38], [60, 30], [64, 24], [61, 24])),
  'resin-missing': d('A fresh cut that stays dry of resin.', 'twig', P('M40,34L58,28L64,44L46,52Z'), r('M40,34L58,28L64,44L46,52Z', 2), k('M72,56q-5,9 0,12q5,-3 0,-12M66,70L84,54', 1.4)),
  'leaf-brown-windward': d('Brown on the windy side, green below the snow.', 'none', k('M48,66V6', 2), { ink: 'moss', line: 'M48,16L66,26M48,28L72,40M48,42L76,54M48,54L26,62', width: 3 }, r('M48,16L30,26M48,28L24,40M48,42L20,52', 3.4), k('M2,22H14M2,34H12M2,46H14', 1.4), { ink: 'paper', area: 'M2,58H94V70H2Z' }),
  'leaf-fold-crisp': d('A leaf folded lengthwise that creases and crackles.', 'none', M('M14,40C34,14 64,14 84,40L48,34Z'), r('M14,40L84,40M30,36l4,-8M44,34l2,-10M58,34l-2,-10M70,37l-4,-8', 1.6), k('M14,40C34,14 64,14 84,40C64,50 34,50 14,40Z')),
  'leaf-brown-road-side': d('Brown on the road side up to the splash.', 'none', k('M56,66V6', 2), { ink: 'moss', line: 'M56,14L74,24M56,26L80,38M56,40L84,52M56,14L40,22', width: 3 }, r('M56,28L34,38M56,42L30,52', 3.4), k('M2,66H94M4,60h16M8,54l6,-6M14,56l8,-10', 1.6)),
  'shoots-from-below-graft': d('Strong shoots from below the graft, with other leaves.', 'none', k('M40,70V46L46,40V6M56,70V46L50,40V6', 1.6), r('M40,58C28,50 24,34 22,10M24,40L12,34M23,28L12,22M23,20L34,14', 2.4), k('M36,46L60,40', 2.4)),
  'shoots-upright-inside': d('Strong upright shoots crowd the centre.', 'none', k('M48,70V48L16,22M48,48L80,22', 3), r('M40,42V6M46,46V4M52,46V4M58,40V6M34,36V10M64,34V10', 2.2)),
  'bark-flakes-natural': d('Thin plates come off over sound new bark.', 'none', k('M20,4V68M76,4V68'), P('M30,14H50V34H30Z'), P('M54,28H72V50H54Z'), P('M28,44H46V62H28Z'), r('M30,14H50V34M54,28H72V50M28,44H46V62', 1.8), k('M30,14L26,20M54,28L50,34M28,44L24,50', 1)),
}
