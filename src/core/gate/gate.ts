import { bees } from './bees'
import { cause } from './cause'
import { crown } from './crown'
import { food } from './food'
import { soil, weather } from './ground'
import { apart, count, interval, rotation } from './history'
import { kind } from './kind'
import { label } from './label'
import { leaf } from './leaf'
import { localRule, water } from './place'
import type { Ask, Question, Refusal, Rule } from './question'
import { safety } from './safety'
import { order } from './order'
import { season } from './season'

/** Every rule of the gate, in the order they are told. */
export const GATE: readonly Rule[] = [
  safety,
  kind,
  cause,
  label,
  season,
  order,
  leaf,
  bees,
  food,
  localRule,
  water,
  soil,
  weather,
  crown,
  count,
  interval,
  apart,
  rotation,
]

/** What stands against work, what must be asked, and after how many days it is due again. */
export interface Answer {
  closed: Refusal[]
  asks: Ask[]
  again: number | null
}

/**
 * May this work go on at this tree on this day? Every rule is asked; all that close it are told, each with what would open it, and
 * what nobody has said is asked and closes nothing. What the yearly limit of a ground leaves is looked at over all trees together,
 * in `core/limits`. Source: handbook, what holds.
 *
 * @example gate({ method: 'soil-drench', facts: { soil: 'saturated' }, … }).closed[0].rule // 'soil'
 */
export function gate(q: Question): Answer {
  const found = GATE.flatMap((rule) => rule.look(q))
  const asks = found.flatMap((f) => ('ask' in f ? [f.ask] : []))
  return {
    closed: found.flatMap((f) => ('refusal' in f ? [f.refusal] : [])),
    asks: asks.filter((a, i) => asks.findIndex((b) => b.field === a.field) === i),
    again: q.again,
  }
}

/** Fields that are only still to be said when work is signed. */
export const ASKED_AT_SIGNING: readonly string[] = ['eaten', 'harvestOn', 'water', 'near']

/** A refusal as a sentence of its rule and its way out. */
export function said(r: Pick<Refusal, 'why' | 'wayOut'>): string {
  return `${r.why} ${r.wayOut}`.trim()
}
