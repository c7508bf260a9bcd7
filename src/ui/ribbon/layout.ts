/** Width of a letter of small text, px, as far as a label needs it. */
const LETTER = 6.6

/** About how wide a small text is drawn, px. */
export function textWidth(text: string): number {
  return text.length * LETTER
}

/** Which labels have room between `least` and `most`, first come first served in the order given: each with its left edge and text. */
export function withRoom<Label extends { x: number; text: string }>(
  labels: readonly Label[],
  most: number,
  least = 0,
): Label[] {
  const taken: [number, number][] = []
  return labels.filter(({ x, text }) => {
    const [from, to] = [x, x + textWidth(text) + 6]
    if (from < least || to > most || taken.some(([a, b]) => from < b && to > a)) return false
    taken.push([from, to])
    return true
  })
}

export interface Cluster<Item> {
  /** Middle of what it holds. */
  x: number
  items: Item[]
}

/** Things on a line that are nearer than `apart` px to one another drawn as one. They come in order of x. */
export function clustered<Item>(items: readonly { x: number; item: Item }[], apart: number): Cluster<Item>[] {
  const found: (Cluster<Item> & { from: number; to: number })[] = []
  for (const { x, item } of items) {
    const last = found.at(-1)
    if (last && x - last.to < apart && x - last.from < apart * 3) {
      last.items.push(item)
      last.to = x
      last.x = (last.from + x) / 2
    } else found.push({ x, from: x, to: x, items: [item] })
  }
  return found.map(({ x, items: own }) => ({ x, items: own }))
}

/** A stretch of days that is looked at. */
export type Span = readonly [from: number, to: number]

/** The stretch moved by some days, kept within the whole. */
export function moved([from, to]: Span, by: number, whole: Span): Span {
  const wide = to - from
  const a = Math.max(whole[0], Math.min(whole[1] - wide, from + by))
  return [a, a + wide]
}

/** The stretch moved so that a day lies in it. */
export function around(span: Span, day: number, whole: Span): Span {
  if (day >= span[0] && day <= span[1]) return span
  const wide = span[1] - span[0]
  return moved([day - wide / 2, day + wide / 2], 0, whole)
}
