import type { Cause, Finding, Seen } from './almanac'
import { judge, type Judgement } from './judge'
import { nextChecks, weigh, type Check, type Weighed } from './weigh'

/** What is weighed with: causes, findings, and how many times its common weight a cause of the district begins with. */
export interface Knowledge {
  causes: readonly Cause[]
  findings: ReadonlyMap<string, Finding>
  district: Readonly<Record<string, number>>
}

export interface Weighing {
  weighed: Weighed[]
  checks: Check[]
  judgement: Judgement
}

/**
 * Weighs what was seen on a tree of a kind in a month, with the next checks and what follows. Only causes of that kind
 * count, so that nothing changes when no others are given.
 * @example weighing('ash', 6, { 'exit-hole-d': 'there' }, almanac).weighed[0].cause // 'emerald-ash-borer'
 */
export function weighing(host: string, month: number, seen: Seen, knowledge: Knowledge): Weighing {
  const input = { host, month, seen, ...knowledge }
  const weighed = weigh(input)
  const checks = nextChecks(input)
  return { weighed, checks, judgement: judge({ ...input, weighed, checks }) }
}
