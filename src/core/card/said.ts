/** A line of a card: what it is about, and what the label says of it. */
export type Said = readonly [about: string, words: string]

/** A range of a card, or the one figure where both ends are the same. */
export const between = ({ low, high }: { low: string; high: string }) =>
  low === high ? low : `${low} to ${high}`
/** A line that is said only under a condition. */
export const when = (condition: unknown, line: () => Said): Said[] => (condition ? [line()] : [])
/** Years in words. */
export const years = (n: number) => (n === 1 ? 'a year' : `${n} years`)
