import { daysBetween } from '@/core/time/calendar'
import {
  devicesOfFirm,
  firmOf,
  licences,
  openInvitations,
  openSessions,
  peopleOfFirm,
} from '@/db/queries/house'
import { firstSteps } from '../house/firstSteps'
import { currentSessionId } from '../session'
import { reading } from './reader'

/** A licence that runs out within so many days is told. */
const WARNED_DAYS = 60

/** Everybody of the firm with their licences, and who is asked in. */
export function peopleView() {
  return reading(async ({ sql, person, today }) => {
    const [people, all, invited, firm, devices, here] = await Promise.all([
      peopleOfFirm(sql),
      licences(sql),
      person.keepsHouse ? openInvitations(sql) : [],
      firmOf(sql),
      person.keepsHouse ? devicesOfFirm(sql) : [],
      currentSessionId(),
    ])
    return {
      me: person.id,
      keepsHouse: person.keepsHouse,
      hasFactor: person.hasFactor,
      factorAsked: firm.secondFactor,
      timeZone: person.timeZone,
      today,
      people: people.map((p) => ({
        ...p,
        putAwayAt: p.putAwayAt?.getTime() ?? null,
        factorSince: p.factorSince?.getTime() ?? null,
        lastSeenAt: p.lastSeenAt?.getTime() ?? null,
        /** Where they are signed in; seen by whoever keeps the house. */
        devices: devices
          .filter((d) => d.personId === p.id)
          .map((d) => ({
            id: d.id,
            device: d.device,
            here: d.id === here,
            heardAt: (d.lastSeenAt ?? d.createdAt).getTime(),
          })),
        licences: all
          .filter((l) => l.personId === p.id)
          .map((l) => ({
            ...l,
            left: l.until === null ? null : daysBetween(today, l.until),
            ends: l.until !== null && daysBetween(today, l.until) <= WARNED_DAYS,
          })),
      })),
      invited: invited.map((i) => ({
        id: i.id,
        name: i.name,
        email: i.email,
        role: i.role,
        keepsHouse: i.keepsHouse,
        until: i.until.getTime(),
      })),
    }
  })
}
export type PeopleView = Awaited<ReturnType<typeof peopleView>>

/** The firm as it is set. */
export function firmView() {
  return reading(async ({ sql, person }) => {
    const { name, town, latitude, longitude, timeZone, units, language } = await firmOf(sql)
    return {
      keepsHouse: person.keepsHouse,
      firm: { name, town, latitude, longitude, timeZone, units, language },
    }
  })
}
export type FirmView = Awaited<ReturnType<typeof firmView>>

/** Where one is signed in, and whether a second factor is asked. */
export function ownView() {
  return reading(async ({ sql, person }) => {
    const here = await currentSessionId()
    return {
      hasFactor: person.hasFactor,
      factorAsked: person.factorAsked,
      timeZone: person.timeZone,
      sessions: (await openSessions(sql, person.id)).map((s) => ({
        id: s.id,
        device: s.device,
        here: s.id === here,
        seenAt: (s.lastSeenAt ?? s.createdAt).getTime(),
      })),
    }
  })
}
export type OwnView = Awaited<ReturnType<typeof ownView>>

/** What of a firm’s first steps is done; each ticks itself off. */
export function firstStepsView() {
  return reading(firstSteps)
}
export type FirstStepsView = Awaited<ReturnType<typeof firstStepsView>>
