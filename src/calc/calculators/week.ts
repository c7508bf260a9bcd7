import { z } from 'zod'
import { MOST } from '@/core/week/field'
import { MOST_SECONDS, planWeek } from '@/core/week/planWeek'
import { calculator } from '../calculator'
import { date, name, number } from '../fields'

const spot = {
  x: number('Miles east of any one point.'),
  y: number('Miles north of it.'),
}
const skills = z
  .array(name('A skill.'))
  .max(40)
  .optional()
  .meta({ description: 'Skills; none when not given.' })

export const week = calculator({
  name: 'week',
  title: 'Planning a week',
  description: `Jobs on days of crews. A crew drives from the yard by its jobs in order and back, straight line × \`detour\` ÷ \`speed\`; its minutes of work and driving fit its day. A job has one crew with all its skills on one of its days; what is pinned stays. To be small: Σ placed priority × days after due + Σ not placed priority × 30 + 0.02 × minutes driven. \`unassigned\` says why: \`no-skill\`, \`no-day\`, \`too-long\`, \`no-room\`, the first that holds. No plan costs less than \`bound\`; \`gapPercent\` is how far the plan may be from it, of what the plan costs. It answers when the plan is proven best or after \`seconds\` (5 when not given, at most ${MOST_SECONDS}). \`position\` counts from 1.`,
  request: {
    days: z.array(date('A day to plan, once.')).max(MOST.days),
    yard: z.strictObject(spot).meta({ description: 'Where every day begins and ends.' }),
    speed: number('Miles an hour on the road.'),
    detour: number('Miles of road for a mile straight, 1 or more.'),
    crews: z
      .array(
        z.strictObject({
          id: name('Any name, once.'),
          skills,
          minutes: z.record(z.string().max(200), z.number()).meta({
            description: 'Minutes by date; a day that is not named has none.',
            examples: [{ '2026-06-15': 480 }],
          }),
        }),
      )
      .max(MOST.crews),
    jobs: z
      .array(
        z.strictObject({
          id: name('Any name, once.'),
          ...spot,
          minutes: number('Minutes of work.'),
          skills,
          days: z.array(date('A day on which it may be done.')).max(400),
          due: date('After this day it is late.'),
          priority: number('How much it matters, from 0.'),
          pinned: z
            .strictObject({ crew: name('One of the crews.'), date: date('One of its days.') })
            .optional()
            .meta({ description: 'Where it stays.' }),
        }),
      )
      .max(MOST.jobs),
    seconds: number('How long a better plan is looked for.').optional(),
  },
  answer: {
    assignments: z.array(
      z.strictObject({ job: z.string(), crew: z.string(), date: z.string(), position: z.number() }),
    ),
    unassigned: z.array(
      z.strictObject({ job: z.string(), reason: z.enum(['no-skill', 'no-day', 'too-long', 'no-room']) }),
    ),
    objective: z.number(),
    bound: z.number(),
    gapPercent: z.number(),
    travelMinutes: z.number(),
  },
  example: {
    days: ['2026-06-15', '2026-06-16'],
    yard: { x: 0, y: 0 },
    speed: 30,
    detour: 1.3,
    crews: [{ id: 'Teodor', skills: ['injection'], minutes: { '2026-06-15': 480, '2026-06-16': 240 } }],
    jobs: [
      {
        id: 'Hospital court',
        x: 1.2,
        y: 3.4,
        minutes: 90,
        skills: ['injection'],
        days: ['2026-06-15', '2026-06-16'],
        due: '2026-06-16',
        priority: 3,
        pinned: { crew: 'Teodor', date: '2026-06-15' },
      },
      {
        id: 'Elm avenue',
        x: -2,
        y: 0.5,
        minutes: 300,
        days: ['2026-06-15'],
        due: '2026-06-15',
        priority: 2,
      },
    ],
    seconds: 0.05,
  },
  work: ({ seconds = 5, ...input }, _units, _figures, tools) => planWeek(input, { ...tools, seconds }),
})
