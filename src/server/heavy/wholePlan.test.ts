import { Bounder } from '@/core/week/bound'
import { DayProgram } from '@/core/week/dayProgram'
import { dive } from '@/core/week/dive'
import { fits, planCost, weekField } from '@/core/week/field'
import { helpWithWeek, type Told } from '@/core/week/helper'
import { drawn, Improver, pinnedPlan, type Plan } from '@/core/week/improve'
import { weekOf } from '../../../bench/weekOf'
import { programs } from './programs'

/** What is made of the days that somebody else has found. */

const input = weekOf({ jobs: 45, crews: 2, days: 7, places: 0, full: 1, seed: 11 })
const read = weekField(input)
if (!read.ok) throw new Error(read.problem.message)
const field = read.value
const pinned = pinnedPlan(field)
if ('noRoom' in pinned) throw new Error('no room')
const first = pinned.plan

/** Some turns, from the first plan on. */
async function bounded() {
  const program = await programs()
  const improver = new Improver(field, first, drawn(1))
  improver.fill()
  const bounder = new Bounder(field, program)
  bounder.know(improver.best)
  for (let turn = 0; turn < 12 && !bounder.turn(() => 10); turn++);
  return { program, improver, bounder }
}

test('a whole plan of told days does each job once at most, in the minutes there are', async () => {
  const { program, improver, bounder } = await bounded()
  const best = bounder.best()
  const { days } = best
  bounder.end()
  expect(days.length).toBeGreaterThan(field.shifts.length)
  for (const { shift, jobs } of days) {
    expect(fits(field, field.shifts[shift]!, jobs)).toBe(true)
    expect(new Set(jobs).size).toBe(jobs.length)
  }
  const other = new DayProgram(field, program)
  other.knowBest(best)
  const plan = dive(other, () => 3)!
  other.end()
  const placed = plan.flat()
  expect(new Set(placed).size).toBe(placed.length)
  plan.forEach((order, s) => {
    expect(fits(field, field.shifts[s]!, order)).toBe(true)
    for (const j of order) expect(field.shifts[s]!.late[j]).toBeLessThan(Infinity)
  })
  // Filled up it is better than what the dearest first come to.
  const filled = new Improver(field, plan, drawn(1))
  filled.fill()
  expect(filled.cost).toBeLessThan(improver.bestCost)
})

test('whoever helps goes on from what it was told to choose, and says what is better', async () => {
  const { program, improver, bounder } = await bounded()
  const offered = bounder.best()
  bounder.end()
  const said: Plan[] = []
  const told: (Told | 'end' | null)[] = [{ plan: null, liked: null, choose: { best: offered, seconds: 2 } }]
  let seconds = 0
  helpWithWeek(
    input,
    improver.best,
    5,
    {
      heard: () => told.shift() ?? (seconds > 3 ? 'end' : null),
      say: (plan) => said.push(plan),
      clock: () => (seconds = performance.now() / 1000 - began),
    },
    program,
  )
  const best = said.at(-1)!
  expect(planCost(field, best)).toBeLessThan(improver.bestCost)
  best.forEach((order, s) => expect(fits(field, field.shifts[s]!, order)).toBe(true))
})

const began = performance.now() / 1000
