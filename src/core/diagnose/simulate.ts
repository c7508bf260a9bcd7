import type { Cause, Finding, FindingState, Foliage, Seen } from './almanac'
import { OPENED, WITH_FEEDER } from './explain'
import { askedOf, causesOf, commonOn, made } from './weigh'

/** A made-up tree: what ails it, the main cause first, and for every finding that can be seen whether it is there. */
export interface SimulatedTree {
  host: string
  month: number
  /** None for a healthy tree; what lives on others comes last. */
  causes: readonly string[]
  truth: ReadonlyMap<string, boolean>
}

/** What trees are drawn from. */
export interface Ground {
  causes: readonly Cause[]
  findings: ReadonlyMap<string, Finding>
  foliage: Readonly<Record<string, Foliage>>
}

/** Of a hundred trees so many have none, one, two and three causes. */
const HOW_MANY = [30, 50, 15, 5]

function pick(
  host: string,
  own: readonly Cause[],
  there: readonly Cause[],
  random: () => number,
): Cause | undefined {
  const rest = own.filter((c) => !there.includes(c))
  const weight = (c: Cause) => commonOn(c, host) * (there.some((t) => t.opens?.includes(c.id)) ? OPENED : 1)
  let at = random() * rest.reduce((s, c) => s + weight(c), 0)
  return rest.find((c) => (at -= weight(c)) < 0)
}

/**
 * Draws a tree from the almanac's own frequencies: none, one, two or three causes by their commonness among those of the
 * host in season, a stress drawing what it opens the door for; what lives on them switched on; then each finding by
 * noisy "or". `random` gives numbers from 0 to below 1.
 *
 * @example drawTree('ash', 6, almanac, seeded(1)).causes // ['emerald-ash-borer']
 */
export function drawTree(host: string, month: number, ground: Ground, random: () => number): SimulatedTree {
  const own = causesOf(host, ground.causes).filter((c) => !c.months || c.months.includes(month))
  const primary = own.filter((c) => !c.livesOn)
  let at = random() * 100
  const many = Math.max(
    0,
    HOW_MANY.findIndex((n) => (at -= n) < 0),
  )
  const there: Cause[] = []
  while (there.length < many) {
    const next = pick(host, primary, there, random)
    if (!next) break
    there.push(next)
  }
  const fed = own.filter(
    (c) => c.livesOn?.some((id) => there.some((t) => t.id === id)) && random() < WITH_FEEDER,
  )
  const all = [...there, ...fed]
  return { host, month, causes: all.map((c) => c.id), truth: signsOf(all, host, month, ground, random) }
}

/** Draws what given causes show together on a host, of what can be seen in the month. */
export function signsOf(
  causes: readonly Cause[],
  host: string,
  month: number,
  { causes: all, findings, foliage }: Ground,
  random: () => number,
): Map<string, boolean> {
  return new Map(
    askedOf({ host, month, causes: all, findings, foliage })
      .filter((f) => f.place !== 'lab')
      .map((f) => {
        const by = causes.map((c) => made(c, f, host))
        const away = by.reduce<number>((p, q) => p * (1 - (q ?? 1)), 1 - f.background)
        return [f.id, !by.includes(null) && random() < 1 - away] as const
      }),
  )
}

/**
 * What a person wrote down of a tree: a finding is looked at with chance `looked`, seen wrongly with chance `wrong`, left
 * unsure with chance `unsure`. What hardly ever stands without its cause is hardly ever taken for there. Tests are left out.
 */
export function examined(
  one: Pick<SimulatedTree, 'truth'>,
  findings: ReadonlyMap<string, Finding>,
  random: () => number,
  how: { looked: number; wrong: number; unsure: number },
): Seen {
  const seen: Record<string, FindingState> = {}
  for (const [id, there] of one.truth) {
    const finding = findings.get(id)!
    if (finding.place === 'lab' || random() >= how.looked) continue
    const wrong = there ? how.wrong : Math.min(how.wrong, finding.background)
    if (random() < how.unsure) seen[id] = 'unsure'
    else seen[id] = there !== random() < wrong ? 'there' : 'not-there'
  }
  return seen
}
