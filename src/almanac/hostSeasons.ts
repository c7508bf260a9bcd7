import type { Bloom, HostFacts, Uncut } from '@/core/gate/question'

const b = (from: string, to: string, spring = true): Bloom => ({ from, to, spring })

/**
 * When bees find flowers on the kinds they visit, from the earliest to the latest anywhere in the temperate north: wide on purpose,
 * between its ends somebody looks. Kinds the wind pollinates are not in it. Source: extension calendars; house figures where sorts differ.
 */
// prettier-ignore
export const BLOOM: Readonly<Record<string, Bloom>> = {
  maple: b('02-01', '05-15'), willow: b('02-15', '05-20'), magnolia: b('03-01', '06-15'), redbud: b('03-01', '05-20'), cherry: b('03-01', '05-25'),
  plum: b('03-01', '05-20'), peach: b('02-20', '05-10'), apricot: b('02-15', '05-01'), almond: b('02-01', '04-15'), pear: b('03-10', '05-20'),
  apple: b('03-25', '06-05'), crabapple: b('03-25', '06-05'), hawthorn: b('04-15', '06-20'), 'mountain-ash': b('04-25', '06-20'), dogwood: b('04-01', '06-20'),
  honeylocust: b('05-01', '06-30'), 'black-locust': b('04-25', '06-20'), tuliptree: b('04-20', '06-30'), 'horse-chestnut': b('04-20', '06-15'), holly: b('04-01', '06-30'),
  rhododendron: b('03-15', '07-10'), sassafras: b('03-15', '05-20'), citrus: b('02-15', '05-31'), avocado: b('02-01', '05-31'), redbay: b('04-15', '06-20'),
  chestnut: b('05-25', '07-31', false), linden: b('05-25', '07-31', false), 'crape-myrtle': b('06-01', '09-30', false), pomegranate: b('04-15', '07-15', false), euonymus: b('05-15', '07-31', false),
}

/** When kinds are not cut. Source: handbook, when work may go on; extension advice. */
export const UNCUT: Readonly<Record<string, Uncut>> = {
  ...Object.fromEntries(
    ['oak-red-group', 'oak-white-group'].map((id) => [
      id,
      {
        stretch: { from: '04-01', to: '07-31' },
        why: 'the beetles that carry oak wilt come to fresh wounds from April to July.',
      },
    ]),
  ),
  'oak-live': {
    stretch: { from: '02-01', to: '06-30' },
    why: 'in the south the beetles that carry oak wilt come to fresh wounds from February to June.',
  },
  elm: {
    stretch: { from: '04-01', to: '08-31' },
    why: 'the bark beetles that carry the elm wilt fly from April to August.',
    // A flag is cut out at once or never.
    not: ['dutch-elm-disease'],
  },
  ...Object.fromEntries(
    ['ash', 'birch'].map((id) => [
      id,
      {
        stretch: { from: '05-15', to: '08-31' },
        warmth: '450 to 1500 °F·d',
        why: 'borers fly, and come to fresh wounds.',
      },
    ]),
  ),
  pine: {
    stretch: { from: '04-01', to: '10-31' },
    why: 'the beetles that carry pine wilt fly from April to October.',
    only: ['pine-wilt'],
  },
  ...Object.fromEntries(
    ['peach', 'plum', 'cherry', 'apricot', 'almond'].map((id) => [
      id,
      {
        stretch: { from: '09-16', to: '03-15' },
        why: 'stone fruit is cut in dry weather from bloom to late summer; winter wounds take silver leaf and canker.',
        // Its knots are cut out while they can be seen and are shut.
        not: ['black-knot'],
      },
    ]),
  ),
}

const OIL = 'horticultural oil'
const never = (why: string) => [{ active: OIL, why }]
const perhaps = (why: string) => [{ active: OIL, why, ask: true }]

/** What kinds do not bear. Lists of what oil harms differ by sort; the label decides. Source: handbook, oil; extension lists. */
export const NOT_BORNE: Readonly<Record<string, NonNullable<HostFacts['notBorne']>>> = {
  'douglas-fir': never('Oil burns Douglas-fir.'),
  redbud: never('Oil burns redbud.'),
  walnut: never('Oil burns walnut.'),
  maple: perhaps('Japanese, red and sugar maple do not bear oil: which maple is it?'),
  'maple.red': never('Oil burns red maple.'),
  'maple.japanese': never('Oil burns Japanese maple.'),
  'maple.sugar': perhaps('Sugar maple does not bear oil well: was it tried on a limb of this tree?'),
  'maple.norway': [],
  'spruce.blue': perhaps('Oil takes the blue off this spruce for years: may it lose it?'),
  juniper: perhaps('Oil takes the colour off juniper, off blue sorts most: may it lose it?'),
  spruce: perhaps('Oil takes the colour off blue and dwarf spruces: which is it?'),
  apricot: [{ active: 'sulfur', why: 'Sulfur burns apricot.' }],
}
