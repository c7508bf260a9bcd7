import type { Soil, Wood } from '../dose/uptake'
import type { Hole, RingMark } from '../ports/marks'
import type { Length, Temperature } from '../quantity/units'
import type { Expectation } from '../respond/compare'
import type { Yearly } from '../time/yearly'
import type { StemInput } from '../trunk/trunk'

/** What is known of a tree when a dose is worked out for it. Lengths in metres. */
export interface TreeFacts {
  host: string
  wood: Wood
  /** As the tape read them. */
  stems: StemInput[]
  /** Of one round stem of the same wood area. */
  diameter: Length
  /** On the foot or the only trunk, and on each of several stems. */
  marks: readonly RingMark[]
  /** Of recorded injections; calendar dates. */
  holes: readonly Hole[]
  /** Of what carries a wilt on: sound trees of the kind near it that are neither injected nor to be, by tag. */
  bareNeighbours?: readonly string[]
  /** What share of its root zone was cut or is to be cut, and on which day. */
  rootsCut?: readonly { on: string; percent: number }[]
}

/** The day the work is for. The dose does not rest on soil and warmth, how long it takes does. */
export interface DayFacts {
  /** A calendar date. */
  on: string
  soil: Soil
  temperature: Temperature
}

/** After how many days a use goes on again, and how often a year at most. */
export interface Repeats {
  least: number
  most: number
  mostTimes?: number
  /** With its last day it is over for the year; days of the north. */
  season?: Yearly
  /** It is renewed once a year, in this stretch; days of the north. */
  yearly?: Yearly & { called: string }
}

/** A check that is promised with a prescription: when, and what is expected then. */
export interface PromisedCheck {
  afterDays?: number
  afterYears?: number
  what: string
  expectation: Expectation
}
