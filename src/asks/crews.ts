import { METHODS } from '@/core/methods/names'
import { z } from 'zod'
import { readClock } from '@/core/roster/span'
import { WEEKDAYS } from '@/core/time/calendar'
import { orNothing, said, saying } from './field'
import { day, id, line, typed } from './text'

/** A time of the day in minutes, or as it is typed: `6:30`. */
const clock = (label: string) => {
  const error = `${label}: type a time of the day such as 07:00.`
  return z
    .union([z.int().min(0).max(1439), z.string().refine((text) => readClock(text) !== null, { error })], {
      error,
    })
    .transform((value) => (typeof value === 'number' ? value : readClock(value)!))
    .register(said, { label, input: 'line' })
}

/** Hours as they are typed, in minutes: "8", "7.5", "7:30", none where it is empty; null for what is no time. `readHours('7:30') === 450` */
export function readHours(text: string): number | null {
  const typed = text.trim()
  const [, h, m] = /^(\d{1,2}):([0-5]\d)$/.exec(typed) ?? []
  if (h !== undefined) return Number(h) * 60 + Number(m)
  if (typed === '') return 0
  return /^\d{1,2}([.,]\d{1,2})?$/.test(typed) ? Math.round(Number(typed.replace(',', '.')) * 60) : null
}

/** How long a crew works on a day, in minutes or as it is typed in hours. */
const hoursOfDay = () => {
  const error = 'Hours of a day: type hours from 0 to 24.'
  return z
    .union([z.int(), z.string()], { error })
    .transform((value) => (typeof value === 'number' ? value : (readHours(value) ?? -1)))
    .refine((minutes) => minutes >= 0 && minutes <= 1440, { error })
}

/** A crew as it is written down or changed. */
export const setCrewAsks = z.strictObject({
  crewId: id('crewId'),
  name: line('Name', 60, 2),
  truck: orNothing(
    saying(line('Truck', 60), {
      label: 'Truck, and what it carries',
      placeholder: 'truck 2, tank and lift',
    }),
  ),
  people: z.array(id('people')).max(40).register(said, { label: 'People', input: 'ticks' }),
  methods: z.array(z.enum(METHODS)).max(60).register(said, { label: 'Does', input: 'ticks' }),
  begins: clock('Begins at'),
  minutes: z.array(hoursOfDay()).length(WEEKDAYS.length),
})

const absence = {
  from: saying(day(), { label: 'From' }),
  to: saying(day(), { label: 'To' }),
  why: saying(line('Why', 200, 2), { placeholder: 'holiday' }),
}

/** Who is away from when to when: one person, or all of one crew. */
export const setAbsenceAsks = z.strictObject({
  id: id(),
  personId: id('personId').nullable(),
  crewId: id('crewId').nullable(),
  ...absence,
})
/** The same as its form asks for it. */
export const absenceAsks = z.strictObject({
  who: z
    .string()
    .min(1, { error: 'Choose one person, or one crew, who is away.' })
    .register(said, { label: 'Who is away', input: 'choice' }),
  ...absence,
})

/** When work may be done at a site, as it is typed; nothing: at any time. */
export const setSiteHoursAsks = z.strictObject({
  siteId: id('siteId'),
  hours: saying(typed('Work hours', 1000), {
    label: 'When work may be done here (empty: any time)',
    placeholder: 'Mon to Fri 05:30 to 07:40; Sat 08:00 to 12:00',
  }),
})
