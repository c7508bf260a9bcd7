import { CAUSES } from '@/almanac/causes'
import { FINDING_BY_ID } from '@/almanac/findings'
import { DRAWN } from './drawn'
import { FIGURED } from './figured'
import { FIGURES } from './FindingFigure'

test('the findings said to have a drawing are those that have one, and are findings', () => {
  expect([...FIGURED].sort()).toEqual([...Object.keys(FIGURES), ...Object.keys(DRAWN)].sort())
  for (const id of FIGURED) expect([id, FINDING_BY_ID.has(id)]).toEqual([id, true])
})

test('every drawing says what the eye should look for, and stays on its paper', () => {
  for (const [id, drawn] of Object.entries(DRAWN)) {
    expect([id, drawn.says.endsWith('.')]).toEqual([id, true])
    for (const [x, y, r] of drawn.marks.flatMap((m) => m.dots ?? []))
      expect([id, x - r >= 0 && x + r <= 96 && y - r >= 0 && y + r <= 72]).toEqual([id, true])
  }
})

/** Defining signs a person sees, that nothing is drawn of yet. A test is an answer and no look. */
test('the sign that makes a cause certain is drawn, where there is something to draw', () => {
  const drawn = (id: string) => FIGURED.has(id)
  const without = CAUSES.filter(
    (c) =>
      !c.defining!.some(drawn) &&
      c.defining!.some((id) => !['lab', 'site', 'soil'].includes(FINDING_BY_ID.get(id)!.place)),
  ).map((c) => c.id)
  expect(without).toEqual([])
})
