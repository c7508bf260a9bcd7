import type { TypedGiven } from '@/core/methods/given'

/** What is put on or done by one way: one item, or several that share a tank or a visit. */
interface AnyItem {
  useId: string
  choice: number
  /** The same for what comes out of one tank. */
  tank?: number | null
}

/** An item of one tree, with what was typed of it. */
export interface Item extends AnyItem {
  given: TypedGiven
}

/** When a step is done: on the day, or so many days after an earlier one; and what must be found first. */
export interface When {
  /** `item` is its place in the line. */
  after: { item: number; days: number } | null
  onlyIf: string | null
  who: 'crew' | 'client'
}

/** A step of a line of work, as it was kept on the bench. */
export interface LineStep<I extends AnyItem = Item> {
  name: string
  /** What it comes to at this tree, or at all of them. */
  says: string
  items: readonly I[]
  when: When
  times: number
  /** After how many days it is done again, where that was chosen; null leaves it to the card. */
  apart: number | null
}

/** What of a step is said of it here; its items are its bench’s own. */
export type Step = Pick<LineStep, 'name' | 'says' | 'when'>

/** When a step of a line is done, in words. */
export function sayWhen({ after, onlyIf, who }: When, line: readonly Step[]): string {
  const on =
    after === null
      ? 'on the day'
      : `${after.days === 0 ? 'once' : `${after.days} days after`} “${line[after.item]!.name}”${after.days === 0 ? ' is done' : ''}`
  return `${who === 'client' ? 'by the client, ' : ''}${onlyIf === null ? on : `${on}, only if ${onlyIf}`}`
}

/** The line with the step at that place done at another time. */
export const withWhen = <S extends Pick<LineStep, 'when'>>(line: readonly S[], n: number, when: When): S[] =>
  line.map((step, i) => (i === n ? { ...step, when } : step))

/** For which day a line is signed, and what is asked with it; kept while its steps are laid out one by one. */
export interface LineDay {
  onDate: string
  harvestOn: string
  eaten: boolean | null
}

/** As many items as one prescription takes. */
export const MOST_ITEMS = 6

/** One after the other, unless the hand says otherwise; `waits` is the step that the next one waits for by its own order. */
export const nextWhen = (
  line: readonly Pick<LineStep, 'when'>[],
  waits: { item: number; days: number } | null = null,
): When => {
  const item = line.findLastIndex((step) => step.when.who === 'crew')
  return {
    after: waits ?? (item < 0 ? null : { item, days: 28 }),
    onlyIf: null,
    who: 'crew',
  }
}

/** All items of a line in the order they are signed; what waits for a step waits for the first of its items. */
export function itemsOfLine<I extends AnyItem>(line: readonly LineStep<I>[]) {
  const first: number[] = []
  let n = 0
  for (const step of line) {
    first.push(n)
    n += step.items.length
  }
  return line.flatMap((step, at) =>
    step.items.map((item) => ({
      ...item,
      // A tank is of its own step alone.
      tank: item.tank === undefined || item.tank === null ? null : at + 1,
      times: step.times,
      apart: step.times > 1 ? step.apart : null,
      after: step.when.after && { item: first[step.when.after.item]!, days: step.when.after.days },
      onlyIf: step.when.onlyIf,
      who: step.when.who,
    })),
  )
}
