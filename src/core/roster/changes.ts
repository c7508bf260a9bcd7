import { METHOD_NAME } from '../methods/names'
import { sayMinutes } from '../methods/sayTime'
import { spokenWeekday, type PlainDate } from '../time/calendar'
import type { Assignment } from '../week/planWeek'
import type { WhyNot } from '../week/whyNot'
import { crewOn, type Crew } from './crew'
import { roundMinutes } from './roads'
import { crewPlanned, refusedTo, type AskedStop, type Place, type Roster } from './weekAsked'

/** A stop that a plan puts elsewhere, and why. */
export interface Change {
  stop: string
  /** Where it stood; the crew may be nobody's yet, the day none yet. */
  from: { crewId: string | null; date: PlainDate | null }
  to: Place
  why: string
}

/** What a plan changes, in the order of the days it puts things on, each with the reason. */
export function changesOf(
  roster: Roster,
  stops: readonly AskedStop[],
  plan: readonly Assignment[],
): Change[] {
  const to = new Map(plan.map((a) => [a.job, { crewId: crewPlanned(a.crew), date: a.date }]))
  return stops
    .flatMap((asked): Change[] => {
      const { stop } = asked
      const put = to.get(stop.id)
      if (!put || (put.date === stop.onDate && put.crewId === stop.crewId)) return []
      const from = { crewId: stop.crewId, date: stop.onDate }
      return [{ stop: stop.id, from, to: put, why: whyMoved(roster, asked, put) }]
    })
    .sort((a, b) => (a.to.date < b.to.date ? -1 : a.to.date > b.to.date ? 1 : 0))
}

function whyMoved(roster: Roster, asked: AskedStop, to: Place): string {
  const { stop, days } = asked
  if (stop.onDate === null) return 'It was due again and stood on no day.'
  if (stop.onDate < roster.days[0]!) return `It was not done on ${spokenWeekday(stop.onDate)}.`
  const there = days.find((d) => d.date === stop.onDate)
  if (there?.closed) return there.closed
  const crew = roster.crews.find((c) => c.id === stop.crewId)
  const able = (c: Crew) => refusedTo(c, crewOn(c, roster, stop.onDate!), asked, stop.onDate!)
  if (!crew) {
    if (to.date === stop.onDate) return 'It had no crew yet.'
    const against = roster.crews.map(able)
    const first = against.find((w) => w !== null)
    return against.every((w) => w !== null) && first ? first : 'Its day is full, or the roads are shorter so.'
  }
  return able(crew) ?? 'The days fit better so: less late, or shorter roads.'
}

/** Why a stop found no place, and what would open one. */
export function unplacedWhy(
  roster: Roster,
  asked: AskedStop,
  why: WhyNot,
  stops: readonly AskedStop[],
  plan: readonly Assignment[],
): { why: string; wayOut: string } {
  const { stop, days } = asked
  switch (why) {
    case 'no-skill': {
      const none = stop.methods.find((m) => roster.crews.every((c) => !c.methods.includes(m)))
      return none
        ? {
            why: `No crew does ${METHOD_NAME[none].toLowerCase()}.`,
            wayOut: 'Say under Crews who does it.',
          }
        : {
            why: stop.licence
              ? 'No crew that does this has anybody with a licence.'
              : 'No crew does all of it.',
            wayOut: 'Change who is in which crew, or what a crew does.',
          }
    }
    case 'no-day': {
      const closed = days.filter((d) => d.closed !== null)
      const first = closed[0]
      const open = days.find((d) => d.closed === null)
      if (!open && first)
        return {
          why: `Closed on all days ahead: ${first.closed!}`,
          wayOut:
            'It waits until that is over; look again when the forecast changes, or speak with the arborist.',
        }
      return {
        why: 'On the days it may be done no crew that does it is out, or not in the hours that are open.',
        wayOut: `Send a crew out on ${open ? spokenWeekday(open.date) : 'one of them'}, or begin earlier that day.`,
      }
    }
    case 'too-long':
      return {
        why: `It takes ${sayMinutes(stop.minutes)} beside the drive, longer than any day of a crew that does it.`,
        wayOut: stop.occurrenceId
          ? 'Put it on a day under Run first; it is then cut to days of their length.'
          : 'Give a crew a longer day.',
      }
    case 'no-room': {
      let least: { short: number; crew: Crew; date: PlainDate } | null = null
      for (const crew of roster.crews)
        for (const { date, closed } of days) {
          if (closed !== null || !roster.days.includes(date)) continue
          const on = crewOn(crew, roster, date)
          if (refusedTo(crew, on, asked, date) !== null) continue
          const day = plan
            .filter((a) => crewPlanned(a.crew) === crew.id && a.date === date)
            .sort((a, b) => a.position - b.position)
            .map((a) => stops.find((s) => s.stop.id === a.job)!)
          const short = roundMinutes([...day, asked]) - on.minutes
          if (!least || short < least.short) least = { short, crew, date }
        }
      return {
        why: 'The days on which it may be done are full.',
        wayOut: least
          ? `${Math.max(5, Math.ceil(least.short / 5) * 5)} min more of ${least.crew.name} on ${spokenWeekday(least.date)} would do, or putting something else off.`
          : 'Put something else off, or send another crew out.',
      }
    }
  }
}
