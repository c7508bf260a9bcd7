import { ok, refuse, type Result } from '../problem'
import { sensible } from '../quantity/pair'
import type { Working } from '../working/working'
import { chanceAbove, deviationsFor, quantile, type Beta } from './beta'

/** What worked of what was tried, in one group. */
export interface ResponseGroup {
  group: string
  success: number
  of: number
}

export interface ResponseInput {
  /** How much of the truth the intervals should hold, 0.9 of it when not given. */
  level?: number
  /** What was believed before anything was counted: a share, and how many counted ones it weighs as much as. */
  prior: { mean: number; weight: number }
  groups: readonly ResponseGroup[]
}

interface Interval {
  low: number
  high: number
}

export interface Response {
  groups: { group: string; share: number | null; wilson: Interval; shrunk: number; credible: Interval }[]
  /** The chance that the first of two is truly better. */
  pairs: { a: string; b: string; chance: number }[]
  working: Working
}

/** More counted ones than this no firm has. */
const MOST_COUNTED = 1e9

/**
 * How well something worked, honestly on small numbers: of each group the share and Wilson's interval of it, the share drawn
 * towards what was believed before (Beta with the prior's weight) and its equal-tailed interval; of every two groups the chance that
 * the first is truly better, within 1e-7.
 *
 * Problems: `out-of-range` for more successes than tries, a level not above 0.5 and below 0.999, a prior that is certain or
 * weighs nothing.
 *
 * Source: Wilson, 1927; handbook, whether it worked.
 * @example responseOf({ prior: { mean: 0.5, weight: 2 }, groups: [{ group: 'drench', success: 3, of: 4 }] }) // shrunk 4/6
 */
export function responseOf({ level = 0.9, prior, groups }: ResponseInput): Result<Response> {
  const wrong = problemIn({ level, prior, groups })
  if (wrong) return wrong
  const z = deviationsFor(level)
  const working: Working = [
    {
      label: 'Deviations that hold the level',
      expression: `the middle ${sensible(level * 100)} % of a normal spread`,
      result: sensible(z, 4),
    },
  ]
  const betas = groups.map((g): Beta => ({
    a: prior.mean * prior.weight + g.success,
    b: (1 - prior.mean) * prior.weight + g.of - g.success,
  }))
  const said = groups.map(({ group, success, of }, i) => {
    const beta = betas[i]!
    const shrunk = beta.a / (beta.a + beta.b)
    const wilson = wilsonOf(success, of, z)
    const credible = { low: quantile(beta, (1 - level) / 2), high: quantile(beta, (1 + level) / 2) }
    const share = of === 0 ? null : success / of
    if (share !== null)
      working.push(
        { label: `${group}: share`, expression: `${success} ÷ ${of}`, result: sensible(share, 4) },
        {
          label: `${group}: Wilson’s interval`,
          expression: `(${sensible(share, 4)} + ${sensible(z, 4)}² ÷ (2 × ${of})) ÷ (1 + ${sensible(z, 4)}² ÷ ${of}), give and take`,
          result: between(wilson),
        },
      )
    working.push(
      {
        label: `${group}: drawn towards what was believed`,
        expression: `(${sensible(prior.mean, 4)} × ${sensible(prior.weight, 4)} + ${success}) ÷ (${sensible(prior.weight, 4)} + ${of})`,
        result: sensible(shrunk, 4),
      },
      {
        label: `${group}: where it truly lies`,
        expression: `the middle ${sensible(level * 100)} % of Beta(${sensible(beta.a, 4)}, ${sensible(beta.b, 4)})`,
        result: between(credible),
      },
    )
    return { group, share, wilson, shrunk, credible }
  })
  const pairs = groups.flatMap((a, i) =>
    groups.slice(i + 1).map((b, k) => ({
      a: a.group,
      b: b.group,
      chance: chanceAbove(betas[i]!, betas[i + 1 + k]!),
    })),
  )
  for (const { a, b, chance } of pairs.slice(0, 40))
    working.push({
      label: `${a} better than ${b}`,
      expression: 'the chance that the first is truly above the second',
      result: sensible(chance, 4),
    })
  return ok({ groups: said, pairs, working })
}

const between = ({ low, high }: Interval) => `${sensible(low, 4)} to ${sensible(high, 4)}`

function wilsonOf(success: number, of: number, z: number): Interval {
  if (of === 0) return { low: 0, high: 1 }
  const p = success / of
  const under = 1 + (z * z) / of
  const middle = p + (z * z) / (2 * of)
  const spread = z * Math.sqrt((p * (1 - p)) / of + (z * z) / (4 * of * of))
  return {
    low: success === 0 ? 0 : Math.max(0, (middle - spread) / under),
    high: success === of ? 1 : Math.min(1, (middle + spread) / under),
  }
}

function problemIn({ level, prior, groups }: Required<ResponseInput>): Result<never> | null {
  if (!(level > 0.5 && level < 0.999))
    return refuse('out-of-range', 'level', 'The level is above 0.5 and below 0.999.')
  if (!(prior.mean > 0 && prior.mean < 1))
    return refuse(
      'out-of-range',
      'prior.mean',
      'What was believed is a share between 0 and 1, neither of them.',
    )
  if (!(prior.weight > 0 && prior.weight <= MOST_COUNTED))
    return refuse(
      'out-of-range',
      'prior.weight',
      'What was believed weighs more than nothing; give it a weight.',
    )
  for (const [i, g] of groups.entries()) {
    if (!Number.isInteger(g.of) || g.of < 0 || g.of > MOST_COUNTED)
      return refuse('out-of-range', `groups[${i}].of`, 'How many were tried is a whole number, 0 or more.')
    if (!Number.isInteger(g.success) || g.success < 0)
      return refuse('out-of-range', `groups[${i}].success`, 'How many worked is a whole number, 0 or more.')
    if (g.success > g.of)
      return refuse('out-of-range', `groups[${i}].success`, 'More worked than were tried; check both.')
  }
  return null
}
