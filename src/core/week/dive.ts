import type { DayProgram } from './dayProgram'
import type { Plan } from './improve'

/** A day of which so much is taken is taken whole, so many at once. */
const [NEARLY, AT_ONCE] = [0.999, 10]
/** In how many goes a whole plan is taken, how often new days are looked for after each, how widely, and how many of a kind. */
const [GOES, LOOKS, WIDTH, NEW] = [30, 3, 20, 4]

/** A whole plan out of the parts a program takes: what is nearly whole is taken, and the program asked again. Null where it takes longer or comes to cost more than `most`. */
export function dive(program: DayProgram, secondsLeft: () => number, most = Infinity): Plan | null {
  const { field, kinds } = program
  const taken: number[] = []
  const room = kinds.map((k) => k.shifts.length)
  const done = new Set<number>()
  try {
    for (
      let pace = 0, last = secondsLeft();
      secondsLeft() > 0;
      pace = last - secondsLeft(), last = secondsLeft()
    ) {
      const now = program.asked(secondsLeft)
      if (!now || now.cost > most) return null
      const parts = program
        .taken()
        .filter(({ number }) => !taken.includes(number))
        .sort((a, b) => b.part - a.part)
      if (parts.length === 0) break
      // As many at once as it takes to end in time, at the pace of the last turn.
      const least = Math.max(
        Math.ceil(field.shifts.length / GOES),
        Math.ceil((room.reduce((sum, r) => sum + r, 0) * pace) / Math.max(0.01, secondsLeft())),
      )
      let more = 0
      for (const { day, number, part } of parts) {
        if (more >= least && (part < NEARLY || more >= AT_ONCE)) break
        if (room[day.kind]! <= 0 || (more > 0 && day.jobs.some((j) => done.has(j)))) continue
        program.fix(number, true)
        taken.push(number)
        room[day.kind]!--
        for (const j of day.jobs) done.add(j)
        more++
      }
      if (more === 0) break
      // What is left of the jobs asks for days of its own.
      for (let look = 0, fresh = 1; look < LOOKS && fresh > 0 && secondsLeft() > 0; look++) {
        const answer = program.asked(secondsLeft)
        if (!answer) break
        const cuts = program.cutsAt(answer.prices)
        fresh = 0
        for (let k = 0; k < kinds.length; k++)
          if (room[k]! > 0)
            fresh += program.quickly(k, answer.prices, cuts, answer.kinds[k]!, WIDTH, NEW).fresh
      }
    }
    return program.planOf(taken.map((number) => program.days[number]!))
  } finally {
    for (const number of taken) program.fix(number, false)
  }
}
