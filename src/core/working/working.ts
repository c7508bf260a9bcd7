/** Where a figure in a working came from. */
export type Source = 'reading' | 'label' | 'house rule' | 'handbook' | 'choice' | 'computed' | 'record'

/** One line of a working: what it is, the formula with the numbers in it, the result, the source. */
export interface Step {
  label: string
  /** The formula with numbers, e.g. `52 in ÷ 3.1416`. */
  expression: string
  /** The result with its unit, e.g. `16.55 in`. */
  result: string
  /** What kind of source it rests on. */
  source?: Source
  /** The source in words, e.g. `tape reading, 9 June`. */
  from?: string
}

/** The ordered steps by which a figure can be redone on paper. Every computed figure carries one. */
export type Working = Step[]
