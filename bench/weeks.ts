import { planWeek, type Planning } from '@/core/week/planWeek'
import { weekField } from '@/core/week/field'
import { Improver, pinnedPlan, drawn } from '@/core/week/improve'
import { programs } from '@/server/heavy/programs'
import { weekHelper } from '@/server/heavy/week'
import { highsAlone } from './highsAlone'
import { weekOf, type Kind } from './weekOf'

/** The week's planner beside a rule that puts the dearest job where it costs least, beside HiGHS alone, and beside taking apart and together alone. */
const WEEKS: readonly (Kind & { name: string; seconds: number })[] = [
  {
    name: '300 jobs, each its own place, all but some fit',
    jobs: 300,
    crews: 6,
    days: 14,
    places: 0,
    full: 0.6,
    seed: 4,
    seconds: 20,
  },
  {
    name: '300 jobs at 12 places, nearly full',
    jobs: 300,
    crews: 6,
    days: 14,
    places: 12,
    full: 0.75,
    seed: 3,
    seconds: 20,
  },
  {
    name: '300 jobs, each its own place, a sixth too many',
    jobs: 300,
    crews: 6,
    days: 14,
    places: 0,
    full: 0.95,
    seed: 1,
    seconds: 20,
  },
  {
    name: '300 jobs, each its own place, some too many in the second week',
    jobs: 300,
    crews: 6,
    days: 14,
    places: 0,
    full: 0.75,
    seed: 12,
    seconds: 20,
  },
  { name: '60 jobs, a week', jobs: 60, crews: 3, days: 7, places: 0, full: 0.6, seed: 5, seconds: 10 },
]

const figure = (n: number) => n.toFixed(1)

async function main() {
  const program = await programs()
  console.log('\nWeek (what it costs; less is better)')
  for (const { name, seconds, ...kind } of WEEKS) {
    const input = weekOf(kind)
    const read = weekField(input)
    if (!read.ok) throw new Error(read.problem.message)
    const pinned = pinnedPlan(read.value)
    if ('noRoom' in pinned) throw new Error('no room')
    const greedy = new Improver(read.value, pinned.plan, drawn(1))
    const began = performance.now()
    greedy.fill()
    const greedyMs = performance.now() - began
    const run = (planning: Planning) => {
      const from = performance.now()
      let at3 = Infinity
      const plan = planWeek(input, {
        ...planning,
        seconds,
        tell: (p) => {
          if (p.seconds <= 3) at3 = p.objective
        },
      })
      if (!plan.ok) throw new Error(plan.problem.message)
      return { ...plan.value, at3, took: (performance.now() - from) / 1000 }
    }
    const alone = run({})
    const whole = run({ program, helper: weekHelper })
    const highs = await highsAlone(read.value, seconds)
    console.log(
      `  ${name}: dearest first ${figure(greedy.bestCost)} in ${greedyMs.toFixed(0)} ms; HiGHS alone ${figure(highs.cost)} in ${highs.took.toFixed(1)} s; apart and together alone ${figure(alone.objective)} in ${alone.took.toFixed(1)} s; planner ${figure(whole.at3)} after 3 s, ${figure(whole.objective)} in ${whole.took.toFixed(1)} s, none below ${figure(whole.bound)} (${whole.gapPercent.toFixed(1)} %), ${whole.unassigned.length} not placed`,
    )
  }
}
main().then(
  () => process.exit(0),
  (error: unknown) => {
    console.error(error)
    process.exit(1)
  },
)
