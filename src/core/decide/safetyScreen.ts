/** How much of it there is: slight, marked, severe. */
export type Level = 1 | 2 | 3

/** A simple look at what could happen: defect, target, consequence, each in the arborist's words. It rates no risk. */
export interface SafetyScreen {
  defect: Level
  target: Level
  consequence: Level
}

/** What each level means, for a person who has to choose one. */
export const LEVELS: Record<keyof SafetyScreen, Record<Level, string>> = {
  defect: {
    1: 'slight: dead twigs, a closed wound',
    2: 'marked: a cavity, a crack, a dead limb',
    3: 'severe: a soft anchor, heaving soil, a split union',
  },
  target: {
    1: 'seldom anybody beneath',
    2: 'people now and then, a parked car',
    3: 'people for hours, a road, a play ground',
  },
  consequence: {
    1: 'a twig, a dent',
    2: 'somebody hurt, a roof broken',
    3: 'somebody killed, a house struck',
  },
}

/** From this product on the tree goes to a qualified assessor. House figure. */
export const REFER_FROM = 8

/**
 * Whether a screen ends in a referral: defect × target × consequence, or a severe defect over anybody at all.
 * Source: handbook, safety: a target under a weak anchor beats everything.
 *
 * @example refersOn({ defect: 2, target: 2, consequence: 2 }) // true
 */
export function refersOn({ defect, target, consequence }: SafetyScreen): boolean {
  return defect * target * consequence >= REFER_FROM || (defect === 3 && target >= 2)
}
