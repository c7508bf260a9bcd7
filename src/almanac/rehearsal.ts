import { calibrate, type Calibration, type Outcome } from '@/core/diagnose/calibration'
import type { FindingState, Seen } from '@/core/diagnose/almanac'
import { drawCase, examined, relevantFindings, type SimulatedCase } from '@/core/diagnose/simulate'
import { nextChecks, weigh } from '@/core/diagnose/weigh'
import { CAUSES } from './causes'
import { FINDING_BY_ID } from './findings'
import { HOSTS } from './hosts'

const drawn = (random: () => number): SimulatedCase => {
  const host = HOSTS[Math.floor(random() * HOSTS.length)]!.id
  return drawCase(host, 1 + Math.floor(random() * 12), CAUSES, FINDING_BY_ID, random)
}

/**
 * Weighs made-up trees of every host and month, drawn from the almanac's own frequencies and examined with mistakes and
 * gaps, and tells how often the true cause led, was among three, and how well the probabilities were kept.
 */
export function rehearse(
  cases: number,
  how: { looked: number; wrong: number; unsure: number },
  random: () => number,
): Calibration {
  const outcomes: Outcome[] = []
  for (let i = 0; i < cases; i++) {
    const one = drawn(random)
    const seen = examined(one, FINDING_BY_ID, random, how)
    const weighed = weigh({ ...one, seen, causes: CAUSES, findings: FINDING_BY_ID })
    outcomes.push({
      probability: weighed[0]!.probability,
      rank: weighed.findIndex((w) => w.cause === one.cause) + 1,
    })
  }
  return calibrate(outcomes)
}

/** Sure enough to stop asking. */
const SURE = 0.85

/**
 * How many checks it takes until a cause leads with 0.85, beginning with one sign that is there: asking what the engine
 * asks, asking in random order, and how many there are in all. Means over the cases.
 */
export function checksNeeded(cases: number, random: () => number) {
  let [asked, shuffled, all, right] = [0, 0, 0, 0]
  for (let i = 0; i < cases; i++) {
    const one = drawn(random)
    const host = { host: one.host, month: one.month, causes: CAUSES, findings: FINDING_BY_ID }
    const ids = relevantFindings(one.host, CAUSES, FINDING_BY_ID)
      .filter((f) => f.place !== 'lab')
      .map((f) => f.id)
    const signs = ids.filter((id) => one.truth.get(id))
    const first = signs[Math.floor(random() * signs.length)]
    const answer = (id: string): FindingState => (one.truth.get(id) ? 'there' : 'not-there')
    const begin: Seen = first ? { [first]: 'there' } : {}
    const sure = (seen: Seen) => weigh({ ...host, seen })[0]!.probability >= SURE
    let seen = begin
    for (let n = 0; n < ids.length && !sure(seen); n++) {
      const next = nextChecks({ ...host, seen }, 1)[0]?.finding
      if (!next) break
      seen = { ...seen, [next]: answer(next) }
    }
    asked += Object.keys(seen).length - Object.keys(begin).length
    if (weigh({ ...host, seen })[0]!.cause === one.cause) right++
    const order = ids.filter((id) => id !== first).map((id) => [random(), id] as const)
    seen = begin
    for (const [, id] of order.sort((a, b) => a[0] - b[0])) {
      if (sure(seen)) break
      seen = { ...seen, [id]: answer(id) }
    }
    shuffled += Object.keys(seen).length - Object.keys(begin).length
    all += ids.length
  }
  return { asked: asked / cases, shuffled: shuffled / cases, all: all / cases, right: right / cases }
}
