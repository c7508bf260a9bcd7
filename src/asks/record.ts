import { z } from 'zod'
import { MARKS } from '@/core/methods/yearMark'
import { orNothing, said, saying, whole } from './field'
import { id, line, typed, words } from './text'

/** A time of the day as a clock shows it. */
const clock = (label: string) =>
  z
    .string()
    .regex(/^([01]\d|2[0-3]):[0-5]\d$/, { error: `${label}: a time as the clock shows it, such as 09:40.` })
    .register(said, { label, input: 'time' })

const lot = () => line('Lot', 60).register(said, { label: 'Lot, off the package', input: 'choice' })

/** One product: a record of its own. */
export const recordPart = z.strictObject({
  id: id(),
  jobSubjectIds: z
    .array(id('jobSubjectId'))
    .min(1, { error: 'Choose at least one tree to sign for.' })
    .max(400),
  lot: lot(),
})

/** Where a wind comes from, and what the soil was like. */
export const WINDS = ['N', 'NE', 'E', 'SE', 'S', 'SW', 'W', 'NW', 'calm'] as const
export const SOILS = ['moist', 'dry', 'saturated', 'frozen'] as const

const asSeen = {
  temperature: typed('Temperature', 100),
  wind: typed('Wind', 100),
  windFrom: z
    .enum(WINDS, {
      error: 'Say where the wind came from, or that it was calm.',
    })
    .register(said, { label: 'Wind from', input: 'choice' }),
  sky: line('Sky', 60),
  soil: z
    .enum(SOILS, { error: 'Say what the soil was like.' })
    .register(said, { label: 'Soil', input: 'choice' }),
  /** Empties, where something was set in a trunk. */
  counted: orNothing(whole('Empties counted in', { least: 0, most: 5000 })),
  /** Where the method marks. */
  mark: orNothing(
    z
      .enum(MARKS, { error: 'Say in which colour the tree was marked, or that it was not.' })
      .register(said, { label: 'Marked in', input: 'choice' }),
  ),
  notices: saying(line('Notices given', 300), {
    placeholder: 'sign at the gate, office told',
  }),
  deviations: saying(words('Deviations'), {
    label: 'What went otherwise than planned, and why, in your words',
  }),
  /** When it began and ended by the wall clock, where the presses do not tell. */
  began: orNothing(clock('Began at')),
  ended: orNothing(clock('Ended at')),
}

/** What is asked before a record is signed, and answered yes. */
export const ACCEPTED = ['partly treated', 'not treated', 'wind', 'temperature', 'outside', 'short'] as const

/** The record of an application. */
export const signRecordAsks = recordPart.extend({
  /** What else came out of the same tank, signed with it: a record each. */
  also: z.array(recordPart).max(5).default([]),
  ...asSeen,
  /** What was asked and answered yes: that a tree which got too little goes back to the arborist; weather far off; what lay outside card and rules. */
  accepted: z.array(z.enum(ACCEPTED)).max(ACCEPTED.length).default([]),
})

/** The same as its form asks for it: the lots of what else came out of the tank by the line of work. */
export const recordAsks = z.strictObject({ lot: lot(), lots: z.record(z.string(), lot()), ...asSeen })
