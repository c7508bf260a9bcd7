/** How the format of a card calls itself; a later one will say another number. */
export const CARD_FORMAT = 'elmhorn-card-1'

/** The methods that put something on. */
export const PUT_ON_METHODS = [
  'trunk-injection',
  'soil-drench',
  'soil-injection',
  'bark-spray',
  'crown-spray',
  'feed',
] as const

/** A method that puts a product on. */
export type PutOnMethod = (typeof PUT_ON_METHODS)[number]
