import { addDays } from '@/core/time/calendar'
import { drawn } from '@/core/week/improve'
import type { WeekInput } from '@/core/week/field'

/** What a made-up week is like. */
export interface Kind {
  jobs: number
  crews: number
  days: number
  /** Places the jobs lie at; 0 for each job its own. */
  places: number
  /** Minutes of work for each minute that crews have. */
  full: number
  seed: number
}

/** A made-up week to plan. */
export function weekOf({ jobs, crews, days, places, full, seed }: Kind): WeekInput {
  const random = drawn(seed)
  const whole = (from: number, to: number) => from + Math.floor(random() * (to - from + 1))
  const dates = Array.from({ length: days }, (_, i) => addDays('2026-06-15', i))
  const worked = (i: number) => i % 7 < 5
  const skills = ['injection', 'spray', 'climb']
  const spots = Array.from({ length: places }, () => ({ x: random() * 24 - 12, y: random() * 24 - 12 }))
  const crewed = Array.from({ length: crews }, (_, c) => ({
    id: `crew ${c + 1}`,
    skills: skills.filter((_, i) => i === c % 3 || random() < 0.5),
    minutes: Object.fromEntries(
      dates.flatMap((d, i) => (worked(i) && random() > 0.05 ? [[d, random() < 0.8 ? 480 : 360]] : [])),
    ),
  }))
  const there = crewed.reduce((sum, c) => sum + Object.values(c.minutes).reduce((a, b) => a + b, 0), 0)
  const mean = (there * full) / jobs
  return {
    days: dates,
    yard: { x: 0, y: 0 },
    speed: 30,
    detour: 1.3,
    crews: crewed,
    jobs: Array.from({ length: jobs }, (_, j) => {
      const spot =
        places > 0 ? spots[whole(0, places - 1)]! : { x: random() * 24 - 12, y: random() * 24 - 12 }
      const from = whole(0, Math.max(0, days - 4))
      const open = dates.filter((_, i) => i >= from && i < from + whole(3, days) && random() > 0.2)
      return {
        id: `job ${j + 1}`,
        ...spot,
        minutes: Math.max(10, Math.round((mean * (0.4 + 1.2 * random())) / 5) * 5),
        skills: random() < 0.6 ? [skills[whole(0, 2)]!] : [],
        days: open.length > 0 ? open : [dates[from]!],
        due: dates[Math.min(days - 1, from + whole(0, 6))]!,
        priority: whole(1, 5),
      }
    }),
  }
}
