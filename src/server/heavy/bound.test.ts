import { Bounder } from '@/core/week/bound'
import { bestOfAll, fieldOf, smallWeek } from '@/core/week/brute.testing'
import { drawn, Improver, pinnedPlan } from '@/core/week/improve'
import type { BeginProgram } from '@/core/week/program'
import { programs } from './programs'

const NO_ROWS: BeginProgram = () => {
  throw new Error('no program')
}
let program = NO_ROWS
beforeAll(async () => {
  program = await programs()
})

/** What no plan is below, by the program to its end. */
function bounded(seed: number, jobs: number) {
  const field = fieldOf(smallWeek(seed, jobs))
  const pinned = pinnedPlan(field)
  if ('noRoom' in pinned) throw new Error('no room')
  const improver = new Improver(field, pinned.plan, drawn(1))
  improver.fill()
  const bounder = new Bounder(field, program)
  bounder.know(improver.best)
  for (let turn = 0; turn < 20 && !bounder.turn(() => 10); turn++);
  const first = { bound: 0 }
  let ended = false
  for (let look = 0; look < 60 && !ended; look++) {
    ended = bounder.prove(improver.bestCost, () => 10)
    if (bounder.program.threes.length === 0) first.bound = bounder.bound
  }
  const { bound, program: days } = bounder
  const cuts = days.threes.length
  bounder.end()
  return { field, bound, cuts, ended, parts: first.bound }
}

test('what no plan is below is never above the best of all plans, and cuts bring it nearer', () => {
  let cut = 0
  let nearer = 0
  for (let seed = 100; seed < 130; seed++) {
    const { field, bound, cuts, ended, parts } = bounded(seed, 6)
    const best = bestOfAll(field)
    expect([seed, ended]).toEqual([seed, true])
    expect([seed, bound <= best + 1e-6]).toEqual([seed, true])
    expect(bound).toBeGreaterThanOrEqual(parts - 1e-9)
    if (cuts > 0) cut++
    if (bound > parts + 1e-6) nearer++
  }
  expect(cut).toBeGreaterThan(0)
  expect(nearer).toBeGreaterThan(0)
})
