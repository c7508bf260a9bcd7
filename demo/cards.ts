import type { Card, CardUse } from '@/core/card/card'
import { CARD_FORMAT } from '@/core/card/format'
import type { LabelCard } from '@/core/dose/labelCard'

/** A card on the demo's shelf, in the version it has reached there, with its lots: number and last day. */
export interface ShelfCard {
  version: number
  lots: readonly (readonly [number: string, expires: string])[]
  card: Card
}

const GEAR = ['eye protection', 'nitrile gloves', 'long sleeves']
const SPRAY_GEAR = [...GEAR, 'closed shoes', 'hat']
const DUST_GEAR = [...SPRAY_GEAR, 'dust mask', 'hooded suit']
const FRUIT = ['apple', 'pear', 'cherry', 'plum', 'peach', 'apricot', 'almond']
const crops = (days: number, ...hosts: string[]) => hosts.map((host) => ({ host, harvestDays: days }))
const OFF_WATER = 'Keep every drop off soil and water.'
const NO_BLOOM = 'Not while the tree or anything under it is in open bloom.'

const NUMBERS: Record<string, number> = {
  EB4: 1004,
  AZ5: 1005,
  IC3: 1007,
  PX2: 1010,
  PH6: 1011,
  FE1: 1012,
  SD2: 1013,
  RP1: 1014,
  DN7: 1015,
  PB4: 1016,
  PS3: 1017,
  FS18: 1018,
  FQ10: 1019,
  HO1: 1020,
  IS2: 1021,
  CO3: 1022,
  BT4: 1023,
  SP9: 1024,
  CU5: 1025,
  SU8: 1026,
  CP4: 1027,
  MY3: 1028,
  ST6: 1029,
  KC2: 1030,
}

/** Example cards. Invented names and DEMO- numbers: they show the form of a card and are no labels. */
const card = (
  code: string,
  version: number,
  lots: ShelfCard['lots'],
  formulation: string,
  actives: Card['actives'],
  signalWord: Card['signalWord'],
  uses: Card['uses'],
  storage = 'Locked, dry, above freezing.',
): ShelfCard => ({
  version,
  lots,
  card: {
    format: CARD_FORMAT,
    kind: 'label',
    code,
    name: `Example ${code}`,
    registration: `DEMO-${NUMBERS[code]}-${version}`,
    formulation,
    actives,
    signalWord,
    storage,
    example: true,
    uses,
  },
})

const house = (code: string, name: string, formulation: string, uses: Card['uses']): ShelfCard => ({
  version: 1,
  lots: [],
  card: {
    format: CARD_FORMAT,
    kind: 'house',
    code,
    name,
    formulation,
    actives: [],
    signalWord: 'none',
    example: true,
    uses,
  },
})

type Terms<M extends CardUse['method']> = Extract<CardUse, { method: M }>
const TEMPERATE = { least: '45 F', most: '90 F' }

const injection = (use: Omit<Terms<'trunk-injection'>, 'method'>): CardUse => ({
  method: 'trunk-injection',
  ...use,
})
const drench = (use: Omit<Terms<'soil-drench'>, 'method'>): CardUse => ({ method: 'soil-drench', ...use })
const soil = (use: Omit<Terms<'soil-injection'>, 'method'>): CardUse => ({ method: 'soil-injection', ...use })
const bark = (use: Omit<Terms<'bark-spray'>, 'method'>): CardUse => ({ method: 'bark-spray', ...use })
const feed = (use: Omit<Terms<'feed'>, 'method'>): CardUse => ({ method: 'feed', ...use })
const spray = (
  use: Omit<Terms<'crown-spray'>, 'method' | 'terms' | 'beeCaution' | 'waterCaution' | 'protectiveGear'> &
    Partial<Pick<CardUse, 'beeCaution' | 'waterCaution' | 'protectiveGear'>>,
  terms: Omit<Terms<'crown-spray'>['terms'], 'wind' | 'temperature'> &
    Partial<Pick<Terms<'crown-spray'>['terms'], 'wind' | 'temperature'>>,
): CardUse => ({
  method: 'crown-spray',
  beeCaution: NO_BLOOM,
  waterCaution: 'No drift onto water; no run-off.',
  protectiveGear: SPRAY_GEAR,
  ...use,
  terms: {
    volumeRate: '0.8 gal/1000 ft3',
    wind: { least: '2 mph', most: '10 mph', gust: '15 mph' },
    temperature: { least: '45 F', most: '85 F' },
    ...terms,
  },
})

const EB4 = card(
  'EB4',
  3,
  [
    ['EB4-2207', '2028-03-31'],
    ['EB4-2311', '2029-01-31'],
  ],
  'liquid for trunk injection',
  [{ name: 'emamectin benzoate', strength: '4 %', group: '6' }],
  'warning',
  [
    injection({
      hosts: ['ash'],
      targets: ['emerald-ash-borer'],
      forbiddenOnFood: true,
      reentryHours: 4,
      beeCaution: 'Ash is wind-pollinated; still not while anything under it is in open bloom.',
      waterCaution: OFF_WATER,
      protectiveGear: ['eye protection', 'nitrile gloves', 'long sleeves', 'closed shoes'],
      terms: {
        hardware: 'pressure bottle, plug-free',
        ratePerInch: { low: '5 mL', high: '10 mL' },
        ports: { rule: 'spacing', spacing: '6 in' },
        minSpacing: '4 in',
        maxGap: '9 in',
        perPortMax: '20 mL',
        bit: '1/4 in',
        depth: '1 in',
        uptakeMinutes: { from: 25, to: 50 },
        temperature: TEMPERATE,
        hole: 'leave open',
        retreatYears: 2,
      },
    }),
  ],
)

const AZ5 = card(
  'AZ5',
  1,
  [['AZ5-0118', '2027-11-30']],
  'liquid for trunk injection',
  [{ name: 'azadirachtin', strength: '5 %', group: 'UN' }],
  'caution',
  [
    injection({
      hosts: ['ash'],
      targets: ['emerald-ash-borer'],
      forbiddenOnFood: true,
      reentryHours: 4,
      beeCaution: 'Not while anything under the tree is in open bloom.',
      waterCaution: 'Keep off water.',
      protectiveGear: GEAR,
      terms: {
        hardware: 'low-pressure bottle',
        ratePerInch: { low: '5 mL', high: '8 mL' },
        ports: { rule: 'per-diameter', inchesPerPort: 2 },
        minSpacing: '4 in',
        maxGap: '10 in',
        perPortMax: '16 mL',
        bit: '7/32 in',
        depth: '7/8 in',
        uptakeMinutes: { from: 40, to: 120 },
        temperature: TEMPERATE,
        hole: 'leave open',
        retreatYears: 1,
      },
    }),
  ],
)

const IC3 = card(
  'IC3',
  2,
  [['IC3-4410', '2028-06-30']],
  'capsules of 3 mL',
  [{ name: 'imidacloprid', strength: '10 %', group: '4A' }],
  'caution',
  [
    injection({
      hosts: ['ash'],
      targets: ['emerald-ash-borer'],
      forbiddenOnFood: true,
      reentryHours: 12,
      beeCaution: 'Never on a tree that bees visit, before or in bloom.',
      waterCaution: 'Keep off water.',
      protectiveGear: GEAR,
      terms: {
        hardware: 'pressurised capsule, one a port',
        capsule: { volume: '3 mL', maxPerInch: '2 mL' },
        ports: { rule: 'spacing', spacing: '6 in' },
        minSpacing: '4 in',
        maxGap: '9 in',
        bit: '3/8 in',
        depth: '3/4 in',
        uptakeMinutes: { from: 10, to: 30 },
        temperature: TEMPERATE,
        hole: 'leave open',
        retreatYears: 1,
      },
    }),
  ],
)

const injectables: ShelfCard[] = [
  EB4,
  AZ5,
  IC3,
  card(
    'PX2',
    1,
    [['PX2-0731', '2028-08-31']],
    'liquid for trunk infusion, with plugs',
    [{ name: 'propiconazole', strength: '14 %', group: '3' }],
    'warning',
    [
      injection({
        hosts: ['elm', 'oak-red-group', 'oak-white-group', 'oak-live'],
        targets: ['dutch-elm-disease', 'oak-wilt'],
        forbiddenOnFood: true,
        reentryHours: 12,
        beeCaution: NO_BLOOM,
        waterCaution: OFF_WATER,
        protectiveGear: SPRAY_GEAR,
        terms: {
          hardware: 'infusion line with plugs',
          ratePerInch: { low: '6 mL', high: '20 mL' },
          ports: {
            rule: 'table',
            rows: [{ upTo: '10 in', ports: 6 }, { upTo: '20 in', ports: 10 }, { ports: 16 }],
          },
          minSpacing: '3 in',
          maxGap: '8 in',
          bit: '5/16 in',
          depth: '1 in, low in the flares',
          uptakeMinutes: { from: 60, to: 480 },
          temperature: TEMPERATE,
          hole: 'plug stays in',
          retreatYears: 3,
        },
      }),
    ],
  ),
  card(
    'PH6',
    1,
    [['PH6-1190', '2029-04-30']],
    'liquid for trunk injection',
    [{ name: 'phosphonic acid', strength: '45 %', group: 'P07' }],
    'caution',
    [
      injection({
        hosts: ['oak-red-group', 'oak-live', 'beech', 'maple', 'avocado'],
        targets: ['phytophthora-bleeding-canker', 'phytophthora-root-rot'],
        forbiddenOnFood: false,
        foodCrops: crops(30, 'avocado'),
        reentryHours: 4,
        beeCaution: NO_BLOOM,
        waterCaution: 'Keep off water.',
        protectiveGear: GEAR,
        terms: {
          hardware: 'low-pressure bottle',
          ratePerInch: { low: '8 mL', high: '12 mL' },
          ports: { rule: 'spacing', spacing: '6 in' },
          minSpacing: '4 in',
          perPortMax: '30 mL',
          minPorts: 2,
          bit: '1/4 in',
          depth: '5/8 in into sapwood',
          uptakeMinutes: { from: 30, to: 90 },
          temperature: { least: '50 F', most: '85 F' },
          hole: 'leave open',
          retreatYears: 1,
        },
      }),
    ],
  ),
  card(
    'FE1',
    1,
    [['FE1-3002', '2030-01-31']],
    'feed capsules of 4 mL',
    [{ name: 'iron and manganese', strength: '6 %', group: 'feed' }],
    'caution',
    [
      injection({
        hosts: ['ash', 'oak-red-group', 'maple', 'birch', 'magnolia'],
        targets: ['iron-chlorosis', 'nutrient-shortage', 'emerald-ash-borer'],
        forbiddenOnFood: true,
        reentryHours: 0,
        beeCaution: 'Nothing that harms bees; still not into a tree in full bloom.',
        waterCaution: 'Keep off water.',
        protectiveGear: GEAR,
        terms: {
          hardware: 'pressurised feed capsule, one a port',
          capsule: { volume: '4 mL', maxPerInch: '2 mL' },
          ports: { rule: 'per-diameter', inchesPerPort: 2 },
          minSpacing: '4 in',
          bit: '3/8 in',
          depth: '3/4 in',
          uptakeMinutes: { from: 15, to: 60 },
          temperature: TEMPERATE,
          hole: 'leave open',
          retreatYears: 1,
        },
      }),
    ],
  ),
]

const pour = (basis: 'diameter' | 'girth', low: string, high: string, strength: string, years: number) =>
  ({
    basis,
    multiStem: basis === 'diameter' ? 'equivalent' : 'sum',
    rate: { low, high },
    strength,
    retreatYears: years,
  }) as const

const ground: ShelfCard[] = [
  card(
    'SD2',
    2,
    [
      ['SD2-5521', '2028-10-31'],
      ['SD2-4980', '2026-03-31'],
    ],
    'concentrate for soil, 2 lb a gallon',
    [{ name: 'imidacloprid', strength: '2 lb/gal', group: '4A' }],
    'caution',
    [
      drench({
        hosts: ['hemlock', 'ash', 'elm', 'birch', 'crape-myrtle'],
        notOn: ['linden'],
        targets: [
          'hemlock-woolly-adelgid',
          'emerald-ash-borer',
          'bronze-birch-borer',
          'bark-scale-felted',
          'aphids',
        ],
        forbiddenOnFood: true,
        limits: { activePerAreaYear: '0.4 lb/acre', timesPerYear: 1, leastDays: 300 },
        reentryHours: 12,
        neverInBloom: true,
        beeCaution: 'Never on a tree that feeds bees; flowers under the tree are cut before.',
        waterCaution: 'Not into saturated or frozen soil, nor where it runs off.',
        waterSetback: '25 ft',
        protectiveGear: SPRAY_GEAR,
        terms: {
          ...pour('diameter', '0.1 fl oz', '0.2 fl oz', '2 lb/gal', 5),
          tiers: [{ above: '24 in', low: '0.2 fl oz', high: '0.4 fl oz' }],
          water: [{ girthUpTo: '50 in', volume: '1 gal' }, { volume: '2 gal' }],
          basin: { from: '6 in', to: '18 in' },
          mostRainComing: '0.5 in',
          after: 'Mulch back over the wet ring; water in when it stays dry.',
        },
      }),
      soil({
        hosts: ['hemlock', 'ash', 'elm', 'birch'],
        targets: ['hemlock-woolly-adelgid', 'emerald-ash-borer', 'bronze-birch-borer'],
        forbiddenOnFood: true,
        limits: { activePerAreaYear: '0.4 lb/acre', timesPerYear: 1, leastDays: 300 },
        reentryHours: 12,
        neverInBloom: true,
        beeCaution: 'Never on a tree that feeds bees.',
        waterCaution: 'Not into saturated or frozen soil, nor where rock or pipe lies under it.',
        waterSetback: '25 ft',
        protectiveGear: SPRAY_GEAR,
        terms: {
          ...pour('diameter', '0.1 fl oz', '0.2 fl oz', '2 lb/gal', 5),
          pattern: { kind: 'rings', first: '1 ft', spacing: '2.5 ft', rings: 2, holeSpacing: '2.5 ft' },
          mixPerHole: '8 fl oz',
          depth: { low: '4 in', high: '8 in' },
        },
      }),
    ],
  ),
  card(
    'RP1',
    1,
    [['RP1-0044', '2027-09-30']],
    'ready to pour',
    [{ name: 'imidacloprid', strength: '1.47 %', group: '4A' }],
    'caution',
    [
      drench({
        hosts: ['ash', 'birch', 'elm'],
        targets: ['emerald-ash-borer', 'bronze-birch-borer', 'aphids'],
        forbiddenOnFood: true,
        limits: { activePerAreaYear: '0.4 lb/acre', timesPerYear: 1 },
        reentryHours: 12,
        neverInBloom: true,
        beeCaution: 'Never on a tree that feeds bees.',
        waterCaution: 'Keep off water.',
        waterSetback: '25 ft',
        protectiveGear: GEAR,
        terms: {
          ...pour('girth', '1 fl oz', '1 fl oz', '0.125 lb/gal', 1),
          water: [{ girthUpTo: '50 in', volume: '1 gal' }, { volume: '2 gal' }],
          basin: { from: '2 in', to: '12 in' },
        },
      }),
    ],
  ),
  card(
    'DN7',
    1,
    [['DN7-2120', '2028-05-31']],
    'soluble granules, 0.8 lb a gallon made up',
    [{ name: 'dinotefuran', strength: '20 %', group: '4A' }],
    'caution',
    [
      drench({
        hosts: ['hemlock', 'elm', 'ash'],
        targets: ['hemlock-woolly-adelgid', 'armored-scale'],
        forbiddenOnFood: true,
        limits: { activePerAreaYear: '0.54 lb/acre', timesPerYear: 1 },
        reentryHours: 12,
        neverInBloom: true,
        beeCaution: 'Never on a tree that feeds bees.',
        waterCaution: 'Moves fast in soil: never near a well or a spring.',
        waterSetback: '50 ft',
        protectiveGear: SPRAY_GEAR,
        terms: {
          ...pour('diameter', '0.4 fl oz', '0.8 fl oz', '0.8 lb/gal', 1),
          water: [{ volume: '1 gal' }],
          basin: { from: '6 in', to: '18 in' },
        },
      }),
      bark({
        hosts: ['hemlock', 'elm', 'ash', 'maple'],
        targets: ['hemlock-woolly-adelgid', 'armored-scale', 'lecanium-scale'],
        forbiddenOnFood: true,
        limits: { activePerAreaYear: '0.54 lb/acre', timesPerYear: 2, leastDays: 60 },
        reentryHours: 4,
        neverInBloom: true,
        beeCaution: 'Never on a tree that feeds bees.',
        waterCaution: 'Wet the bark to just before it runs; nothing on the ground.',
        waterSetback: '10 ft',
        protectiveGear: SPRAY_GEAR,
        terms: {
          rate: { low: '1 fl oz', high: '2 fl oz' },
          strength: '0.8 lb/gal',
          bandHeight: '5 ft',
          penetrant: 'bark penetrant by its own label',
          retreatYears: 1,
        },
      }),
    ],
  ),
  card(
    'PB4',
    1,
    [['PB4-0310', '2029-02-28']],
    'concentrate for soil, a growth regulator',
    [{ name: 'paclobutrazol', strength: '1.86 lb/gal', group: 'PGR' }],
    'caution',
    [
      drench({
        hosts: ['oak-red-group', 'oak-white-group', 'ash', 'elm', 'maple'],
        targets: ['drought-stress', 'bacterial-leaf-scorch', 'soil-compaction'],
        forbiddenOnFood: true,
        limits: { timesPerYear: 1, leastDays: 365 },
        reentryHours: 12,
        beeCaution: 'No harm to bees is known; still not over open flowers.',
        waterCaution: 'Keep out of root zones of fruit and vegetables.',
        waterSetback: '10 ft',
        protectiveGear: GEAR,
        terms: {
          ...pour('diameter', '0.2 fl oz', '0.4 fl oz', '1.86 lb/gal', 3),
          water: [{ girthUpTo: '40 in', volume: '1 gal' }, { volume: '2 gal' }],
          basin: { from: '1 in', to: '6 in' },
        },
      }),
    ],
  ),
  card(
    'PS3',
    1,
    [['PS3-8810', '2028-12-31']],
    'liquid for bark, with penetrant',
    [{ name: 'phosphonic acid', strength: '5.17 lb/gal', group: 'P07' }],
    'caution',
    [
      bark({
        hosts: ['oak-red-group', 'oak-live', 'beech', 'maple', 'apple'],
        targets: ['phytophthora-bleeding-canker'],
        forbiddenOnFood: false,
        foodCrops: crops(0, 'apple'),
        limits: { timesPerYear: 2, leastDays: 90 },
        reentryHours: 4,
        beeCaution: NO_BLOOM,
        waterCaution: 'Nothing on the ground.',
        protectiveGear: GEAR,
        terms: {
          rate: { low: '2 fl oz', high: '3 fl oz' },
          strength: '5.17 lb/gal',
          bandHeight: '6 ft',
          penetrant: 'bark penetrant by its own label',
          retreatYears: 1,
        },
      }),
    ],
  ),
  card(
    'FS18',
    1,
    [['FS18-0401', '2031-12-31']],
    'granules, slow release',
    [{ name: 'nitrogen, phosphate, potash', strength: '18-6-12', group: 'feed' }],
    'none',
    [
      feed({
        hosts: 'any',
        targets: ['nutrient-shortage', 'soil-compaction', 'drought-stress'],
        forbiddenOnFood: false,
        foodCrops: crops(0, ...FRUIT, 'citrus', 'avocado', 'chestnut', 'walnut'),
        limits: { timesPerYear: 1 },
        reentryHours: 0,
        beeCaution: 'Sweep it off flowers and paving.',
        waterCaution: 'Keep off paving that drains to water.',
        waterSetback: '10 ft',
        protectiveGear: ['gloves', 'dust mask', 'eye protection'],
        terms: {
          analysis: '18-6-12',
          nitrogen: { low: '2 lb/1000 ft2', high: '4 lb/1000 ft2' },
          release: 'slow',
          put: ['ring', 'thrown', 'deep'],
          holes: { spacing: '3 ft', depth: { low: '6 in', high: '12 in' } },
          notWhen: 'Never into dry, frozen or saturated soil.',
        },
      }),
    ],
  ),
  card(
    'FQ10',
    1,
    [['FQ10-0007', '2029-06-30']],
    'soluble feed, quick release',
    [{ name: 'nitrogen, phosphate, potash', strength: '10-4-8', group: 'feed' }],
    'none',
    [
      feed({
        hosts: 'any',
        targets: ['nutrient-shortage', 'citrus-leafminer', 'snails-slugs'],
        forbiddenOnFood: false,
        foodCrops: crops(0, ...FRUIT, 'citrus', 'avocado'),
        limits: { timesPerYear: 2, leastDays: 60 },
        reentryHours: 0,
        beeCaution: 'Nothing that harms bees.',
        waterCaution: 'Keep off paving that drains to water.',
        waterSetback: '10 ft',
        protectiveGear: ['gloves', 'eye protection'],
        terms: {
          analysis: '10-4-8',
          nitrogen: { low: '1 lb/1000 ft2', high: '2 lb/1000 ft2' },
          release: 'quick',
          put: ['deep', 'thrown'],
          holes: { spacing: '2.5 ft', depth: { low: '6 in', high: '12 in' } },
          biostimulant: 'seaweed and humate, 1 fl oz a gallon',
          notWhen: 'Spring and autumn only; never in drought, heat or dormancy.',
        },
      }),
    ],
  ),
]

const sprays: ShelfCard[] = [
  card(
    'HO1',
    2,
    [['HO1-6612', '2030-03-31']],
    'light oil for all seasons',
    [{ name: 'horticultural oil', strength: '98.8 %', group: 'UN' }],
    'caution',
    [
      spray(
        {
          hosts: 'any',
          notOn: ['spruce', 'juniper', 'walnut', 'maple'],
          targets: [
            'armored-scale',
            'lecanium-scale',
            'hemlock-woolly-adelgid',
            'spider-mites',
            'citrus-leafminer',
            'cottony-cushion-scale',
            'mealybug',
            'aphids',
          ],
          forbiddenOnFood: false,
          foodCrops: crops(0, ...FRUIT, 'citrus', 'avocado', 'pomegranate'),
          limits: { timesPerYear: 8, leastDays: 7 },
          apart: [
            { active: 'sulfur', days: 14 },
            { active: 'captan', days: 14 },
          ],
          reentryHours: 4,
        },
        {
          kind: 'contact',
          mix: { low: '1 %', high: '2 %' },
          repeatDays: { least: 7, most: 14 },
          rainFastHours: 4,
          temperature: { least: '40 F', most: '90 F' },
          noFreezeHours: 24,
          strongSun: false,
          when: 'In the evening or early; until it is clear, then stop.',
        },
      ),
    ],
  ),
  card(
    'IS2',
    1,
    [['IS2-2001', '2028-02-28']],
    'soap concentrate',
    [{ name: 'potassium salts of fatty acids', strength: '49 %', group: 'UN' }],
    'warning',
    [
      spray(
        {
          hosts: 'any',
          targets: [
            'aphids',
            'spider-mites',
            'mealybug',
            'lace-bugs',
            'leaf-footed-bug',
            'cottony-cushion-scale',
          ],
          forbiddenOnFood: false,
          foodCrops: crops(0, ...FRUIT, 'citrus', 'avocado', 'pomegranate'),
          reentryHours: 12,
        },
        {
          kind: 'contact',
          mix: { low: '2.5 fl oz/gal', high: '5 fl oz/gal' },
          repeatDays: { least: 4, most: 7 },
          rainFastHours: 2,
          strongSun: false,
          when: 'When they are seen, both leaf faces, out of the sun.',
        },
      ),
    ],
  ),
  card(
    'CO3',
    1,
    [['CO3-0900', '2027-07-31']],
    'citrus oil concentrate, with soap',
    [{ name: 'd-limonene', strength: '5.8 %', group: 'UN' }],
    'caution',
    [
      spray(
        {
          hosts: ['citrus', 'magnolia', 'rhododendron', 'pomegranate'],
          targets: ['mealybug', 'cottony-cushion-scale', 'ants-tending', 'aphids'],
          forbiddenOnFood: false,
          foodCrops: crops(0, 'citrus', 'pomegranate'),
          reentryHours: 4,
        },
        {
          kind: 'contact',
          mix: { low: '15 mL/2 L', high: '30 mL/2 L' },
          repeatDays: { least: 7, most: 10 },
          rainFastHours: 2,
          strongSun: false,
          when: 'In the evening; rinse soft growth next morning.',
        },
      ),
    ],
  ),
  card(
    'BT4',
    1,
    [['BT4-1503', '2027-04-30']],
    'liquid, to be eaten by young larvae',
    [{ name: 'Bacillus thuringiensis', strength: '12.65 %', group: '11A' }],
    'caution',
    [
      spray(
        {
          hosts: 'any',
          targets: ['spongy-moth', 'tussock-moth', 'cankerworm', 'fall-webworm'],
          forbiddenOnFood: false,
          foodCrops: crops(0, ...FRUIT, 'chestnut', 'walnut'),
          limits: { leastDays: 7 },
          reentryHours: 4,
          beeCaution: 'Harmless to bees; kills the larvae of all moths and butterflies on what is wetted.',
        },
        {
          kind: 'biological',
          mix: { low: '2 tsp/gal', high: '4 tsp/gal' },
          repeatDays: { least: 7, most: 14 },
          rainFastHours: 6,
          strongSun: false,
          when: 'On young larvae, overcast or late in the day, both leaf faces.',
        },
      ),
    ],
  ),
  card(
    'SP9',
    1,
    [['SP9-7100', '2029-09-30']],
    'liquid, fermented',
    [{ name: 'spinosad', strength: '0.5 %', group: '5' }],
    'caution',
    [
      spray(
        {
          hosts: 'any',
          targets: ['citrus-leafminer', 'spongy-moth', 'fall-webworm', 'tussock-moth'],
          forbiddenOnFood: false,
          foodCrops: crops(7, ...FRUIT, 'citrus', 'avocado'),
          limits: { timesPerYear: 6, leastDays: 7 },
          reentryHours: 4,
          neverInBloom: true,
          beeCaution: 'Harms bees until it is dry: only in the evening.',
        },
        {
          kind: 'biological',
          mix: { low: '2 fl oz/gal', high: '2 fl oz/gal' },
          repeatDays: { least: 7, most: 14 },
          rainFastHours: 4,
          when: 'In the evening, on young larvae and fresh mines.',
        },
      ),
    ],
  ),
  card(
    'CU5',
    2,
    [['CU5-3330', '2028-01-31']],
    'wettable powder, copper',
    [{ name: 'copper hydroxide', strength: '53.8 %', group: 'M01' }],
    'danger',
    [
      spray(
        {
          hosts: [
            'apple',
            'pear',
            'peach',
            'almond',
            'plum',
            'cherry',
            'crabapple',
            'mountain-ash',
            'sycamore',
            'ash',
            'dogwood',
          ],
          targets: ['peach-leaf-curl', 'fire-blight', 'anthracnose', 'plum-pockets', 'apple-scab'],
          forbiddenOnFood: false,
          foodCrops: crops(14, ...FRUIT),
          limits: { timesPerYear: 4, leastDays: 7 },
          reentryHours: 48,
          waterSetback: '25 ft',
          protectiveGear: DUST_GEAR,
        },
        {
          kind: 'protective',
          mix: { low: '2 lb/100 gal', high: '4 lb/100 gal' },
          repeatDays: { least: 7, most: 10 },
          rainFastHours: 12,
          washOff: '1 in',
          when: 'After leaf fall and before buds swell; never on leaves that are out, where the label says dormant.',
        },
      ),
    ],
  ),
  card(
    'SU8',
    1,
    [['SU8-1250', '2030-10-31']],
    'wettable sulfur',
    [{ name: 'sulfur', strength: '80 %', group: 'M02' }],
    'caution',
    [
      spray(
        {
          hosts: [
            'apple',
            'pear',
            'crabapple',
            'peach',
            'plum',
            'cherry',
            'maple',
            'dogwood',
            'oak-white-group',
          ],
          notOn: ['apricot'],
          targets: ['apple-scab', 'powdery-mildew', 'cedar-apple-rust'],
          forbiddenOnFood: false,
          foodCrops: crops(0, 'apple', 'pear', 'peach', 'plum', 'cherry'),
          limits: { timesPerYear: 10, leastDays: 7 },
          apart: [{ active: 'horticultural oil', days: 14 }],
          reentryHours: 24,
          protectiveGear: DUST_GEAR,
        },
        {
          kind: 'protective',
          mix: { low: '3 lb/100 gal', high: '5 lb/100 gal' },
          repeatDays: { least: 7, most: 10 },
          rainFastHours: 4,
          washOff: '1 in',
          temperature: { least: '45 F', most: '80 F' },
          when: 'From green tip, before rain that makes it; again after wash-off.',
        },
      ),
    ],
  ),
  card(
    'CP4',
    1,
    [['CP4-6000', '2027-12-31']],
    'wettable granules',
    [{ name: 'captan', strength: '80 %', group: 'M04' }],
    'danger',
    [
      spray(
        {
          hosts: ['apple', 'pear', 'crabapple', 'cherry', 'plum', 'peach'],
          targets: ['apple-scab', 'bitter-rot', 'black-rot', 'white-rot', 'sooty-blotch-flyspeck'],
          forbiddenOnFood: false,
          foodCrops: crops(0, 'apple', 'pear', 'cherry', 'plum', 'peach'),
          limits: { timesPerYear: 8, leastDays: 7 },
          apart: [{ active: 'horticultural oil', days: 14 }],
          reentryHours: 24,
          waterSetback: '25 ft',
          protectiveGear: DUST_GEAR,
        },
        {
          kind: 'protective',
          mix: { low: '2 lb/100 gal', high: '3 lb/100 gal' },
          repeatDays: { least: 7, most: 10 },
          rainFastHours: 2,
          washOff: '1 in',
          when: 'Before infection, in covers of seven to ten days or after wash-off.',
        },
      ),
    ],
  ),
  card(
    'MY3',
    1,
    [['MY3-0815', '2029-08-31']],
    'wettable powder',
    [{ name: 'myclobutanil', strength: '40 %', group: '3' }],
    'warning',
    [
      spray(
        {
          hosts: ['apple', 'crabapple', 'pear', 'dogwood'],
          targets: ['apple-scab', 'cedar-apple-rust', 'powdery-mildew'],
          forbiddenOnFood: false,
          foodCrops: crops(14, 'apple', 'pear'),
          limits: { timesPerYear: 4, leastDays: 7 },
          reentryHours: 24,
        },
        {
          kind: 'protective',
          mix: { low: '1.25 oz/100 gal', high: '2 oz/100 gal' },
          repeatDays: { least: 7, most: 14 },
          rainFastHours: 2,
          when: 'Never more than twice running; another group between.',
        },
      ),
    ],
  ),
  card(
    'ST6',
    1,
    [['ST6-0202', '2027-05-31']],
    'wettable powder, an antibiotic',
    [{ name: 'streptomycin', strength: '17 %', group: '25' }],
    'caution',
    [
      spray(
        {
          hosts: ['apple', 'pear', 'crabapple'],
          targets: ['fire-blight'],
          forbiddenOnFood: false,
          foodCrops: crops(50, 'apple').concat(crops(30, 'pear')),
          limits: { timesPerYear: 4, leastDays: 3 },
          reentryHours: 12,
          beeCaution:
            'Meant for open bloom: at dusk when bees are home, never with an insecticide in the tank.',
        },
        {
          kind: 'bactericide',
          mix: { low: '8 oz/100 gal', high: '8 oz/100 gal' },
          repeatDays: { least: 3, most: 5 },
          rainFastHours: 4,
          when: 'In open bloom, early and late, when warmth and wetting make infection likely.',
        },
      ),
    ],
  ),
  card(
    'KC2',
    1,
    [['KC2-4000', '2031-01-31']],
    'clay powder',
    [{ name: 'kaolin clay', strength: '95 %', group: 'UN' }],
    'none',
    [
      spray(
        {
          hosts: 'any',
          targets: ['leaf-footed-bug', 'japanese-beetle', 'frost-injury'],
          forbiddenOnFood: false,
          foodCrops: crops(0, ...FRUIT, 'citrus', 'pomegranate', 'walnut'),
          reentryHours: 4,
          protectiveGear: DUST_GEAR,
        },
        {
          kind: 'powder',
          mix: { low: '25 lb/100 gal', high: '50 lb/100 gal' },
          repeatDays: { least: 7, most: 14 },
          rainFastHours: 1,
          washOff: '0.5 in',
          when: 'Before they come; renew after rain and new growth.',
        },
      ),
    ],
  ),
  house('HC-SOAP', 'Own soap wash', 'a house mix of plain soap, no label', [
    spray(
      {
        hosts: 'any',
        targets: ['sooty-mould', 'aphids', 'cottony-cushion-scale'],
        forbiddenOnFood: false,
        foodCrops: crops(0, ...FRUIT, 'citrus'),
        reentryHours: 0,
        beeCaution: 'Nothing that lasts; still not on open flowers.',
      },
      {
        kind: 'contact',
        mix: { low: '1 %', high: '1 %' },
        repeatDays: { least: 7, most: 14 },
        rainFastHours: 0,
        strongSun: false,
        when: 'To wash film and honeydew off; brush and rinse.',
      },
    ),
  ]),
]

/** What stands on the demo’s shelf; the first is what its ashes got. */
export const CARDS: readonly ShelfCard[] = [...injectables, ...ground, ...sprays]

/** A card as a dose by its first trunk injection reads it; throws where it has none. */
export function labelOf(card: Card): LabelCard {
  const use = card.uses.find((u) => u.method === 'trunk-injection')
  if (!use) throw new Error(`${card.code} has no trunk injection`)
  const { formulation, actives, signalWord, example } = card
  const { method, terms, ...rest } = use
  void method
  return { formulation, actives, signalWord, example, ...rest, use: terms }
}
