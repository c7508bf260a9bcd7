import { stateOf, type Finding, type Place } from './almanac'
import { explain, healthyChance } from './explain'
import type { WeighInput } from './weigh'

/** Where a tree is looked at before it is called healthy, and how that place is called. */
const LOOKED_AT: readonly (readonly [Place, string])[] = [
  ['crown', 'the crown'],
  ['trunk', 'the trunk'],
  ['base', 'the foot of the trunk'],
]

/** A finding that no more than this share of healthy trees show has to be explained. */
const SELDOM = 0.05

/** Whether a tree can be signed as healthy, and what speaks against it. */
export interface Healthy {
  chance: number
  /** Signs of danger that are there, by name: then it is no healthy tree, whatever is written. */
  unsafe: string[]
  /** Sentences; to sign all the same, the arborist writes why. */
  doubts: string[]
}

/**
 * What speaks against signing a tree as healthy: a place nobody looked at, findings healthy trees seldom show, or
 * findings that something explains better.
 * House rule: crown, trunk and foot are looked at first. The chance is reckoned where it is not at hand.
 *
 * @example judgeHealthy({ seen: { 'crown-thin-top': 'not-there' }, … }).doubts[0] // 'Nobody has looked at the trunk …'
 */
export function judgeHealthy(input: WeighInput, chance: number = healthyChance(explain(input))): Healthy {
  const looked = Object.keys(input.seen)
    .filter((id) => stateOf(input.seen, id) !== 'not-looked')
    .flatMap((id): Finding[] => {
      const finding = input.findings.get(id)
      return finding ? [finding] : []
    })
  const unseen = LOOKED_AT.filter(([place]) => !looked.some((f) => f.place === place)).map(([, name]) => name)
  const doubts: string[] = []
  if (unseen.length > 0) doubts.push(`Nobody has looked at ${unseen.join(' and ')} in this examination.`)
  const telling = looked.filter((f) => stateOf(input.seen, f.id) === 'there' && f.background <= SELDOM)
  if (telling.length > 0)
    doubts.push(`Healthy trees seldom show this: ${telling.map((f) => f.name.toLowerCase()).join(', ')}.`)
  if (chance < 0.5) doubts.push('What was found is explained better by a cause than by a healthy tree.')
  return {
    chance,
    unsafe: looked.filter((f) => f.unsafe && stateOf(input.seen, f.id) === 'there').map((f) => f.name),
    doubts,
  }
}
