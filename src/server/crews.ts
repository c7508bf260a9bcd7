import { METHODS } from '@/core/methods/names'
import { hold } from '@/db/queries/hold'
import { setAbsenceAsks, setCrewAsks, setSiteHoursAsks } from '@/asks/crews'
import { z } from 'zod'
import { ok, refuse, type Result } from '@/core/problem'
import { readSiteHours } from '@/core/roster/siteHours'
import { spokenDate } from '@/core/time/calendar'
import {
  addAbsence,
  crewById,
  crews,
  endCrew,
  keepCrew,
  members,
  openJobsOfCrew,
  takeAbsenceBack,
} from '@/db/queries/crew'
import { keepSiteHours } from '@/db/queries/week'
import { siteById } from '@/db/queries/site'
import { id } from '@/asks/text'
import { verb } from './verb'

const planners = ['arborist', 'crew lead', 'office'] as const

/** Writes a crew down or changes it: its people, truck, what it does, and its hours by day of the week. */
export const setCrewVerb = verb({
  roles: planners,
  about: (i) => i.crewId,
  input: setCrewAsks,
  run: async ({ sql, person }, input): Promise<Result<{ crewId: string }>> => {
    await hold(sql, person.firmId, 'crews', 'change')
    const before = await crewById(sql, input.crewId)
    if (before?.ended)
      return refuse('conflict', 'crewId', 'This crew was ended; make a new one. Load the page again.')
    const late = input.minutes.findIndex((m) => input.begins + m > 1440)
    if (late >= 0)
      return refuse(
        'out-of-range',
        'minutes',
        'A day of a crew ends before midnight; begin earlier, or give it fewer hours.',
      )
    const others = (await crews(sql)).filter((c) => c.id !== input.crewId)
    if (others.some((c) => c.name.toLowerCase() === input.name.toLowerCase()))
      return refuse(
        'conflict',
        'name',
        `There is a crew “${input.name}” already; give this one another name.`,
      )
    const all = await members(sql)
    for (const personId of input.people) {
      const who = all.find((p) => p.id === personId)
      if (!who) return refuse('unknown', 'people', 'There is no such person in this firm.')
      const other = others.find((c) => c.people.includes(personId))
      if (other)
        return refuse(
          'conflict',
          'people',
          `${who.name} is in ${other.name}; take them out of that crew first.`,
        )
    }
    await keepCrew(sql, person.firmId, {
      id: input.crewId,
      name: input.name,
      truck: input.truck,
      people: [...new Set(input.people)],
      methods: METHODS.filter((m) => input.methods.includes(m)),
      begins: input.begins,
      minutes: input.minutes,
    })
    return ok({ crewId: input.crewId })
  },
})

/** Ends a crew that has no more work. */
export const endCrewVerb = verb({
  roles: planners,
  about: (i) => i.crewId,
  input: z.strictObject({ crewId: id('crewId') }),
  run: async ({ sql, person, now, today }, input): Promise<Result<{ ended: true }>> => {
    await hold(sql, person.firmId, 'crews', 'change')
    const crew = await crewById(sql, input.crewId)
    if (!crew) return refuse('unknown', 'crewId', 'There is no such crew.')
    if (crew.ended)
      return refuse('conflict', 'crewId', `${crew.name} was ended already. Load the page again.`)
    const open = await openJobsOfCrew(sql, crew.id, today)
    if (open > 0)
      return refuse(
        'conflict',
        'crewId',
        `${crew.name} has ${open} ${open === 1 ? 'job' : 'jobs'} to come; give them to another crew in the week first.`,
      )
    await endCrew(sql, crew.id, now)
    return ok({ ended: true })
  },
})

/** Notes who is away, or which crew does not go out, from one day to another. */
export const setAbsenceVerb = verb({
  roles: planners,
  about: (i) => i.id,
  makes: (i) => i.id,
  input: setAbsenceAsks,
  run: async ({ sql, person, at }, input): Promise<Result<{ id: string }>> => {
    if ((input.personId === null) === (input.crewId === null))
      return refuse('missing', 'who', 'Choose one person, or one crew, who is away.')
    if (input.to < input.from)
      return refuse(
        'out-of-range',
        'to',
        `The last day lies before the first, ${spokenDate(input.from)}; choose a later one.`,
      )
    if (input.personId !== null && !(await members(sql)).some((p) => p.id === input.personId))
      return refuse('unknown', 'personId', 'There is no such person in this firm.')
    if (input.crewId !== null && !(await crewById(sql, input.crewId)))
      return refuse('unknown', 'crewId', 'There is no such crew.')
    await addAbsence(sql, { ...input, firmId: person.firmId, by: person.id, at })
    return ok({ id: input.id })
  },
})

/** Takes an absence back. */
export const endAbsenceVerb = verb({
  roles: planners,
  about: (i) => i.absenceId,
  input: z.strictObject({ absenceId: id('absenceId') }),
  run: async ({ sql, person, at }, input): Promise<Result<{ ended: true }>> => {
    const ended = await takeAbsenceBack(sql, input.absenceId, { by: person.id, at })
    return ended
      ? ok({ ended })
      : refuse('unknown', 'absenceId', 'This absence was taken back already, or was never entered.')
  },
})

/** Says when work may be done at a site, as it is typed: a school before the bell, a street after the market. Nothing: at any time. */
export const setSiteHoursVerb = verb({
  roles: planners,
  about: (i) => i.siteId,
  input: setSiteHoursAsks,
  run: async ({ sql }, input): Promise<Result<{ siteId: string }>> => {
    const site = await siteById(sql, input.siteId)
    if (!site) return refuse('unknown', 'siteId', 'There is no such site.')
    const hours = readSiteHours(input.hours)
    if (!hours.ok) return hours
    await keepSiteHours(sql, site.id, hours.value)
    return ok({ siteId: site.id })
  },
})
