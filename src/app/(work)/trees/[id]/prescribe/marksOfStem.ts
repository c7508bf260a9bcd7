import type { RingMark } from '@/core/ports/marks'

/** What is drawn on the ring of one stem, null for the foot or the only trunk. */
export const marksOfStem = (marks: readonly RingMark[], stem: number | null): RingMark[] =>
  marks.filter((m) => (m.stem ?? null) === stem)

/** All marks with those of one stem in place of what was drawn on it. */
export const withStem = (
  marks: readonly RingMark[],
  stem: number | null,
  own: readonly RingMark[],
): RingMark[] => [...marks.filter((m) => (m.stem ?? null) !== stem), ...own.map((m) => ({ ...m, stem }))]

/** True where what is drawn is not what is kept, whatever the order it was put on in. */
export const isChanged = (marks: readonly RingMark[], kept: readonly RingMark[]): boolean =>
  inOrder(marks) !== inOrder(kept)

function inOrder(marks: readonly RingMark[]): string {
  return marks
    .map((m) => `${m.stem ?? ''} ${m.kind} ${m.from} ${m.to} ${m.severity ?? ''} ${m.notedOn}`)
    .sort()
    .join('|')
}
