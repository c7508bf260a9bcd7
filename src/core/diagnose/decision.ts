/** What would be bought or done about a cause. */
export interface Decision {
  /** As it is said to a person. */
  says: string
  /** Harm of doing it where it is not needed, 0 to 1. House guess. */
  needless: number
  /** Harm of leaving it out where it is needed, 0 to 1. House guess. */
  missed: number
}

const d = (says: string, needless: number, missed: number): Decision => ({ says, needless, missed })

/**
 * The decisions of the trade, finer than an action class, with what a wrong one costs: a needless systemic poisons bees, a
 * missed report loses a county. House guesses; they steer what is asked next and change no figure of a dose.
 */
export const DECISIONS = {
  'protect-systemic': d('a systemic that protects the tree', 0.4, 0.9),
  'bark-protect': d('a bark spray at the flight', 0.35, 0.6),
  'sap-feeder-care': d('oil, soap or water against what sucks', 0.2, 0.4),
  'armored-care': d('oil, or a systemic that reaches armoured scales', 0.25, 0.45),
  'mite-care': d('water and oil against mites', 0.2, 0.4),
  follow: d('finding what drips, and treating that', 0.1, 0.4),
  sanitation: d('gathering and cleaning up', 0.1, 0.4),
  'leaf-feeder-care': d('Bt or picking while larvae are young', 0.2, 0.45),
  'cover-spray': d('covers before the infection', 0.25, 0.45),
  'fruit-cover': d('clean-up and covers for the fruit', 0.25, 0.5),
  barrier: d('a guard or a fence', 0.1, 0.5),
  pruning: d('pruning', 0.2, 0.4),
  'canker-pruning': d('cutting well below, in dry weather', 0.25, 0.55),
  water: d('water', 0.3, 0.7),
  drain: d('less water, and drainage', 0.3, 0.7),
  leach: d('leaching, and keeping salt off', 0.15, 0.4),
  'water-care': d('water and root care', 0.15, 0.5),
  'root-care': d('root care', 0.15, 0.5),
  'soil-work': d('opening the soil', 0.2, 0.5),
  'root-collar-work': d('opening the collar', 0.2, 0.65),
  feed: d('a feed by a soil test', 0.3, 0.4),
  iron: d('acidifying and iron', 0.35, 0.45),
  manganese: d('acidifying and manganese', 0.35, 0.45),
  'phosphonate-care': d('drainage and phosphonate', 0.3, 0.6),
  'contain-wilt': d('felling or injecting and cutting roots', 0.8, 0.95),
  'live-with-wilt': d('water and dead wood out, no product', 0.2, 0.4),
  antibiotic: d('a yearly antibiotic, or planning its successor', 0.5, 0.5),
  laboratory: d('report and the official test', 0.3, 0.95),
  'refer-watch': d('a qualified risk assessor', 0.1, 0.9),
  'remove-or-plan': d('planning the removal', 0.8, 0.6),
  wait: d('waiting and looking again', 0.03, 0.08),
  none: d('nothing', 0.02, 0.03),
} as const satisfies Record<string, Decision>

export type DecisionId = keyof typeof DECISIONS
