import type { Method } from '../card/card'
import { weekday, type PlainDate } from '../time/calendar'

/** People with a truck who work together. */
export interface Crew {
  id: string
  name: string
  truck: string | null
  /** Persons by id. */
  people: string[]
  /** What its people know and its truck carries what for. */
  methods: Method[]
  /** When its day begins, minutes after midnight. */
  begins: number
  /** Minutes of work and driving by day of the week, Monday first. */
  minutes: number[]
}

/** Somebody of the firm as a crew counts on them. */
export interface Member {
  id: string
  name: string
  licence: string | null
  /** The last day the licence holds; null where none is entered. */
  licenceUntil: PlainDate | null
}

/** A person who is away, or a crew that does not go out, both days included. */
export interface Absence {
  crewId: string | null
  personId: string | null
  from: PlainDate
  to: PlainDate
  why: string
}

/** Everybody who can be counted on, and who cannot. */
export interface People {
  people: readonly Member[]
  absences: readonly Absence[]
  /** Of the day that has begun, what is over; minutes after midnight. */
  now?: { date: PlainDate; clock: number }
}

/** A crew on a day. */
export interface CrewDay {
  /** Of work and driving; 0 where it does not go out. */
  minutes: number
  /** From when on, minutes after midnight: now, where its day has begun. */
  begins: number
  /** Somebody with a licence that holds is there. */
  licensed: boolean
  /** Who of it is away, with why. */
  away: { name: string; why: string }[]
  /** Why it does not go out; null where it does. */
  out: string | null
}

/**
 * A crew on a day: it goes out on its days of the week while one of its people is there and its truck is not away. Fewer people are taken to need as long. Of
 * today only what is still to come counts.
 * @example crewOn(crew, { people, absences }, '2026-06-15').minutes // 480
 */
export function crewOn(crew: Crew, { people, absences, now }: People, date: PlainDate): CrewDay {
  const then = absences.filter((a) => a.from <= date && date <= a.to)
  const own = people.filter((p) => crew.people.includes(p.id))
  const away = own.flatMap((p) => {
    const why = then.find((a) => a.personId === p.id)?.why
    return why === undefined ? [] : [{ id: p.id, name: p.name, why }]
  })
  const there = own.filter((p) => !away.some((a) => a.id === p.id))
  const whole = crew.minutes[weekday(date) - 1]!
  const begins = now?.date === date ? Math.max(crew.begins, now.clock) : crew.begins
  const minutes = Math.max(0, crew.begins + whole - begins)
  const out = whyIn(crew, { then, own, there, away, whole, minutes })
  return {
    minutes: out === null ? minutes : 0,
    begins,
    licensed: there.some((p) => p.licence !== null && (p.licenceUntil === null || p.licenceUntil >= date)),
    away: away.map(({ name, why }) => ({ name, why })),
    out,
  }
}

/** Why a crew does not go out on a day; null where it does. */
function whyIn(
  crew: Crew,
  d: {
    then: readonly Absence[]
    own: readonly Member[]
    there: readonly Member[]
    away: readonly { name: string; why: string }[]
    whole: number
    minutes: number
  },
): string | null {
  if (d.whole === 0) return 'not a day of theirs'
  if (d.minutes === 0) return 'their day is over'
  const truck = d.then.find((a) => a.crewId === crew.id)
  if (truck) return truck.why
  if (d.own.length === 0) return 'nobody is in this crew'
  return d.there.length === 0 ? d.away.map((a) => `${a.name} is away, ${a.why}`).join('; ') : null
}
