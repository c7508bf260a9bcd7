import { FINDING_BY_ID } from '@/almanac/findings'
import { FIGURED } from './figured'
import { FIGURES } from './FindingFigure'

test('the findings said to have a drawing are those that have one, and are findings', () => {
  expect([...FIGURED].sort()).toEqual(Object.keys(FIGURES).sort())
  for (const id of FIGURED) expect([id, FINDING_BY_ID.has(id)]).toEqual([id, true])
})
