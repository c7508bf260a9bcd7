import type { Card, CardUse } from '@/core/card/card'
import { CARD_FORMAT } from '@/core/card/format'

/** A card on the demo's shelf, in the version it has reached there, with its lots: number and last day. */
export interface ShelfCard {
  version: number
  lots: readonly (readonly [number: string, expires: string])[]
  card: Card
}

export const GEAR = ['eye protection', 'nitrile gloves', 'long sleeves']
export const SPRAY_GEAR = [...GEAR, 'closed shoes', 'hat']
export const DUST_GEAR = [...SPRAY_GEAR, 'dust mask', 'hooded suit']
export const FRUIT = ['apple', 'pear', 'cherry', 'plum', 'peach', 'apricot', 'almond']
export const crops = (days: number, ...hosts: string[]) => hosts.map((host) => ({ host, harvestDays: days }))
export const OFF_WATER = 'Keep every drop off soil and water.'
export const NO_BLOOM = 'Not while the tree or anything under it is in open bloom.'

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
  TB3: 1031,
  OT2: 1032,
  SS1: 1033,
  CF8: 1034,
}

/** Example cards. Invented names and DEMO- numbers: they show the form of a card and are no labels. */
export const card = (
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

export const house = (code: string, name: string, formulation: string, uses: Card['uses']): ShelfCard => ({
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

export type Terms<M extends CardUse['method']> = Extract<CardUse, { method: M }>
export const TEMPERATE = { least: '45 F', most: '90 F' }

export const injection = (use: Omit<Terms<'trunk-injection'>, 'method'>): CardUse => ({
  method: 'trunk-injection',
  ...use,
})
export const drench = (use: Omit<Terms<'soil-drench'>, 'method'>): CardUse => ({
  method: 'soil-drench',
  ...use,
})
export const soil = (use: Omit<Terms<'soil-injection'>, 'method'>): CardUse => ({
  method: 'soil-injection',
  ...use,
})
export const bark = (use: Omit<Terms<'bark-spray'>, 'method'>): CardUse => ({ method: 'bark-spray', ...use })
export const feed = (use: Omit<Terms<'feed'>, 'method'>): CardUse => ({ method: 'feed', ...use })
export const spray = (
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
