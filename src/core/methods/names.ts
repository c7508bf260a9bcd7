/** The methods that put a product on, as people say them. A new method is its folder, a name here and a word where its parts are listed. */
const PUT_ON_NAME = {
  'trunk-injection': 'Trunk injection',
  'soil-drench': 'Soil drench',
  'soil-injection': 'Soil injection',
  'bark-spray': 'Bark spray',
  'crown-spray': 'Crown spray',
  feed: 'Feed',
} as const

/** The methods without a product, as people say them. */
const HAND_NAME = {
  collar: 'Root collar',
  trenches: 'Radial trenches',
  water: 'Water',
  prune: 'Prune',
  guard: 'Guard',
  fence: 'Fence or cage',
  shelter: 'Shelter',
  bag: 'Fruit bags',
  repel: 'Repel',
  band: 'Sticky band',
  hands: 'By hand',
  release: 'Release helpers',
  save: 'Save a gnawed stem',
  watch: 'Watch',
  sample: 'Take a sample',
  barrier: 'Root-graft barrier',
  fell: 'Felling',
  wood: 'Wood made harmless',
} as const

/** A method that puts a product on. */
export type PutOnMethod = keyof typeof PUT_ON_NAME
/** A method without a product. */
export type HandName = keyof typeof HAND_NAME

export const PUT_ON_METHODS = Object.keys(PUT_ON_NAME) as PutOnMethod[]
export const HAND_NAMES = Object.keys(HAND_NAME) as HandName[]
/** Every method that a card can be of. */
export const METHODS: readonly (PutOnMethod | HandName)[] = [...PUT_ON_METHODS, ...HAND_NAMES]

/** What is done, as people say it: by a product and by hand. */
export const METHOD_NAME: Record<PutOnMethod | HandName, string> = { ...PUT_ON_NAME, ...HAND_NAME }

/** True for a method without a product. `isHand('collar') === true` */
export function isHand(method: string): method is HandName {
  return Object.hasOwn(HAND_NAME, method)
}

/** Several methods in one line, as people say them. `sayMethods(['trunk-injection', 'feed'])` is "trunk injection, feed" */
export function sayMethods(methods: readonly (PutOnMethod | HandName)[]): string {
  return methods.map((m) => METHOD_NAME[m].toLowerCase()).join(', ')
}
